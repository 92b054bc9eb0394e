import { table } from '../kernel/index.js';
import type { FlowGraph } from '../flow/index.js';
import { type Required, drawRequired } from './draws.js';
import type { Chance } from './step-chance.js';

/** Smallest of the sorted numbers that a share p of them does not exceed. @param p 0..1. */
export function quantileOf(sorted: Float64Array, p: number): number {
  const at = Math.min(sorted.length - 1, Math.max(0, Math.ceil(p * sorted.length - 1e-9) - 1));
  return sorted[at] ?? 0;
}

/** How many of the sorted numbers come before a value: less than it, or up to it. */
function before(sorted: Float64Array, value: number, upTo: boolean): number {
  let [low, high] = [0, sorted.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    const one = sorted[middle] ?? 0;
    if (one < value || (upTo && one === value)) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Need of several materials over the same runs, ready to be asked. */
export interface Needs {
  readonly materials: readonly string[];
  /** Sorted need of each material. */
  readonly sorted: readonly Float64Array[];
  /** For each run, the least level of sureness at which all its needs are met; sorted. */
  readonly levels: Float64Array;
}

/** The least level at which each run's needs are met, above 1 where no quantity drawn is enough; sorted. */
function levelsOf(values: readonly Float64Array[], scales: readonly Float64Array[]): Float64Array {
  const draws = scales[0]?.length ?? 0;
  const levels = new Float64Array(draws);
  values.forEach((own, k) => {
    const scale = scales[k] ?? own;
    for (let i = 0; i < draws; i++) {
      const level = (before(scale, own[i] ?? 0, false) + 1) / draws;
      if (level > (levels[i] ?? 0)) levels[i] = level;
    }
  });
  return levels.sort();
}

/** What each draw needs of everything that is bought. */
export function needsOf({ bought }: Required, materials: readonly string[]): Needs {
  const values = materials.map((material) => bought[material] ?? new Float64Array(0));
  const sorted = values.map((own) => own.slice().sort());
  return { materials, sorted, levels: levelsOf(values, sorted) };
}

/** Levels are fractions of the draws; a hair keeps equal ones together. */
const HAIR = 1e-12;

/** Share of the runs that come out when every material is bought at this level. */
const metAt = (levels: Float64Array, level: number): number => before(levels, level + HAIR, true) / levels.length;

/**
 * Level at which all materials together come out with probability p: the common quantile, raised until the joint
 * probability reaches p. Source: handbook chapter 6, school 4.
 */
export const jointLevel = ({ levels }: Needs, p: number): number => quantileOf(levels, p);

/** Quantities that are enough with joint probability p, and that probability as the runs give it. */
export interface SureQuantities {
  readonly p: number;
  readonly quantities: Readonly<Record<string, number>>;
  readonly joint: number;
}

/** Quantities of all that is bought, at one level of all draws together. */
export function quantitiesAt(needs: Needs, level: number, p: number): SureQuantities {
  return {
    p,
    quantities: table(
      needs.materials.map((material, k) => [material, quantileOf(needs.sorted[k] ?? new Float64Array(0), level)]),
    ),
    joint: metAt(needs.levels, level),
  };
}

/** Quantities with which the job comes out with the asked probability. */
export const sureQuantities = (needs: Needs, p: number): SureQuantities => quantitiesAt(needs, jointLevel(needs, p), p);

/** A point of the curve: quantity of all materials together, and the chance that some of them falls short. */
export interface CurvePoint {
  readonly level: number;
  readonly total: number;
  readonly short: number;
}

const LEVELS = [
  ...Array.from({ length: 49 }, (_, i) => (i + 1) / 50),
  0.985,
  0.99,
  0.9925,
  0.995,
  0.9975,
  0.999,
  0.9995,
  0.9999,
  1,
];

/** The curve from quantity to chance of falling short. */
export const shortCurve = (needs: Needs): CurvePoint[] =>
  LEVELS.map((level) => ({
    level,
    total: needs.sorted.reduce((sum, sorted) => sum + quantileOf(sorted, level), 0),
    short: 1 - metAt(needs.levels, level),
  }));

/** What a quantity costs. */
export interface SureCosts {
  /** Paper and machine for one more unit of each material. */
  readonly unit: Readonly<Record<string, number>>;
  /** A second make-ready: carriers again unless held, set-up of every step from the press on, least paper. */
  readonly again: number;
  /** Putting a unit away that is over what may be delivered, and the runs for the most that may; nothing where absent. */
  readonly overs?: { readonly price: number; readonly most: Required };
}

/** Quantities for one probability with what they cost: material, printing again where it fails, overs. In the currency of the prices. */
export interface CostPoint extends SureQuantities {
  readonly material: number;
  readonly again: number;
  readonly overs: number;
  readonly total: number;
}

/**
 * The quantity at which material, the chance of a second make-ready and unwanted overs together cost least.
 * @param needs for what the plan aims at: the scale; @param least for the fewest that may be delivered; over the same draws. Source: handbook chapter 6, school 4.
 */
export function cheapest(needs: Needs, least: Required, costs: SureCosts): CostPoint[] {
  const leastLevels = levelsOf(
    needs.materials.map((material) => least.bought[material] ?? new Float64Array(0)),
    needs.sorted,
  );
  return LEVELS.map((level): CostPoint => {
    const at = quantitiesAt(needs, level, level);
    const sum = (of: (material: string, quantity: number) => number): number =>
      Object.entries(at.quantities).reduce((total, [material, quantity]) => total + of(material, quantity), 0);
    const material = sum((name, quantity) => quantity * (costs.unit[name] ?? 0));
    const again = (1 - metAt(leastLevels, level)) * costs.again;
    const overs = sum((name, quantity) => {
      const need = costs.overs?.most.bought[name];
      if (!need) return 0;
      let over = 0;
      for (const value of need) if (quantity > value) over += quantity - value;
      return (over / need.length) * (costs.overs?.price ?? 0);
    });
    return { ...at, material, again, overs, total: material + again + overs };
  }).sort((one, other) => one.total - other.total);
}

/** What the chance of one step costs: units of all materials that would be saved were it always as usual. */
export interface Sensitivity {
  readonly step: string;
  readonly saved: number;
}

const total = ({ quantities }: SureQuantities): number => Object.values(quantities).reduce((sum, n) => sum + n, 0);

/** Steps by what their uncertainty costs, most first; over the same draws, so that the difference is theirs. */
export function sensitivity(
  graph: FlowGraph,
  chance: Chance,
  seed: number,
  draws: number,
  materials: readonly string[],
  p: number,
): Sensitivity[] {
  const all = total(sureQuantities(needsOf(drawRequired({ graph, chance, seed, draws }), materials), p));
  return graph.steps
    .map(({ id }) => {
      const without = drawRequired({ graph, chance, seed, draws, usual: [id] });
      return { step: id, saved: Math.max(0, all - total(sureQuantities(needsOf(without, materials), p))) };
    })
    .sort((one, other) => other.saved - one.saved);
}
