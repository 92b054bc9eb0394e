import { NEVER } from './open-time.js';
import type { Decoder } from './decoder.js';
import { get } from './tables.js';

/** What an operation began after: another that it waits for, or that held what it wants; nothing where it could begin from its release on. */
export interface Cause {
  readonly kind: 'release' | 'link' | 'held';
  /** The operation before; -1 for a release. */
  readonly operation: number;
  /** The resource that was held; -1 otherwise. */
  readonly resource: number;
  /** The minute from which on it could begin. */
  readonly minute: number;
  /** The same if nothing were held: by its release and what it waits for alone. */
  readonly there: number;
}

/** Why an operation begins no earlier: the last of all that it has to wait for. */
export function causeOf(decoder: Decoder, operation: number): Cause {
  const { tables } = decoder;
  const release = get(tables.release, operation);
  let cause: Cause = { kind: 'release', operation: -1, resource: -1, minute: release, there: release };
  const { from, values } = tables.links;
  for (let at = get(from, operation); at < get(from, operation + 1); at++) {
    const minute = thereAt(decoder, operation, at);
    if (minute > cause.minute)
      cause = { kind: 'link', operation: get(values, at), resource: -1, minute, there: minute };
  }
  const there = cause.minute;
  for (let at = operation * tables.width; at < (operation + 1) * tables.width; at++) {
    const resource = get(decoder.held, at);
    const before = resource < 0 ? -1 : get(decoder.before, at);
    if (before >= 0 && get(decoder.end, before) > cause.minute)
      cause = { kind: 'held', operation: before, resource, minute: get(decoder.end, before), there };
  }
  return cause;
}

/** The earliest begin that a link allows, open hours aside; where the last pile is what counts, the time before it that the rest takes. */
function thereAt(decoder: Decoder, operation: number, at: number): number {
  const { tables } = decoder;
  const before = get(tables.links.values, at);
  const there = get(decoder.end, before) + get(tables.lag, at);
  const share = get(tables.firstShare, at);
  if (share < 0) return there;
  const first = decoder.firstPile(before, share) + get(tables.lag, at);
  const last = there + Math.ceil(get(tables.lastShare, at) * get(decoder.run, operation));
  if (last >= NEVER) return NEVER;
  const open = tables.open(get(decoder.calendar, operation));
  const minutes = get(decoder.setUp, operation) + get(decoder.run, operation);
  return Math.max(first, open.startAt(Math.max(0, open.openUntil(last) - minutes)));
}

/** The operation that an order is through with. */
export function lastOf({ tables, end }: Decoder, order: number): number {
  let last = -1;
  for (let at = get(tables.ends.from, order); at < get(tables.ends.from, order + 1); at++) {
    const operation = get(tables.ends.values, at);
    if (last < 0 || get(end, operation) > get(end, last)) last = operation;
  }
  return last;
}
