import type { Mm } from '../kernel/index.js';

/** What the press keeps for itself at each edge. The gripper edge is the bottom of the sheet, x runs right, y to the tail. */
export interface Margins {
  readonly gripperMm: Mm;
  readonly tailMm: Mm;
  readonly sideMm: Mm;
}

/** Sides of a sheet or of a piece along which the grain runs. */
export type Grain = 'width' | 'height';
