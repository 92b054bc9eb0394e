import { add, ceil } from '../kernel/index.js';
import type { Downstream } from './downstream.js';

/**
 * School 2: net x (1 + all running spoilage from here on) + all set-ups from here on, converted as exact fractions and
 * rounded up once. Samples take the spoilage of the steps that they pass through only. Never more than step by step.
 * Source: handbook chapter 6, "Added up"; for the samples docs/decisions/added-up.md.
 */
export const countAddedUp = ({ netWithSamples, spoiled, setups }: Downstream): number =>
  ceil(add(add(netWithSamples, spoiled), setups));
