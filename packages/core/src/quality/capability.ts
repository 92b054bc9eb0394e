import { NINE_OF_TEN } from '../kernel/index.js';

/** What a customer lets a value be; one side may be open. */
export interface Tolerance {
  readonly lower?: number | undefined;
  readonly upper?: number | undefined;
}

/** How many values the customer would not take. */
export const beyondTolerance = (
  values: readonly number[],
  { lower = -Infinity, upper = Infinity }: Tolerance,
): number => values.filter((value) => value < lower || value > upper).length;

/** How far a process fits into a tolerance. */
export interface Capability {
  readonly mean: number;
  readonly deviation: number;
  /** Width of the tolerance by that of the process; undefined where a side is open. */
  readonly cp: number | undefined;
  /** The nearer side by half the process. */
  readonly cpk: number;
  /** Where cpk lies nine times of ten. */
  readonly low: number;
  readonly high: number;
}

/**
 * Cp and Cpk of single values, with the interval of Cpk that so few or many of them allow. Source: literature, Bissell 1990 (interval).
 * @param values two and more. @returns undefined of fewer, where nothing varies, or where the tolerance is open on both sides.
 */
export function capabilityOf(values: readonly number[], { lower, upper }: Tolerance): Capability | undefined {
  const n = values.length;
  if (n < 2 || (lower === undefined && upper === undefined)) return undefined;
  const mean = values.reduce((sum, value) => sum + value, 0) / n;
  const deviation = Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (n - 1));
  if (deviation === 0) return undefined;
  const sides = [
    ...(lower === undefined ? [] : [(mean - lower) / (3 * deviation)]),
    ...(upper === undefined ? [] : [(upper - mean) / (3 * deviation)]),
  ];
  const cpk = Math.min(...sides);
  const half = NINE_OF_TEN * Math.sqrt(1 / (9 * n) + cpk ** 2 / (2 * (n - 1)));
  const cp = lower === undefined || upper === undefined ? undefined : (upper - lower) / (6 * deviation);
  return { mean, deviation, cp, cpk, low: cpk - half, high: cpk + half };
}
