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

/**
 * Lower or left edges of each cell along one direction, and the whole length. Folds and trims run through the whole
 * sheet, so each cell has the widest margin that any page of its column or row asks for.
 */
function stops(
  parts: number,
  pages: readonly ImposedPage[],
  partOf: (page: ImposedPage) => number,
  length: Mm,
  [near, far]: readonly [Edge, Edge],
  margins: PageMargins,
): { at: Mm[]; total: Mm } {
  const before = new Array<Mm>(parts).fill(0);
  const behind = new Array<Mm>(parts).fill(0);
  for (const page of pages) {
    const part = partOf(page);
    before[part] = Math.max(before[part] ?? 0, marginTowards(page, near, margins));
    behind[part] = Math.max(behind[part] ?? 0, marginTowards(page, far, margins));
  }
  let total = 0;
  const at = before.map((margin, part) => {
    const edge = total + margin;
    total = edge + length + (behind[part] ?? 0);
    return edge;
  });
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
    const x = stops(columns, pages, ({ column }) => column, across, ['left', 'right'], margins);
    const y = stops(rows, pages, ({ row }) => row, up, ['bottom', 'top'], margins);
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
