import type { Mm } from '../kernel/index.js';
import { type Pattern, layPatterns } from './pattern.js';
import type { Grain } from './sheet.js';

/** A rectangle of paper with the side along which its grain runs. */
export interface GrainedSheet {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly grain: Grain;
}

/** How press sheets are cut out of a bought sheet. */
export interface OutOfBought {
  /** Press sheets out of one bought sheet; 0 where none fits with this grain. */
  readonly out: number;
  readonly pattern: Pattern;
  /** Share of the bought sheet that becomes press sheets. */
  readonly usedShare: number;
}

/**
 * Press sheets out of a bought sheet, cut edge to edge with one knife cut between them, grain kept.
 * @param trimMm taken off all round the bought sheet for squareness, 0 or more. All sizes above 0.
 * Source: identity; the pattern engine of flat work, handbook chapter 4 "Choosing what to buy".
 */
export function outOfBought(bought: GrainedSheet, press: GrainedSheet, trimMm: Mm): OutOfBought {
  const { proposals } = layPatterns({
    widthMm: Math.max(0, bought.widthMm - 2 * trimMm),
    heightMm: Math.max(0, bought.heightMm - 2 * trimMm),
    pieceWidthMm: press.widthMm,
    pieceHeightMm: press.heightMm,
    bleedMm: 0,
    gutterMm: 0,
    turns: bought.grain === press.grain ? 'upright' : 'turned',
    mirror: 'none',
  });
  const [pattern] = proposals;
  return {
    out: pattern.count,
    pattern,
    usedShare: (pattern.count * press.widthMm * press.heightMm) / (bought.widthMm * bought.heightMm),
  };
}

/**
 * Press sheet across the web and along it, so that its grain runs along the web.
 * Source: identity (the grain of a roll runs along the web, handbook chapter 3).
 */
export const alongTheWeb = ({
  widthMm,
  heightMm,
  grain,
}: GrainedSheet): { readonly acrossMm: Mm; readonly lengthMm: Mm } =>
  grain === 'width' ? { acrossMm: heightMm, lengthMm: widthMm } : { acrossMm: widthMm, lengthMm: heightMm };
