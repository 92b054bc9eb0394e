/**
 * Exact fractions for counts. Plain doubles round the wrong way at the edge of a sheet (1,497 at three up and 0.2 % is
 * 500 sheets, doubles say 501), so every count is reckoned here and turned into a number at the end.
 */
export interface Fraction {
  readonly num: bigint;
  /** Always above 0. */
  readonly den: bigint;
}

/** Decimal places that survive when a number is read as a fraction: a ten-thousandth of a per cent of a millionth. */
const SCALE = 1_000_000_000;
const BIG_SCALE = BigInt(SCALE);

/** Nothing. */
export const ZERO: Fraction = { num: 0n, den: 1n };
/** One whole. */
export const ONE: Fraction = { num: 1n, den: 1n };

/**
 * Reads a number as the decimal that somebody wrote: 0.002 is 2/1000, not the nearest double.
 * Whole numbers up to 2^53 are exact; others keep nine decimal places. The number must be finite.
 */
export function fraction(value: number): Fraction {
  if (Number.isSafeInteger(value)) return { num: BigInt(value), den: 1n };
  const before = read.get(value);
  if (before) return before;
  if (read.size >= MOST_READ) read.clear();
  const made = decimal(value);
  read.set(value, made);
  return made;
}

/** Decimals read before: shares and yields of a job come again and again. */
const read = new Map<number, Fraction>();
const MOST_READ = 4096;

function decimal(value: number): Fraction {
  const whole = Math.trunc(value);
  return reduce(BigInt(whole) * BIG_SCALE + BigInt(Math.round((value - whole) * SCALE)), BIG_SCALE);
}

function gcd(a: bigint, b: bigint): bigint {
  let [x, y] = [a < 0n ? -a : a, b];
  while (y !== 0n) [x, y] = [y, x % y];
  return x;
}

function reduce(num: bigint, den: bigint): Fraction {
  if (den === 1n) return { num, den };
  const divisor = gcd(num, den);
  return divisor > 1n ? { num: num / divisor, den: den / divisor } : { num, den };
}

/** The sum, exactly. */
export const add = (a: Fraction, b: Fraction): Fraction => reduce(a.num * b.den + b.num * a.den, a.den * b.den);
/** The difference, exactly. */
export const subtract = (a: Fraction, b: Fraction): Fraction => reduce(a.num * b.den - b.num * a.den, a.den * b.den);
/** The product, exactly. */
export const multiply = (a: Fraction, b: Fraction): Fraction => reduce(a.num * b.num, a.den * b.den);
/** Quotient; the divisor must be above 0 (callers check their norms first). */
export const divide = (a: Fraction, b: Fraction): Fraction => reduce(a.num * b.den, a.den * b.num);

/** Positive where a is greater, negative where b is, 0 where they are the same. */
export function compare(a: Fraction, b: Fraction): number {
  const difference = a.num * b.den - b.num * a.den;
  return difference > 0n ? 1 : difference < 0n ? -1 : 0;
}

/** Least whole number not below the fraction. */
export function ceil(a: Fraction): number {
  const quotient = a.num / a.den;
  return Number(a.num > 0n && a.num % a.den !== 0n ? quotient + 1n : quotient);
}

/** Greatest whole number not above the fraction. */
export function floor(a: Fraction): number {
  const quotient = a.num / a.den;
  return Number(a.num < 0n && a.num % a.den !== 0n ? quotient - 1n : quotient);
}

/** The nearest number of the machine. */
export const toNumber = (a: Fraction): number => Number(a.num) / Number(a.den);

/** floor(a / b) of two measures as written (85 mm of 0.17 mm paper are 500 sheets; doubles say 499). b above 0. */
export const floorRatio = (a: number, b: number): number => floor(divide(fraction(a), fraction(b)));
/** ceil(a / b) of two measures as written. b above 0. */
export const ceilRatio = (a: number, b: number): number => ceil(divide(fraction(a), fraction(b)));
