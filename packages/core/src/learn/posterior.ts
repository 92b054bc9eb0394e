import { NINE_OF_TEN } from '../kernel/index.js';
import { betaQuantile } from '../sure/index.js';

/** A value out of norm and log, and between which values it lies nine times of ten. */
export interface Posterior {
  readonly value: number;
  readonly low: number;
  readonly high: number;
}

/** What is known before: the norm, and what it counts for. */
export interface Prior {
  readonly value: number;
  readonly weight: number;
}

/** What one run says, and what it counts for. */
export interface Said {
  readonly value: number;
  readonly weight: number;
}

/** Nine times of ten, on both sides. */
const TAIL = 0.05;
const sum = <One>(all: readonly One[], of: (one: One) => number): number =>
  all.reduce((total, one) => total + of(one), 0);

/**
 * A share out of norm and log: (k0 w0 + spoiled) / (k0 + run), the interval that of its beta distribution.
 * Source: handbook chapter 9 "Learning the norms"; literature (beta prior of a binomial share).
 * @param said shares 0..1, weighted by what ran, capped.
 */
export function posteriorShare(prior: Prior, said: readonly Said[]): Posterior {
  const weight = prior.weight + sum(said, (one) => one.weight);
  const hits = prior.weight * prior.value + sum(said, (one) => one.weight * one.value);
  if (weight <= 0) return { value: prior.value, low: prior.value, high: prior.value };
  const at = (p: number): number => (hits <= 0 ? 0 : hits >= weight ? 1 : betaQuantile(p, hits, weight - hits));
  return { value: hits / weight, low: at(TAIL), high: at(1 - TAIL) };
}

/**
 * The weighted mean of norm and log. The interval: by the spread that the log shows, the norm counted as runs of the house's usual
 * spread. Source: handbook chapter 9 "Learning the norms"; identity (mean of weighted numbers).
 * @param deviation usual standard deviation of one run. @param cap weight of one run at most.
 */
export function posteriorMean(
  prior: Prior & { readonly deviation: number; readonly cap: number },
  said: readonly Said[],
): Posterior {
  const weight = prior.weight + sum(said, (one) => one.weight);
  if (weight <= 0) return { value: prior.value, low: prior.value, high: prior.value };
  const value = (prior.weight * prior.value + sum(said, (one) => one.weight * one.value)) / weight;
  const spread =
    prior.weight * (prior.deviation ** 2 + (prior.value - value) ** 2) +
    sum(said, (one) => one.weight * (one.value - value) ** 2);
  const squares = prior.weight * prior.cap + sum(said, (one) => one.weight ** 2);
  const half = NINE_OF_TEN * Math.sqrt((spread / weight) * (squares / weight ** 2));
  return { value, low: Math.max(0, value - half), high: value + half };
}
