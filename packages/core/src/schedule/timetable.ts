import { type Cause, causeOf } from './critical.js';
import { Decoder } from './decoder.js';
import { chooseBeside } from './dispatch.js';
import { Mover } from './mover.js';
import type { Judged, Sequence, Shop, Timed } from './shop.js';
import { get, tablesOf } from './tables.js';

/** An operation of a schedule with its time, what it runs with, and why no earlier. */
export interface Slot extends Timed {
  readonly operation: number;
  readonly mode: number;
  /** Undefined where it takes no machine. */
  readonly machine: number | undefined;
  readonly beside: readonly number[];
  readonly cause: Cause;
}

/** A schedule laid out in time. */
export interface Timetable {
  /** By operation. */
  readonly slots: readonly Slot[];
  /** When each order is through. */
  readonly through: readonly number[];
  readonly judged: Judged;
}

/** When all of a sequence runs. */
export function timetable(shop: Shop, sequence: Sequence): Timetable {
  const decoder = decoded(shop, sequence);
  const slots = shop.operations.map((_, operation): Slot => {
    const machine = get(decoder.held, operation * decoder.tables.width);
    return {
      operation,
      mode: get(decoder.mode, operation),
      machine: machine < 0 ? undefined : machine,
      beside: decoder.besideOf(operation),
      ...decoder.timed(operation),
      cause: causeOf(decoder, operation),
    };
  });
  return { slots, through: [...decoder.through], judged: decoder.judged() };
}

/** A decoder that holds a sequence. */
export function decoded(shop: Shop, sequence: Sequence): Decoder {
  const decoder = new Decoder(tablesOf(shop));
  decoder.load(sequence);
  return decoder;
}

/** What an order is through with, walked back: each operation with what it began after, the last first. */
export function chainOf({ slots }: Timetable, shop: Shop, order: number): Slot[] {
  const chain: Slot[] = [];
  let last: Slot | undefined;
  for (const slot of slots)
    if (shop.operations[slot.operation]?.order === order && slot.end > (last?.end ?? -1)) last = slot;
  for (let slot = last; slot && !chain.includes(slot); slot = slots[slot.cause.operation]) chain.push(slot);
  return chain;
}

/** One change of a sequence. */
export interface Move {
  /** Another mode, with whatever of its sets is free first. */
  readonly mode?: number;
  /** It goes ahead of this operation, or behind it. */
  readonly before?: number;
  readonly after?: number;
}

/** A sequence with one operation moved and all that it drags along; undefined where it cannot be. */
export function moved(
  shop: Shop,
  sequence: Sequence,
  operation: number,
  { mode, before, after }: Move,
): Sequence | undefined {
  const decoder = decoded(shop, sequence);
  const mover = new Mover(decoder);
  if (mode !== undefined) {
    const to = shop.operations[operation]?.modes[mode];
    if (
      !to ||
      !mover.give(
        operation,
        mode,
        chooseBeside(to, (resource) => decoder.freeAt(resource)),
      )
    )
      return undefined;
    // Ahead of what runs there only after it would have begun.
    const start = decoder.timed(operation).start;
    const row = operation * decoder.tables.width;
    let target = -1;
    for (
      let one = get(decoder.before, row);
      one >= 0 && get(decoder.start, one) >= start;
      one = get(decoder.before, one * decoder.tables.width)
    )
      target = one;
    if (target >= 0) mover.before(operation, target);
  }
  if (before !== undefined && !mover.before(operation, before)) return undefined;
  if (after !== undefined && !mover.after(operation, after)) return undefined;
  return decoder.sequence();
}
