import fc from 'fast-check';
import { CREEP_METHODS, creepMm, creepMove, nestedSheet } from './creep.js';
import { type FoldScheme, FOLD_SCHEMES, pagesOfScheme, schemeById, schemesFor } from './fold-scheme.js';
import { foldSection } from './fold.js';
import { foldsText, readFolds } from './fold-list.js';
import { type Imposition, type ImposedPage, impose, pageRows } from './impose.js';
import { SECTION_BLOCK, markPlaces, sectionCode, sectionMarks } from './marks.js';
import { firstPages, orderSections, productPage } from './numbering.js';
import { placePages } from './page-boxes.js';

function imposed(scheme: FoldScheme, books: 1 | 2 = 1): Imposition {
  const { imposition, issues } = impose(scheme, books, 'scheme');
  if (!imposition) throw new Error(JSON.stringify(issues));
  return imposition;
}
const byId = (id: string): FoldScheme => {
  const scheme = schemeById(id);
  if (!scheme) throw new Error(id);
  return scheme;
};
const at = (pages: readonly ImposedPage[], column: number, row: number): ImposedPage => {
  const page = pages.find((p) => p.column === column && p.row === row);
  if (!page) throw new Error(`no page at ${column} ${row}`);
  return page;
};

describe('right answers of handbook chapter 4 (literature of the trade, exact)', () => {
  it('16 pages by three folds', () => {
    const { outer, inner } = imposed(byId('16'));
    expect(pageRows(outer, 4, 2)).toEqual([
      [5, 12, 9, 8],
      [4, 13, 16, 1],
    ]);
    expect(pageRows(inner, 4, 2)).toEqual([
      [7, 10, 11, 6],
      [2, 15, 14, 3],
    ]);
  });

  it('8 pages by two folds', () => {
    const { outer, inner } = imposed(byId('8'));
    expect(pageRows(outer, 2, 2)).toEqual([
      [5, 4],
      [8, 1],
    ]);
    expect(pageRows(inner, 2, 2)).toEqual([
      [3, 6],
      [2, 7],
    ]);
  });

  it('top row head to head with the bottom row', () => {
    for (const side of ['outer', 'inner'] as const) {
      for (const { row, head } of imposed(byId('16'))[side]) expect(head).toBe(row === 0 ? 'top' : 'bottom');
    }
  });
});

describe.each(FOLD_SCHEMES.map((scheme) => [scheme.id, scheme] as const))('scheme %s', (_id, scheme) => {
  const imposition = imposed(scheme);
  const { outer, inner, columns } = imposition;
  const pages = pagesOfScheme(scheme);

  it('carries every page once (identity)', () => {
    expect([...outer, ...inner].map(({ page }) => page).sort((a, b) => a - b)).toEqual(
      Array.from({ length: pages }, (_, i) => i + 1),
    );
  });

  it('backs up the two pages of each leaf, heads together (identity)', () => {
    for (const page of outer) {
      const back = at(inner, columns - 1 - page.column, page.row);
      expect(Math.ceil(page.page / 2)).toBe(Math.ceil(back.page / 2));
      const same = page.head === 'top' || page.head === 'bottom' ? page.head === back.head : page.head !== back.head;
      expect(same).toBe(true);
    }
  });

  it('adds to first + last over every spine fold, gathered (identity)', () => {
    let pairs = 0;
    for (const side of [outer, inner]) {
      for (const page of side) {
        if (page.spine !== 'right' && page.spine !== 'top') continue;
        const [right, up] = page.spine === 'right' ? [1, 0] : [0, 1];
        const beside = side.find((p) => p.column === page.column + right && p.row === page.row + up);
        if (beside?.spine !== (page.spine === 'right' ? 'left' : 'bottom')) continue;
        pairs += 1;
        expect(page.page + beside.page).toBe(pages + 1);
        expect(beside.head).toBe(page.head);
      }
    }
    expect(pairs).toBe(pages / 2); // no page without its neighbour over the spine, so no loose leaf
  });

  it('lays odd pages with the spine at the left of their text, even ones at the right (identity)', () => {
    const turn = {
      top: ['left', 'right'],
      bottom: ['right', 'left'],
      right: ['top', 'bottom'],
      left: ['bottom', 'top'],
    };
    for (const { page, head, spine } of [...outer, ...inner]) expect(spine).toBe(turn[head][page % 2 === 1 ? 0 : 1]);
  });

  it('carries two books head to head, each with every page once, where it is bound two-up', () => {
    const two = impose(scheme, 2, 'scheme').imposition;
    if (!two) return; // lines given in columns fold one book only
    for (const book of [0, 1]) {
      const own = [...two.outer, ...two.inner].filter((p) => p.book === book).map(({ page }) => page);
      expect(own.sort((a, b) => a - b)).toEqual(Array.from({ length: pages }, (_, i) => i + 1));
    }
    const heads = new Set(two.inner.filter(({ row }) => row === 0).map(({ book }) => book));
    expect(heads.size).toBe(1);
  });
});

