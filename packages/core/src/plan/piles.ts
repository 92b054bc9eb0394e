import { valueAt, floorRatio } from '../kernel/index.js';
import type { Job } from '../job/index.js';
import type { Works } from '../works/index.js';
import type { Plan } from './plan.js';

/** One pile between two stations, as its tag says it. */
export interface Pile {
  /** Station that made it and place among its piles, from 1, as the tag's code says it: print/3. */
  readonly tag: string;
  /** Station that made it, where it goes next (undefined at the end), and its material as it comes there. */
  readonly from: string;
  readonly to: string | undefined;
  readonly material: string;
  readonly component: string;
  /** What was done last. */
  readonly state: string;
  /** Where it goes next; undefined at the end of the route. */
  readonly next: string | undefined;
  readonly unit: string;
  readonly count: number;
  readonly number: number;
  readonly of: number;
}

/** Split of a count over piles: full ones, and the rest in the last. */
function pilesOf(count: number, perPile: number): number[] {
  const full = Math.floor(count / perPile);
  const rest = count - full * perPile;
  return [...Array.from({ length: full }, () => perPile), ...(rest > 0 || full === 0 ? [rest] : [])];
}

/**
 * The piles of a job: after every station that works on the material, sheets in piles of the house's height, other
 * pieces under one tag with their whole count. Sheets a pile = floor(pile height / caliper).
 * Source: identity, handbook chapter 1 "Piles".
 */
export function listPiles(job: Job, plan: Plan): Pile[] {
  const heightUm = (valueAt(plan, 'norm.pile.height') ?? 0) * 1000;
  const names = new Map(plan.steps.map((step) => [step.id, step.name]));
  const made = new Map<string, number>();
  const tagOf = (step: string): string => {
    made.set(step, (made.get(step) ?? 0) + 1);
    return `${step}/${made.get(step) ?? 1}`;
  };
  return plan.edges.flatMap((edge) => {
    const step = plan.steps.find(({ id }) => id === edge.from);
    if (!step || step.operation === 'dry') return [];
    const component = job.components.find(({ id }) => id === step.component)?.name ?? job.title;
    const after = edge.to === null ? undefined : plan.steps.find(({ id }) => id === edge.to);
    // What dries goes on as what comes from drying.
    const dried = after?.operation === 'dry' ? plan.edges.find(({ from }) => from === after.id) : undefined;
    const next = dried ? dried.to : edge.to;
    const perPile = edge.state.unit === 'sheet' ? Math.max(1, floorRatio(heightUm, edge.state.caliperUm)) : Infinity;
    // A sheet that parts into several things makes a pile of each.
    const good = Object.keys(step.overruns).length > 1 ? edge.count : step.needsOut;
    const counts = perPile === Infinity ? [good] : pilesOf(good, perPile);
    return counts.map((count, i): Pile => ({
      tag: tagOf(step.id),
      from: step.id,
      to: next ?? undefined,
      material: dried?.material ?? edge.material,
      component,
      state: step.name,
      next: next ? names.get(next) : undefined,
      unit: edge.state.unit,
      count,
      number: i + 1,
      of: counts.length,
    }));
  });
}

/** What a label is put on. */
export const LABELLED = ['piles', 'boxes', 'pallets'] as const;
export type Labelled = (typeof LABELLED)[number];

/** Labels by name: width and height, mm. Source: standard, ISO 216 for A5 and A6; the others common practice, no source. */
export const LABEL_SIZES = {
  a5: [210, 148],
  a6: [148, 105],
  '100x150': [150, 100],
  '100x50': [100, 50],
} as const satisfies Readonly<Record<string, readonly [number, number]>>;
export type LabelSize = keyof typeof LABEL_SIZES;

/** The size that the works has its labels in. */
export const labelSizeOf = ({ labelSize }: Pick<Works, 'labelSize'>): LabelSize =>
  labelSize !== undefined && Object.hasOwn(LABEL_SIZES, labelSize) ? (labelSize as LabelSize) : 'a6';

/**
 * Boxes or pallets of a job, full ones and the rest in the last, with the good pieces in each. Where nothing is boxed,
 * bundles stand for boxes. Source: identity, handbook chapter 7 "Packing".
 */
export function listPacks(job: Job, plan: Plan, things: 'boxes' | 'pallets'): Pile[] {
  const stations = new Map(plan.steps.map((step) => [step.id, step]));
  const packings = Object.values(plan.packings).flatMap((packing) => {
    const step = stations.get(packing.step);
    return step ? [{ ...packing, station: step }] : [];
  });
  const boxed = packings.some(({ station }) => station.operation === 'box');
  return packings.flatMap(({ pieces, perPack, pallet, station }) => {
    const { operation } = station;
    if (things === 'boxes' && operation !== (boxed ? 'box' : 'band')) return [];
    if (things === 'pallets' && !pallet) return [];
    const perThing = things === 'boxes' || operation === 'pallet' ? perPack : perPack * (pallet?.perPallet ?? 1);
    const counts = pilesOf(pieces, perThing);
    const component = job.components.find(({ id }) => id === station.component)?.name ?? job.title;
    return counts.map((count, i): Pile => ({
      tag: `${station.id}/${i + 1}`,
      from: station.id,
      to: undefined,
      material: '',
      component,
      state: station.name,
      next: undefined,
      unit: station.unitOut,
      count,
      number: i + 1,
      of: counts.length,
    }));
  });
}
