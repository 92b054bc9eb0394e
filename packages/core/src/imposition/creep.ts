import type { Mm, Um } from '../kernel/index.js';

/**
 * How far each sheet inwards stands out, in calipers: a round fold (half a turn about the sheets inside), a square
 * back, or one caliper by rule of thumb.
 * Source: identity for pi / 2 and 2 (incompressible paper); practice for 1, the usual one; a dummy decides.
 */
export const CREEP_FACTORS = { thumb: 1, round: Math.PI / 2, square: 2 } as const;
/** One of the ways to reckon creep. */
export type CreepMethod = keyof typeof CREEP_FACTORS;
/** The ways to reckon creep. */
export const CREEP_METHODS = Object.keys(CREEP_FACTORS) as readonly CreepMethod[];

/** How the images give way: all inwards, half outwards and half inwards, or narrowed towards the spine. */
export const CREEP_SHARES = ['inwards', 'half', 'narrowed'] as const;
/** One of the ways in which the images give way. */
export type CreepShare = (typeof CREEP_SHARES)[number];

/**
 * How far a sheet stands out at the fore-edge. @param k sheets counted inwards from the outermost, 0 and up.
 * Source: handbook chapter 4 "Creep": k c t; 0.10 mm, k 7: 0.70 / 1.10 / 1.40 mm.
 */
export const creepMm = (k: number, caliperUm: Um, method: CreepMethod): Mm =>
  (k * CREEP_FACTORS[method] * caliperUm) / 1000;

/** What is done to a page's image: moved towards the spine (negative: away from it), or made narrower. */
export interface CreepMove {
  readonly towardsSpineMm: Mm;
  readonly narrowerMm: Mm;
}

/**
 * Move of the images of sheet k of a fold of `sheets` sheets. Source: identity: what stands out is what has to go in;
 * with half out and half in the middle sheet stays where it is.
 */
export function creepMove(k: number, sheets: number, caliperUm: Um, method: CreepMethod, share: CreepShare): CreepMove {
  const own = creepMm(k, caliperUm, method);
  if (share === 'narrowed') return { towardsSpineMm: 0, narrowerMm: own };
  const back = share === 'half' ? creepMm(sheets - 1, caliperUm, method) / 2 : 0;
  return { towardsSpineMm: own - back, narrowerMm: 0 };
}

/** Sheet of a nested fold that a page lies on, counted inwards from 0: two pages to a half sheet. Source: identity. */
export const nestedSheet = (page: number, pages: number): number =>
  Math.floor((Math.min(page, pages + 1 - page) - 1) / 2);
