import type { CellProblem, Turns } from './pattern-request.js';
import { indexBelow, normalLengths } from './normal-lengths.js';

function gcd(a: number, b: number): number {
  let [x, y] = [a, b];
  while (y !== 0) [x, y] = [y, x % y];
  return x;
}

/** Least area that rods of 1 x n leave uncovered in a whole rectangle. Source: literature, Barnes 1979. */
function rodWaste(width: number, height: number, n: number): number {
  const [r, s] = [width % n, height % n];
  return Math.min(r * s, (n - r) * (n - s));
}

/**
 * Most cells that any pattern could hold, guillotine or not, certified by two arguments and taking the sharper:
 * the area ratio on the lengths that pieces can reach at all, and the waste of rods (a piece p x q is p rods of 1 x q
 * and q rods of 1 x p, so at least the greater of both wastes is lost, and the waste is the area less a whole number of
 * pieces). Where pieces may lie one way only, whole columns by whole rows are exact.
 * Source: literature, Barnes 1979 "Packing the maximum number of m x n tiles in a large p x q rectangle"; identity.
 */
export function upperBound({ width, height, cellWidth, cellHeight }: CellProblem, turns: Turns): number {
  if (turns !== 'either') {
    const [w, h] = turns === 'upright' ? [cellWidth, cellHeight] : [cellHeight, cellWidth];
    return Math.floor(width / w) * Math.floor(height / h);
  }
  const fits = (w: number, h: number): boolean => w <= width && h <= height;
  if (!fits(cellWidth, cellHeight) && !fits(cellHeight, cellWidth)) return 0;
  const reach = (limit: number): number => {
    const lengths = normalLengths(cellWidth, cellHeight, limit);
    return lengths[indexBelow(lengths, limit)] ?? 0;
  };
  const [usedWidth, usedHeight] = [reach(width), reach(height)];
  const divisor = gcd(cellWidth, cellHeight);
  const [w, h] = [usedWidth / divisor, usedHeight / divisor];
  const [p, q] = [cellWidth / divisor, cellHeight / divisor];
  const area = w * h;
  const leastWaste = Math.max(rodWaste(w, h, p), rodWaste(w, h, q));
  return Math.max(0, Math.floor((area - leastWaste) / (p * q)));
}
