/** Constants by size of the group. */
interface ChartConstants {
  readonly d2: number;
  readonly A2: number;
  readonly D3: number;
  readonly D4: number;
}

/**
 * Constants of control charts by size of the group, 2 to 7. Source: d2 identity (mean range of normal numbers); the rest memory,
 * Shewhart 1931 and later tables; handbook chapter 9 "Control charts".
 */
export const CHART_CONSTANTS: Readonly<Record<number, ChartConstants>> = {
  2: { d2: 1.128, A2: 1.88, D3: 0, D4: 3.267 },
  3: { d2: 1.693, A2: 1.023, D3: 0, D4: 2.574 },
  4: { d2: 2.059, A2: 0.729, D3: 0, D4: 2.282 },
  5: { d2: 2.326, A2: 0.577, D3: 0, D4: 2.114 },
  6: { d2: 2.534, A2: 0.483, D3: 0, D4: 2.004 },
  7: { d2: 2.704, A2: 0.419, D3: 0.076, D4: 1.924 },
};
const PAIRS = { d2: 1.128, D4: 3.267 } as const;

/** Where a process lies while nothing but chance acts on it. */
export interface ControlLimits {
  readonly centre: number;
  readonly lower: number;
  readonly upper: number;
  /** One standard deviation of a point. */
  readonly sigma: number;
}
/** A chart: its points, and the limits of each. */
export interface ControlChart {
  readonly points: readonly number[];
  readonly limits: readonly ControlLimits[];
}

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
const same = (points: readonly number[], limits: ControlLimits): ControlChart => ({
  points,
  limits: points.map(() => limits),
});

const rangeLimits = (centre: number, lower: number, upper: number): ControlLimits => ({
  ...{ centre, lower: lower * centre, upper: upper * centre },
  sigma: ((upper - 1) * centre) / 3,
});

/** Differences between neighbours. */
export const movingRanges = (values: readonly number[]): number[] =>
  values.slice(1).map((value, i) => Math.abs(value - (values[i] ?? value)));

/**
 * Single values and their moving ranges: mean +- 3 x mean moving range / 1.128. Source: handbook chapter 9 "Control charts".
 * @param values two and more, in their order. @returns undefined of fewer.
 */
export function individualsChart(
  values: readonly number[],
): { readonly values: ControlChart; readonly ranges: ControlChart; readonly sigma: number } | undefined {
  if (values.length < 2) return undefined;
  const ranges = movingRanges(values);
  const range = mean(ranges);
  const sigma = range / PAIRS.d2;
  const centre = mean(values);
  return {
    sigma,
    values: same(values, { centre, lower: centre - 3 * sigma, upper: centre + 3 * sigma, sigma }),
    ranges: same(ranges, rangeLimits(range, 0, PAIRS.D4)),
  };
}

/**
 * Means and ranges of groups that are taken together: mean +- A2 x mean range, D3 and D4 x mean range. Source: memory, Shewhart 1931.
 * @param groups two and more, each of the same size, 2 to 7. @returns undefined where they are not.
 */
export function meanRangeChart(
  groups: readonly (readonly number[])[],
): { readonly means: ControlChart; readonly ranges: ControlChart; readonly sigma: number } | undefined {
  const size = groups[0]?.length ?? 0;
  const constants = CHART_CONSTANTS[size];
  if (!constants || groups.length < 2 || groups.some(({ length }) => length !== size)) return undefined;
  const means = groups.map(mean);
  const ranges = groups.map((group) => Math.max(...group) - Math.min(...group));
  const [centre, range] = [mean(means), mean(ranges)];
  const { d2, A2, D3, D4 } = constants;
  return {
    sigma: range / d2,
    means: same(means, {
      ...{ centre, lower: centre - A2 * range, upper: centre + A2 * range },
      sigma: (A2 * range) / 3,
    }),
    ranges: same(ranges, rangeLimits(range, D3, D4)),
  };
}

/** So many found in so many looked at. */
export interface Found {
  readonly found: number;
  /** Pieces, or areas. */
  readonly of: number;
}

/** Limits of each point by how much was looked at; a lower one below 0 is 0. */
function byRoot(
  counts: readonly Found[],
  deviation: (centre: number, of: number) => number,
  most: number,
): ControlChart | undefined {
  const seen = counts.filter(({ of }) => of > 0);
  const all = seen.reduce((sum, { of }) => sum + of, 0);
  if (all === 0) return undefined;
  const centre = seen.reduce((sum, { found }) => sum + found, 0) / all;
  return {
    points: seen.map(({ found, of }) => found / of),
    limits: seen.map(({ of }) => {
      const sigma = deviation(centre, of);
      return { centre, lower: Math.max(0, centre - 3 * sigma), upper: Math.min(most, centre + 3 * sigma), sigma };
    }),
  };
}

/** Share that is faulty: p +- 3 sqrt(p (1 - p) / n). Source: identity (deviation of a binomial share); handbook chapter 9. */
export const shareChart = (counts: readonly Found[]): ControlChart | undefined =>
  byRoot(counts, (p, n) => Math.sqrt((p * (1 - p)) / n), 1);

/** Faults of a piece: u +- 3 sqrt(u / n). Source: identity (deviation of a Poisson count); handbook chapter 9. */
export const faultsChart = (counts: readonly Found[]): ControlChart | undefined =>
  byRoot(counts, (u, n) => Math.sqrt(u / n), Infinity);
