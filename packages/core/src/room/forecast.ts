import { type Job, type Plan, type RunForecast, reckonForecast } from '../plan/index.js';
import type { Works } from '../works/index.js';
import type { RoomState } from './state.js';

/** What the job will come to by the counts so far. */
export interface CountForecast {
  /** By the norms and chances of the steps still to come; undefined before anything is counted. */
  readonly run: RunForecast | undefined;
  readonly wanted: number;
  /** The last step has been counted. */
  readonly finished: boolean;
  /** Finished, and no less than the order lets pass. */
  readonly safe: boolean;
}

/** The same counts give the same forecast everywhere. */
const SEED = 1;
const DRAWS = 500;

/** Fewest pieces that fulfil the order. */
function leastOf({ order }: Job): number {
  const { policy, quantity } = order;
  return policy.kind === 'percent' ? Math.ceil(quantity * (1 - policy.under / 100)) : quantity;
}

/** Pieces that a job will end with, forwards from the counts in force. Source: handbook chapter 6 "While it runs". */
export function forecastCount(job: Job, plan: Plan, works: Works, { counts }: RoomState): CountForecast {
  const last = plan.steps.at(-1);
  const known = new Set(plan.steps.map(({ id }) => id));
  const counted = [...counts].flatMap(([step, { event }]) => (known.has(step) ? [{ step, good: event.good }] : []));
  const run = counted.length > 0 ? reckonForecast(job, works, counted, { seed: SEED, draws: DRAWS }) : undefined;
  const done = last && counts.get(last.id)?.event.good;
  return {
    run: run?.ok ? run.value : undefined,
    wanted: plan.figures['order.target']?.value ?? job.order.quantity,
    finished: done !== undefined,
    safe: done !== undefined && done >= (job.items ? (last?.needsOut ?? 0) : leastOf(job)),
  };
}
