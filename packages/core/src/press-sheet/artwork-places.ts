import type { Mm } from '../kernel/index.js';
import { type Artwork, type ArtworkPages, type Component, type Job, isUnprinted } from '../job/index.js';
import { STYLE_RULES } from '../press/index.js';
import { leavesOf } from './leaf.js';
import type { ComponentLayout } from './component-layout.js';
import type { SheetSide } from './layout-drawing.js';
import type { SectionLayout } from './section-layout.js';

/** A page that is printed, in the order in which it is read. */
export interface PageWanted {
  readonly component: string;
  /** Sides of the sheet whose plates it may be on. */
  readonly sides: readonly SheetSide[];
  /** Trimmed size; undefined where it is drawn otherwise, as a blank is. */
  readonly widthMm?: Mm | undefined;
  readonly heightMm?: Mm | undefined;
  /** Folded at a spine with the next: two of them may come as one picture. */
  readonly bound: boolean;
}

/** A page of a file, and the page that it is of; where the file has more, they are gone through again. */
export interface PagePlaced {
  /** From 1. */
  readonly page: number;
  readonly found: ArtworkPages;
  readonly wanted: PageWanted;
}

/** How far a trim may be off before it is another size. Source: common practice, no source. */
const TRIM_TOLERANCE_MM = 0.5;
/** A spread of a cover has its spine in the middle, no thicker than half a page. Source: common practice, no source. */
const WIDEST_SPREAD = 2.5;

const sidesOf = ({ workStyle, front, back }: Component, side: SheetSide): readonly SheetSide[] => {
  if (!STYLE_RULES[workStyle].samePlates) return [side];
  return back.length > 0 && front.length > 0 ? ['front', 'back'] : [front.length > 0 ? 'front' : 'back'];
};

/** The pages of a section by their place in the product, each once; those of self-ends are pasted down. */
function pagesOfSection(component: Component, { outer, inner }: SectionLayout): [number, PageWanted][] {
  const { id, widthMm, heightMm } = component;
  const pages = new Map<number, PageWanted>();
  for (const [side, boxes] of [['front', outer] as const, ['back', inner] as const])
    for (const { productPage, folio } of boxes)
      if (folio !== undefined)
        pages.set(productPage, { component: id, sides: sidesOf(component, side), widthMm, heightMm, bound: true });
  return [...pages];
}

/** Printed sides of flat work, of each item where a form carries several, of each leaf where leaves make a book. */
function pagesOfFlat(job: Job, component: Component): PageWanted[] {
  const { id, front, back, widthMm, heightMm, kind, carries = [] } = component;
  const printed = (['front', 'back'] as const).filter((side) => (side === 'front' ? front : back).length > 0);
  const sides = Array.from({ length: leavesOf(job, component) }, () => printed).flat();
  const items = carries.flatMap(({ item }) => (job.items ?? []).filter((one) => one.id === item));
  const sizes = items.length > 0 ? items : [kind === 'blank' ? {} : { widthMm, heightMm }];
  return sizes.flatMap((size) =>
    sides.map((side) => ({
      component: id,
      sides: sidesOf(component, side),
      widthMm: size.widthMm,
      heightMm: size.heightMm,
      bound: false,
    })),
  );
}

/**
 * The pages that a file of these components has to have, as they are read: the first half of a cover, the text by its
 * page numbers, the other half of the cover; of flat work its front and its back. Source: identity, handbook chapter 4.
 */
export function pagesWanted(
  job: Job,
  of: readonly string[],
  layouts: ReadonlyMap<string, ComponentLayout>,
): PageWanted[] {
  const chosen = job.components.filter(({ id, runOf }) => of.includes(id) && runOf === undefined);
  const paged = (kind: Component['kind']): PageWanted[] =>
    chosen
      .filter((component) => component.kind === kind)
      .flatMap((component) => {
        const section = layouts.get(component.id)?.section;
        return section ? pagesOfSection(component, section) : [];
      })
      .sort(([a], [b]) => a - b)
      .map(([, page]) => page);
  const [cover, text] = [paged('cover'), paged('section')];
  const half = cover.length / 2;
  const flat = chosen.filter(({ kind }) => kind !== 'cover' && kind !== 'section');
  return [
    ...cover.slice(0, half),
    ...text,
    ...cover.slice(half),
    ...flat.flatMap((component) => pagesOfFlat(job, component)),
  ];
}

