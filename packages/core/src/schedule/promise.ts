import { NEVER, OpenTime, meetSpans } from './open-time.js';
import type { Operation, Shop } from './shop.js';
import type { Timetable } from './timetable.js';
import { inOrder } from './dispatch.js';

/** Where an operation that is not in the schedule would fit. */
export interface Place {
  readonly mode: number;
  readonly machine: number | undefined;
  readonly beside: readonly number[];
  /** Set-up minutes, those of what was on before within. */
  readonly setUp: number;
  readonly start: number;
  readonly end: number;
}

/** What is taken of one resource, in order of time. */
type Taken = { start: number; end: number; dress: number }[];

/** When everything of a schedule is taken. */
function takenOf(shop: Shop, { slots }: Pick<Timetable, 'slots'>): Taken[] {
  const taken: Taken[] = shop.resources.map(() => []);
  for (const { operation, mode, machine, beside, start, end } of slots) {
    const dress = shop.operations[operation]?.modes[mode]?.dress ?? 0;
    for (const resource of machine === undefined ? beside : [machine, ...beside])
      if (end > start) taken[resource]?.push({ start, end, dress });
  }
  for (const one of taken) one.sort((a, b) => a.start - b.start);
  return taken;
}

/**
 * The earliest places for work that is not in the schedule yet, in gaps that it leaves: nothing that stands is moved, and what comes behind still has
 * time for its own set-up. `wanted` waits for each other only (indices within itself); the resources are those of the shop. By operation; undefined where
 * it fits nowhere. Source: identity.
 */
export function placesFor(
  shop: Shop,
  standing: Pick<Timetable, 'slots'>,
  wanted: readonly Operation[],
): (Place | undefined)[] {
  const taken = takenOf(shop, standing);
  const places: (Place | undefined)[] = wanted.map(() => undefined);
  for (const i of inOrder({ operations: wanted })) {
    const operation = wanted[i];
    if (!operation) continue;
    const place = placeFor(shop, taken, operation, wanted, places);
    if (!place) break;
    places[i] = place;
    const dress = operation.modes[place.mode]?.dress ?? 0;
    for (const resource of heldBy(place)) {
      taken[resource]?.push({ start: place.start, end: place.end, dress });
      taken[resource]?.sort((a, b) => a.start - b.start);
    }
  }
  return places;
}

function placeFor(
  shop: Shop,
  taken: readonly Taken[],
  { after, modes, release }: Operation,
  wanted: readonly Operation[],
  places: readonly (Place | undefined)[],
): Place | undefined {
  let best: Place | undefined;
  modes.forEach(({ machine, beside: sets, setUp: base, run, dress }, mode) => {
    let [ready, endNo] = [release, 0];
    for (const { operation, lag, piles } of after) {
      const before = places[operation];
      const there = (before?.end ?? NEVER) + lag;
      if (!piles) ready = Math.max(ready, there);
      else {
        ready = Math.max(ready, firstPileOf(shop, wanted[operation], before, piles.first) + lag);
        endNo = Math.max(endNo, there + Math.ceil(piles.last * run));
      }
    }
    if (ready >= NEVER) return;
    for (const beside of choices(sets)) {
      const held = heldBy({ machine, beside });
      const open = openOf(shop, held);
      const found = gapFor(shop, taken, { machine, held, open, ready, endNo, base, run, dress });
      if (found && (!best || found.end < best.end)) best = { mode, machine, beside, ...found };
    }
  });
  return best;
}

const heldBy = ({ machine, beside }: Pick<Place, 'machine' | 'beside'>): readonly number[] =>
  machine === undefined ? beside : [machine, ...beside];

/** Open where all that is held is open. */
function openOf(shop: Shop, held: readonly number[]): OpenTime {
  const opens = held.map((one) => shop.resources[one]?.open ?? OpenTime.ALWAYS);
  const [only] = opens;
  if (opens.length === 1 && only) return only;
  return new OpenTime(opens.map(({ spans }) => spans).reduce(meetSpans, OpenTime.ALWAYS.spans));
}

/** When the first pile of a placed operation is through. */
function firstPileOf(shop: Shop, operation: Operation | undefined, place: Place | undefined, share: number): number {
  const mode = place && operation?.modes[place.mode];
  if (!mode) return NEVER;
  const open = openOf(shop, heldBy(place));
  const through = place.setUp + Math.ceil(share * mode.run);
  return through === 0 ? place.start : open.endAt(open.openBefore(place.start) + through);
}

/** One of each set, each another; few of many alike: those of one set in turn. */
function choices(sets: readonly (readonly number[])[]): number[][] {
  const width = Math.max(1, ...sets.map((set) => set.length));
  return Array.from({ length: width }, (_, turn) => {
    const chosen: number[] = [];
    for (const set of sets) {
      const free = set.filter((one) => !chosen.includes(one));
      const one = free[turn % Math.max(1, free.length)];
      if (one !== undefined) chosen.push(one);
    }
    return chosen;
  });
}

interface Wish {
  readonly machine: number | undefined;
  readonly held: readonly number[];
  readonly open: OpenTime;
  readonly ready: number;
  readonly endNo: number;
  readonly base: number;
  readonly run: number;
  readonly dress: number;
}

const lastBy = (taken: Taken, minute: number): Taken[number] | undefined =>
  taken.filter(({ start }) => start <= minute).at(-1);

function gapFor(shop: Shop, taken: readonly Taken[], wish: Wish): Pick<Place, 'start' | 'setUp' | 'end'> | undefined {
  const { machine, held, open, endNo, base, run, dress } = wish;
  let { ready } = wish;
  for (;;) {
    const on = machine === undefined ? [] : (taken[machine] ?? []);
    const before = lastBy(on, ready);
    const setUp =
      machine === undefined ? base : base + shop.setUp(before?.dress ?? shop.resources[machine]?.dressed, dress);
    const minutes = setUp + run;
    let first = open.openBefore(ready);
    if (endNo > 0) first = Math.max(first, open.openUntil(endNo) - minutes);
    const start = minutes === 0 ? Math.max(ready, endNo) : open.startAt(first);
    const end = minutes === 0 ? start : open.endAt(first + minutes);
    if (start >= NEVER || end >= NEVER) return undefined;
    const clash = held.flatMap((one) => (taken[one] ?? []).filter((other) => other.start < end && start < other.end));
    const next = on.find((other) => other.start >= end);
    const [more, isLater] = [
      next
        ? shop.setUp(dress, next.dress) -
          shop.setUp(
            before?.dress ?? (machine === undefined ? undefined : shop.resources[machine]?.dressed),
            next.dress,
          )
        : 0,
      before !== lastBy(on, start),
    ];
    const squeezed = next && more > 0 && open.openBefore(next.start) - open.openBefore(end) < more ? [next] : [];
    const [blocked] = [...clash, ...squeezed].sort((a, b) => a.end - b.end);
    if (blocked) ready = Math.max(ready + 1, blocked.end);
    else if (isLater) ready = start;
    else return { start, setUp: minutes === 0 ? 0 : setUp, end };
  }
}

/** When all of it would be through; undefined where something fits nowhere. */
export const endOf = (places: readonly (Place | undefined)[]): number | undefined =>
  places.every((place) => place !== undefined) ? Math.max(0, ...places.map((place) => place?.end ?? 0)) : undefined;
