import { type FlowGraph, reckonFlow, unitsFor } from '../flow/index.js';
import { type Issue, type Outcome, error } from '../kernel/index.js';
import { type Chance, CERTAIN, drawForward, quantileOf } from '../sure/index.js';
import { type Works, normsOf, spoilageTable } from '../works/index.js';
import type { Job } from './job.js';
import { graphOf } from './plan.js';

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
  /** Carriers are held until nothing more can be asked of them. */
  readonly hold: boolean;
}

const EDGE = 0.05;

/** What is wrong with counts. Issues: `count.unknown-step`, `count.twice`, `count.number`, `count.too-many`. */
function checkCounts(
  graph: FlowGraph,
  counts: readonly StepCounted[],
  planned: Readonly<Record<string, number>>,
): Issue[] {
  const seen = new Set<string>();
  return counts.flatMap(({ step: id, good }, i): Issue[] => {
    const path = `counts[${i}]`;
    const step = graph.steps.find((one) => one.id === id);
    if (!step) return [error('count.unknown-step', `${path}.step`, { step: id })];
    if (seen.has(id)) return [error('count.twice', `${path}.step`, { step: id })];
    seen.add(id);
    if (!Number.isInteger(good) || good < 0) return [error('count.number', `${path}.good`, { step: id, value: good })];
    const most = Math.floor((planned[id] ?? 0) * Math.max(...step.outputs.map(({ yield: each }) => each)));
    return good > most ? [error('count.too-many', `${path}.good`, { step: id, value: good, most })] : [];
  });
}

/** Counted steps with no counted step after them: what the rest goes on from. */
function frontier(graph: FlowGraph, counts: ReadonlyMap<string, number>): string[] {
  const after = (id: string): string[] => {
    const made = new Set(graph.steps.find((step) => step.id === id)?.outputs.map(({ material }) => material));
    return graph.steps.filter(({ inputs }) => inputs.some(({ material }) => made.has(material))).map((step) => step.id);
  };
  const countedAfter = (id: string): boolean => after(id).some((next) => counts.has(next) || countedAfter(next));
  return [...counts.keys()].filter((id) => !countedAfter(id));
}

/**
 * Forecast of a running job from its counts. Issues: `count.*`, and those of the plan.
 * Source: handbook chapter 6 "While it runs".
 */
export function reckonForecast(
  job: Job,
  works: Works,
  counted: readonly StepCounted[],
  { seed, draws }: { readonly seed: number; readonly draws: number },
): Outcome<RunForecast> {
  const built = graphOf(job, works);
  if (!built.ok) return built;
  const graph = built.value;
  const norms = normsOf(works, job.norms);
  const flow = reckonFlow(graph, spoilageTable(norms));
  if (!flow.ok) return flow;
  const planned = Object.fromEntries(flow.value.steps.map(({ step, units }) => [step.id, units[job.school]]));
  const issues = checkCounts(graph, counted, planned);
  if (issues.length > 0) return { ok: false, issues };
  const counts = new Map(counted.map(({ step, good }) => [step, good]));
  const chance: Chance = {
    best: norms('sure.best').value,
    worst: norms('sure.worst').value,
    kappa: norms('sure.kappa').value,
  };
  const forward = { graph, seed, counts: Object.fromEntries(counts), planned };
  const expected = drawForward({ ...forward, chance: CERTAIN, draws: 1 })[0] ?? 0;
  const drawn = drawForward({ ...forward, chance, draws }).sort();
  const { policy, quantity } = job.order;
  const wanted = graph.demands.reduce((sum, demand) => sum + demand.quantity, 0);
  const least = policy.kind === 'percent' ? Math.ceil(quantity * (1 - policy.under / 100)) : quantity;
  const more: Record<string, number> = {};
  for (const id of frontier(graph, counts)) {
    const of = flow.value.byId.get(id);
    const need = of ? (of.byStep.needsOut[of.downstream.output.material] ?? 0) : 0;
    const missing = need - (counts.get(id) ?? 0);
    if (of && missing > 0)
      more[id] = unitsFor({ ...of.step, setup: 0 }, { ...of.downstream.output, samples: 0 }, missing);
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
      hold: !(finished && expected >= least),
    },
  };
}
