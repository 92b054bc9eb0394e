import type { Lab, RecipePart } from '../colour/index.js';
import type { Drying, InkKind } from '../press/index.js';
import type { SupplyId } from './supplies.js';

/** What a works has one by one, each with versions of its own. */
export const ITEM_KINDS = ['machine', 'stock', 'ink', 'supply'] as const;
/** One of these. */
export type ItemKind = (typeof ITEM_KINDS)[number];

/** Contacts that inks, stocks and glues have to be cleared for. */
export const CONTACTS = ['food', 'toy', 'pharmacy'] as const;
/** What a product may touch. */
export type Contact = (typeof CONTACTS)[number];

/** An ink or a varnish of the press that the house keeps. Jobs take it by its name, and may tell it otherwise for themselves. */
export interface HouseInk {
  /** Absent in the works of what was released before inks were entered one by one. */
  readonly id?: string | undefined;
  readonly name: string;
  readonly kind: InkKind;
  /** How it dries; as is usual for the process where absent. */
  readonly drying?: Drying | undefined;
  /** Contacts that it is cleared for, by its maker's word. */
  readonly cleared: readonly Contact[];
  /** Film at full coverage, g/m2; the norm where absent. */
  readonly filmGsm?: number | undefined;
  /** Share 0..1 of solids, where the film is told dry. */
  readonly solids?: number | undefined;
  /** Colour to be reached where a job tells none. */
  readonly aim?: Lab | undefined;
  /** Largest difference at which a trial is accepted, CIEDE2000; the house's norm where absent. */
  readonly tolerance?: number | undefined;
  /** Parts of base inks, adding to 100. */
  readonly recipe?: readonly RecipePart[] | undefined;
  /** Issued and returned by weight. */
  readonly accountable?: boolean | undefined;
  /** The house keeps it no longer: it is offered to no job, those that have it still read it. */
  readonly retired?: boolean | undefined;
}

/** An ink of the works as it is now. */
export interface KeptInk extends HouseInk {
  readonly id: string;
}

/** A coating, a glue, a film or another thing that stations use up, as the house keeps it. */
export interface HouseSupply {
  readonly id: string;
  /** As its maker calls it. */
  readonly name: string;
  readonly supply: SupplyId;
  /** Contacts that it is cleared for, by its maker's word. */
  readonly cleared: readonly Contact[];
  readonly retired?: boolean | undefined;
}
