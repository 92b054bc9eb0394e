import {
  type Fraction,
  type Issue,
  add,
  ceil,
  compare,
  divide,
  error,
  floor,
  fraction,
  multiply,
  subtract,
  ZERO,
  table,
} from '../kernel/index.js';
import type { FlowGraph, FlowOutput, FlowStep } from './graph.js';
import { MAX_QUANTITY } from './check.js';
import { goodShare } from './loss.js';

/** Counts of one step, all whole numbers. */
export interface StepCount {
  readonly id: string;
  /** Good pieces wanted of each output, by material. */
  readonly needsOut: Readonly<Record<string, number>>;
  /** The output that decides the number of process units. */
  readonly deciding: string;
  /** What goes through the machine, set-up included. */
  readonly processUnits: number;
  /** Good pieces beyond what is wanted, by material; above 0 where several products come from one process unit. */
  readonly overruns: Readonly<Record<string, number>>;
}

/** Most process units that a count may reach before it is refused: a thousand times the largest quantity. */
const MAX_UNITS = MAX_QUANTITY * 1000;

/** Process units for `wanted` good pieces, before set-up, as an exact fraction. Source: handbook chapter 6, school 1. */
function running(step: FlowStep, output: FlowOutput, wanted: number): Fraction {
  const good = multiply(fraction(output.yield), goodShare(step));
  return divide(add(fraction(wanted), fraction(output.samples)), good);
}

/**
 * Good pieces of an output when so many process units go in, samples taken off; never below 0. Floored once, at the
 * output (flooring the process units first would lose a piece). Source: handbook chapter 6, "While it runs".
 */
export function goodOut(step: FlowStep, output: FlowOutput, processUnits: number): number {
  const afterSetup = subtract(fraction(processUnits), fraction(step.setup));
  const made = floor(multiply(multiply(fraction(output.yield), goodShare(step)), afterSetup));
  return Math.max(0, made - output.samples);
}

/**
 * Process units of a plain step (one output) for so many good pieces: {@link countStepByStep} at a single step.
 * Source: handbook chapter 6, school 1.
 */
export function unitsFor(step: FlowStep, output: FlowOutput, wanted: number): number {
  return ceil(running(step, output, wanted)) + Math.ceil(step.setup);
}

function countStep(step: FlowStep, wanted: ReadonlyMap<string, Fraction>): StepCount {
  const needsOut = table<number>();
  let deciding = step.outputs[0];
  let most = ZERO;
  for (const output of step.outputs) {
    const total = wanted.get(output.material) ?? ZERO;
    const need = ceil(output.share === undefined ? total : multiply(total, fraction(output.share)));
    needsOut[output.material] = need;
    const units = running(step, output, need);
    if (compare(units, most) > 0) [most, deciding] = [units, output];
  }
  const processUnits = ceil(most) + Math.ceil(step.setup);
  const overruns = table(
    step.outputs.map((output) => [
      output.material,
      Math.max(0, goodOut(step, output, processUnits) - (needsOut[output.material] ?? 0)),
    ]),
  );
  return { id: step.id, needsOut, deciding: deciding?.material ?? '', processUnits, overruns };
}

/**
 * School 1: backwards from the order through every step, rounded up at each, because half a sheet cannot be fed.
 * @param steps a checked graph's steps, end of the job first (see `orderSteps`).
 * Issues: `flow.too-large` where losses pile up beyond any sensible count.
 * Source: handbook chapter 6, "Step by step".
 */
export function countStepByStep(
  graph: FlowGraph,
  steps: readonly FlowStep[],
): { readonly counts: ReadonlyMap<string, StepCount>; readonly issues: readonly Issue[] } {
  const wanted = new Map<string, Fraction>();
  const want = (material: string, quantity: Fraction) =>
    wanted.set(material, add(wanted.get(material) ?? ZERO, quantity));
  for (const { material, quantity } of graph.demands) want(material, fraction(quantity));
  const counts = new Map<string, StepCount>();
  for (const step of steps) {
    const count = countStep(step, wanted);
    if (count.processUnits > MAX_UNITS) {
      return {
        counts,
        issues: [error('flow.too-large', step.path, { step: step.id, value: count.processUnits, limit: MAX_UNITS })],
      };
    }
    counts.set(step.id, count);
    for (const { material, usage } of step.inputs)
      want(material, multiply(fraction(count.processUnits), fraction(usage)));
  }
  return { counts, issues: [] };
}

/** What must be bought of each material from outside, rounded up to whole units. */
export function boughtUnits(graph: FlowGraph, counts: ReadonlyMap<string, StepCount>): Record<string, number> {
  const totals = new Map(graph.bought.map((material) => [material, ZERO]));
  for (const { id, inputs } of graph.steps) {
    const units = fraction(counts.get(id)?.processUnits ?? 0);
    for (const { material, usage } of inputs) {
      const sum = totals.get(material);
      if (sum) totals.set(material, add(sum, multiply(units, fraction(usage))));
    }
  }
  return table([...totals].map(([material, sum]) => [material, ceil(sum)]));
}
