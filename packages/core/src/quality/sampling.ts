import { type Issue, type Outcome, error } from '../kernel/index.js';

/** How strictly a series of lots is looked at. */
export const SEVERITIES = ['normal', 'tightened', 'reduced'] as const;
export type Severity = (typeof SEVERITIES)[number];
/** General inspection levels. */
export const LEVELS = ['I', 'II', 'III'] as const;
export type Level = (typeof LEVELS)[number];

/** Code letters of sample sizes, smallest first; without I and O. */
export const LETTERS = ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H', 'J', 'K', 'L', 'M', 'N', 'P', 'Q', 'R'] as const;
export type Letter = (typeof LETTERS)[number];

/** Acceptance quality limits in per cent nonconforming: the preferred series, each about 1.6 times the one before. */
export const AQLS = [0.01, 0.015, 0.025, 0.04, 0.065, 0.1, 0.15, 0.25, 0.4, 0.65, 1, 1.5, 2.5, 4, 6.5, 10] as const;
export type Aql = (typeof AQLS)[number];

/** The table: sizes by letter, and what is accepted along its diagonals. The works may tell its own. */
export interface SamplingTable {
  /** Samples by letter. */
  readonly sizes: Readonly<Record<Severity, readonly number[]>>;
  /** Most faulty ones of an accepted lot, along the diagonals behind that of 0 with its arrows. */
  readonly accepts: Readonly<Record<Severity, readonly number[]>>;
}

const SIZES = [2, 3, 5, 8, 13, 20, 32, 50, 80, 125, 200, 315, 500, 800, 1_250, 2_000];
/** Source: memory, ISO 2859-1:1999 tables 2-A to 2-C; check against your copy. */
export const SAMPLING_TABLE: SamplingTable = {
  sizes: {
    normal: SIZES,
    tightened: SIZES,
    reduced: [2, 2, 2, 3, 5, 8, 13, 20, 32, 50, 80, 125, 200, 315, 500, 800],
  },
  accepts: {
    normal: [1, 2, 3, 5, 7, 10, 14, 21],
    tightened: [1, 2, 3, 5, 8, 12, 18],
    reduced: [1, 1, 2, 3, 5, 6, 8, 10],
  },
};

/** Largest lot of each letter at level II. Source: memory, ISO 2859-1:1999 table 1. */
const LOTS = [8, 15, 25, 50, 90, 150, 280, 500, 1_200, 3_200, 10_000, 35_000, 150_000, 500_000, Infinity];
/** Places of letters at level I, lot by lot; level III is the letter behind that of level II. */
const LEVEL_I = [0, 0, 1, 2, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12];

/** A sample out of a lot, and how many faulty ones it may have. */
export interface SamplingPlan {
  /** Letter by the size of the lot. */
  readonly letter: Letter;
  /** Letter whose plan is taken, where the table holds an arrow. */
  readonly planLetter: Letter;
  readonly severity: Severity;
  readonly aql: Aql;
  readonly n: number;
  readonly accept: number;
  readonly reject: number;
  /** The sample is the lot: every piece is looked at. */
  readonly all: boolean;
}

/** What a plan is asked for. */
export interface SamplingWish {
  /** Pieces, 2 and more. */
  readonly lot: number;
  /** Per cent; one of the series. */
  readonly aql: number;
  readonly level?: Level | undefined;
  readonly severity?: Severity | undefined;
}

/** The letter of a lot. @param lot pieces, whole, 2 and more. */
export function letterOf(lot: number, level: Level = 'II'): Letter {
  const row = LOTS.findIndex((upTo) => lot <= upTo);
  const place = level === 'I' ? (LEVEL_I[row] ?? 0) : level === 'II' ? row : row + 1;
  return LETTERS[place] ?? 'A';
}

/** Diagonals (letter and limit together) on which nothing, and the first one, may be faulty. */
const ZERO = 14;
const FIRST: Readonly<Record<Severity, number>> = { normal: 17, tightened: 18, reduced: 17 };
/** On tightened inspection nothing faulty is accepted one diagonal later. */
const ZERO_OF: Readonly<Record<Severity, number>> = { normal: ZERO, tightened: ZERO + 1, reduced: ZERO };

/**
 * What stands in a field of the table: faulty ones that are accepted, or an arrow to the letter above or below. Behind 0 an arrow
 * leads back and the next ones on; on tightened inspection all lead on.
 */
function fieldAt(
  letter: number,
  aql: number,
  severity: Severity,
  accepts: readonly number[],
): number | 'above' | 'below' {
  const diagonal = letter + aql;
  const [zero, first] = [ZERO_OF[severity], FIRST[severity]];
  if (diagonal < zero) return 'below';
  if (diagonal === zero) return 0;
  if (diagonal < first) return diagonal === zero + 1 && severity !== 'tightened' && letter > 0 ? 'above' : 'below';
  return accepts[diagonal - first] ?? 'above';
}

function refused({ lot, aql }: SamplingWish): Issue[] {
  return [
    ...(Number.isInteger(lot) && lot >= 2 ? [] : [error('quality.lot', 'lot', { lot })]),
    ...(AQLS.some((one) => one === aql) ? [] : [error('quality.aql', 'aql', { aql, known: AQLS.join(', ') })]),
  ];
}

/**
 * The single sampling plan of a lot by attributes. Where the table holds an arrow, the plan of the next letter is taken with its own
 * sample; where that is no less than the lot, every piece is looked at. Source: memory, ISO 2859-1:1999; handbook chapter 9 "Sampling".
 */
export function samplingPlan(wish: SamplingWish, table: SamplingTable = SAMPLING_TABLE): Outcome<SamplingPlan> {
  const issues = refused(wish);
  if (issues.length > 0) return { ok: false, issues };
  const { lot, level = 'II', severity = 'normal' } = wish;
  const aql = AQLS.findIndex((one) => one === wish.aql);
  const letter = letterOf(lot, level);
  let at = LETTERS.indexOf(letter);
  let field = fieldAt(at, aql, severity, table.accepts[severity]);
  while (typeof field === 'string') {
    const next = at + (field === 'above' ? -1 : 1);
    // Below the last letter of the table nothing stands but the whole lot.
    if (next < 0 || next >= LETTERS.length) break;
    at = next;
    field = fieldAt(at, aql, severity, table.accepts[severity]);
  }
  const accept = typeof field === 'number' ? field : 0;
  const size = typeof field === 'number' ? (table.sizes[severity][at] ?? lot) : lot;
  const n = Math.min(size, lot);
  const planLetter = LETTERS[at] ?? letter;
  return {
    ok: true,
    value: { letter, planLetter, severity, aql: AQLS[aql] ?? 1, n, accept, reject: accept + 1, all: size >= lot },
  };
}
