/** What is given out by count for accountable work. */
export const ISSUED_OF = ['paper', 'plate', 'die', 'ink', 'numbers'] as const;
export type IssuedOf = (typeof ISSUED_OF)[number];
/** How spoils are destroyed. */
export const DESTROYED_BY = ['cut', 'shredded', 'burned'] as const;
export type DestroyedBy = (typeof DESTROYED_BY)[number];

/** How much of what a station gives out is looked at. */
export const INSPECTED = ['sample', 'all'] as const;
export type Inspected = (typeof INSPECTED)[number];

/** What a job says of itself where its pieces are worth something as soon as they are there. */
export interface Accountable {
  /** Of one piece, in the currency of the works. */
  readonly faceValue: number;
  /** A voided number is made again as itself, or another takes its place. */
  readonly remake: 'same' | 'new';
  /** What is looked at before a station is closed: every piece, or a sample of every lot; nothing where it is not said. */
  readonly inspect?: Inspected | undefined;
}

/** What a station of accountable work is held to: what the job says, and the pieces of a pile that is handed on. */
export interface AccountRules extends Accountable {
  /** Whole, 1 or more. */
  readonly pile: number;
}

/** What is entered of accountable work beside what stations count. Source: handbook chapter 9 "Accountable work". */
export type AccountEntry =
  | {
      readonly kind: 'issued';
      readonly of: IssuedOf;
      /** What it is: a paper, a plate, a range of numbers. */
      readonly item: string;
      readonly count: number;
      /** Who has it from now on. */
      readonly to: string;
      readonly place?: string | undefined;
      /** Station that it is for: it is closed when what was issued for it is accounted for. */
      readonly step?: string | undefined;
    }
  | {
      readonly kind: 'returned';
      readonly of: IssuedOf;
      readonly item: string;
      readonly count: number;
      readonly from: string;
      readonly place?: string | undefined;
      readonly step?: string | undefined;
    }
  | {
      readonly kind: 'carried';
      /** A pile, a bag, a plate. */
      readonly what: string;
      readonly from: string;
      readonly to: string;
    }
  | {
      readonly kind: 'bagged';
      readonly step: string;
      readonly bag: string;
      /** Process units of the station. */
      readonly count: number;
      readonly seal: string;
      readonly place: string;
    }
  | { readonly kind: 'recounted'; readonly bag: string; readonly count: number }
  | {
      readonly kind: 'destroyed';
      readonly bags: readonly string[];
      readonly how: DestroyedBy;
      readonly place: string;
    }
  | {
      readonly kind: 'witnessed';
      /** The entry of the destruction. */
      readonly record: number;
    }
  | { readonly kind: 'voided'; readonly step: string; readonly numbers: readonly string[]; readonly reason: string }
  | {
      readonly kind: 'remade';
      readonly numbers: readonly string[];
      /** The numbers that take their place, one for each; none where they are made again as themselves. */
      readonly as: readonly string[];
    };
export type AccountEntryKind = AccountEntry['kind'];

/** Kinds of these entries: a right of its own enters and sees them. */
export const ACCOUNT_KINDS: readonly AccountEntryKind[] = [
  'issued',
  'returned',
  'carried',
  'bagged',
  'recounted',
  'destroyed',
  'witnessed',
  'voided',
  'remade',
];

export const isAccountEntry = (event: { readonly kind: string }): event is AccountEntry =>
  (ACCOUNT_KINDS as readonly string[]).includes(event.kind);
