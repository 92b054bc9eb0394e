import { type FlowGraph, type FlowStep, type Incident, orderSteps } from '../flow/index.js';
import { uniform, table } from '../kernel/index.js';
import { type Chance, isCertain, stepChance } from './step-chance.js';

/** Taken once: a look at the global for each of millions of calls is slow where the code runs in a context of its own. */
const { ceil, floor, log, max } = Math;

/** What is drawn: the same seed gives the same runs, whatever quantity is asked of them. */
export interface DrawRequest {
  /** A checked graph. */
  readonly graph: FlowGraph;
  readonly chance: Chance;
  readonly seed: number;
  /** How many, 1 or more. */
  readonly draws: number;
  /** Steps that run as usual in every draw: for telling what their chance costs. */
  readonly usual?: readonly string[];
}

/** Required units of each bought material and of each step, one number a draw. */
export interface Required {
  readonly bought: Readonly<Record<string, Float64Array>>;
  readonly steps: Readonly<Record<string, Float64Array>>;
}

/** Doubles of a division may come out a hair above a whole number. */
const HAIR = 1e-9;
const ceilOf = (value: number): number => ceil(value - HAIR * max(1, value));
/** Numbers that one step of one draw may ask for. */
const PLACES = 64;
const MOST_EVENTS = 1_000_000;

interface Walker {
  readonly step: FlowStep;
  readonly setup: (u: number) => number;
  readonly running: (u: number) => number;
  readonly incidents: readonly Incident[];
  /** Share lost to incidents where they are no matter of chance. */
  readonly share: number;
  readonly outputs: readonly {
    readonly at: number;
    readonly yield: number;
    readonly samples: number;
    readonly share: number;
  }[];
  readonly inputs: readonly { readonly at: number; readonly usage: number }[];
}

/**
 * Process units that leave so many good of what runs, incidents at their drawn places: the least N whose losses up to N leave
 * enough. Source: handbook chapter 6, school 4.
 */
function withIncidents(good: number, w: number, incidents: readonly Incident[], draw: (k: number) => number): number {
  let lost = 0;
  let units = good / (1 - w);
  const next = incidents.map(({ rate }, k) => -log(1 - draw(k)) / rate);
  for (let event = incidents.length; event < MOST_EVENTS; event++) {
    let first = -1;
    for (let k = 0; k < next.length; k++)
      if ((next[k] ?? Infinity) <= units && (first < 0 || (next[k] ?? 0) < (next[first] ?? 0))) first = k;
    const incident = incidents[first];
    if (!incident) break;
    lost += incident.loss;
    units = (good + lost) / (1 - w);
    next[first] = (next[first] ?? 0) - log(1 - draw(event)) / incident.rate;
  }
  return units;
}

function walkersOf({ graph, chance, usual = [] }: DrawRequest, index: ReadonlyMap<string, number>): Walker[] {
  const at = (material: string): number => index.get(material) ?? 0;
  return orderSteps(graph).steps.map((step): Walker => {
    const plain = usual.includes(step.id) || isCertain(chance);
    const own: Chance = plain ? { best: 1, worst: 1, kappa: Infinity } : chance;
    const happening = step.incidents.filter(({ rate, loss }) => rate > 0 && loss > 0);
    return {
      step,
      ...stepChance(step, own),
      incidents: plain ? [] : happening,
      share: plain ? happening.reduce((sum, { rate, loss }) => sum + rate * loss, 0) : 0,
      outputs: step.outputs.map(({ material, yield: each, samples, share = 1 }) => ({
        at: at(material),
        yield: each,
        samples,
        share,
      })),
      inputs: step.inputs.map(({ material, usage }) => ({ at: at(material), usage })),
    };
  });
}

/**
 * What each of so many runs would have needed, exactly: one draw fixes set-ups, spoilage and incidents, and the need follows
 * backwards as in the step-by-step school. @param progress is told the share done, and may say to stop.
 * Source: handbook chapter 6, school 4. Cost: linear in draws and steps.
 */
export function drawRequired(request: DrawRequest, progress: (share: number) => boolean = () => true): Required {
  const { graph, seed, draws } = request;
  const materials = [
    ...new Set([
      ...graph.bought,
      ...graph.demands.map(({ material }) => material),
      ...graph.steps.flatMap(({ inputs, outputs }) => [...inputs, ...outputs].map(({ material }) => material)),
    ]),
  ];
  const index = new Map(materials.map((material, i) => [material, i]));
  const walkers = walkersOf(request, index);
  // Numbers go by the step's place in the file, so that a step left usual does not shift those of the others.
  const placeOf = new Map(graph.steps.map(({ id }, i) => [id, i]));
  const places = walkers.map(({ step }) => placeOf.get(step.id) ?? 0);
  const bought = graph.bought.map((material) => ({
    material,
    at: index.get(material) ?? 0,
    values: new Float64Array(draws),
  }));
  const steps = walkers.map(() => new Float64Array(draws));
  const wanted = new Float64Array(materials.length);
  const told = max(1, floor(draws / 50));
  for (let draw = 0; draw < draws; draw++) {
    wanted.fill(0);
    for (const { material, quantity } of graph.demands) {
      const at = index.get(material) ?? 0;
      wanted[at] = (wanted[at] ?? 0) + quantity;
    }
    for (let i = 0; i < walkers.length; i++) {
      const walker = walkers[i];
      if (!walker) continue;
      const base = (draw * walkers.length + (places[i] ?? 0)) * PLACES;
      const w = walker.running(uniform(seed, base)) + walker.share;
      let most = 0;
      for (const output of walker.outputs) {
        const need = ceilOf((wanted[output.at] ?? 0) * output.share);
        const good = (need + output.samples) / output.yield;
        if (good > most) most = good;
      }
      const runs =
        walker.incidents.length > 0
          ? withIncidents(most, w, walker.incidents, (k) => uniform(seed, base + 2 + (k % (PLACES - 2))))
          : most / (1 - w);
      const units = ceilOf(runs) + walker.setup(uniform(seed, base + 1));
      const kept = steps[i];
      if (kept) kept[draw] = units;
      for (const { at, usage } of walker.inputs) wanted[at] = (wanted[at] ?? 0) + units * usage;
    }
    for (const { at, values } of bought) values[draw] = ceilOf(wanted[at] ?? 0);
    if (draw % told === 0 && !progress(draw / draws)) break;
  }
  return {
    bought: table(bought.map(({ material, values }) => [material, values])),
    steps: table(walkers.map(({ step }, i) => [step.id, steps[i] ?? new Float64Array(0)])),
  };
}
