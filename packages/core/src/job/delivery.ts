import type { Job } from './job.js';
import { type Order, orderLimits } from './order.js';

/** What becomes of the good pieces of an order. */
export interface Outcomes {
  readonly good: number;
  readonly delivered: number;
  readonly invoiced: number;
  /** Good pieces that the order does not take. */
  readonly kept: number;
  /** Missing from the fewest that may be delivered. */
  readonly short: number;
}

/**
 * What is delivered and invoiced of so many good pieces: no more than the order takes. Within per cents what is delivered is
 * invoiced (older trade custom); where all overs go to the customer, the order is. Source: handbook chapter 6 "Overs and
 * unders"; what is invoiced of overs is common practice, no source.
 */
export function outcomesOf(order: Order, good: number): Outcomes {
  const { least, most } = orderLimits(order);
  const delivered = Math.min(good, most);
  return {
    good,
    delivered,
    invoiced: order.policy.kind === 'all-overs' ? Math.min(delivered, order.quantity) : delivered,
    kept: good - delivered,
    short: Math.max(0, least - good),
  };
}

/** A partial delivery, and how much of it there will be. */
export interface DeliveryState {
  readonly quantity: number;
  readonly due: string | undefined;
  readonly covered: number;
}

/** Which partial deliveries so many good pieces cover, in their order. */
export function coveredDeliveries({ deliveries = [] }: Order, good: number): DeliveryState[] {
  let left = good;
  return deliveries.map(({ quantity, due }) => {
    const covered = Math.min(quantity, left);
    left -= covered;
    return { quantity, due, covered };
  });
}

/** What ends a job: its last stations, and the good pieces that the order takes at least. */
export interface Completion {
  readonly ends: readonly string[];
  readonly least: number;
}

/** What ends a job, and how many good pieces the order takes at least. */
export function completionOf({ route, order }: Job): Completion {
  const taken = new Set(route.flatMap(({ from = [] }) => from.map(({ material }) => material)));
  const ends = route.filter(({ id, makes = [{ material: id }] }) =>
    makes.every(({ material }) => !taken.has(material)),
  );
  return { ends: ends.map(({ id }) => id), least: orderLimits(order).least };
}

/** Good pieces that the last stations of a job have counted together; undefined until all of them have. @param counts good out, by step. */
export function goodOf({ ends }: Pick<Completion, 'ends'>, counts: ReadonlyMap<string, number>): number | undefined {
  const good = ends.flatMap((id) => counts.get(id) ?? []);
  return good.length === ends.length ? good.reduce((sum, count) => sum + count, 0) : undefined;
}

/** Whether the last stations of a job have counted together what the order takes at least. @param counts good out, by step. */
export const isFinished = (completion: Completion, counts: ReadonlyMap<string, number>): boolean =>
  (goodOf(completion, counts) ?? -1) >= completion.least;
