import { type Fraction, add, compare, divide, fraction, multiply, ZERO } from '../kernel/index.js';
import type { FlowGraph, FlowOutput, FlowStep } from './graph.js';
import { lossShare } from './loss.js';
import { consumersOf } from './order.js';

/**
 * What stands between a step and the end of the job, all told in the step's own process units and exact: the basis of
 * the added-up and the table school.
 */
export interface Downstream {
  readonly step: FlowStep;
  /** Process units with no spoilage at all, samples not counted. */
  readonly net: Fraction;
  /** Process units with no spoilage, samples of this and all later steps converted. */
  readonly netWithSamples: Fraction;
  /**
   * Process units that running spoilage and incidents of this and all later steps take: each step's share of the net
   * and the samples that pass through it, converted.
   */
  readonly spoiled: Fraction;
  /** Set-ups of this and all later steps, converted. */
  readonly setups: Fraction;
  /** The output that decides, and the steps that take it, the one that takes most first. */
  readonly output: FlowOutput;
  readonly consumers: readonly { readonly step: FlowStep; readonly usage: number }[];
  /** Colours of each press pass from here on. */
  readonly passes: readonly number[];
  /** Finishing steps from here on. */
  readonly finishingSteps: number;
}

interface Wanted {
  net: Fraction;
  withSamples: Fraction;
  spoiled: Fraction;
  setups: Fraction;
  consumers: { step: FlowStep; usage: number; net: Fraction }[];
}

const nothing = (): Wanted => ({ net: ZERO, withSamples: ZERO, spoiled: ZERO, setups: ZERO, consumers: [] });

function wantedOf(
  material: string,
  graph: FlowGraph,
  consumers: readonly FlowStep[],
  known: ReadonlyMap<string, Downstream>,
): Wanted {
  const wanted = nothing();
  for (const demand of graph.demands) {
    if (demand.material !== material) continue;
    wanted.net = add(wanted.net, fraction(demand.quantity));
    wanted.withSamples = add(wanted.withSamples, fraction(demand.quantity));
  }
  for (const step of consumers) {
    const after = known.get(step.id);
    const usage = step.inputs.find((input) => input.material === material)?.usage ?? 0;
    if (!after) continue;
    const each = fraction(usage);
    const net = multiply(after.net, each);
    wanted.net = add(wanted.net, net);
    wanted.withSamples = add(wanted.withSamples, multiply(after.netWithSamples, each));
    wanted.spoiled = add(wanted.spoiled, multiply(after.spoiled, each));
    wanted.setups = add(wanted.setups, multiply(after.setups, each));
    wanted.consumers.push({ step, usage, net });
  }
  wanted.consumers.sort((a, b) => compare(b.net, a.net));
  return wanted;
}

function downstreamOf(
  step: FlowStep,
  wantedByOutput: readonly { output: FlowOutput; wanted: Wanted }[],
  known: ReadonlyMap<string, Downstream>,
): Downstream {
  const convert = (value: Fraction, output: FlowOutput) =>
    divide(output.share === undefined ? value : multiply(value, fraction(output.share)), fraction(output.yield));
  const withSamples = ({ output, wanted }: { output: FlowOutput; wanted: Wanted }) =>
    add(convert(wanted.withSamples, output), divide(fraction(output.samples), fraction(output.yield)));
  const deciding = wantedByOutput.reduce((a, b) => (compare(withSamples(b), withSamples(a)) > 0 ? b : a));
  const { output, wanted } = deciding;
  const next = wanted.consumers[0] && known.get(wanted.consumers[0].step.id);
  const netWithSamples = withSamples(deciding);
  return {
    step,
    net: convert(wanted.net, output),
    netWithSamples,
    spoiled: add(multiply(lossShare(step), netWithSamples), convert(wanted.spoiled, output)),
    setups: add(fraction(step.setup), convert(wanted.setups, output)),
    output,
    consumers: wanted.consumers,
    passes: [...(step.passColours === undefined ? [] : [step.passColours]), ...(next?.passes ?? [])],
    finishingSteps: (step.finishing ? 1 : 0) + (next?.finishingSteps ?? 0),
  };
}

/** Everything downstream of every step. @param steps a checked graph's steps, end of the job first. */
export function lookDownstream(graph: FlowGraph, steps: readonly FlowStep[]): ReadonlyMap<string, Downstream> {
  const consumers = consumersOf(graph);
  const known = new Map<string, Downstream>();
  for (const step of steps) {
    const wanted = step.outputs.map((output) => ({
      output,
      wanted: wantedOf(output.material, graph, consumers.get(output.material) ?? [], known),
    }));
    known.set(step.id, downstreamOf(step, wanted, known));
  }
  return known;
}
