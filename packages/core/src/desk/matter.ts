import type { Help } from '../floor/index.js';

/** What a planner has to decide on. */
export const DESK_KINDS = [
  'short',
  'let go',
  'trial',
  'artwork',
  'proof',
  'carriers',
  'paper',
  'delivery',
  'late',
  'closed',
  'plan',
  'draft',
  'norms',
] as const;
/** One of the kinds. */
export type DeskKind = (typeof DESK_KINDS)[number];

/** Something that wants a decision. */
export interface DeskMatter {
  /** The same as long as it stands. */
  readonly key: string;
  readonly kind: DeskKind;
  /** Undefined where it is of no single job. */
  readonly job: number | undefined;
  /** Station that waits for it. */
  readonly step: string | undefined;
  readonly machine: string | undefined;
  /** What it is about: papers, inks, components, carriers, an order to a supplier. */
  readonly of: string;
  /** By when it has to be decided, ms since 1970 UTC; undefined where no time is lost yet. */
  readonly by: number | undefined;
  /** Minutes late by weight that a day more of waiting costs; of what is late already, all of them. */
  readonly costs: number;
  /** Pieces that are expected, and those wanted. */
  readonly expected?: number | undefined;
  readonly wanted?: number | undefined;
  /** Stations, jobs or carriers that it is about. */
  readonly count?: number | undefined;
  /** Minutes that the job is late. */
  readonly minutes?: number | undefined;
  /** ISO 8601 date: it comes then, or it is due then. */
  readonly day?: string | undefined;
  /** What would help most. */
  readonly help?: Help | undefined;
}
