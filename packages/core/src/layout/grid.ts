import { type Mm, floorRatio } from '../kernel/index.js';

/** What the press keeps for itself at each edge. The gripper edge is the bottom of the sheet, x runs right, y to the tail. */
export interface Margins {
  readonly gripperMm: Mm;
  readonly tailMm: Mm;
  readonly sideMm: Mm;
}

/** Sides of a sheet or of a piece along which the grain runs. */
export type Grain = 'width' | 'height';

export interface GridRequest {
  readonly sheetWidthMm: Mm;
  readonly sheetHeightMm: Mm;
  readonly margins: Margins;
  /** The piece with its bleed or trim all round. */
  readonly pieceWidthMm: Mm;
  readonly pieceHeightMm: Mm;
  readonly sheetGrain: Grain;
  /** Side of the piece that must lie along the grain; 'any' where it does not matter. */
  readonly pieceGrain: Grain | 'any';
  /** Columns (work-and-turn) or rows (work-and-tumble) must be even, so that the layout mirrors about the centre. */
  readonly mirror: 'none' | 'columns' | 'rows';
}

/** A plain grid of equal pieces. Positions are lower left corners from the sheet's gripper and left edge. */
export interface Grid {
  readonly columns: number;
  readonly rows: number;
  readonly count: number;
  /** The piece lies turned by a quarter: its width runs across the gripper direction's other side. */
  readonly turned: boolean;
  readonly cellWidthMm: Mm;
  readonly cellHeightMm: Mm;
  readonly leftMm: Mm;
  readonly bottomMm: Mm;
}

const evenly = (n: number): number => n - (n % 2);

function gridOf(request: GridRequest, turned: boolean): Grid {
  const { sheetWidthMm, sheetHeightMm, margins, mirror } = request;
  const [cellWidthMm, cellHeightMm] = turned
    ? [request.pieceHeightMm, request.pieceWidthMm]
    : [request.pieceWidthMm, request.pieceHeightMm];
  const usableWidth = Math.max(0, sheetWidthMm - 2 * margins.sideMm);
  const usableHeight = Math.max(0, sheetHeightMm - margins.gripperMm - margins.tailMm);
  const fit = [floorRatio(usableWidth, cellWidthMm), floorRatio(usableHeight, cellHeightMm)] as const;
  const columns = mirror === 'columns' ? evenly(fit[0]) : fit[0];
  const rows = mirror === 'rows' ? evenly(fit[1]) : fit[1];
  return {
    columns,
    rows,
    count: columns * rows,
    turned,
    cellWidthMm,
    cellHeightMm,
    leftMm: (sheetWidthMm - columns * cellWidthMm) / 2,
    bottomMm: margins.gripperMm + (usableHeight - rows * cellHeightMm) / 2,
  };
}

/**
 * Best plain grid of equal pieces on a sheet, in either orientation that the grain allows; the unturned one where both
 * hold as many. All sizes above 0. A count of 0 says that not one piece fits.
 * Source: identity (whole pieces in the usable area); margins by practice, handbook chapter 4.
 */
export function placeGrid(request: GridRequest): Grid {
  const uprightAllowed = request.pieceGrain === 'any' || request.pieceGrain === request.sheetGrain;
  const turnedAllowed = request.pieceGrain === 'any' || request.pieceGrain !== request.sheetGrain;
  const grids = [
    ...(uprightAllowed ? [gridOf(request, false)] : []),
    ...(turnedAllowed ? [gridOf(request, true)] : []),
  ];
  return grids.reduce((best, grid) => (grid.count > best.count ? grid : best));
}
