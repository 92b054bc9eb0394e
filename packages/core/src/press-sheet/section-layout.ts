import type { Issue } from '../kernel/index.js';
import type { Grain } from '../layout/index.js';
import {
  type Assembly,
  type CreepMove,
  type FlatSection,
  type FoldScheme,
  type OddPlace,
  type PageBox,
  type PageMargins,
  type SectionPlace,
  creepMove,
  firstPages,
  impose,
  nestedSheet,
  orderSections,
  placePages,
  productPage,
  ownScheme,
  schemeById,
  schemesFor,
  sectionCode,
  usualOddPlace,
} from '../imposition/index.js';
import type { Component, Job, Unordered } from '../job/index.js';

/** A page in place on its side of the section, with its number in the product and how far creep moves it. */
export interface PlacedPage extends PageBox, CreepMove {
  readonly productPage: number;
  /** What is printed on it: numbered from 1 after self-ends, whose own pages have none. */
  readonly folio: number | undefined;
}

/** What a section's sheet carries, each side seen from its printed side. */
export interface SectionLayout {
  readonly scheme: FoldScheme;
  readonly columns: number;
  readonly rows: number;
  /** Books bound as one: 2 where the sheet carries two head to head, split apart after binding. */
  readonly books: 1 | 2;
  /** What stands around each trimmed page. */
  readonly trims: PageMargins;
  readonly widthMm: number;
  readonly heightMm: number;
  readonly outer: readonly PlacedPage[];
  readonly inner: readonly PlacedPage[];
  readonly place: SectionPlace;
  /** Place among the sections along the spine, from 0: the step of its collating mark. */
  readonly order: number;
  /** Sequence code that is read at the gatherer: job number and section. */
  readonly code: string;
}

/** Where a component's section stands in the product. Covers wrap around all and count for themselves. */
export interface SectionPosition {
  readonly place: SectionPlace;
  readonly order: number;
  /** Pages at each end of the text that serve as endpapers. */
  readonly endPages: number;
}

/** Pages of the two leaves at each end that self-ends take. Source: practice. */
const SELF_END_PAGES = 4;
/** Pages at each end of a book that serve as its endpapers. */
export const endPagesOf = (job: Unordered): number => (job.binding?.selfEnds ? SELF_END_PAGES : 0);

function folioOf(page: number, total: number, endPages: number): number | undefined {
  return page > endPages && page <= total - endPages ? page - endPages : undefined;
}

/** How the sections of a job come together: into each other unless it says otherwise. */
export const assemblyOf = (job: Job): Assembly => job.binding?.assembly ?? 'nested';
/** Where a job puts its section of odd size. */
export const oddPlaceOf = (job: Job): OddPlace => job.binding?.odd ?? usualOddPlace(assemblyOf(job));

/** Where each section of a job stands: the odd one as the job or the house wants it, page numbers running through. */
export function sectionPositions(job: Job): ReadonlyMap<string, SectionPosition> {
  const assembly = assemblyOf(job);
  const sections = job.components.filter(({ kind, runOf }) => kind === 'section' && runOf === undefined);
  const order = orderSections(
    sections.map(({ pages = 0 }) => pages),
    oddPlaceOf(job),
  ).flatMap((i) => sections[i] ?? []);
  const totalPages = order.reduce((sum, { pages = 0 }) => sum + pages, 0);
  const first = firstPages(
    order.map(({ pages = 0 }) => pages),
    assembly,
  );
  const positions = order.map(
    ({ id }, i) =>
      [id, { place: { assembly, firstPage: first[i] ?? 1, totalPages }, order: i, endPages: endPagesOf(job) }] as const,
  );
  const covers = job.components
    .filter(({ kind }) => kind === 'cover')
    .map(
      ({ id, pages = 0 }) =>
        [id, { place: { assembly: 'nested', firstPage: 1, totalPages: pages }, order: 0, endPages: 0 }] as const,
    );
  const known = new Map<string, SectionPosition>([...positions, ...covers]);
  for (const { id, runOf } of job.components) {
    const position = runOf === undefined ? undefined : known.get(runOf);
    if (position) known.set(id, position);
  }
  return known;
}

/** Margins of a component's pages: told, else the usual trim all round and nothing at the spine. */
export const marginsOf = ({ trims }: Component, trimMm: number, spineMm = 0): PageMargins => ({
  headMm: trims?.headMm ?? trimMm,
  footMm: trims?.footMm ?? trimMm,
  foreMm: trims?.foreMm ?? trimMm,
  spineMm: trims?.spineMm ?? spineMm,
});

/** The folds that a component lists, the scheme that it asks for, or the usual one for its pages; undefined where none folds to them. */
export function schemeOf(component: Component, onWeb: boolean): FoldScheme | undefined {
  if (component.folding) return ownScheme(component.folding);
  const offered = schemesFor(component.pages ?? 0, onWeb ? 'web' : 'sheet');
  const wanted = component.scheme === undefined ? undefined : schemeById(component.scheme);
  return offered.find((scheme) => scheme === wanted) ?? offered[0];
}

/** Side of the flat section that its spine runs along: the side that wants the grain. */
export function spineSide({ outer }: SectionLayout): Grain {
  const head = outer[0]?.head;
  return head === 'left' || head === 'right' ? 'width' : 'height';
}

/**
 * A section's pages in millimetres on both sides, with creep. Trims all round, nothing between pages at the fold unless
 * the spine is milled off. Issues: `fold.*`. Source: handbook chapter 4 "Folded sections" and "Creep".
 */
export function laySection(
  job: Job,
  component: Component,
  scheme: FoldScheme,
  position: SectionPosition,
  trimMm: number,
  caliperUm: number,
  path: string,
): { section?: SectionLayout; issues: readonly Issue[] } {
  const books = job.binding?.twoUp ? 2 : 1;
  const { imposition, issues } = impose(scheme, books, path);
  if (!imposition) return { issues };
  const { widthMm = 0, heightMm = 0 } = component;
  const trims = marginsOf(component, trimMm);
  const flat: FlatSection = placePages(imposition, { widthMm, heightMm }, trims);
  const pages = imposition.pages;
  const { place } = position;
  // Creep adds up over all sheets that lie inside each other: the whole book in saddle work, one section else.
  const nested = place.assembly === 'nested' && component.kind === 'section';
  const around = nested ? place.totalPages : pages;
  const method = job.binding?.creep ?? 'thumb';
  const placed = (boxes: readonly PageBox[]): PlacedPage[] =>
    boxes.map((box) => {
      const number = productPage(box.page, pages, place);
      const sheet = nestedSheet(nested ? number : box.page, around);
      return {
        ...box,
        productPage: number,
        folio: folioOf(number, place.totalPages, position.endPages),
        ...creepMove(sheet, around / 4, caliperUm, method, job.binding?.creepShare ?? 'inwards'),
      };
    });
  return {
    section: {
      scheme,
      columns: imposition.columns,
      rows: imposition.rows,
      books,
      trims,
      widthMm: flat.widthMm,
      heightMm: flat.heightMm,
      outer: placed(flat.outer),
      inner: placed(flat.inner),
      place,
      order: position.order,
      code: sectionCode(job.number, position.order),
    },
    issues: [],
  };
}
