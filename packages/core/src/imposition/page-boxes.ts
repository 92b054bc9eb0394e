import type { Mm } from '../kernel/index.js';
import type { Edge, ImposedPage, Imposition } from './impose.js';

/** What is added to a trimmed page on its four edges. */
export interface PageMargins {
  readonly headMm: Mm;
  readonly footMm: Mm;
  readonly foreMm: Mm;
  /** Milled off the spine of glued work; 0 for saddle work, whose pages touch at the fold. */
  readonly spineMm: Mm;
}

/** A trimmed page in place on its side, from the lower left corner of the unfolded section, seen from that side. */
export interface PageBox extends ImposedPage {
  readonly xMm: Mm;
  readonly yMm: Mm;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
}

const OPPOSITE: Readonly<Record<Edge, Edge>> = { left: 'right', right: 'left', top: 'bottom', bottom: 'top' };

/** Margin of a page towards an edge of the sheet. */
function marginTowards(page: ImposedPage, edge: Edge, margins: PageMargins): Mm {
  if (edge === page.head) return margins.headMm;
  if (edge === OPPOSITE[page.head]) return margins.footMm;
  return edge === page.spine ? margins.spineMm : margins.foreMm;
}

const isUpright = ({ head }: ImposedPage): boolean => head === 'top' || head === 'bottom';

/** The widest margin that any page of a column or row has towards an edge: folds and trims run through the whole sheet. */
function widest(pages: readonly ImposedPage[], edge: Edge, margins: PageMargins): Mm {
  return Math.max(0, ...pages.map((page) => marginTowards(page, edge, margins)));
}

/** Lower or left edges of each cell along one direction, and the whole length. */
function stops(
  parts: number,
  pagesOf: (part: number) => readonly ImposedPage[],
  length: Mm,
  [near, far]: readonly [Edge, Edge],
  margins: PageMargins,
): { at: Mm[]; total: Mm } {
  let total = 0;
  const at: Mm[] = [];
  for (let part = 0; part < parts; part++) {
    total += widest(pagesOf(part), near, margins);
    at.push(total);
    total += length + widest(pagesOf(part), far, margins);
  }
  return { at, total };
}

/** A section laid flat: its size with all trims, and the boxes of its pages on either side. */
export interface FlatSection {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly outer: readonly PageBox[];
  readonly inner: readonly PageBox[];
}

/**
 * Page boxes of an imposed section in millimetres: spine folds with what is milled off, head, foot and fore-edge trims.
 * @param page trimmed page, above 0. Source: identity (sum of pages and margins along each line).
 */
export function placePages(
  imposition: Imposition,
  page: { readonly widthMm: Mm; readonly heightMm: Mm },
  margins: PageMargins,
): FlatSection {
  const { columns, rows, inner } = imposition;
  const [first] = inner;
  const upright = first === undefined || isUpright(first);
  const [across, up] = upright ? [page.widthMm, page.heightMm] : [page.heightMm, page.widthMm];
  const side = (pages: readonly ImposedPage[]): { boxes: PageBox[]; widthMm: Mm; heightMm: Mm } => {
    const x = stops(columns, (column) => pages.filter((p) => p.column === column), across, ['left', 'right'], margins);
    const y = stops(rows, (row) => pages.filter((p) => p.row === row), up, ['bottom', 'top'], margins);
    return {
      boxes: pages.map((p) => ({
        ...p,
        xMm: x.at[p.column] ?? 0,
        yMm: y.at[p.row] ?? 0,
        widthMm: across,
        heightMm: up,
      })),
      widthMm: x.total,
      heightMm: y.total,
    };
  };
  const [outer, back] = [side(imposition.outer), side(inner)];
  return { widthMm: back.widthMm, heightMm: back.heightMm, outer: outer.boxes, inner: back.boxes };
}
