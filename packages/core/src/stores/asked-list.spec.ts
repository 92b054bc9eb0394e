import { SHIPPED_WORKS } from '../works/index.js';
import { type AskedListKey, guessAskedColumns, perOf, readAskedPrices } from './asked-list.js';
import { knownItems } from './known-items.js';

const items = knownItems(SHIPPED_WORKS, []);
const HEADINGS = ['Article', 'Price', 'Per', 'Minimum', 'Valid from', 'Valid until'];
const KEY: AskedListKey = {
  columns: guessAskedColumns(HEADINGS),
  decimal: ',',
  dates: 'day',
  per: { per: 100, measure: 'kg' },
  currency: 'EUR',
};
const read = (rows: readonly (readonly string[])[], change: Partial<AskedListKey> = {}) =>
  readAskedPrices(rows, { ...KEY, ...change }, items);
const why = (row: readonly string[]): string[] => {
  const [line] = read([row]);
  return line && 'issues' in line ? line.issues.map(({ code, path }) => `${code} ${path}`) : [];
};
const SILK = 'Silk coated 115 g';

describe('a list of what a supplier asks', () => {
  it('has its columns known by their headings, English or German', () => {
    expect(KEY.columns).toEqual({ item: 0, price: 1, per: 2, from: 3, first: 4, last: 5 });
    expect(guessAskedColumns(['Bezeichnung', 'Preis EUR', 'je', 'Staffel', 'gültig ab', 'gültig bis'])).toEqual({
      ...{ item: 0, price: 1, per: 2, from: 3, first: 4, last: 5 },
    });
  });

  it('is read with figures and days as they are written', () => {
    expect(
      read([
        [`${SILK}, every size`, '€ 1.204,50', '1.000 kg', '500 kg', '1.12.2026', '31.03.2027'],
        ['', '', '', '', '', ''],
        [SILK.toUpperCase(), '97', '', '', '', ''],
        ['packing/box', '0,78', 'each', '', '', ''],
      ]),
    ).toEqual([
      {
        line: 2,
        price: {
          ...{ item: 'paper/silk-115', price: 1204.5, per: 1000, measure: 'kg', from: 500 },
          ...{ validFrom: '2026-12-01', validUntil: '2027-03-31' },
        },
      },
      { line: 4, price: { item: 'paper/silk-115', price: 97, per: 100, measure: 'kg' } },
      { line: 5, price: { item: 'packing/box', price: 0.78, per: 1, measure: 'unit' } },
    ]);
  });

  it.each([
    [['', '97'], 'list.cell-missing item'],
    [['Moonlight', '97'], 'list.unknown-item item'],
    [[SILK, ''], 'list.cell-missing price'],
    [[SILK, '12 or 13'], 'list.not-a-number price'],
    [[SILK, '-4'], 'list.not-a-number price'],
    [[SILK, 'USD 97'], 'list.other-currency price'],
    [[SILK, '97', '12 kg'], 'list.per-unknown per'],
    [[SILK, '97', '100 m2'], 'list.per-unknown per'],
    [[SILK, '97', '', 'some 2,2,2'], 'list.not-a-number from'],
    [[SILK, '97', '', '', 'spring'], 'list.date first'],
    [[SILK, '97', '', '', '', '31.2.2027'], 'list.date last'],
    [[SILK, '97', '', '', '2.1.2027', '1.1.2027'], 'list.ends-before last'],
  ])('refuses %j by its column', (row, told) => {
    expect(why(row)).toEqual([told]);
  });

  it('tells all that is wrong with a line, and nothing of the others', () => {
    const lines = read([
      ['Moonlight', 'much'],
      [SILK, '97'],
      ['x', '1', 'y'],
    ]);
    expect(lines.map((line) => ('issues' in line ? line.issues.length : 0))).toEqual([2, 0, 2]);
  });
});

describe('what a price is for', () => {
  it.each([
    ['100 kg', { per: 100, measure: 'kg' }],
    ['1,000 sheets', { per: 1000, measure: 'unit' }],
    ['kg', { per: 1, measure: 'kg' }],
    ['t', { per: 1000, measure: 'kg' }],
    ['each', { per: 1, measure: 'unit' }],
    ['1000', { per: 1000, measure: 'unit' }],
    ['12 kg', undefined],
    ['100 g/m2', undefined],
  ])('%s', (cell, per) => {
    expect(perOf(cell)).toEqual(per);
  });
});
