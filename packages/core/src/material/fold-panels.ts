import { type PanelsOr, alongFirst, foldPanels } from '../finishing/index.js';
import { type Issue, UM, error } from '../kernel/index.js';
import { type NormLookup, normsOf } from '../norms/index.js';
import type { Works } from '../works/index.js';
import type { Finish, FoldKind, Unordered } from '../job/index.js';

/** The fold of a piece: told, else the usual one for its number of folds. */
export const foldKindOf = (finish: Finish | undefined, folds: number): FoldKind =>
  finish?.fold ?? (folds === 1 ? 'half' : folds === 2 ? 'letter' : 'map');

/** Panels of a flat piece by the norms of the works, or as told. @param folds all folds of the piece, 1 or more. */
export function panelsOf(
  kind: FoldKind,
  flat: { readonly widthMm: number; readonly heightMm: number; readonly caliperUm: number },
  folds: number,
  norms: NormLookup,
  told?: readonly number[],
): PanelsOr {
  const sides = [flat.widthMm, flat.heightMm] as const;
  return foldPanels(
    kind,
    { lengthMm: Math.max(...sides), otherMm: Math.min(...sides) },
    alongFirst(kind, folds),
    {
      letterShortMm: norms('fold.letterShort').value,
      rollStepMm: norms('fold.rollStep').value,
      gateShortMm: norms('fold.gateShort').value,
      caliperMm: flat.caliperUm / UM,
    },
    told,
  );
}

/**
 * Panels told by hand that do not fold, with the nearest that do.
 * Issues: `fold.panel-count`, `fold.panel-sum`, `fold.against-panel`. Source: handbook chapter 7 (practice); identity.
 */
export function panelIssues(job: Unordered, works: Works): Issue[] {
  const told = job.finish?.panelsMm;
  const step = job.route.find(
    ({ operation, component }) =>
      operation === 'fold' && job.components.some(({ id, kind }) => id === component && kind === 'sheet'),
  );
  const piece = job.components.find(({ id }) => id === step?.component);
  const stock = works.stocks.find(({ id }) => id === piece?.stock);
  if (!told || !stock || piece?.widthMm === undefined || piece.heightMm === undefined) return [];
  const { widthMm, heightMm } = piece;
  const folds = step?.folds ?? 1;
  const flat = { widthMm, heightMm, caliperUm: stock.gsm * stock.bulk };
  const made = panelsOf(foldKindOf(job.finish, folds), flat, folds, normsOf(works, job.norms), told);
  if (made.ok) return [];
  const path = 'finish.panelsMm';
  switch (made.reason) {
    case 'count':
      return [error('fold.panel-count', path, { wanted: made.wanted, told: told.length })];
    case 'sum':
      return [error('fold.panel-sum', path, { sum: made.sumMm, length: Math.max(widthMm, heightMm) })];
    case 'against-panel':
      return [error('fold.against-panel', path, { panel: made.panel + 1, most: made.mostMm })];
    case 'too-short':
      return [error('fold.panel-too-short', path, { needs: Math.ceil(made.needsMm) })];
  }
}
