import { blockThicknessMm } from '../finishing/index.js';
import { type Issue, UM, error, tenth } from '../kernel/index.js';
import type { Works } from '../works/index.js';
import { missingFor } from './house.js';
import { normsOf } from '../norms/index.js';
import { panelsOf } from '../material/index.js';
import { FOLDS_OF } from '../job/index.js';
import type { AskedFamily, FamilyAnswers } from './answers.js';

/** What is stapled, glued or sewn: folded leaves come in fours. */
const IN_FOURS: readonly AskedFamily[] = ['saddle-stitched', 'perfect-bound', 'case-bound', 'on-demand', 'web-leaflet'];

/** Pages that are no multiple of 4, with the two nearest counts that are. Source: handbook chapter 7 "Binding". */
export const foursIssue = (pages: number, path: string): Issue =>
  error('bind.pages-not-fours', path, {
    pages,
    below: Math.max(4, 4 * Math.floor(pages / 4)),
    above: 4 * Math.max(1, Math.ceil(pages / 4)),
  });

/**
 * What makes a product impossible before a route is thought of, each with the nearest that works: a booklet too thick to
 * stitch, a spine too thin for glue, pages that are no multiple of 4, a panel that no folder takes. Structures are checked where they are drawn.
 * Issues: those of {@link missingFor}, `bind.pages-not-fours`, `bind.too-thick-to-stitch`, `bind.spine-too-thin`, `fold.panel-too-short`. Source: handbook chapter 7 (practice).
 */
export function checkProduct(family: AskedFamily, answers: FamilyAnswers, works: Works): Issue[] {
  const missing = missingFor(family, answers, works);
  if (missing.length > 0) return missing;
  const norms = normsOf(works, {});
  const stock = works.stocks.find(({ id }) => id === answers.stock);
  if (!stock) return [];
  const caliperUm = stock.gsm * stock.bulk;
  const { pages } = answers;
  if (IN_FOURS.includes(family) && pages % 4 !== 0) return [foursIssue(pages, 'pages')];
  const thick = blockThicknessMm(pages, caliperUm);
  const values = { pages, gsm: stock.gsm, value: tenth(thick) };
  const fours = (count: number): number => Math.max(4, 4 * count);
  if (family === 'saddle-stitched') {
    const limit = norms('bind.saddleLimit').value;
    const most = fours(Math.floor((limit * UM * 2) / caliperUm / 4));
    return thick > limit ? [error('bind.too-thick-to-stitch', 'pages', { ...values, limit, most })] : [];
  }
  if (family === 'perfect-bound' || family === 'on-demand') {
    const limit = norms('bind.leastSpine').value;
    const least = fours(Math.ceil((limit * UM * 2) / caliperUm / 4));
    return thick < limit ? [error('bind.spine-too-thin', 'pages', { ...values, limit, least })] : [];
  }
  if (family !== 'folded') return [];
  const kind = answers.fold ?? 'half';
  const made = panelsOf(kind, { ...answers, caliperUm }, FOLDS_OF[kind], norms);
  return made.ok || made.reason !== 'too-short'
    ? []
    : [error('fold.panel-too-short', 'fold', { needs: Math.ceil(made.needsMm) })];
}
