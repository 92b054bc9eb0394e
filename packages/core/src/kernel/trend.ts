/** How many standard errors a slope has to be from nothing to count. Source: practice (three sigma). */
export const SIGMAS = 3;

/** Slope of a straight line and its standard error; 0 where fewer than three points tell nothing. */
export function slopeOf(x: readonly number[], y: readonly number[]): { slope: number; error: number } {
  const n = x.length;
  if (n < 3) return { slope: 0, error: Infinity };
  const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / n;
  const [mx, my] = [mean(x), mean(y)];
  let [xx, xy] = [0, 0];
  x.forEach((value, i) => {
    xx += (value - mx) ** 2;
    xy += (value - mx) * ((y[i] ?? 0) - my);
  });
  if (xx === 0) return { slope: 0, error: Infinity };
  const slope = xy / xx;
  const left = x.reduce((sum, value, i) => sum + ((y[i] ?? 0) - my - slope * (value - mx)) ** 2, 0);
  return { slope, error: Math.sqrt(left / (n - 2) / xx) };
}
