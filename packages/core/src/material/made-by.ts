import { type ComponentLayout, partsSheet } from '../press-sheet/index.js';
import { type Step, itemMaterial } from '../job/index.js';

/** One material that a step makes. */
export interface Made {
  readonly material: string;
  readonly yield?: number | undefined;
  readonly share?: number | undefined;
}

/** What a step makes: what the job says, the items of a form that is cut apart, else one material under its own id. */
export function madeBy(step: Step, layout: ComponentLayout | undefined): readonly Made[] {
  if (step.makes) return step.makes;
  if (!layout || layout.form.length === 0 || !partsSheet(step, layout)) return [{ material: step.id }];
  return layout.form.map(({ item, count }) => {
    const share = layout.component.carries?.find((carried) => carried.item === item.id)?.share;
    return { material: itemMaterial(item.id), yield: count, share };
  });
}
