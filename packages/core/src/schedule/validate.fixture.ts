import type { Shop } from './shop.js';
import type { Slot } from './timetable.js';

/** Open minutes of a stretch by plain counting of spans that are open in all calendars; apart from how the schedule reckons. */
function openMinutes(shop: Shop, held: readonly number[], from: number, to: number): number {
  const lists = held.map((resource) => shop.resources[resource]?.open.spans ?? []);
  if (lists.length === 0) return to - from;
  const edges = [from, to, ...lists.flat(2).filter((minute) => minute > from && minute < to)].sort((a, b) => a - b);
  let open = 0;
  for (let i = 1; i < edges.length; i++) {
    const [a = 0, b = 0] = [edges[i - 1], edges[i]];
    if (lists.every((spans) => spans.some(([begin, end]) => begin <= a && b <= end))) open += b - a;
  }
  return open;
}

/** What is wrong with a schedule, in words; written apart from the decoder, for tests. */
export function faultsOf(shop: Shop, slots: readonly Slot[]): string[] {
  const faults: string[] = [];
  const { operations, resources } = shop;
  const held = slots.map(({ machine, beside }) => (machine === undefined ? [...beside] : [machine, ...beside]));
  if (slots.length !== operations.length) faults.push('operations are missing');
  // No machine, place or tool twice at once; set-ups as the matrix.
  resources.forEach((resource, r) => {
    const own = slots
      .filter((slot, i) => held[i]?.includes(r) === true && slot.end > slot.start)
      .sort((a, b) => a.start - b.start);
    own.forEach((slot, i) => {
      const previous = own[i - 1];
      if (previous && previous.end > slot.start) faults.push(`${resource.id} twice at once at ${slot.start}`);
      if (resource.kind !== 'machine' || operations[slot.operation]?.frozen) return;
      const mode = operations[slot.operation]?.modes[slot.mode];
      const before = previous ? operations[previous.operation]?.modes[previous.mode]?.dress : resource.dressed;
      const wanted = (mode?.setUp ?? 0) + shop.setUp(before, mode?.dress ?? 0);
      if (slot.setUp !== wanted)
        faults.push(`set-up of ${operations[slot.operation]?.id ?? ''} is ${slot.setUp}, not ${wanted}`);
    });
  });
  slots.forEach((slot, i) => {
    const operation = operations[slot.operation];
    const mode = operation?.modes[slot.mode];
    if (!operation || !mode) return faults.push(`slot ${i} is of nothing`);
    const { id, frozen, release, pinned } = operation;
    if (frozen) {
      if (slot.start !== frozen.start || slot.end !== frozen.end) faults.push(`${id} has begun and was moved`);
      return;
    }
    if (slot.start < release || slot.start < (pinned ?? 0)) faults.push(`${id} begins before it can`);
    if (mode.machine !== slot.machine) faults.push(`${id} is on another machine than its mode`);
    if (mode.beside.length !== slot.beside.length || mode.beside.some((set, k) => !set.includes(slot.beside[k] ?? -1)))
      faults.push(`${id} lacks people or tools`);
    if (new Set(slot.beside).size !== slot.beside.length) faults.push(`${id} counts one twice`);
    const open = openMinutes(shop, held[i] ?? [], slot.start, slot.end);
    if (open !== slot.setUp + mode.run) faults.push(`${id} has ${open} open minutes, wants ${slot.setUp + mode.run}`);
    for (const { operation: before, lag, piles } of operation.after) {
      const previous = slots[before];
      const run = operations[before]?.modes[previous?.mode ?? 0]?.run ?? 0;
      if (!previous) continue;
      if (!piles) {
        if (slot.start < previous.end + lag)
          faults.push(`${id} begins before ${operations[before]?.id ?? ''} is there`);
        continue;
      }
      const through = openMinutes(shop, held[before] ?? [], previous.start, slot.start - lag);
      if (!operations[before]?.frozen && through < previous.setUp + Math.ceil(piles.first * run))
        faults.push(`${id} begins before the first pile`);
      if (slot.end < previous.end + lag + Math.ceil(piles.last * mode.run))
        faults.push(`${id} ends before the last pile is done`);
    }
  });
  return faults;
}
