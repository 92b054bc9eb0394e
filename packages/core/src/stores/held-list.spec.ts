import { SHIPPED_WORKS, paperKey } from '../works/index.js';
import { type HeldListKey, guessHeldColumns, readHeldList } from './held-list.js';
import { paperName } from './needs.js';

const works = {
  ...SHIPPED_WORKS,
  stocks: [
    {
      ...{ id: 'silk', name: 'Silk 90', gsm: 90, bulk: 0.8, coated: true, rollWidthsMm: [870] },
      sheets: [
        { widthMm: 720, heightMm: 1020, grain: 'height' as const },
        { widthMm: 700, heightMm: 1000, grain: 'width' as const },
        { widthMm: 700, heightMm: 1000, grain: 'height' as const },
      ],
    },
    {
      ...{ id: 'card', name: 'Card 300', gsm: 300, bulk: 1.2, coated: false },
      sheets: [{ widthMm: 450, heightMm: 640, grain: 'width' as const }],
    },
    { ...{ id: 'old', name: 'Old 100', gsm: 100, bulk: 1, coated: false, retired: true }, sheets: [] },
  ],
};
const others = [{ key: 'ink/Night blue', kind: 'ink' as const, name: 'Night blue', unit: 'kg' }];
const key: HeldListKey = { columns: { item: 0, size: 1, grain: 2, quantity: 3, place: 4 }, decimal: '.' };
const read = (rows: string[][], more: Partial<HeldListKey> = {}) =>
  readHeldList(rows, { ...key, ...more }, { works, papers: HELD, others });
/** What lies there in a size of its own, and of a paper that is bought no more. */
const HELD = [
  { stock: 'silk', widthMm: 500, heightMm: 640, grain: 'height' as const },
  { stock: 'old', widthMm: 640, heightMm: 900, grain: 'width' as const },
];
const one = (...cells: string[]) => {
  const [line] = read([cells]);
  if (!line) return undefined;
  return 'held' in line ? line.held : line.issues.map(({ code, path }) => `${code} ${path ?? ''}`);
};
const CARD = { stock: 'card', widthMm: 450, heightMm: 640, grain: 'width' as const };
const silk = (widthMm: number, heightMm: number, grain: 'width' | 'height') => ({
  stock: 'silk',
  widthMm,
  heightMm,
  grain,
});

describe('a list of what lies in the stores', () => {
  it.each([
    ['a size that the paper comes in', ['Silk 90', '720 x 1020', '', '1,200', ''], silk(720, 1020, 'height'), 1200],
    [
      'the same the other way round, in centimetres',
      ['silk 90', '102 × 72', '', '5', ''],
      silk(720, 1020, 'height'),
      5,
    ],
    ['one of two by its grain', ['Silk 90', '700x1000 mm', '700', '5 sheets', ''], silk(700, 1000, 'width'), 5],
    ['a size of its own by its grain', ['SILK 90', '500 x 640', '640', '0', ''], silk(640, 500, 'width'), 0],
    ['a roll', ['Silk 90', '870 mm', '', '3 rolls', ''], { stock: 'silk', widthMm: 870 }, 3],
    ['the only size', ['Card 300', '', '', '10', ''], CARD, 10],
  ])('knows a paper by %s', (_, cells, paper, quantity) => {
    expect(one(...cells)).toEqual({ key: paperKey(paper), paper, quantity });
  });

  it('knows every paper in every size by its name and by its key, as the stores write it', () => {
    for (const stock of works.stocks.slice(0, 2))
      for (const sheet of stock.sheets) {
        const paper = { stock: stock.id, ...sheet };
        for (const name of [paperName(paper, works), paperKey(paper), paperName(paper, works).replace('×', 'x')])
          expect(one(name, '', '', '7', 'Row 1')).toEqual({ key: paperKey(paper), paper, quantity: 7, place: 'Row 1' });
      }
  });

  it('knows what lies there by its name: in a size of its own, of a paper that is kept no longer', () => {
    for (const paper of HELD)
      expect(one(paperName(paper, works), '', '', '3', '')).toEqual({ key: paperKey(paper), paper, quantity: 3 });
  });

  it('knows what is no paper by its name: what jobs need, what stations use up', () => {
    expect(one('night BLUE', '', '', '12.5 kg', 'Ink room')).toEqual({
      ...{ key: 'ink/Night blue', other: { kind: 'ink', name: 'Night blue', unit: 'kg' } },
      ...{ quantity: 12.5, place: 'Ink room' },
    });
    expect(read([['Night blue', '', '', '12,5', '']], { decimal: ',' })[0]).toMatchObject({ held: { quantity: 12.5 } });
  });

  it.each([
    ['nothing that is known', ['Silver 70', '', '', '1', ''], ['list.unknown-item item']],
    ['a paper that is kept no longer', ['Old 100', '', '', '1', ''], ['list.unknown-item item']],
    ['one of several sizes', ['Silk 90', '', '', '1', ''], ['list.cell-missing size']],
    ['no size', ['Silk 90', 'B1', '', '1', ''], ['list.size-unknown size']],
    ['one of two grains', ['Silk 90', '700 x 1000', '', '1', ''], ['list.cell-missing grain']],
    ['a grain along no side', ['Silk 90', '700 x 1000', '640', '1', ''], ['list.size-unknown grain']],
    ['a size of its own without its grain', ['Silk 90', '500 x 640', '', '1', ''], ['list.cell-missing grain']],
    ['parts of a sheet', ['Card 300', '', '', '1.5', ''], ['list.not-whole quantity']],
    ['less than nothing', ['Card 300', '', '', '-3', ''], ['list.not-a-number quantity']],
    ['no figure', ['Card 300', '', '', 'some', ''], ['list.not-a-number quantity']],
    ['nothing but a place', ['', '', '', '', 'Row 1'], ['list.cell-missing item', 'list.cell-missing quantity']],
  ])('refuses %s with its column', (_, cells, issues) => {
    expect(one(...cells)).toEqual(issues);
  });

  it('adds up what is of one thing at one place, told by its first line; without places all of it together', () => {
    const lines = read([
      ['Card 300', '', '', '10', 'Row 1'],
      ['', '', '', '', ''],
      ['Night blue', '', '', '1', ''],
      ['Card 300', '', '', '5', 'Row 2'],
      ['Card 300', '', '', '7', 'Row 1'],
      ['Card 300', '', '', '2', ''],
      ['Night blue', '', '', '2', ''],
    ]);
    expect(lines.map((line) => ('held' in line ? [line.line, line.held.quantity, line.held.place] : line))).toEqual([
      [2, 17, 'Row 1'],
      [4, 3, undefined],
      [5, 5, 'Row 2'],
      [7, 2, ''],
    ]);
  });

  it('guesses its columns by English and German headings', () => {
    expect(guessHeldColumns(['What', 'Where', 'On hand', 'Free'])).toEqual({ item: 0, place: 1, quantity: 2 });
    expect(guessHeldColumns(['Lagerort', 'Artikel', 'Format', 'Laufrichtung', 'Bestand'])).toEqual({
      ...{ place: 0, item: 1, size: 2, grain: 3, quantity: 4 },
    });
  });
});
