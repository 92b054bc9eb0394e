import type { Job, Outcome, WayTarget, Ways, Works } from '@druckerei/core';

/** What the page asks of the worker; one question a worker, which is ended to stop it. */
export interface WaysQuestion {
  readonly job: Job;
  readonly works: Works;
  readonly target: WayTarget;
}

export type WaysAnswer =
  { readonly kind: 'progress'; readonly share: number } | { readonly kind: 'done'; readonly outcome: Outcome<Ways> };
