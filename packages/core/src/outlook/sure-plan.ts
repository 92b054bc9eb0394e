import type { FlowGraph } from '../flow/index.js';
import { type Outcome, error, table } from '../kernel/index.js';
import {
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
import type { Works } from '../works/index.js';
import { normsOf } from '../norms/index.js';
import { type Job, drawLimit, drawsForEach, itemMaterial, orderLimits, paperOf } from '../job/index.js';
import { chanceOf, flowOf, plan } from '../plan/index.js';

/** What sureness is asked: the probability, the seed, and how many draws. */
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

/** The graph for a share of the order: the fewest or the most that it lets us deliver. */
function graphFor(graph: FlowGraph, { order, items }: Job, share: number): FlowGraph {
  const ordered = (material: string): number =>
    items?.find(({ id }) => itemMaterial(id) === material)?.quantity ?? order.quantity;
  return {
    ...graph,
    demands: graph.demands.map(({ material }) => ({
      material,
      quantity: Math.max(1, Math.round(ordered(material) * share)),
    })),
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
    const { cost, pressSheets } = outcome.value.totals;
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
 * @param progress is told the share done. Issues: `sure.p`, `sure.too-many`, and those of the plan.
 * Source: handbook chapter 6, school 4.
 */
export function reckonSure(
  job: Job,
  works: Works,
  { p: asked, seed, draws }: SureAsk,
  progress: (share: number) => void = () => undefined,
): Outcome<SureAnswer> {
  const norms = normsOf(works, job.norms);
  const p = asked ?? norms('sure.p').value;
  if (!(p > 0 && p < 1)) return { ok: false, issues: [error('sure.p', 'p', { value: p })] };
  const tooMany = drawLimit(job, draws);
  if (tooMany.length > 0) return { ok: false, issues: tooMany };
  const built = flowOf(job, works);
  if (!built.ok) return built;
  const { graph } = built.value;
  const chance = chanceOf(norms);
  const names = new Map(job.components.map(({ id }) => [paperOf(id), id]));
  const materials = graph.bought.filter((material) => names.has(material));
  const draw = (of: FlowGraph, from: number): Required =>
    drawRequired({ graph: of, chance, seed, draws }, (done) => {
      progress(from + done / 4);
      return true;
    });
  const needs = needsOf(draw(graph, 0), materials);
  const limits = orderLimits(job.order);
  const share = (quantity: number): number => quantity / job.order.quantity;
  const least = draw(graphFor(graph, job, share(limits.least)), 0.25);
  const putAway = norms('price.over').value;
  // Overs that the customer takes, or that cost nothing to put away, need no runs of their own.
  const hasMost = putAway > 0 && limits.most < Infinity;
  const most = hasMost ? draw(graphFor(graph, job, share(limits.most)), 0.5) : undefined;
  const { unit, again } = costsOf(job, works);
  const each = (value: number): Record<string, number> => table(materials.map((material) => [material, value]));
  const [best] = cheapest(needs, least, {
    unit: each(unit),
    again,
    ...(most ? { overs: { most, price: putAway } } : {}),
  });
  const steps = sensitivity(graph, chance, seed, drawsForEach(job, Math.min(draws, SENSITIVITY_DRAWS)), materials, p);
  progress(1);
  const named = <T extends SureQuantities>(at: T): T => ({
    ...at,
    quantities: table(
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
