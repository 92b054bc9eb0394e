import { type Fraction, add, divide, fraction, multiply, ONE, subtract, toNumber } from '../kernel/index.js';
import type { FlowStep } from './graph.js';

/** Process units lost to incidents in one process unit: sum of rate x loss. Source: handbook chapter 6. */
export const incidentShare = (step: FlowStep): Fraction =>
  step.incidents.reduce((sum, { rate, loss }) => add(sum, multiply(fraction(rate), fraction(loss))), fraction(0));

/** Running spoilage as an exact share of what runs. Source: handbook chapter 6, w = p / (1 + p). */
function runningShare({ running, ofNet }: FlowStep): Fraction {
  const told = fraction(running);
  return ofNet === true ? divide(told, add(ONE, told)) : told;
}

/** Running spoilage as a share of what runs. */
export const shareOfRun = (step: FlowStep): number => toNumber(runningShare(step));

/** Running spoilage and incidents together, w + b. */
export function lossShare(step: FlowStep): Fraction {
  const before = lost.get(step);
  if (before) return before;
  const share = add(runningShare(step), incidentShare(step));
  lost.set(step, share);
  return share;
}
const lost = new WeakMap<FlowStep, Fraction>();

/** What is left good of what runs, 1 - w - b; above 0 in a checked graph. */
export const goodShare = (step: FlowStep): Fraction => subtract(ONE, lossShare(step));