it('offers a scheme for every usual page count, whatever the folds', () => {
  for (const pages of [4, 8, 12, 16, 24, 32, 48, 64, 128]) expect(schemesFor(pages, 'sheet').length).toBeGreaterThan(0);
  for (const pages of [4, 8, 16, 32]) expect(schemesFor(pages, 'web').length).toBeGreaterThan(0);
});

describe('folding that cannot be', () => {
  const codes = (scheme: Partial<FoldScheme>): string[] =>
    impose({ id: 'x', name: 'x', columns: 4, rows: 1, folds: [], ...scheme }, 1, 'scheme').issues.map(
      ({ code, path }) => `${code} ${path}`,
    );
  it.each<[string, Partial<FoldScheme>]>([
    ['fold.not-one-packet scheme.folds', { folds: [{ kind: 'fold', direction: 'right over left' }] }],
    ['fold.line-outside scheme.folds[0]', { folds: [{ kind: 'fold', direction: 'right over left', at: 1 }] }],
    ['fold.line-outside scheme.folds[0]', { folds: [{ kind: 'fold', direction: 'top over bottom' }] }],
    ['fold.line-outside scheme.folds[0]', { folds: [{ kind: 'fold', direction: 'right over left', at: 2.5 }] }],
    ['fold.no-spine scheme.folds', { columns: 2, folds: [{ kind: 'slit', direction: 'right over left' }] }],
  ])('%s', (wanted, scheme) => {
    expect(codes(scheme)).toEqual([wanted]);
  });

  it('folds from every direction to the same book', () => {
    // Left over right and bottom over top mirror the form; the leaves and their order stay (identity).
    const form = imposed({
      id: 'x',
      name: 'x',
      columns: 2,
      rows: 2,
      folds: [
        { kind: 'fold', direction: 'bottom over top' },
        { kind: 'fold', direction: 'left over right' },
      ],
    });
    expect(
      pageRows(form.outer, 2, 2)
        .flat()
        .sort((a, b) => a - b),
    ).toEqual([1, 4, 5, 8]);
    for (const { page, head, spine } of [...form.outer, ...form.inner]) {
      const left = head === 'top' ? 'left' : 'right';
      expect(spine === left).toBe(page % 2 === 1);
    }
  });
});

describe('pages of the product', () => {
  it('36 pages are 4 outside and 32: 1, 2, 35, 36 and 3 to 34 (handbook chapter 4)', () => {
    const place = (firstPage: number) => ({ assembly: 'nested' as const, firstPage, totalPages: 36 });
    expect([1, 2, 3, 4].map((page) => productPage(page, 4, place(1)))).toEqual([1, 2, 35, 36]);
    expect([1, 16, 17, 32].map((page) => productPage(page, 32, place(3)))).toEqual([3, 18, 19, 34]);
    expect(firstPages([4, 32], 'nested')).toEqual([1, 3]);
    expect(firstPages([16, 16, 8], 'gathered')).toEqual([1, 17, 33]);
  });

  it('adds to the pages of the product + 1 over every fold of nested sections (identity)', () => {
    const sections = fc.array(fc.constantFrom(4, 8, 16, 32), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(sections, (pages) => {
        const totalPages = pages.reduce((a, b) => a + b, 0);
        const first = firstPages(pages, 'nested');
        const all = pages.flatMap((n, i) =>
          Array.from({ length: n }, (_, p) =>
            productPage(p + 1, n, { assembly: 'nested', firstPage: first[i] ?? 0, totalPages }),
          ),
        );
        expect([...all].sort((a, b) => a - b)).toEqual(Array.from({ length: totalPages }, (_, i) => i + 1));
        pages.forEach((n, i) => {
          const own = (p: number): number =>
            productPage(p, n, { assembly: 'nested', firstPage: first[i] ?? 0, totalPages });
          for (let p = 1; p <= n / 2; p++) expect(own(p) + own(n + 1 - p)).toBe(totalPages + 1);
        });
      }),
    );
  });

  it('puts the odd section where the house wants it', () => {
    const pages = [32, 32, 32, 16];
    expect(orderSections(pages, 'outermost')).toEqual([3, 0, 1, 2]);
    expect(orderSections(pages, 'innermost')).toEqual([0, 1, 2, 3]);
    expect(orderSections(pages, 'second')).toEqual([0, 3, 1, 2]);
    expect(orderSections(pages, 'last but one')).toEqual([0, 1, 3, 2]);
    expect(orderSections([16, 16, 8, 4], 'outermost')).toEqual([3, 2, 0, 1]);
    expect(orderSections([16, 16], 'last')).toEqual([0, 1]);
  });
});

