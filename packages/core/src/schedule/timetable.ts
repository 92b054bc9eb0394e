import { type Cause, causeOf } from './critical.js';
import { Decoder } from './decoder.js';
import type { Judged, Sequence, Shop, Timed } from './shop.js';
import { Tables, get } from './tables.js';

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
  const decoder = new Decoder(new Tables(shop));
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
