/** Where a value began to go away, and how fast it does. */
export interface Drift {
  /** Place of the first reading behind which it goes. */
  readonly from: number;
  /** What the readings are along: sheets. */
  readonly at: number;
  /** Change for one of these. */
  readonly slope: number;
  /** What it has come to by the last reading. */
  readonly change: number;
}

/** Least readings behind a beginning, and how sure it has to be: the best of many beginnings is chosen. */
const LEAST = 5;
const SURE = 4;

/** Residual squares of a level line that bends at a place, and its slope behind it. Source: identity (least squares). */
function bent(x: readonly number[], y: readonly number[], from: number): { squares: number; slope: number } {
  const start = x[from] ?? 0;
  const ramp = x.map((one) => Math.max(0, one - start));
  const n = x.length;
  const [mr, my] = [ramp, y].map((all) => all.reduce((sum, one) => sum + one, 0) / n) as [number, number];
  let [rr, ry] = [0, 0];
  ramp.forEach((one, i) => {
    rr += (one - mr) ** 2;
    ry += (one - mr) * ((y[i] ?? 0) - my);
  });
  const slope = rr > 0 ? ry / rr : 0;
  const squares = y.reduce((sum, one, i) => sum + (one - my - slope * ((ramp[i] ?? 0) - mr)) ** 2, 0);
  return { squares, slope };
}

/**
 * Whether readings stand level and then go away, and from which one on: of all bends the one that leaves least, if its slope is
 * surely none of chance. Source: literature (least squares with one bend, Hudson 1966), four standard errors: ours.
 * @param x sheets, rising. @param y readings.
 */
export function driftOf(x: readonly number[], y: readonly number[]): Drift | undefined {
  const n = Math.min(x.length, y.length);
  if (n < 2 * LEAST) return undefined;
  let best: { from: number; squares: number; slope: number } | undefined;
  for (let from = 0; from <= n - LEAST; from++) {
    const fit = bent(x, y, from);
    if (!best || fit.squares < best.squares) best = { from, ...fit };
  }
  if (!best || best.slope === 0) return undefined;
  const my = y.reduce((sum, one) => sum + one, 0) / n;
  const level = y.reduce((sum, one) => sum + (one - my) ** 2, 0);
  const error = best.squares / (n - 3);
  // The share of the squares that the bend takes away, in standard errors.
  const sure = error > 0 ? Math.sqrt((level - best.squares) / error) : Infinity;
  if (sure < SURE) return undefined;
  const at = x[best.from] ?? 0;
  return { from: best.from, at, slope: best.slope, change: best.slope * ((x[n - 1] ?? at) - at) };
}
