import type { Mm } from '../kernel/index.js';
import type { Size } from '../paper/index.js';

/** Pages side by side and one above another on one side of an unfolded section. */
export interface SectionGrid {
  readonly across: number;
  readonly down: number;
}

/** Page grids by pages a side: a single leaf pair, then folded on alternately. Source: identity (each fold halves one side). */
const PAGE_GRIDS: Readonly<Record<number, SectionGrid>> = {
  2: { across: 2, down: 1 },
  4: { across: 2, down: 2 },
  8: { across: 4, down: 2 },
  16: { across: 4, down: 4 },
  32: { across: 8, down: 4 },
};

/** Sections offered, most pages first. */
export const SECTION_PAGES = [64, 32, 16, 8, 4] as const;

export const pageGrid = (pages: number): SectionGrid | undefined => PAGE_GRIDS[pages / 2];

/**
 * Size of an unfolded section with its trims: every spread has a trim at both fore-edges, every row one at head and foot.
 * The spine runs along the height. Source: identity.
 */
export function sectionSize(page: Size, grid: SectionGrid, trimMm: Mm): Size {
  return {
    widthMm: grid.across * (page.widthMm + trimMm),
    heightMm: grid.down * (page.heightMm + 2 * trimMm),
  };
}

/**
 * Most pages in a section that still folds well on a stock. Source: practice, handbook chapter 4: 32 pages to about
 * 90 g, 16 to 135 g, 8 to 170 g, above that one scored fold.
 */
export const mostPages = (gsm: number): number => (gsm <= 90 ? 32 : gsm <= 135 ? 16 : gsm <= 170 ? 8 : 4);

/**
 * Splits a page count into sections of at most `most` pages, largest first: 36 by 32 is 32 + 4.
 * Pages must be a multiple of 4 and above 0, else the list is empty. Source: practice.
 */
export function splitPages(pages: number, most: number): number[] {
  if (pages <= 0 || pages % 4 !== 0) return [];
  const sections: number[] = [];
  let left = pages;
  for (const size of SECTION_PAGES) {
    while (size <= most && left >= size) {
      sections.push(size);
      left -= size;
    }
  }
  return sections;
}
