import type { Job, Outcome, SureAnswer, SureAsk, Works } from '@druckerei/core';

/** What the page asks of the worker; one question a worker, which is ended to stop it. */
export interface SureQuestion {
  readonly job: Job;
  readonly works: Works;
  readonly ask: SureAsk;
}

export type SureMessage =
  | { readonly kind: 'progress'; readonly share: number }
  | { readonly kind: 'sure'; readonly outcome: Outcome<SureAnswer> };