describe('page boxes', () => {
  const a5 = { widthMm: 148, heightMm: 210 };
  it('gives trims at head, foot and fore-edge, nothing in the fold of saddle work', () => {
    const flat = placePages(imposed(byId('16')), a5, { headMm: 4, footMm: 3, foreMm: 2, spineMm: 0 });
    // 4 pages and a fore-edge trim on each; 2 pages with head and foot each
    expect([flat.widthMm, flat.heightMm]).toEqual([4 * (148 + 2), 2 * (210 + 4 + 3)]);
    const first = flat.outer.find(({ page }) => page === 1);
    // outer, bottom row, fourth column: spine at the left towards page 16, fore-edge at the right; foot below
    expect(first).toMatchObject({ xMm: 2 + 148 + 148 + 2 + 2 + 148 + 0, yMm: 3, widthMm: 148, heightMm: 210 });
  });

  it('leaves what is milled off both pages at the spine of glued work', () => {
    const flat = placePages(imposed(byId('4')), a5, { headMm: 3, footMm: 3, foreMm: 3, spineMm: 2 });
    expect(flat.widthMm).toBe(3 + 148 + 2 + 2 + 148 + 3);
    expect(flat.inner.map(({ xMm }) => xMm).sort((a, b) => a - b)).toEqual([3, 3 + 148 + 4]);
  });

  it('never overlaps, and backs up to the millimetre, for every scheme (identity)', () => {
    for (const scheme of FOLD_SCHEMES) {
      const flat = placePages(imposed(scheme), a5, { headMm: 5, footMm: 3, foreMm: 4, spineMm: 2 });
      for (const page of flat.outer) {
        const back = flat.inner.find(({ page: n }) => n === (page.page % 2 === 1 ? page.page + 1 : page.page - 1));
        expect(back && flat.widthMm - back.xMm - back.widthMm).toBeCloseTo(page.xMm, 9);
        expect(back?.yMm).toBeCloseTo(page.yMm, 9);
      }
      const area = [...flat.outer].reduce((sum, { widthMm, heightMm }) => sum + widthMm * heightMm, 0);
      expect(area).toBeLessThan(flat.widthMm * flat.heightMm);
    }
  });
});

describe('creep', () => {
  it('0.10 mm, k 7: 0.70 by thumb, 1.10 round, 1.40 square (identity, handbook chapter 4)', () => {
    expect(CREEP_METHODS.map((method) => Math.round(creepMm(7, 100, method) * 100) / 100)).toEqual([0.7, 1.1, 1.4]);
  });
  it('moves in, half out and half in, or narrows', () => {
    expect(creepMove(7, 8, 100, 'thumb', 'inwards')).toEqual({ towardsSpineMm: 0.7, narrowerMm: 0 });
    expect(creepMove(0, 8, 100, 'thumb', 'half').towardsSpineMm).toBeCloseTo(-0.35, 9);
    expect(creepMove(7, 8, 100, 'thumb', 'half').towardsSpineMm).toBeCloseTo(0.35, 9);
    expect(creepMove(3, 8, 100, 'thumb', 'narrowed')).toEqual({ towardsSpineMm: 0, narrowerMm: 0.3 });
  });
  it('counts nested sheets inwards: pages 1, 2, 35, 36 on the outermost of 36', () => {
    expect([1, 2, 35, 36, 3, 34, 18, 19].map((page) => nestedSheet(page, 36))).toEqual([0, 0, 0, 0, 1, 1, 8, 8]);
  });
});

