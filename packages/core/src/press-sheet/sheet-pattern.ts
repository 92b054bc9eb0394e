import type { BlankArrangement, BlankChoice } from '../diecut/index.js';
import type { Outline } from '../geometry/index.js';
import type { Mm } from '../kernel/index.js';
import type { Arrangement, PatternRequest, Patterns, PlacedPiece } from '../layout/index.js';

/** A piece in place: a rectangle, or the box around a blank of its own outline. */
export interface LaidPiece extends PlacedPiece {
  /** Outline of a blank, from the pattern's lower left corner. */
  readonly outline?: Outline;
  /** Quarter turns of a blank from its drawing, anticlockwise. */
  readonly quarters?: 0 | 1 | 2 | 3;
  /** Item that lies here, on the form of a gang. */
  readonly item?: string;
}

/** How pieces lie: equal rectangles, blanks, or items that share the form. */
export type SheetArrangement = Arrangement | BlankArrangement | 'shared';

/** What lies on a press sheet. */
export interface SheetPattern {
  readonly arrangement: SheetArrangement;
  readonly count: number;
  /** Columns and rows of a plain grid; absent where pieces lie otherwise. */
  readonly grid?: { readonly columns: number; readonly rows: number };
  readonly pieces: readonly LaidPiece[];
  /** Smallest rectangle that holds all pieces with their bleeds. */
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** How blanks come to lie so, to be kept in the job. */
  readonly blanks?: BlankChoice;
}

/** What a sheet can hold: patterns, best first, and the most that any could. */
export interface SheetPatterns {
  readonly proposals: readonly SheetPattern[];
  readonly bound: number;
}

/** Lays equal rectangles; the ways-to-run list puts a memory of earlier answers in its place. */
export type LayPatterns = (request: PatternRequest) => Patterns;
