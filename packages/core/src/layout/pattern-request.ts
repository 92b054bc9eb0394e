import type { Mm } from '../kernel/index.js';

/** Which way a piece may lie: as given, turned by a quarter, or either way in one pattern. */
export type Turns = 'upright' | 'turned' | 'either';

/** Equal rectangles to be laid on a rectangle and cut apart edge to edge. */
export interface PatternRequest {
  /** Area that may be covered, above 0. */
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** Trimmed piece, above 0. */
  readonly pieceWidthMm: Mm;
  readonly pieceHeightMm: Mm;
  /** Bleed or trim all round the piece, 0 or more; it stays inside the area. */
  readonly bleedMm: Mm;
  /** Least distance between two trimmed pieces; 0 with no bleed is a butt cut by one knife. */
  readonly gutterMm: Mm;
  readonly turns: Turns;
  /** The pattern must mirror about the middle: left to right, or bottom to top. */
  readonly mirror: 'none' | 'columns' | 'rows';
}

/** A trimmed piece in place: its lower left corner from the area's, its size as it lies. */
export interface PlacedPiece {
  readonly xMm: Mm;
  readonly yMm: Mm;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly turned: boolean;
}

/** Micrometres in a millimetre: patterns are searched in whole units so that an edge never falls between two doubles. */
const UNITS_PER_MM = 1000;

/** The request in whole units, gutters made part of the pieces: a cell is a piece and one gutter, the area one gutter more. */
export interface CellProblem {
  readonly width: number;
  readonly height: number;
  readonly cellWidth: number;
  readonly cellHeight: number;
}

/** Distance kept between two trimmed pieces: the gutter, or both bleeds where these are wider. */
export const distanceMm = ({ bleedMm, gutterMm }: PatternRequest): Mm => Math.max(2 * bleedMm, gutterMm);

const units = (mm: number): number => Math.round(mm * UNITS_PER_MM);
/** Back from the hundredths that patterns are laid in. Millimetres. */
export const toMm = (value: number): Mm => value / UNITS_PER_MM;

/**
 * Restates a request as cells that may touch: distances between pieces become part of each cell, the bleeds at the edge
 * come off the area. Source: identity (n pieces and n - 1 distances are n cells less one distance).
 */
export function cellProblem(request: PatternRequest): CellProblem {
  const distance = distanceMm(request);
  const edge = distance - 2 * request.bleedMm;
  return {
    width: Math.max(0, units(request.widthMm + edge)),
    height: Math.max(0, units(request.heightMm + edge)),
    cellWidth: units(request.pieceWidthMm + distance),
    cellHeight: units(request.pieceHeightMm + distance),
  };
}
