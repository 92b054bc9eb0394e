/** Numbers of the beta distribution. Source: literature (continued fraction by Lentz), held to an outside library in tests. */
import { lnGamma } from '../kernel/index.js';

/** Taken once: a look at the global for each of millions of calls is slow where the code runs in a context of its own. */
const { abs, exp, floor, log, log1p, max, min } = Math;

const TINY = 1e-300;
const MOST_TERMS = 500;

/** The continued fraction of the incomplete beta function. */
function fraction(x: number, a: number, b: number): number {
  const guard = (value: number): number => (abs(value) < TINY ? TINY : value);
  let c = 1;
  let d = 1 / guard(1 - ((a + b) * x) / (a + 1));
  let h = d;
  for (let m = 1; m <= MOST_TERMS; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / guard(1 + even * d);
    c = guard(1 + even / c);
    h *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / guard(1 + odd * d);
    c = guard(1 + odd / c);
    h *= d * c;
    if (abs(d * c - 1) < 1e-14) break;
  }
  return h;
}

const lnFront = (a: number, b: number): number => lnGamma(a + b) - lnGamma(a) - lnGamma(b);

function cdf(x: number, a: number, b: number, front: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const power = exp(front + a * log(x) + b * log1p(-x));
  return x < (a + 1) / (a + b + 2) ? (power * fraction(x, a, b)) / a : 1 - (power * fraction(1 - x, b, a)) / b;
}

/** Probability that a Beta(a, b) number is at most x. @param x 0..1; @param a and @param b above 0. */
export const betaCdf = (x: number, a: number, b: number): number => cdf(x, a, b, lnFront(a, b));

const MOST_STEPS = 80;
const CLOSE = 1e-14;

/**
 * The x below which a Beta(a, b) number lies with a probability whose smaller side is `tail`: Newton's steps, kept between two
 * bounds. @param isUpper the tail is what lies above x.
 */
function solve(
  tail: number,
  isUpper: boolean,
  a: number,
  b: number,
  front: number,
  from: readonly [number, number],
): number {
  let [low, high] = from;
  let x = (low + high) / 2;
  for (let i = 0; i < MOST_STEPS && high - low > CLOSE * high; i++) {
    const off = isUpper ? tail - cdf(1 - x, b, a, front) : cdf(x, a, b, front) - tail;
    if (off === 0) return x;
    if (off > 0) high = x;
    else low = x;
    const slope = exp(front + (a - 1) * log(x) + (b - 1) * log1p(-x));
    const next = x - off / slope;
    if (abs(next - x) < CLOSE * x) return next;
    x = next > low && next < high ? next : (low + high) / 2;
  }
  return x;
}

/** The x that a Beta(a, b) number does not exceed with probability p. @param p 0..1. */
export function betaQuantile(p: number, a: number, b: number): number {
  if (p <= 0) return 0;
  if (p >= 1) return 1;
  return solve(min(p, 1 - p), p > 0.5, a, b, lnFront(a, b), [0, 1]);
}

/** Cells of a table on either side of the median, and how far it reaches: to a probability of 2^-33. */
const CELLS = 192;
const REACH = 32 * Math.LN2;

/**
 * The quantile from a table, straight between its entries: equal steps of the logarithm of the tail on either side of the median, so
 * that the ends are as true as the middle.
 */
export function betaTable(a: number, b: number): (p: number) => number {
  const front = lnFront(a, b);
  const median = betaQuantile(0.5, a, b);
  const side = (isUpper: boolean): Float64Array => {
    const table = new Float64Array(CELLS + 1);
    table[0] = median;
    for (let i = 1; i <= CELLS; i++) {
      const before = table[i - 1] ?? median;
      const bounds: [number, number] = isUpper ? [before, 1] : [0, before];
      table[i] = solve(exp((-i * REACH) / CELLS) / 2, isUpper, a, b, front, bounds);
    }
    return table;
  };
  const [lower, upper] = [side(false), side(true)];
  return (p) => {
    const table = p < 0.5 ? lower : upper;
    const at = min(CELLS - 1e-9, (-log(2 * max(p < 0.5 ? p : 1 - p, 2 ** -33)) * CELLS) / REACH);
    const cell = floor(at);
    const one = table[cell] ?? 0;
    return one + ((table[cell + 1] ?? one) - one) * (at - cell);
  };
}
