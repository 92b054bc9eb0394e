import { type Issue, type Metre, type Mm, error } from '../kernel/index.js';

/** A commercial web press and how the folder is set. */
export interface WebSetting {
  readonly webWidthMm: Mm;
  /** Length printed at one turn that the folder cuts off, fixed by the press. */
  readonly cutOffMm: Mm;
  /** Taken off at each edge of the web. */
  readonly edgeTrimMm: Mm;
  /** Untrimmed page as it lies on the web: across it and along it. */
  readonly pageAcrossMm: Mm;
  readonly pageAroundMm: Mm;
  readonly pagesPerCopy: number;
  /** Straight: each cut-off is delivered; collect: two in a row are put into each other first. */
  readonly folder: 'straight' | 'collect';
  readonly webs: number;
  readonly colours: number;
}

/** What lies on a cut-off, and what it takes to print it. */
export interface WebLayout {
  readonly across: number;
  readonly around: number;
  /** Pages on both sides of all webs at one cut-off. */
  readonly pagesPerCutOff: number;
  /** Copies delivered a cut-off; a half where two cut-offs make one. */
  readonly copiesPerCutOff: number;
  readonly plates: number;
  /** Share of the web that pages cover. */
  readonly usedShare: number;
}

/** Whole parts of a length, a hundredth of a millimetre forgiven. */
const whole = (length: Mm, part: Mm): number => Math.floor((length + 0.01) / part);

/**
 * Pages on a web's cut-off, copies delivered, and plates = webs x 2 sides x colours x pages around x pages across in
 * panel plates. Issues: `web.page-too-large`, `web.copy-too-thick` (a copy wants more pages than the folder brings
 * together), `web.pages-left-over`.
 * Source: identity, handbook chapter 4 "Webs" (collect halves the copies a cut-off).
 */
export function layWeb(setting: WebSetting, path: string): { layout?: WebLayout; issues: Issue[] } {
  const { webWidthMm, cutOffMm, edgeTrimMm, pageAcrossMm, pageAroundMm, pagesPerCopy, webs, colours } = setting;
  const across = whole(webWidthMm - 2 * edgeTrimMm, pageAcrossMm);
  const around = whole(cutOffMm, pageAroundMm);
  if (across < 1 || around < 1) {
    const params = { across: pageAcrossMm, around: pageAroundMm, width: webWidthMm - 2 * edgeTrimMm, cutOff: cutOffMm };
    return { issues: [error('web.page-too-large', `${path}.pageAcrossMm`, params)] };
  }
  const pagesPerCutOff = 2 * across * around * webs;
  const most = setting.folder === 'collect' ? 2 * pagesPerCutOff : pagesPerCutOff;
  if (pagesPerCopy > most)
    return { issues: [error('web.copy-too-thick', `${path}.pagesPerCopy`, { pages: pagesPerCopy, most })] };
  const brought = setting.folder === 'collect' ? most : pagesPerCutOff;
  if (brought % pagesPerCopy !== 0)
    return { issues: [error('web.pages-left-over', `${path}.pagesPerCopy`, { pages: pagesPerCopy, brought })] };
  return {
    layout: {
      across,
      around,
      pagesPerCutOff,
      copiesPerCutOff: brought / pagesPerCopy / (setting.folder === 'collect' ? 2 : 1),
      plates: webs * 2 * colours * around * across,
      usedShare: (across * pageAcrossMm * around * pageAroundMm) / (webWidthMm * cutOffMm),
    },
    issues: [],
  };
}

/** Impressions for so many copies, before spoilage. Source: identity. */
export const impressionsFor = (copies: number, copiesPerCutOff: number): number => Math.ceil(copies / copiesPerCutOff);

/** Length of web that so many impressions run. Source: identity. */
export const webMetres = (impressions: number, cutOffMm: Mm): Metre => (impressions * cutOffMm) / 1000;
