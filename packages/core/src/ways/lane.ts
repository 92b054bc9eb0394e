import type { Job, Step } from '../job/index.js';

/** A component's steps from its paper on, one behind another. */
export interface Lane {
  readonly steps: readonly Step[];
  /** Material that leaves the lane. */
  readonly end: string;
}

const takes = (step: Step): readonly string[] => step.from?.map(({ material }) => material) ?? [];
const isPlain = (step: Step): boolean =>
  step.makes === undefined &&
  step.setupFrom === undefined &&
  (step.from ?? []).every(({ usage = 1 }) => usage === 1) &&
  takes(step).length <= 1;

/**
 * The lane of a component: every step of its own, in the order in which material runs. Undefined where it is no plain
 * lane (several materials made or taken, a split), which has to be planned whole.
 */
export function laneOf(job: Job, componentId: string): Lane | undefined {
  const own = job.route.filter(({ component }) => component === componentId);
  const steps: Step[] = [];
  let at = own.find((step) => takes(step).every((material) => !own.some(({ id }) => id === material)));
  while (at) {
    if (!isPlain(at)) return undefined;
    steps.push(at);
    const made = at.id;
    const takers = job.route.filter((step) => takes(step).includes(made));
    if (takers.length > 1) return undefined;
    at = own.find((step) => takes(step).includes(made));
  }
  const end = steps.at(-1)?.id;
  return steps.length === own.length && end !== undefined ? { steps, end } : undefined;
}
