import type { Mm } from '../kernel/index.js';
import type { Contact } from '../works/index.js';

/** What the finishing stations are told beside the route. */
export interface Finish {
  readonly fold?: FoldKind | undefined;
  /** Panels of the fold by hand, along the longer side, the outer one first; by the kind of fold where absent. */
  readonly panelsMm?: readonly Mm[] | undefined;
  /** Film over the print. */
  readonly film?: 'matt' | 'gloss' | undefined;
  /** How the film is bonded: a wet adhesive wants its time, a thermal film none. Dispersion where absent. */
  readonly filmBond?: FilmBond | undefined;
  /** Glued areas are kept free of varnish, film and foil. */
  readonly glueFree?: boolean | undefined;
  readonly adhesive?: Adhesive | undefined;
  /** Contacts that the glue is cleared for, by its maker's word. */
  readonly glueCleared?: readonly Contact[] | undefined;
  /** Contacts that the varnish is cleared for, by its maker's word. */
  readonly varnishCleared?: readonly Contact[] | undefined;
  /** Window of a blank. */
  readonly windowMm?: { readonly widthMm: Mm; readonly heightMm: Mm } | undefined;
  /** Length of glue beads on one piece, mm. */
  readonly beadMm?: Mm | undefined;
  /** Boards of a case. */
  readonly boardMm?: Mm | undefined;
  /** Length of paper on one consumer roll, m. */
  readonly rollM?: number | undefined;
}

/** Ways to fold a flat piece. */
export const FOLD_KINDS = ['half', 'letter', 'accordion', 'roll', 'gate', 'parallel', 'right-angle', 'map'] as const;
/** One of the ways to fold. */
export type FoldKind = (typeof FOLD_KINDS)[number];
/** Folds of each kind. */
export const FOLDS_OF: Readonly<Record<FoldKind, number>> = {
  half: 1,
  letter: 2,
  accordion: 3,
  roll: 3,
  gate: 2,
  parallel: 2,
  'right-angle': 2,
  map: 4,
};
/**
 * Folds of a flat piece, unit by unit as a folder makes them: the parallel ways in one, a map's last one across the others.
 * @param folds how many, where a step tells it. Undefined where nobody says how several lie. Source: common practice, no source.
 */
export function foldUnitsOf(kind: FoldKind | undefined, folds = kind ? FOLDS_OF[kind] : 1): number[] | undefined {
  if (folds < 2) return [folds];
  if (kind === undefined) return undefined;
  if (kind === 'right-angle') return Array.from({ length: folds }, () => 1);
  return kind === 'map' ? [folds - 1, 1] : [folds];
}
/** How a film is bonded. */
export const FILM_BONDS = ['dispersion', 'thermal'] as const;
/** One of the bonds. */
export type FilmBond = (typeof FILM_BONDS)[number];
/** Adhesives that a blank or a book is glued with. */
export const ADHESIVES = ['cold', 'hot-melt', 'pur'] as const;
/** One of the adhesives. */
export type Adhesive = (typeof ADHESIVES)[number];
/** Glue of a bound spine: hot melt, unless the job tells PUR. Source: handbook chapter 7 (practice). */
export const bookGlue = (finish: Finish | undefined): 'hot-melt' | 'pur' =>
  finish?.adhesive === 'pur' ? 'pur' : 'hot-melt';
