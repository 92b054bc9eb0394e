import { add, ceil, multiply, ONE } from '../kernel/index.js';
import type { Downstream } from './downstream.js';

/**
 * School 2: net x (1 + all running spoilage from here on) + all set-ups from here on, converted as exact fractions and
 * rounded up once. Never more than step by step at equal rates.
 * Source: handbook chapter 6, "Added up".
 */
export const countAddedUp = ({ netWithSamples, loss, setups }: Downstream): number =>
  ceil(add(multiply(netWithSamples, add(ONE, loss)), setups));
