import { type FlowGraph } from '../flow/index.js';
import { type Outcome, error } from '../kernel/index.js';
import {
  type Chance,
  type CostPoint,
  type CurvePoint,
  type Required,
  type Sensitivity,
  type SureQuantities,
  cheapest,
  drawRequired,
  needsOf,
  sensitivity,
  shortCurve,
  sureQuantities,
} from '../sure/index.js';
import { type Works, normsOf } from '../works/index.js';
import { type Job, paperOf } from './job.js';
import { graphOf, plan } from './plan.js';

export interface SureAsk {
  /** Probability that the order comes out, above 0 and below 1; the house's where absent. */
  readonly p?: number | undefined;
  readonly seed: number;
  readonly draws: number;
}

/** How many to put in, by the sureness school. Quantities by component, in press sheets (turns of a web). */
export interface SureAnswer extends SureQuantities {
  readonly seed: number;
  readonly draws: number;
  readonly curve: readonly CurvePoint[];
  /** Level with least cost, and its parts. */
  readonly cheapest: CostPoint;
  /** Steps by what their uncertainty costs. */
  readonly steps: readonly Sensitivity[];
}

/** Sensitivity looks at differences over the same draws, so that fewer do. */
const SENSITIVITY_DRAWS = 4000;

const chanceOf = (job: Job, works: Works): Chance => {
  const norms = normsOf(works, job.norms);
  return { best: norms('sure.best').value, worst: norms('sure.worst').value, kappa: norms('sure.kappa').value };
};

/** The graph for another quantity: fewest or most that the order lets us deliver. */
function graphFor(graph: FlowGraph, { order, items }: Job, share: number): FlowGraph {
  const ordered = (i: number): number => items?.[i]?.quantity ?? order.quantity;
  return {
    ...graph,
    demands: graph.demands.map((demand, i) => ({ ...demand, quantity: Math.max(1, Math.round(ordered(i) * share)) })),
  };
}

/** What one more press sheet costs, by planning a tenth more; and what a second make-ready costs, carriers held. */
function costsOf(job: Job, works: Works): { unit: number; again: number } {
  const costOf = (quantity: number): { total: number; sheets: number; plates: number } | undefined => {
    const items = job.items?.map((item) => ({
      ...item,
      quantity: Math.max(1, Math.round((item.quantity * quantity) / job.order.quantity)),
    }));
    const order = { ...job.order, quantity: items?.reduce((sum, one) => sum + one.quantity, 0) ?? quantity };
    const outcome = plan({ ...job, order, ...(items ? { items } : {}) }, works);
    if (!outcome.ok) return undefined;
    const { cost, pressSheets } = outcome.plan.totals;
    return { total: cost.total, plates: cost.plates, sheets: Object.values(pressSheets).reduce((a, b) => a + b, 0) };
  };
  const { quantity } = job.order;
  const [now, more, least] = [costOf(quantity), costOf(Math.ceil(quantity * 1.1)), costOf(1)];
  const unit = now && more && more.sheets > now.sheets ? (more.total - now.total) / (more.sheets - now.sheets) : 0;
  return { unit, again: least ? least.total - least.plates : 0 };
}

/**
 * The sureness school of a whole job: what to put into every component so that all come out together with probability p, how
 * sure any quantity is, the cheapest one, and which step's uncertainty costs most.
 * @param progress is told the share done, and may say to stop. Issues: `sure.p`, and those of the plan.
 * Source: handbook chapter 6, school 4.
 */
export function reckonSure(
  job: Job,
  works: Works,
  { p = normsOf(works, job.norms)('sure.p').value, seed, draws }: SureAsk,
  progress: (share: number) => boolean = () => true,
): Outcome<SureAnswer> {
  if (!(p > 0 && p < 1)) return { ok: false, issues: [error('sure.p', 'p', { value: p })] };
  const built = graphOf(job, works);
  if (!built.ok) return built;
  const graph = built.value;
  const chance = chanceOf(job, works);
  const names = new Map(job.components.map(({ id }) => [paperOf(id), id]));
  const materials = graph.bought.filter((material) => names.has(material));
  const part = (from: number, share: number) => (done: number) => progress(from + done * share);
  const draw = (of: FlowGraph, from: number): Required =>
    drawRequired({ graph: of, chance, seed, draws }, part(from, 0.25));
  const needs = needsOf(draw(graph, 0), materials);
  const { policy } = job.order;
  const [under, over] = policy.kind === 'percent' ? [policy.under, policy.over] : [0, 0];
  const least = draw(graphFor(graph, job, 1 - under / 100), 0.25);
  const most = policy.kind === 'all-overs' ? least : draw(graphFor(graph, job, 1 + over / 100), 0.5);
  const { unit, again } = costsOf(job, works);
  const each = (value: number): Record<string, number> =>
    Object.fromEntries(materials.map((material) => [material, value]));
  // What is over cannot be invoiced: it has cost what a sheet costs, which is told already; nothing is added.
  const [best] = cheapest(needs, least, most, { unit: each(unit), again, over: each(0) });
  const steps = sensitivity(graph, chance, seed, Math.min(draws, SENSITIVITY_DRAWS), materials, p);
  progress(1);
  const named = <T extends SureQuantities>(at: T): T => ({
    ...at,
    quantities: Object.fromEntries(
      Object.entries(at.quantities).map(([material, quantity]) => [names.get(material) ?? material, quantity]),
    ),
  });
  const answer = named(sureQuantities(needs, p));
  return {
    ok: true,
    value: { ...answer, seed, draws, curve: shortCurve(needs), cheapest: named(best ?? none(answer)), steps },
  };
}

/** Nothing to choose among: what was asked for. */
const none = (at: SureQuantities): CostPoint => ({ ...at, material: 0, again: 0, overs: 0, total: 0 });
