import type { Mm } from '../kernel/index.js';

/** A book block before its case or cover, trimmed unless said otherwise. Millimetres. */
export interface Block {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly thicknessMm: Mm;
}

/** Thickness of the leaves of a book: pages / 2 x caliper. Source: identity, handbook chapter 7. */
export const blockThicknessMm = (pages: number, caliperUm: number): Mm => ((pages / 2) * caliperUm) / 1000;

/** What the house makes cases by. Millimetres; `jointCalipers` board calipers are added to the joint. */
export interface CaseSettings {
  readonly squareMm: Mm;
  readonly jointMm: Mm;
  readonly turnInMm: Mm;
  readonly boardMm: Mm;
  readonly jointCalipers?: number;
}

/** Two boards, a spine strip, and the cloth that covers them. Millimetres, width by height. */
export interface CaseMeasures {
  readonly boardWidthMm: Mm;
  readonly boardHeightMm: Mm;
  readonly stripWidthMm: Mm;
  readonly jointMm: Mm;
  readonly clothWidthMm: Mm;
  readonly clothHeightMm: Mm;
}

/**
 * The parts of a case for a flat spine. Board height = block + 2 squares; board width = block + square - joint; strip =
 * block + 2 boards; cloth = 2 boards + 2 joints + strip + 2 turn-ins. Source: handbook chapter 7 (rule of the trade).
 */
export function caseFor(block: Block, settings: CaseSettings): CaseMeasures {
  const { squareMm, turnInMm, boardMm, jointCalipers = 0 } = settings;
  const boardHeightMm = block.heightMm + 2 * squareMm;
  const boardWidthMm = block.widthMm + squareMm - settings.jointMm;
  const stripWidthMm = block.thicknessMm + 2 * boardMm;
  const jointMm = settings.jointMm + jointCalipers * boardMm;
  return {
    boardWidthMm,
    boardHeightMm,
    stripWidthMm,
    jointMm,
    clothWidthMm: 2 * boardWidthMm + 2 * jointMm + stripWidthMm + 2 * turnInMm,
    clothHeightMm: boardHeightMm + 2 * turnInMm,
  };
}

/** Width and height of a glued cover before trimming. Source: handbook chapter 7. */
export function coverSheet(
  page: { readonly widthMm: Mm; readonly heightMm: Mm },
  trimMm: Mm,
  spineMm: Mm,
  copies = 1,
): { readonly widthMm: Mm; readonly heightMm: Mm } {
  return { widthMm: 2 * (page.widthMm + trimMm) + spineMm, heightMm: copies * (page.heightMm + 2 * trimMm) };
}

/** Spine of a glued cover: the block and so many calipers of the cover. Source: handbook chapter 7 (a setting). */
export const gluedSpineMm = (blockMm: Mm, coverCaliperUm: number, calipers: number): Mm =>
  blockMm + (calipers * coverCaliperUm) / 1000;
