import { type FlowGraph, type FlowStep, orderSteps } from '../flow/index.js';
import { uniform } from '../kernel/index.js';
import { type Chance, stepChance } from './step-chance.js';

/** What a step that still runs has done: good pieces and samples out, process units used for all that came out of it. */
export interface StepBegun {
  readonly good: number;
  readonly samples: number;
  readonly used: number;
}

/** What is known while a job runs. */
export interface ForwardRequest {
  /** A checked graph. */
  readonly graph: FlowGraph;
  readonly chance: Chance;
  readonly seed: number;
  readonly draws: number;
  /** Good pieces counted out of a step, by step. */
  readonly counts: Readonly<Record<string, number>>;
  /** What steps that still run have done so far. */
  readonly begun?: Readonly<Record<string, StepBegun>> | undefined;
  /** Process units that the plan puts through each step: what is bought, and how a material is shared by its consumers. */
  readonly planned: Readonly<Record<string, number>>;
}

const { floor } = Math;
/** Doubles of a product may come out a hair below a whole number. */
const HAIR = 1e-9;
const floorOf = (value: number): number => floor(value + HAIR * Math.max(1, value));
const PLACES = 4;
const NOTHING_DONE: StepBegun = { good: 0, samples: 0, used: 0 };

/** How much of a material each step may take: by what the plan gives it of all that is taken. */
function sharesOf({ graph, planned }: ForwardRequest): ReadonlyMap<string, number> {
  const taken = new Map<string, number>();
  for (const { id, inputs } of graph.steps)
    for (const { material, usage } of inputs)
      taken.set(material, (taken.get(material) ?? 0) + usage * (planned[id] ?? 0));
  for (const { material, quantity } of graph.demands) taken.set(material, (taken.get(material) ?? 0) + quantity);
  return taken;
}

/** Process units that may go into a step with what there is. */
function unitsInto(
  step: FlowStep,
  request: ForwardRequest,
  there: ReadonlyMap<string, number>,
  taken: ReadonlyMap<string, number>,
): number {
  const planned = request.planned[step.id] ?? 0;
  const limits = step.inputs.map(({ material, usage }) => {
    const available = there.get(material);
    if (available === undefined) return planned;
    const total = taken.get(material) ?? 0;
    const own = total > 0 ? (available * usage * planned) / total : available;
    return floorOf(own / usage);
  });
  return limits.length > 0 ? Math.min(...limits) : planned;
}

/**
 * What a running job will deliver: forwards from the last good counts through the steps still to come, floored once a step, at
 * the output. One number a draw: pieces of all demands together, by the one that comes out worst.
 * Source: handbook chapter 6 "While it runs".
 */
export function drawForward(request: ForwardRequest): Float64Array {
  const { graph, chance, seed, draws, counts } = request;
  const steps = [...orderSteps(graph).steps].reverse().map((step) => ({ step, of: stepChance(step, chance) }));
  const taken = sharesOf(request);
  const wanted = graph.demands.reduce((sum, { quantity }) => sum + quantity, 0);
  const results = new Float64Array(draws);
  const lost = ({ incidents }: FlowStep): number => incidents.reduce((sum, { rate, loss }) => sum + rate * loss, 0);
  for (let draw = 0; draw < draws; draw++) {
    const there = new Map<string, number>();
    steps.forEach(({ step, of }, i) => {
      const place = (draw * steps.length + i) * PLACES;
      const units = unitsInto(step, request, there, taken);
      const so = request.begun?.[step.id] ?? NOTHING_DONE;
      // Once anything has come out, the set-up is over.
      const setup = so.used > 0 ? 0 : of.setup(uniform(seed, place + 1));
      const good = (1 - of.running(uniform(seed, place)) - lost(step)) * Math.max(0, units - so.used - setup);
      const counted = counts[step.id];
      for (const output of step.outputs) {
        const samples = Math.max(0, output.samples - so.samples);
        const made = counted ?? so.good + Math.max(0, floorOf(output.yield * good) - samples);
        there.set(output.material, (there.get(output.material) ?? 0) + made);
      }
    });
    const worst = graph.demands.map(({ material, quantity }) => (there.get(material) ?? 0) / quantity);
    results[draw] = floorOf(Math.min(...worst) * wanted);
  }
  return results;
}
