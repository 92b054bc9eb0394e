import Fraction from 'fraction.js';
import { uniform } from '../kernel/index.js';
import type { FlowGraph, FlowOutput, FlowStep } from './graph.js';

const F = (value: number | string | Fraction): Fraction => new Fraction(value);
/** A decimal as it is written, not the nearest double. */
const decimal = (value: number): Fraction => F(String(value));

/** What is left good of what runs, 1 - w - b, with w = p / (1 + p) where spoilage is told of the net. */
function goodShare({ running, ofNet, incidents }: FlowStep): Fraction {
  const told = decimal(running);
  const w = ofNet ? told.div(told.add(1)) : told;
  return incidents.reduce((left, { rate, loss }) => left.sub(decimal(rate).mul(decimal(loss))), F(1).sub(w));
}

/**
 * The slow way: plain recursion over the handbook's formula with exact fractions of an outside library, nothing kept and
 * nothing ordered beforehand. Source: handbook chapter 6, school 1.
 */
export function unitsByRecursion(graph: FlowGraph, step: FlowStep): Fraction {
  const wanted = (material: string): Fraction =>
    graph.steps.reduce(
      (sum, taker) =>
        taker.inputs.reduce(
          (total, input) =>
            input.material === material ? total.add(unitsByRecursion(graph, taker).mul(decimal(input.usage))) : total,
          sum,
        ),
      graph.demands.reduce((sum, demand) => (demand.material === material ? sum.add(demand.quantity) : sum), F(0)),
    );
  const unitsOf = (output: FlowOutput): Fraction =>
    wanted(output.material)
      .mul(decimal(output.share ?? 1))
      .ceil()
      .add(output.samples)
      .div(decimal(output.yield).mul(goodShare(step)))
      .ceil();
  const most = step.outputs.map(unitsOf).reduce((a, b) => (a.compare(b) >= 0 ? a : b));
  return most.add(step.setup);
}

/** A random job: lanes that fork, merge, part into several products and run in splits. The same for the same seed. */
export function randomGraph(seed: number): FlowGraph {
  let place = 0;
  const from = (low: number, high: number): number => low + Math.floor(uniform(seed, place++) * (high - low + 1));
  const oneOf = <T>(list: readonly T[]): T => list[from(0, list.length - 1)] as T;
  const steps: FlowStep[] = [];
  const made: string[] = [];
  const count = from(1, 9);
  const plain = (id: string, outputs: readonly FlowOutput[], inputs: FlowStep['inputs']): FlowStep => ({
    id,
    path: `route[${steps.length}]`,
    inputs,
    outputs,
    setup: from(0, 300),
    running: from(0, 80) / 1000,
    ...(from(0, 3) === 0 ? { ofNet: true } : {}),
    incidents: from(0, 4) === 0 ? [{ name: 'break', rate: from(1, 9) / 100_000, loss: from(1, 800) }] : [],
    finishing: false,
  });
  for (let i = 0; i < count; i++) {
    const inputs = [
      ...new Set([oneOf(['paper', ...made]), ...(from(0, 2) === 0 ? [oneOf(['board', ...made])] : [])]),
    ].map((material) => ({ material, usage: oneOf([1, 1, 1, 2, 8, 0.5, 0.125]) }));
    const output = (material: string, share?: number): FlowOutput => ({
      material,
      yield: oneOf([1, 1, 2, 3, 8, 0.5]),
      samples: from(0, 12),
      ...(share === undefined ? {} : { share }),
    });
    const material = `m${i}`;
    const shape = from(0, 5);
    if (shape === 0) {
      const share = from(1, 9) / 10;
      steps.push(plain(`s${i}a`, [output(material, share)], inputs));
      steps.push(plain(`s${i}b`, [output(material, Number((1 - share).toFixed(1)))], inputs));
      made.push(material);
    } else if (shape === 1) {
      steps.push(plain(`s${i}`, [output(material), output(`${material}x`)], inputs));
      made.push(material, `${material}x`);
    } else {
      steps.push(plain(`s${i}`, [output(material)], inputs));
      made.push(material);
    }
  }
  const taken = new Set(steps.flatMap(({ inputs }) => inputs.map(({ material }) => material)));
  const demands = made
    .filter((material) => !taken.has(material))
    .map((material) => ({ material, quantity: from(1, 20_000) }));
  return { steps, bought: ['paper', 'board'], demands };
}
