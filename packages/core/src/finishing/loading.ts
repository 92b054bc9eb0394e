import type { Mm } from '../kernel/index.js';
import type { PlacedPiece } from '../layout/index.js';
import { edgeToEdge } from './packing.js';

/** Loading space of a truck or container: inside, and what it may carry. Millimetres, kilograms. */
export interface LoadingSpace {
  readonly lengthMm: Mm;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly kg: number;
}

/** A loaded pallet as it is put into a truck. */
export interface LoadedPallet {
  readonly lengthMm: Mm;
  readonly widthMm: Mm;
  /** With its load. */
  readonly heightMm: Mm;
  readonly kg: number;
  /** Most that bear to stand on one another: 1 where nothing may stand on it. */
  readonly stacked: number;
}

/** How pallets stand in a truck. */
export interface TruckLoad {
  /** Places on the floor, seen from above, length of the space along x. */
  readonly floor: readonly PlacedPiece[];
  /** Pallets on one another. */
  readonly high: number;
  readonly byRoom: number;
  readonly byMass: number;
}

/** Shares may miss a whole number by their last place. */
const ROUNDING = 1e-9;

/**
 * Pallets that a truck takes: places on its floor by the layout engine, on one another as far as they bear it and the roof lets, and
 * as many as it may carry. Undefined where not one goes in. Source: identity; what a pallet bears is for whoever packs it to say.
 */
export function loadTruck(pallet: LoadedPallet, space: LoadingSpace): TruckLoad | undefined {
  const floor = edgeToEdge(space, pallet);
  const high = Math.min(pallet.stacked, Math.floor(space.heightMm / pallet.heightMm + ROUNDING));
  const byRoom = floor.length * high;
  const byMass = Math.floor(space.kg / pallet.kg + ROUNDING);
  return byRoom < 1 || byMass < 1 ? undefined : { floor, high, byRoom, byMass };
}
