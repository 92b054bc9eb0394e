import { type Fraction, add, fraction, multiply, ONE, subtract } from '../kernel/index.js';
import type { FlowStep } from './graph.js';

/** Process units lost to incidents in one process unit: sum of rate x loss. Source: handbook chapter 6. */
export const incidentShare = (step: FlowStep): Fraction =>
  step.incidents.reduce((sum, { rate, loss }) => add(sum, multiply(fraction(rate), fraction(loss))), fraction(0));

/** Running spoilage and incidents together, w + b. */
export const lossShare = (step: FlowStep): Fraction => add(fraction(step.running), incidentShare(step));

/** What is left good of what runs, 1 - w - b; above 0 in a checked graph. */
export const goodShare = (step: FlowStep): Fraction => subtract(ONE, lossShare(step));
