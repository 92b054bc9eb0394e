import type { Works } from '../works/index.js';
import { normsOf } from '../norms/index.js';
import {
  type ComponentLayout,
  layComponent,
  sectionPositions,
  isInLine,
  layoutAt,
  machineOf,
} from '../press-sheet/index.js';
import { madeBy, type Followed, type Taken, followMaterials, takenBy } from '../material/index.js';
import type { Job, Step } from '../job/index.js';

/** Materials of a job that need not be ready to be planned: what cannot be laid has none. */
export function materialsOf(job: Job, works: Works): Followed {
  const norms = normsOf(works, job.norms);
  const context = { job, works, norms, positions: sectionPositions(job) };
  const layouts = new Map<string, ComponentLayout>();
  for (const component of job.components) {
    const { layout } = layComponent(component, '', context);
    if (layout) layouts.set(component.id, layout);
  }
  const at = (step: Step): ComponentLayout | undefined => {
    const layout = step.component === undefined ? undefined : layouts.get(step.component);
    return layoutAt(step, layout, machineOf(step, layout, works));
  };
  return followMaterials({
    job,
    works,
    norms,
    layouts,
    layoutAt: at,
    inLine: (step) => isInLine(step, at(step)),
    made: (step) => madeBy(step, at(step)).map(({ material }) => material),
  });
}

/** What comes to each step of such a job. */
export function incomingOf(job: Job, works: Works): (step: Step) => readonly Taken[] {
  const { materials } = materialsOf(job, works);
  return (step) =>
    takenBy(step).flatMap(({ material: id, usage }) => {
      const material = materials.get(id);
      return material ? [{ material, usage }] : [];
    });
}
