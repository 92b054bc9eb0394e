import { type ArtworkPages, type Job, likePages } from '../job/index.js';
import { plan } from '../plan/index.js';
import { example } from '../plan/examples.fixture.js';
import { SHIPPED_WORKS } from '../works/index.js';
import {
  type PageWanted,
  artworkComponents,
  artworkFits,
  likelyArtwork,
  pagesWanted,
  placePagesOf,
} from './artwork-places.js';

function wantedOf(job: Job, of = artworkComponents(job).map(({ id }) => id)): PageWanted[] {
  const outcome = plan(job, SHIPPED_WORKS);
  if (!outcome.ok) throw new Error(outcome.issues.map(({ code }) => code).join());
  return pagesWanted(job, of, new Map(Object.entries(outcome.value.layouts)));
}
const page = (change: Partial<ArtworkPages> = {}): ArtworkPages => ({
  count: 1,
  widthMm: 148,
  heightMm: 210,
  bleedMm: 3,
  boundBleedMm: 3,
  inks: ['K'],
  ...change,
});

describe('pages that a file has to have', () => {
  const programme = example('concert-programme');

  it('of saddle work are those of one section around those of the next, the cover around all (identity)', () => {
    const order = wantedOf(programme).map(({ component }) => component);
    expect(order).toEqual([
      ...Array.from({ length: 2 }, () => 'cover'),
      ...Array.from({ length: 2 }, () => 'section-2'),
      ...Array.from({ length: 32 }, () => 'section-1'),
      ...Array.from({ length: 2 }, () => 'section-2'),
      ...Array.from({ length: 2 }, () => 'cover'),
    ]);
  });

  it('of gathered work run through section by section (identity)', () => {
    const wanted = wantedOf(example('star-atlas'));
    expect(wanted).toHaveLength(192);
    for (const [i, { component }] of wanted.entries()) expect(component).toBe(`section-${Math.floor(i / 16) + 1}`);
  });

  it('lie half on one side of a section and half on the other (identity)', () => {
    const section = wantedOf(programme, ['section-1']);
    expect(section).toHaveLength(32);
    expect(section.filter(({ sides }) => sides[0] === 'front')).toHaveLength(16);
    expect(section.every(({ sides }) => sides.length === 1)).toBe(true);
  });

  it('are without the pages that self-ends paste down', () => {
    const atlas = example('star-atlas');
    const ends = { ...atlas, binding: { ...atlas.binding, assembly: 'gathered' as const, selfEnds: true } };
    expect(wantedOf(ends)).toHaveLength(192 - 8);
  });

  it('of flat work are its printed sides, of one set of plates either', () => {
    expect(wantedOf(example('permit-stickers'))).toMatchObject([{ sides: ['front'], widthMm: 100, heightMm: 80 }]);
    const map = wantedOf(example('trail-map'));
    expect(map.map(({ sides }) => sides)).toEqual([
      ['front', 'back'],
      ['front', 'back'],
    ]);
  });

  it('of a gang are those of each item in its own size, and a section on a form of others counts for itself', () => {
    const gang = example('garden-cards');
    const [form] = gang.components;
    const wanted = wantedOf(gang);
    expect(wanted).toHaveLength(2 * (form?.carries?.length ?? 0));
    const sizes = (gang.items ?? []).filter(({ id }) => form?.carries?.some(({ item }) => item === id));
    expect(new Set(wanted.map(({ widthMm }) => widthMm))).toEqual(new Set(sizes.map(({ widthMm }) => widthMm)));
  });

  it('of a book of leaves are two a leaf', () => {
    expect(wantedOf(example('walking-guide'), ['leaf'])).toHaveLength(160);
  });

  it('count a spread as two, with a spine in the middle for a cover', () => {
    const wanted = wantedOf(programme, ['cover']);
    const spreads = [page({ count: 2, widthMm: 2 * 148 + 4 })];
    expect(placePagesOf({ pages: spreads }, wanted).has).toBe(4);
    expect(spreads.every((one) => wanted.every((want) => artworkFits(one, want)))).toBe(true);
    // Wider than a cover with the thickest spine, or of another height: no spread.
    expect(placePagesOf({ pages: [page({ count: 2, widthMm: 3 * 148 })] }, wanted).has).toBe(2);
    expect(placePagesOf({ pages: [page({ count: 2, widthMm: 296, heightMm: 200 })] }, wanted).has).toBe(2);
  });

  it('may lie turned in flat work, not in a book; half a millimetre off is the same size', () => {
    const bound = wantedOf(programme, ['section-1'])[0];
    const flat = wantedOf(example('trail-map'))[0];
    if (!bound || !flat) throw new Error('nothing wanted');
    expect(artworkFits(page({ widthMm: 148.5, heightMm: 209.5 }), bound)).toBe(true);
    expect(artworkFits(page({ widthMm: 148.6 }), bound)).toBe(false);
    expect(artworkFits(page({ widthMm: 210, heightMm: 148 }), bound)).toBe(false);
    expect(artworkFits(page({ widthMm: 594, heightMm: 420 }), flat)).toBe(true);
  });

  it('tell what a file is of: the whole, the text, the cover, or the first of what is alike', () => {
    const likely = (pages: readonly ArtworkPages[], job = programme): readonly string[] => {
      const outcome = plan(job, SHIPPED_WORKS);
      return outcome.ok ? likelyArtwork(job, pages, new Map(Object.entries(outcome.value.layouts))) : [];
    };
    expect(likely([page({ count: 40 })])).toEqual(['section-1', 'section-2', 'cover']);
    expect(likely([page({ count: 36 })])).toEqual(['section-1', 'section-2']);
    expect(likely([page({ count: 2, widthMm: 300 })])).toEqual(['section-2']);
    expect(likely([page({ count: 32 })])).toEqual(['section-1']);
    expect(likely([page({ count: 7 })])).toEqual(['section-1', 'section-2', 'cover']);
    expect(likely([page({ count: 40, widthMm: 50 })])).toEqual(['section-1', 'section-2', 'cover']);
  });

  it('that are alike are one entry, with the most ink of all', () => {
    const pages = [page({ totalInk: 1 }), page({ totalInk: 2.126 }), page({ inks: ['C'], totalInk: 1 }), page()];
    const runs = likePages(pages.map(({ count: _count, ...one }) => one));
    expect(runs.map(({ count, inks, totalInk }) => [count, inks, totalInk])).toEqual([
      [2, ['K'], 2.13],
      [1, ['C'], 1],
      [1, ['K'], 0],
    ]);
    expect(likePages([])).toEqual([]);
  });

  it('of no component are none, and a file of them is counted all the same', () => {
    expect(wantedOf(programme, ['gone'])).toEqual([]);
    expect(placePagesOf({ pages: [page({ count: 3 })] }, [])).toEqual({ placed: [], has: 3 });
  });
});