describe('section marks', () => {
  it('step down by a block height and keep off the middle of the spine', () => {
    // 210 / 8 = 26 places; the one from 104 to 112 lies over the middle at 105 and is left out
    const places = markPlaces(210, SECTION_BLOCK.heightMm);
    expect(places).toHaveLength(25);
    expect(places).not.toContain(104);
    expect(sectionMarks(3, 210).map(({ topMm }) => topMm)).toEqual([0, 8, 16]);
    expect(sectionMarks(26, 210)[25]).toEqual({ section: 25, column: 1, topMm: 0 });
    expect(sectionMarks(3, 10)).toEqual([]);
  });
  it('shows a turned section: no mark lies where its own half turn would put it', () => {
    for (const { topMm } of sectionMarks(25, 210)) expect(210 - topMm - SECTION_BLOCK.heightMm).not.toBe(topMm);
  });
  it('says which section it is', () => {
    expect(sectionCode('HB-2042', 0)).toBe('HB-2042.01');
  });
});

describe('folds of the house’s own', () => {
  const own = (columns: number, rows: number, folds: string): FoldScheme => ({
    id: folds,
    name: 'Own folds',
    columns,
    rows,
    folds: readFolds(folds).folds,
  });
  const leaves = (scheme: FoldScheme): number[] =>
    foldSection(scheme, 1, '').folded?.stacks[0]?.map(({ column }) => column) ?? [];

  it('an accordion lies in the order of its panels, over and under by turns (identity)', () => {
    expect(leaves(own(4, 1, 'right over left at 3; right under left at 2; right over left at 1'))).toEqual([
      0, 1, 2, 3,
    ]);
    // All over: the last panel is rolled into the packet.
    expect(leaves(own(4, 1, 'right over left at 3; right over left at 2; right over left at 1'))).toEqual([0, 2, 3, 1]);
  });

  it('one fold under shows on the inner side what one fold over shows on the outer (identity)', () => {
    const [over, under] = ['over', 'under'].map((way) => imposed(own(2, 1, `right ${way} left`)));
    expect(pageRows(over?.outer ?? [], 2, 1)).toEqual([[4, 1]]);
    expect(pageRows(under?.inner ?? [], 2, 1)).toEqual([[4, 1]]);
    expect(pageRows(under?.outer ?? [], 2, 1)).toEqual([[2, 3]]);
  });

  it('every scheme that ships is read back from its list (identity)', () => {
    for (const { folds } of FOLD_SCHEMES)
      expect(readFolds(foldsText(folds)).folds.map(({ kind, direction, at }) => [kind, direction, at])).toEqual(
        folds.map(({ kind, direction, at }) => [kind, direction, at]),
      );
  });

  it.each([
    ['', '0 folds'],
    ['right over right', 'right over right'],
    ['right over left; sideways', 'sideways'],
    ['right over left at 0', 'right over left at 0'],
    [Array.from({ length: 13 }, () => 'right over left').join(';'), '13 folds'],
  ])('says what it cannot read in “%s”', (text, wrong) => {
    expect(readFolds(text)).toEqual({ folds: [], wrong });
  });

  it('never throws, whatever is listed', () => {
    const fold = fc.tuple(
      fc.constantFrom('right', 'left', 'top', 'bottom'),
      fc.constantFrom('over', 'under'),
      fc.constantFrom('right', 'left', 'top', 'bottom'),
      fc.integer({ min: 1, max: 9 }),
    );
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 8 }),
        fc.integer({ min: 1, max: 8 }),
        fc.array(fold, { maxLength: 8 }),
        (columns, rows, all) => {
          const scheme = own(columns, rows, all.map(([a, way, b, at]) => `${a} ${way} ${b} at ${at}`).join('; '));
          const { imposition, issues } = impose(scheme, 1, '');
          if (!imposition) expect(issues).toHaveLength(1);
          else
            expect([...imposition.outer, ...imposition.inner].map(({ page }) => page).sort((a, b) => a - b)).toEqual(
              Array.from({ length: pagesOfScheme(scheme) }, (_, i) => i + 1),
            );
        },
      ),
    );
  });
});
