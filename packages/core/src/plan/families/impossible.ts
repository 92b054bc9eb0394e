import { blockThicknessMm } from '../../finishing/index.js';
import { type Issue, UM, error, tenth } from '../../kernel/index.js';
import { type Works, normsOf } from '../../works/index.js';
import { panelsOf } from '../fold-panels.js';
import { FOLDS_OF } from '../job.js';
import type { AskedFamily, FamilyAnswers } from './answers.js';

/**
 * What makes a product impossible before a route is thought of, each with the nearest that works: a booklet too thick to
 * stitch, a spine too thin for glue, a panel that no folder takes. Structures are checked where they are drawn.
 * Issues: `bind.too-thick-to-stitch`, `bind.spine-too-thin`, `fold.panel-too-short`. Source: handbook chapter 7 (practice).
 */
export function checkProduct(family: AskedFamily, answers: FamilyAnswers, works: Works): Issue[] {
  const norms = normsOf(works, {});
  const stock = works.stocks.find(({ id }) => id === answers.stock);
  if (!stock) return [];
  const caliperUm = stock.gsm * stock.bulk;
  const { pages } = answers;
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
