import { lnGamma } from '../kernel/index.js';

const lnChoose = (n: number, k: number): number => lnGamma(n + 1) - lnGamma(k + 1) - lnGamma(n - k + 1);

/** Chance of at most `accept` faulty ones in a sample of n where a share is faulty. Source: identity (binomial sum). */
export function binomialPass(n: number, accept: number, share: number): number {
  if (share <= 0 || accept >= n) return 1;
  if (share >= 1) return 0;
  let sum = 0;
  for (let k = 0; k <= accept; k++)
    sum += Math.exp(lnChoose(n, k) + k * Math.log(share) + (n - k) * Math.log1p(-share));
  return Math.min(1, sum);
}

/**
 * Chance of at most `accept` faulty ones in a sample of n out of a lot that holds so many. Source: identity (hypergeometric sum).
 * @param lot whole. @param faulty whole, 0..lot. @param n whole, 0..lot.
 */
export function hypergeometricPass(lot: number, faulty: number, n: number, accept: number): number {
  const least = Math.max(0, n - (lot - faulty));
  const most = Math.min(n, faulty);
  if (accept >= most) return 1;
  let sum = 0;
  for (let k = least; k <= accept; k++)
    sum += Math.exp(lnChoose(faulty, k) + lnChoose(lot - faulty, n - k) - lnChoose(lot, n));
  return Math.min(1, sum);
}

/** A sample of so great a share of its lot is told by the hypergeometric sum. Source: common practice, no source. */
const SMALL_LOT = 0.1;

/** A point of the operating characteristic. */
export interface OperatingPoint {
  /** Share of the lot that is faulty. */
  readonly share: number;
  /** Chance that such a lot is accepted. */
  readonly pass: number;
}

/** Chance that a lot with a share of faulty ones is accepted. */
export const passChance = (
  { n, accept, lot }: { readonly n: number; readonly accept: number; readonly lot: number },
  share: number,
): number =>
  n > SMALL_LOT * lot ? hypergeometricPass(lot, Math.round(share * lot), n, accept) : binomialPass(n, accept, share);

/** The operating characteristic, from nothing faulty to where hardly a lot passes. @param points 2 and more. */
export function operatingCurve(
  plan: { readonly n: number; readonly accept: number; readonly lot: number },
  points = 60,
): OperatingPoint[] {
  let end = 1 / plan.n;
  while (end < 1 && passChance(plan, end) > 0.005) end = Math.min(1, end * 1.1);
  return Array.from({ length: points }, (_, i) => {
    const share = (end * i) / (points - 1);
    return { share, pass: passChance(plan, share) };
  });
}

/** The share of faulty ones at which a lot passes with a chance, by halving. @param chance 0..1. */
export function shareAt(plan: { readonly n: number; readonly accept: number }, chance: number): number {
  let [low, high] = [0, 1];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (binomialPass(plan.n, plan.accept, middle) > chance) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
