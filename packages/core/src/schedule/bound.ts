import { inOrder } from './dispatch.js';
import { type Span, OpenTime, joinSpans, meetSpans } from './open-time.js';
import type { Mode, Shop } from './shop.js';

/** When each operation would be through at the earliest, if it had the works to itself; by operation. Source: identity. */
function aloneThrough(shop: Shop): number[] {
  const { operations, resources } = shop;
  const through = operations.map(() => 0);
  const start = operations.map(() => 0);
  const opens = new Map<Mode, OpenTime>();
  const openOf = (mode: Mode): OpenTime => {
    const known = opens.get(mode);
    if (known) return known;
    // Whoever is in of a crew will do: open where any of the set is.
    const sets = mode.beside.map((set) =>
      joinSpans(set.flatMap((one): readonly Span[] => resources[one]?.open.spans ?? [])),
    );
    const machine = mode.machine === undefined ? undefined : resources[mode.machine]?.open;
    const spans = sets.reduce((met, set) => meetSpans(met, set), machine?.spans ?? OpenTime.ALWAYS.spans);
    const open = sets.length === 0 ? (machine ?? OpenTime.ALWAYS) : new OpenTime(spans);
    opens.set(mode, open);
    return open;
  };
  for (const i of inOrder(shop)) {
    const operation = operations[i];
    if (!operation) continue;
    const { after, modes, release, pinned, frozen } = operation;
    if (frozen) {
      [start[i], through[i]] = [frozen.start, frozen.end];
      continue;
    }
    let [bestEnd, bestStart] = [Infinity, Infinity];
    for (const mode of modes) {
      const least = mode.run + mode.setUp;
      const open = openOf(mode);
      let [ready, endNo] = [Math.max(release, pinned ?? 0), 0];
      for (const { operation: before, lag, piles } of after) {
        const there = (through[before] ?? 0) + lag;
        if (!piles) ready = Math.max(ready, there);
        else {
          const shortest = Math.min(
            ...(operations[before]?.modes.map(({ setUp, run }) => setUp + Math.ceil(piles.first * run)) ?? [0]),
          );
          ready = Math.max(ready, (start[before] ?? 0) + shortest + lag);
          endNo = Math.max(endNo, there + Math.ceil(piles.last * mode.run));
        }
      }
      const end = least === 0 ? Math.max(ready, endNo) : Math.max(open.endAt(open.openBefore(ready) + least), endNo);
      bestEnd = Math.min(bestEnd, end);
      bestStart = Math.min(bestStart, open.nextOpen(ready));
    }
    [through[i], start[i]] = [bestEnd, bestStart];
  }
  return through;
}

/** When each order would be through at the earliest, if it had the works to itself; by order. Source: identity. */
export function ordersAlone(shop: Shop): number[] {
  const ends = shop.orders.map(() => 0);
  aloneThrough(shop).forEach((minute, i) => {
    const order = shop.operations[i]?.order ?? 0;
    ends[order] = Math.max(ends[order] ?? 0, minute);
  });
  return ends;
}

/**
 * Weighted minutes late that no schedule can do without: every order alone in the works, as if nothing else wanted its machines. Source: identity.
 */
export function lateBound(shop: Shop): number {
  const ends = ordersAlone(shop);
  return shop.orders.reduce(
    (sum, { due, weight }, order) => sum + weight * Math.max(0, (ends[order] ?? 0) - (due ?? Infinity)),
    0,
  );
}
