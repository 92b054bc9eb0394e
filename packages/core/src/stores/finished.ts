import { loadingMetres } from '../finishing/index.js';
import { GRAMS, dayAfter, valueAt } from '../kernel/index.js';
import { type Job, figureId } from '../job/index.js';
import { type Plan, plan } from '../plan/index.js';
import type { Works } from '../works/index.js';
import { normsOf } from '../norms/index.js';

/** How a finished product is packed: what a lot remembers of the job that made it. */
export interface PackedAs {
  /** Grams of one piece. */
  readonly pieceG: number;
  /** Pieces on a full pallet; absent where the route ends without pallets. */
  readonly perPallet?: number | undefined;
}

/** Packing of a planned job's product, from its last station for boxes or pallets. Source: the station's own figures. */
export function packedAs(job: Job, plan: Plan): PackedAs {
  const last = [...plan.edges].reverse().find(({ to }) => to === null);
  const pieceG = last?.state.massG ?? 0;
  const packs = [...job.route].reverse().find(({ id }) => plan.packings[id]?.pallet);
  const perPallet = packs && valueAt(plan, figureId.step(packs.id, 'fullPallet'));
  return { pieceG, ...(perPallet === undefined ? {} : { perPallet }) };
}

/** Good pieces that a plan delivers. */
const delivered = ({ edges }: Plan): number =>
  edges.filter(({ to }) => to === null).reduce((sum, { count }) => sum + count, 0);

/**
 * Pieces that a job can give at most: if nothing of what its plan allows for spoilage were spoiled, the material that runs
 * out first sets the end. Undefined where it cannot be planned. Source: identity.
 */
export function mostFinished(job: Job, works: Works): number | undefined {
  const planned = plan(job, works);
  const unspoiled = plan({ ...job, route: job.route.map((step) => ({ ...step, setup: 0, running: 0 })) }, works);
  if (!planned.ok || !unspoiled.ok) return undefined;
  const given = new Map(planned.value.edges.map((edge) => [`${edge.material} ${edge.to ?? ''}`, edge.count]));
  const shares = unspoiled.value.edges
    .filter(({ from, count }) => from === null && count > 0)
    .map(({ material, to, count }) => (given.get(`${material} ${to ?? ''}`) ?? count) / count);
  return Math.floor(delivered(unspoiled.value) * Math.max(1, Math.min(...shares)) + ROUNDING);
}

/** What is loaded when a customer calls pieces off the stock. */
export interface CallOff {
  /** Whole pallets, and pieces on one that is part filled. */
  readonly pallets: number;
  readonly partly: number;
  readonly kg: number;
  /** Metres of loading; undefined where the product is not palletised. */
  readonly loadingM: number | undefined;
  /** Trucks or containers, the last one part filled. */
  readonly vehicles: number | undefined;
}

/** Sums of decimals may miss a full truck by their last place. */
const ROUNDING = 1e-9;
const vehiclesFor = (load: number, most: number): number => Math.ceil(load / most - ROUNDING);

/**
 * Pallets, kilograms and loading of so many pieces, from one pallet to full trucks.
 * @param pieces 1 or more. Source: handbook chapter 7 "Packing" (loading metres: identity; limits of a truck: norms).
 */
export function callOff(pieces: number, { pieceG, perPallet }: PackedAs, works: Works): CallOff {
  const norms = normsOf(works, {});
  const kg = (pieces * pieceG) / GRAMS;
  if (perPallet === undefined || perPallet < 1)
    return { pallets: 0, partly: pieces, kg, loadingM: undefined, vehicles: undefined };
  const all = Math.ceil(pieces / perPallet);
  const size = { lengthMm: norms('pallet.length').value, widthMm: norms('pallet.width').value };
  const loadingM = loadingMetres(all, size);
  return {
    pallets: Math.floor(pieces / perPallet),
    partly: pieces % perPallet,
    kg,
    loadingM,
    vehicles: Math.max(vehiclesFor(loadingM, norms('truck.length').value), vehiclesFor(kg, norms('truck.kg').value)),
  };
}

/** Day on which goods leave so that they arrive when they are due. ISO 8601 dates; whole calendar days. Source: identity. */
export const leavesBy = (due: string, transitDays: number): string => dayAfter(due, -transitDays);
