/** How sections come together: one inside the other (saddle), or one behind the other (gathered). */
export type Assembly = 'nested' | 'gathered';

/** Where a section stands in the product. */
export interface SectionPlace {
  readonly assembly: Assembly;
  /** First page of the section in the product, from 1. */
  readonly firstPage: number;
  /** Text pages of the product. */
  readonly totalPages: number;
}

/**
 * Page of the product for a page of a section. A gathered section runs on; a nested one holds its first half where it
 * begins and its second half as far from the end, so that pages over the fold add to the product's pages + 1.
 * @param page 1 to sectionPages. Source: identity, handbook chapter 4.
 */
export function productPage(
  page: number,
  sectionPages: number,
  { assembly, firstPage, totalPages }: SectionPlace,
): number {
  if (assembly === 'gathered' || page <= sectionPages / 2) return firstPage + page - 1;
  return totalPages - (firstPage - 1) - (sectionPages - page);
}

/** Where the section with fewer pages than the others stands. Source: practice, handbook chapter 4. */
export const ODD_PLACES = ['outermost', 'innermost', 'second', 'last but one', 'last'] as const;
/** Where the section of odd size stands among the others. */
export type OddPlace = (typeof ODD_PLACES)[number];

/** Usual place by assembly: outermost in saddle work, last but one in gathered work. Source: practice. */
export const usualOddPlace = (assembly: Assembly): OddPlace => (assembly === 'nested' ? 'outermost' : 'last but one');

/**
 * Order of sections in the product, the outermost or first one first, those with most pages keeping their order and the
 * smaller ones put where the house wants them.
 * @param pages pages of each section; the answer holds their indices.
 */
export function orderSections(pages: readonly number[], place: OddPlace): number[] {
  const most = Math.max(0, ...pages);
  const indices = pages.map((_, i) => i);
  const whole = indices.filter((i) => pages[i] === most);
  const odd = indices.filter((i) => pages[i] !== most).sort((a, b) => (pages[b] ?? 0) - (pages[a] ?? 0));
  const at = {
    outermost: 0,
    second: Math.min(1, whole.length),
    'last but one': Math.max(0, whole.length - 1),
    innermost: whole.length,
    last: whole.length,
  }[place];
  // Outermost: the smallest lies outside of all.
  const put = place === 'outermost' ? [...odd].reverse() : odd;
  return [...whole.slice(0, at), ...put, ...whole.slice(at)];
}

/** First pages of sections in product order. A nested section takes half its pages in front of the next. */
export function firstPages(pagesInOrder: readonly number[], assembly: Assembly): number[] {
  let next = 1;
  return pagesInOrder.map((pages) => {
    const first = next;
    next += assembly === 'nested' ? pages / 2 : pages;
    return first;
  });
}
