import { type Source, withinSentence } from '../kernel/index.js';

/** Groups that norms are shown in. */
export const NORM_GROUPS = [
  'spoilage',
  'table',
  'machines',
  'press room',
  'finishing',
  'paper',
  'drying',
  'rules',
  'quality',
  'prices',
] as const;
/** One of the groups. */
export type NormGroup = (typeof NORM_GROUPS)[number];

/** What the groups are called. */
export const NORM_GROUP_NAMES: Readonly<Record<NormGroup, string>> = {
  spoilage: $localize`Spoilage`,
  table: $localize`Spoilage table`,
  machines: $localize`Machines`,
  'press room': $localize`Press room`,
  finishing: $localize`Finishing`,
  rules: $localize`Route rules`,
  quality: $localize`Quality`,
  paper: $localize`Paper and rolls`,
  drying: $localize`Drying`,
  prices: $localize`Prices`,
};

/** Smallest value of a norm that has to be above 0: hours and metres by it stay numbers. */
export const ABOVE_ZERO = 1e-6;

/** What a machine's rate counts: that much goes through it in an hour, or in a minute where it is metres. */
export const COUNTED = [
  'sheets',
  'sides',
  'cut-offs',
  'repeats',
  'metres',
  'strokes',
  'blanks',
  'sections',
  'sets',
  'books',
  'cases',
  'rolls',
  'packs',
  'pieces',
] as const;
/** What a rate counts. */
export type Counted = (typeof COUNTED)[number];

/** One editable house value: what it is, its shipped value, its limits, and where it comes from. */
export interface Norm {
  readonly id: string;
  readonly group: NormGroup;
  /** Heading under which it stands: an operation, a machine, a stock. */
  readonly subject: string;
  readonly name: string;
  readonly unit: string;
  readonly value: number;
  readonly min: number;
  /** Greatest value allowed; `below` where the limit itself is not. */
  readonly max: number;
  readonly below?: boolean;
  readonly whole?: boolean;
  /** Words for the whole numbers from 0 on, where the value is a choice and no quantity. */
  readonly choices?: readonly string[];
  /** Of a machine's rate: what it counts. */
  readonly counts?: Counted;
  readonly source: Source;
}

/** What a norm is called in a working. */
export const titleOf = ({ subject, name }: Norm): string => `${subject}: ${withinSentence(name)}`;

/** Whether a value lies within a norm's limits. */
export const isWithin = (norm: Norm, value: number): boolean =>
  Number.isFinite(value) &&
  value >= norm.min &&
  (norm.below ? value < norm.max : value <= norm.max) &&
  (!norm.whole || Number.isInteger(value));
