import { FOLD_SCHEMES, pagesOfScheme } from './fold-scheme.js';

/** Page counts that a section may have: those that a scheme folds to, most first. */
export const SECTION_PAGES: readonly number[] = [...new Set(FOLD_SCHEMES.map(pagesOfScheme))].sort((a, b) => b - a);
/** Section sizes that halve from one to the next: what a book is split into unless the planner wants otherwise. */
const USUAL = SECTION_PAGES.filter((pages) => Number.isInteger(Math.log2(pages)));

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
  for (const size of USUAL) {
    while (size <= most && left >= size) {
      sections.push(size);
      left -= size;
    }
  }
  return sections;
}

/**
 * Ways to split a book into sections: by each usual section size, and into equal sections of any size that folds, the
 * fewest sections first; each once. Empty unless the pages are a multiple of 4 above 0.
 * @param most pages that the stock and the press allow in a section, see {@link mostPages}.
 * Source: practice, handbook chapter 4 (36 = 32 + 4; 160 = 5 x 32 or 10 x 16).
 */
export function splitProposals(pages: number, most: number): readonly (readonly number[])[] {
  const byUsual = USUAL.filter((size) => size <= most).map((size) => splitPages(pages, size));
  const equal = SECTION_PAGES.filter((size) => size <= most && pages % size === 0).map((size) =>
    Array.from({ length: pages / size }, () => size),
  );
  const unique = new Map([...byUsual, ...equal].map((split) => [split.join('+'), split]));
  return [...unique.values()].filter((split) => split.length > 0).sort((a, b) => a.length - b.length);
}
