import type { Job, Plan } from '../plan/index.js';
import type { RoomState } from './state.js';

/** What the job will come to by the counts so far. */
export interface CountForecast {
  /** Good pieces expected at the end; undefined before anything is counted. */
  readonly expected: number | undefined;
  readonly wanted: number;
  /** The last step has been counted. */
  readonly finished: boolean;
  /** Finished, and no less than the order lets pass. */
  readonly safe: boolean;
  /** Step whose count decides. */
  readonly by: string | undefined;
}

/** Fewest pieces that fulfil the order. */
function leastOf({ order }: Job): number {
  const { policy, quantity } = order;
  return policy.kind === 'percent' ? Math.ceil(quantity * (1 - policy.under / 100)) : quantity;
}

/**
 * Pieces that a job will end with: the count of the last counted step of each lane, carried to the end at the planned
 * spoilage (good / planned good out x wanted); the lane with least decides.
 * Source: identity at the planned spoilage.
 */
export function forecastCount(job: Job, plan: Plan, { counts }: RoomState): CountForecast {
  const wanted = plan.figures['order.target']?.value ?? job.order.quantity;
  const last = plan.steps.at(-1);
  const forecasts = new Map<string | null, { expected: number; by: string }>();
  for (const step of plan.steps) {
    const good = counts.get(step.id)?.event.good;
    if (good === undefined) continue;
    const expected = step.needsOut > 0 ? Math.floor((good / step.needsOut) * wanted) : 0;
    forecasts.set(step.component, { expected, by: step.id });
  }
  const finished = last !== undefined && counts.has(last.id);
  const joined = forecasts.get(null);
  const all = joined ? [joined] : [...forecasts.values()];
  const [least] = all.sort((one, other) => one.expected - other.expected);
  const done = finished ? counts.get(last.id)?.event.good : undefined;
  return {
    expected: least?.expected,
    wanted,
    finished,
    safe: done !== undefined && done >= (job.items ? (last?.needsOut ?? 0) : leastOf(job)),
    by: least?.by,
  };
}