const isSpread = ({ widthMm, heightMm }: ArtworkPages, wanted: PageWanted): boolean =>
  wanted.bound &&
  wanted.widthMm !== undefined &&
  wanted.heightMm !== undefined &&
  Math.abs(heightMm - wanted.heightMm) <= TRIM_TOLERANCE_MM &&
  widthMm >= 2 * wanted.widthMm - TRIM_TOLERANCE_MM &&
  widthMm <= WIDEST_SPREAD * wanted.widthMm;

/** Pages of the wanted ones that a page of a file fills: two where it is a spread. */
const fills = (found: ArtworkPages, wanted: PageWanted): 1 | 2 => (isSpread(found, wanted) ? 2 : 1);

/** Each page of a file with what it is of, and how many of the pages that are wanted the file has. */
export function placePagesOf(
  { pages }: Pick<Artwork, 'pages'>,
  wanted: readonly PageWanted[],
): { readonly placed: readonly PagePlaced[]; readonly has: number } {
  const placed: PagePlaced[] = [];
  let has = 0;
  for (const found of pages)
    for (let i = 0; i < found.count; i++) {
      const at = wanted[has % wanted.length];
      if (!at) return { placed, has: pages.reduce((sum, { count }) => sum + count, 0) };
      placed.push({ page: placed.length + 1, found, wanted: at });
      has += fills(found, at);
    }
  return { placed, has };
}

/** Whether a page of a file has the size of the page that it is of, a spread that of two; flat work may lie turned. */
export function artworkFits(found: ArtworkPages, wanted: PageWanted): boolean {
  const { widthMm, heightMm, bound } = wanted;
  if (widthMm === undefined || heightMm === undefined || isSpread(found, wanted)) return true;
  const near = (a: Mm, b: Mm): boolean => Math.abs(a - b) <= TRIM_TOLERANCE_MM;
  const upright = near(found.widthMm, widthMm) && near(found.heightMm, heightMm);
  return upright || (!bound && near(found.widthMm, heightMm) && near(found.heightMm, widthMm));
}

/**
 * What a file is most likely of: the whole, the text, the cover or one component, whichever has as many pages of its
 * size; else the whole.
 */
export function likelyArtwork(
  job: Job,
  pages: readonly ArtworkPages[],
  layouts: ReadonlyMap<string, ComponentLayout>,
): readonly string[] {
  const all = artworkComponents(job);
  const ids = (components: readonly Component[]): string[] => components.map(({ id }) => id);
  const choices = [
    ids(all),
    ids(all.filter(({ kind }) => kind === 'section')),
    ids(all.filter(({ kind }) => kind === 'section' || kind === 'cover')),
    ...all.map(({ id }) => [id]),
  ];
  const fit = choices.map((of) => {
    const wanted = pagesWanted(job, of, layouts);
    const { placed, has } = placePagesOf({ pages }, wanted);
    const fitting = placed.filter((one) => artworkFits(one.found, one.wanted)).length;
    return { of, score: (has === wanted.length ? 2 : 0) + (placed.length > 0 ? fitting / placed.length : 0) };
  });
  const most = Math.max(...fit.map(({ score }) => score));
  return fit.find(({ score }) => score === most)?.of ?? [];
}

/** Components that a file may have pages of: those that are printed, and laid by themselves or on a form of others. */
export const artworkComponents = ({ components }: Job): readonly Component[] =>
  components.filter(
    (component) =>
      component.runOf === undefined &&
      !isUnprinted(component) &&
      !(component.carries ?? []).some(({ item }) => components.some(({ id }) => id === item)),
  );
