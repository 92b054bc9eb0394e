import type { Mm } from '../kernel/index.js';

/** One product or version that shares sheets with others. */
export interface GangItem {
  readonly id: string;
  /** Trimmed size with its bleed and gutters: the room that it takes. */
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly quantity: number;
  /** May be turned by a quarter (grain allows it). */
  readonly mayTurn: boolean;
}

/** Items that share forms, the area of a form in mm, and what a form and a sheet cost. */
export interface GangRequest {
  readonly items: readonly GangItem[];
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** Most different forms that may be made. */
  readonly mostForms: number;
  /** Cost of one form before the first good sheet: its plates, make-ready and the sheets that it takes. */
  readonly formCost: number;
  /** Paper and running of one sheet. */
  readonly sheetCost: number;
}

/** A piece on a form: lower left corner, size as it lies. */
export interface GangPiece {
  readonly item: number;
  readonly xMm: Mm;
  readonly yMm: Mm;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
}

/** What one form carries: how often each item, and where. */
export interface GangPattern {
  readonly counts: readonly number[];
  readonly pieces: readonly GangPiece[];
}

/** One form: how often each item lies on it, and the sheets that are printed of it. */
export interface GangForm extends GangPattern {
  readonly sheets: number;
}

/** Forms for all items, what they cost, and the least that any answer could cost. */
export interface GangAnswer {
  readonly forms: readonly GangForm[];
  readonly cost: number;
  readonly sheets: number;
  /** Pieces beyond what is wanted, by item. */
  readonly overruns: readonly number[];
  /** No answer costs less. */
  readonly bound: number;
  /** How far the cost lies above the bound, as a share of it. */
  readonly gap: number;
  /** What running each item by itself would cost. */
  readonly alone: number;
}

/** What an answer's forms cost. Source: identity. */
export const gangCost = ({ formCost, sheetCost }: GangRequest, forms: readonly { readonly sheets: number }[]): number =>
  forms.reduce((sum, { sheets }) => sum + formCost + sheets * sheetCost, 0);
