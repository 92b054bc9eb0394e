import { MOST_STEPS_OFF } from './shift.js';

/** A part of the copies between two looks, 0..1. */
type Part = readonly [number, number];

/** Which parts of the copies are out, where a colour goes evenly from one place to another. Source: identity. */
export function outOf(from: number, to: number): readonly Part[] {
  if (from === to) return Math.abs(from) > MOST_STEPS_OFF ? [[0, 1]] : [];
  const at = (steps: number): number => Math.min(1, Math.max(0, (steps - from) / (to - from)));
  const [one, other] = [at(-MOST_STEPS_OFF), at(MOST_STEPS_OFF)];
  const [begins, ends] = one < other ? [one, other] : [other, one];
  const inside = Math.abs((from + to) / 2) <= MOST_STEPS_OFF || begins < ends;
  if (!inside) return [[0, 1]];
  return (
    [
      [0, begins],
      [ends, 1],
    ] as const
  ).filter(([a, b]) => b > a);
}

/** Share of the copies that is in any of these parts. */
export function shareOf(parts: readonly Part[]): number {
  let [share, reached] = [0, 0];
  for (const [a, b] of [...parts].sort((one, other) => one[0] - other[0])) {
    share += Math.max(0, b - Math.max(a, reached));
    reached = Math.max(reached, b);
  }
  return share;
}
