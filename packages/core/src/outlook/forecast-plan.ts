import { type FlowGraph, type FlowOutput, orderSteps, unitsFor } from '../flow/index.js';
import { type Issue, type Outcome, error, own, table } from '../kernel/index.js';
import { type Chance, CERTAIN, drawForward, quantileOf, type StepBegun } from '../sure/index.js';
import type { Works } from '../works/index.js';
import { normsOf } from '../norms/index.js';
import { type Job, orderLimits } from '../job/index.js';
import { chanceOf, flowOf } from '../plan/index.js';

/** Good pieces counted out of a step. */
export interface StepCounted {
  readonly step: string;
  readonly good: number;
}

/** What a running job will come to. Pieces of all items together. */
export interface RunForecast {
  readonly wanted: number;
  /** Fewest that fulfil the order. */
  readonly least: number;
  /** With the norms of the steps still to come. */
  readonly expected: number;
  /** Between these it ends in nine of ten runs. */
  readonly range: readonly [number, number];
  /** Chance that it ends below the fewest. */
  readonly short: number;
  /** Process units to run now at each counted step that is below its need, without another set-up. */
  readonly more: Readonly<Record<string, number>>;
  /** All that is delivered has been counted. */
  readonly finished: boolean;
  /** Carriers are held until nothing more can be asked of them. */
  readonly hold: boolean;
}

/** How the chance of a forecast is drawn. */
interface Draws {
  readonly seed: number;
  readonly draws: number;
}

const EDGE = 0.05;

/**
 * Most good pieces that can have come out of each step: nothing spoiled from the last counts on, all of what is bought taken in.
 * Steps from the beginning of the job.
 */
function mostOut(graph: FlowGraph, counts: ReadonlyMap<string, number>, planned: Readonly<Record<string, number>>) {
  const there = new Map<string, number>();
  const most = new Map<string, number>();
  for (const { id, inputs, outputs } of [...orderSteps(graph).steps].reverse()) {
    const limits = inputs.flatMap(({ material, usage }) => {
      const available = there.get(material);
      return available === undefined ? [] : [Math.floor(available / usage)];
    });
    const units = limits.length > 0 ? Math.min(...limits) : (planned[id] ?? 0);
    for (const { material, yield: each } of outputs) {
      const out = Math.floor(units * each);
      most.set(id, Math.max(most.get(id) ?? 0, out));
      there.set(material, (there.get(material) ?? 0) + (counts.get(id) ?? out));
    }
  }
  return most;
}

/** What is wrong with counts. Issues: `count.unknown-step`, `count.twice`, `count.number`, `count.too-many`. */
function checkCounts(
  graph: FlowGraph,
  counted: readonly StepCounted[],
  planned: Readonly<Record<string, number>>,
): Issue[] {
  const seen = new Set<string>();
  const most = mostOut(graph, countsOf(counted), planned);
  return counted.flatMap(({ step, good }, i): Issue[] => {
    const path = `counts[${i}]`;
    const could = most.get(step);
    if (could === undefined) return [error('count.unknown-step', `${path}.step`, { step })];
    if (seen.has(step)) return [error('count.twice', `${path}.step`, { step })];
    seen.add(step);
    if (!Number.isInteger(good) || good < 0) return [error('count.number', `${path}.good`, { step, value: good })];
    return good > could ? [error('count.too-many', `${path}.good`, { step, value: good, most: could })] : [];
  });
}

const countsOf = (counted: readonly StepCounted[]): ReadonlyMap<string, number> =>
  new Map(counted.map(({ step, good }) => [step, good]));

/** Counted steps with no counted step after them: what the rest goes on from. */
function frontier(graph: FlowGraph, counts: ReadonlyMap<string, number>): string[] {
  const after = (id: string): string[] => {
    const made = new Set(graph.steps.find((step) => step.id === id)?.outputs.map(({ material }) => material));
    return graph.steps.filter(({ inputs }) => inputs.some(({ material }) => made.has(material))).map((step) => step.id);
  };
  const countedAfter = (id: string): boolean => after(id).some((next) => counts.has(next) || countedAfter(next));
  return [...counts.keys()].filter((id) => !countedAfter(id));
}

/** All that a forecast asks of a job, as data that can be kept: its flow, what is planned into each step, what comes by chance. */
export interface ForecastBasis {
  readonly graph: FlowGraph;
  /** Process units planned into each step. */
  readonly planned: Readonly<Record<string, number>>;
  readonly chance: Chance;
  /** Fewest that fulfil the order. */
  readonly least: number;
  /** Of each step: the output that the next ones work on, and how many of it are needed. */
  readonly needs: Readonly<Record<string, { readonly output: FlowOutput; readonly good: number }>>;
}

/** What a forecast of a job asks. Issues: those of the plan. */
export function forecastBasis(job: Job, works: Works): Outcome<ForecastBasis> {
  const built = flowOf(job, works);
  if (!built.ok) return built;
  const { graph, flow, units } = built.value;
  const needs = table(
    flow.steps.map(({ step, downstream: { output }, byStep }) => [
      step.id,
      { output, good: byStep.needsOut[output.material] ?? 0 },
    ]),
  );
  const chance = chanceOf(normsOf(works, job.norms));
  return { ok: true, value: { graph, planned: table(units), chance, least: orderLimits(job.order).least, needs } };
}

/**
 * Forecast of a running job from its counts. Issues: `count.*`.
 * @param begun steps that still run, which have no count yet.
 * Source: handbook chapter 6 "While it runs".
 */
export function forecastFrom(
  { graph, planned, chance, least, needs }: ForecastBasis,
  counted: readonly StepCounted[],
  { seed, draws }: Draws,
  begun: Readonly<Record<string, StepBegun>> = {},
): Outcome<RunForecast> {
  const issues = checkCounts(graph, counted, planned);
  if (issues.length > 0) return { ok: false, issues };
  const counts = countsOf(counted);
  const forward = { graph, seed, counts: table(counts), begun, planned };
  const expected = drawForward({ ...forward, chance: CERTAIN, draws: 1 })[0] ?? 0;
  const drawn = drawForward({ ...forward, chance, draws }).sort();
  const wanted = graph.demands.reduce((sum, demand) => sum + demand.quantity, 0);
  const more = table<number>();
  for (const id of frontier(graph, counts)) {
    const [need, step] = [own(needs, id), graph.steps.find((one) => one.id === id)];
    const missing = (need?.good ?? 0) - (counts.get(id) ?? 0);
    if (need && step && missing > 0)
      more[id] = unitsFor({ ...step, setup: 0 }, { ...need.output, samples: 0 }, missing);
  }
  const end = graph.steps.filter(({ outputs }) =>
    outputs.some(({ material }) => graph.demands.some((demand) => demand.material === material)),
  );
  const finished = end.every(({ id }) => counts.has(id));
  return {
    ok: true,
    value: {
      wanted,
      least,
      expected,
      range: [quantileOf(drawn, EDGE), quantileOf(drawn, 1 - EDGE)],
      short: drawn.filter((value) => value < least).length / drawn.length,
      more,
      finished,
      hold: !(finished && expected >= least),
    },
  };
}

/** Forecast of a running job from its counts. Issues: `count.*`, and those of the plan. */
export function reckonForecast(
  job: Job,
  works: Works,
  counted: readonly StepCounted[],
  draws: Draws,
): Outcome<RunForecast> {
  const basis = forecastBasis(job, works);
  return basis.ok ? forecastFrom(basis.value, counted, draws) : basis;
}
