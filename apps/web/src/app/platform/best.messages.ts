import type { BestPlan, Job, Ladder, Outcome, Rung, Works } from '@druckerei/core';

/** What the page asks of the worker; one question a worker, which is ended to stop it. */
export type BestQuestion =
  | { readonly kind: 'best'; readonly job: Job; readonly works: Works }
  | { readonly kind: 'ladder'; readonly job: Job; readonly works: Works; readonly quantities: readonly number[] };

export type BestAnswer =
  | { readonly kind: 'so far'; readonly best: BestPlan; readonly share: number }
  | { readonly kind: 'rung'; readonly rung: Rung; readonly share: number }
  | { readonly kind: 'best'; readonly outcome: Outcome<BestPlan> }
  | { readonly kind: 'ladder'; readonly outcome: Outcome<Ladder> };
