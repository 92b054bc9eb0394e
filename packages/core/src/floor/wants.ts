import type { Job } from '../job/index.js';
import type { Carrier } from '../prepress/index.js';
import type { Plan, PlanStep } from '../plan/index.js';
import { type PressWants, pressWants } from '../press-room/index.js';
import { paperKeyOf } from '../press-sheet/index.js';
import { purchaseNeeds } from '../stores/index.js';
import type { Works } from '../works/index.js';

/** What a station needs before it begins, beside what the stations before it give it. */
export interface FloorWants {
  /** Paper that its component is printed on, at the first station of it; all that the job needs of it. */
  readonly paper?: { readonly key: string; readonly name: string; readonly quantity: number } | undefined;
  readonly press?: PressWants | undefined;
}

/** What every planned station wants, by its id. */
export function wantsOf(
  job: Job,
  planned: Plan,
  works: Works,
  carriers: readonly Carrier[],
): (step: PlanStep, isFirst: boolean) => FloorWants {
  const needs = new Map(purchaseNeeds(job, planned, works).map((need) => [need.key, need]));
  return (step, isFirst) => {
    const layout = planned.layouts[step.component ?? ''];
    const need = layout && isFirst ? needs.get(paperKeyOf(layout) ?? '') : undefined;
    return {
      paper: need && { key: need.key, name: need.name, quantity: need.quantity },
      press: pressWants({ job, works }, step, carriers),
    };
  };
}
