import type { GangPattern, GangPiece, GangRequest } from './gang.js';

/** Measures are told apart down to this, millimetres. */
const GUARD = 1e-6;

interface Shelf {
  readonly y: number;
  readonly height: number;
  used: number;
}

/**
 * Lays so many of each item on a form in shelves, tallest first, each piece on the first shelf that has room: cuttable
 * edge to edge in strips, and then across. Undefined where they do not all fit.
 * Source: literature, Coffman, Garey, Johnson and Tarjan 1980 (first fit by falling height).
 */
export function packShelves(
  { items, widthMm, heightMm }: GangRequest,
  counts: readonly number[],
): GangPattern | undefined {
  const pieces = items.flatMap(({ widthMm: w, heightMm: h, mayTurn }, item) => {
    const lying = mayTurn && h > w ? { width: h, height: w } : { width: w, height: h };
    const fits = lying.width <= widthMm + GUARD ? lying : { width: w, height: h };
    return Array.from({ length: counts[item] ?? 0 }, () => ({ item, ...fits }));
  });
  pieces.sort((a, b) => b.height - a.height || b.width - a.width);
  const shelves: Shelf[] = [];
  const placed: GangPiece[] = [];
  let top = 0;
  for (const { item, width, height } of pieces) {
    let shelf = shelves.find((one) => one.height >= height - GUARD && one.used + width <= widthMm + GUARD);
    if (!shelf) {
      if (top + height > heightMm + GUARD || width > widthMm + GUARD) return undefined;
      shelf = { y: top, height, used: 0 };
      shelves.push(shelf);
      top += height;
    }
    placed.push({ item, xMm: shelf.used, yMm: shelf.y, widthMm: width, heightMm: height });
    shelf.used += width;
  }
  return { counts, pieces: placed };
}

/** Sheets that a form has to run for its share of the quantities. Source: identity, handbook chapter 6 (several products). */
export const sheetsFor = (request: GangRequest, counts: readonly number[], members: readonly number[]): number =>
  Math.max(0, ...members.map((i) => Math.ceil((request.items[i]?.quantity ?? 0) / (counts[i] ?? 0))));

/** Whether any form can hold one of an item. */
export const canHold = (request: GangRequest, item: number): boolean =>
  packShelves(
    request,
    request.items.map((_, i) => (i === item ? 1 : 0)),
  ) !== undefined;

/**
 * The form that gets some items done in fewest sheets: one of each, then more of whatever decides the run, until
 * nothing more fits. Undefined where not even one of each fits.
 */
export function leastSheets(request: GangRequest, members: readonly number[]): GangPattern | undefined {
  let counts: readonly number[] = request.items.map((_, i) => (members.includes(i) ? 1 : 0));
  let best = packShelves(request, counts);
  if (!best) return undefined;
  for (;;) {
    const run = (i: number): number => Math.ceil((request.items[i]?.quantity ?? 0) / (counts[i] ?? 1));
    const deciding = members.reduce((a, b) => (run(b) > run(a) ? b : a));
    const more = counts.map((n, i) => (i === deciding ? n + 1 : n));
    const next = packShelves(request, more);
    if (!next) return best;
    [counts, best] = [more, next];
  }
}
