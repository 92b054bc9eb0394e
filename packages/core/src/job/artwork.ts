import type { Mm } from '../kernel/index.js';

/** Pages of a file that are alike, one behind another. */
export interface ArtworkPages {
  readonly count: number;
  /** Trimmed size as a reader holds the page. */
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** How far the picture may go beyond the trim, on the side where that is least. */
  readonly bleedMm: Mm;
  /** The same, were one of the two upright sides the spine. */
  readonly boundBleedMm: Mm;
  /** What is painted with, as separations are named: K, C, M, Y or the name of a mixed colour. */
  readonly inks: readonly string[];
  /** Something is painted with colours that are no inks. */
  readonly rgb?: boolean | undefined;
  /** Most of all inks in one place, 1 for a solid of one ink. An estimate. */
  readonly totalInk?: number | undefined;
}

/** The pages of a file one by one, as the runs of those that are alike; of a run the most ink. */
export function likePages(pages: readonly Omit<ArtworkPages, 'count'>[]): ArtworkPages[] {
  const runs: { -readonly [K in keyof ArtworkPages]: ArtworkPages[K] }[] = [];
  let before = '';
  for (const { widthMm, heightMm, bleedMm, boundBleedMm, inks, rgb, totalInk = 0 } of pages) {
    const page = { widthMm, heightMm, bleedMm, boundBleedMm, inks, ...(rgb ? { rgb } : {}) };
    const [last, key] = [runs.at(-1), JSON.stringify(page)];
    const total = Math.round(totalInk * 100) / 100;
    if (last && key === before) {
      last.count++;
      last.totalInk = Math.max(last.totalInk ?? 0, total);
    } else runs.push({ count: 1, ...page, totalInk: total });
    before = key;
  }
  return runs;
}

/** What an examined file says of its pages. The file itself stays where it is. */
export interface Artwork {
  /** File name. */
  readonly name: string;
  /** Components whose pages it has. */
  readonly of: readonly string[];
  readonly pages: readonly ArtworkPages[];
}
