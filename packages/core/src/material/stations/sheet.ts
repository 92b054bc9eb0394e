import type { StationOf } from '../../route/index.js';
import { foldedPiece } from '../../finishing/index.js';
import { UM, withinSentence } from '../../kernel/index.js';
import type { NormLookup } from '../../norms/index.js';
import type { ComponentLayout } from '../../press-sheet/index.js';
import { foldKindOf, panelsOf } from '../fold-panels.js';
import { type Material, NO_TRIMS, foldsOf, gramsOf, otherSide } from '../state.js';
import { type After, asItCame, type At } from './at.js';

/** A piece out of its sheet: by its own area, whatever else was laminated to the sheet. */
export function cutOut(sheet: Material, layout: ComponentLayout): Material {
  const { piece, pieceAreaMm2, pattern, component, section, trims } = layout;
  return {
    ...sheet,
    unit: component.kind === 'sheet' ? withinSentence(component.name) : component.kind,
    widthMm: piece.widthMm,
    heightMm: piece.heightMm,
    grain: pattern.pieces[0]?.turned ? otherSide(sheet.grain) : sheet.grain,
    massG: gramsOf(pieceAreaMm2, sheet.throughGsm),
    trims: trims ?? NO_TRIMS,
    pagesAcross: section?.columns ?? 1,
  };
}

/** A section folded from its flat piece or straight from its sheet: one page with its trims, as thick as its leaves. */
export function foldedSection(flat: Material, layout: ComponentLayout, norms: NormLookup): Material {
  const { piece, section, component, trims } = layout;
  const [columns, rows, books] = [section?.columns ?? 1, section?.rows ?? 1, section?.books ?? 1];
  const margins = trims ?? NO_TRIMS;
  const leaves = (columns * rows) / books;
  const caliperUm = flat.caliperUm * leaves;
  return {
    ...flat,
    unit: component.kind,
    widthMm: (component.widthMm ?? 0) + margins.foreMm + margins.spineMm,
    heightMm: books * ((component.heightMm ?? 0) + margins.headMm + margins.footMm),
    grain: 'height',
    caliperUm,
    freeUm: caliperUm * (1 + norms('fold.spring').value),
    massG: gramsOf(piece.widthMm * piece.heightMm, flat.throughGsm),
    leaves,
    throughGsm: flat.throughGsm * leaves,
    sections: 1,
    books,
    trims: margins,
    pagesAcross: 1,
  };
}

/** A flat piece folded by its kind: as large as its panels make it. */
function foldedFlat({ first, step, layout, job, norms }: At): Material {
  const folds = foldsOf(step, layout);
  const kind = foldKindOf(job.finish, folds);
  const along = first.widthMm >= first.heightMm ? 'width' : 'height';
  const [lengthMm, otherMm] = along === 'width' ? [first.widthMm, first.heightMm] : [first.heightMm, first.widthMm];
  const made = panelsOf(kind, first, folds, norms, job.finish?.panelsMm);
  const piece = made.ok
    ? {
        lengthMm: made.panels.foldedWidthMm,
        otherMm: made.panels.foldedHeightMm,
        layers: made.panels.layers,
      }
    : foldedPiece(kind, { lengthMm, otherMm }, folds);
  const { layers } = piece;
  const [widthMm, heightMm] = along === 'width' ? [piece.lengthMm, piece.otherMm] : [piece.otherMm, piece.lengthMm];
  const caliperUm = first.caliperUm * layers;
  return {
    ...first,
    widthMm,
    heightMm,
    caliperUm,
    freeUm: caliperUm * (1 + norms('fold.spring').value),
    leaves: first.leaves * layers,
    throughGsm: first.throughGsm * layers,
    pagesAcross: 1,
  };
}

/** Trimmed at head, foot and fore edge: what was laid for the knife is gone. @param parted copies that it falls into. */
export function knifed(all: Material, parted = 1): Material {
  const { trims, throughGsm, spineGsm, caliperUm } = all;
  const books = all.books / parted;
  const widthMm = all.widthMm - trims.foreMm - trims.spineMm;
  const heightMm = all.heightMm / parted - books * (trims.headMm + trims.footMm);
  const massG =
    throughGsm > 0
      ? gramsOf(widthMm * heightMm, throughGsm) + gramsOf((caliperUm / UM) * heightMm, spineGsm)
      : all.massG / parted;
  return { ...all, widthMm, heightMm, massG, books, freeUm: caliperUm, trims: NO_TRIMS };
}

/** What leaves these stations out of what comes to them. Total: one without its material does not compile. */
export const SHEET_MATERIAL: Readonly<Record<StationOf['sheet'], After>> = {
  cut: asItCame,
  'die-cut': asItCame,
  convert: asItCame,
  score: asItCame,
  fold: (at) =>
    at.layout?.section && at.first.leaves === 1 ? foldedSection(at.first, at.layout, at.norms) : foldedFlat(at),
};
