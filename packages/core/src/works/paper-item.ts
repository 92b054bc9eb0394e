import type { Grain } from '../layout/index.js';

/** Paper as it lies in the store: sheets of a size and grain, or full rolls of a width. */
export interface PaperItem {
  readonly stock: string;
  readonly widthMm: number;
  /** Absent for rolls. */
  readonly heightMm?: number | undefined;
  readonly grain?: Grain | undefined;
}

/** What a paper item is known by. */
export const paperKey = ({ stock, widthMm, heightMm, grain }: PaperItem): string =>
  heightMm === undefined ? `rolls/${stock}/${widthMm}` : `sheets/${stock}/${widthMm}x${heightMm}/${grain ?? 'any'}`;

/** Whether a key is of paper: sheets or rolls, which are counted whole. */
export const isPaperKey = (key: string): boolean => /^(sheets|rolls)\//.test(key);
