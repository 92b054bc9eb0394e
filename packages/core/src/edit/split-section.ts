import { takenBy } from '../material/index.js';
import { type Job, type Step, paperOf } from '../job/index.js';
import { cutSheetFirst } from './edit-job.js';
import { endpaperOf, withEndpapers } from './endpapers.js';

/** A step of a section's lane for the section's other half: its own ids, fed by its own steps and paper. */
function twinOf(step: Step, ids: ReadonlyMap<string, string>, from: string, to: string): Step {
  const material = (id: string): string => (id === paperOf(from) ? paperOf(to) : (ids.get(id) ?? id));
  return {
    ...step,
    id: ids.get(step.id) ?? step.id,
    component: to,
    ...(step.from ? { from: step.from.map((taken) => ({ ...taken, material: material(taken.material) })) } : {}),
  };
}

/** An id of a step or component that is not taken: with the first free number behind it. */
function freeOf(id: string, taken: ReadonlySet<string>): string {
  for (let n = 2; ; n++) if (!taken.has(`${id}-${n}`)) return `${id}-${n}`;
}

/**
 * A section parted into two of half its pages each (a multiple of 4), each with a lane of its own that joins where the one
 * did. The job as it was where the section has fewer than 8 pages or shares a form.
 */
export function splitSection(job: Job, componentId: string): Job {
  const halves = parted(job, componentId);
  // Halves of a section lie several on the sheet that held it.
  const added = halves.components.filter(({ id }) => !job.components.some((one) => one.id === id));
  const made =
    halves === job
      ? job
      : [componentId, ...added.map(({ id }) => id)].reduce((cut, id) => cutSheetFirst(cut, id, true), halves);
  const endpaper = endpaperOf(job);
  return made === job || endpaper === undefined ? made : withEndpapers(made, endpaper);
}

function parted(job: Job, componentId: string): Job {
  const component = job.components.find(({ id }) => id === componentId);
  const pages = component?.pages ?? 0;
  if (component?.kind !== 'section' || pages < 8 || component.on !== undefined) return job;
  const first = 4 * Math.ceil(pages / 8);
  const twin = freeOf(componentId, new Set(job.components.map(({ id }) => id)));
  const lane = job.route.filter((step) => step.component === componentId);
  const taken = new Set(job.route.map(({ id }) => id));
  const ids = new Map(lane.map(({ id }) => [id, freeOf(id, taken)]));
  const { scheme: _scheme, folding: _folding, ...like } = component;
  const named = (count: number): string => component.name.replace(/\d+ pages/, $localize`${count} pages`);
  const laneIds = new Set(lane.map(({ id }) => id));
  const last = lane.at(-1)?.id;
  return {
    ...job,
    components: job.components.flatMap((one) =>
      one === component
        ? [
            { ...like, pages: first, name: named(first) },
            { ...like, id: twin, pages: pages - first, name: named(pages - first) },
          ]
        : [one],
    ),
    route: job.route.flatMap((step): Step[] => {
      if (laneIds.has(step.id))
        return step.id === last ? [step, ...lane.map((one) => twinOf(one, ids, componentId, twin))] : [step];
      if (!takenBy(step).some(({ material }) => laneIds.has(material))) return [step];
      return [
        {
          ...step,
          from: (step.from ?? []).flatMap((input) =>
            laneIds.has(input.material)
              ? [input, { ...input, material: ids.get(input.material) ?? input.material }]
              : [input],
          ),
        },
      ];
    }),
  };
}
