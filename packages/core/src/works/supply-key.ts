import { PACKING, type SupplyId } from './supplies.js';

/** What an ink is known by in the needs of jobs. */
export const inkKey = (name: string): string => `ink/${name}`;
/** What a supply is known by in the needs of jobs. */
export const supplyKey = (supply: SupplyId): string => `${PACKING.includes(supply) ? 'packing' : 'supplies'}/${supply}`;
