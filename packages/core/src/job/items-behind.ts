import type { Job } from './job.js';
import type { Step } from './step.js';
import { itemMaterial } from './item.js';

/** Items that a material comes from, whatever lies between. */
export function itemsBehind({ items = [], route }: Job): (material: string) => ReadonlySet<string> {
  const known = new Map<string, ReadonlySet<string>>(items.map(({ id }) => [itemMaterial(id), new Set([id])]));
  const makers = new Map<string, Step>();
  for (const step of route)
    for (const { material } of step.makes ?? [{ material: step.id }]) makers.set(material, step);
  const behind = (material: string): ReadonlySet<string> => {
    const before = known.get(material);
    if (before) return before;
    // What comes round to itself adds nothing.
    known.set(material, new Set());
    const found = new Set((makers.get(material)?.from ?? []).flatMap((input) => [...behind(input.material)]));
    known.set(material, found);
    return found;
  };
  return behind;
}

/** Whether several items come together in one pack. */
export function isAssorted(job: Job): boolean {
  if ((job.items?.length ?? 0) < 2) return false;
  const behind = itemsBehind(job);
  return job.route.some(({ id }) => behind(id).size > 1);
}
