import fc from 'fast-check';
import {
  type PriceListKey,
  SHIPPED_WORKS,
  checkStock,
  guessColumns,
  guessDecimal,
  idOf,
  readAmount,
  readPriceList,
  readSheetSize,
} from './index.js';

const KEY: PriceListKey = {
  columns: { name: 0, gsm: 1, size: 2, grain: 3, price: 4 },
  decimal: ',',
  per: '100 kg',
  bulk: 1.25,
  coated: false,
  grain: 'long',
};
const read = (rows: string[][], key: Partial<PriceListKey> = {}) =>
  readPriceList(rows, { ...KEY, ...key }, SHIPPED_WORKS);

describe('a price list', () => {
  it('gives a paper in all its sizes, with its price a kilogram', () => {
    const { stocks, prices, wrong } = read([
      ['Werkdruck hell', '90 g', '70 x 100', 'SB', '118,50'],
      ['Werkdruck hell', '90', '610 × 860 mm', 'BB', '118,50'],
      ['', '', '', '', ''],
      ['Werkdruck hell', '120', '70 x 100', 'SB', '1.118,50'],
    ]);
    expect(wrong).toEqual([]);
    expect(stocks).toEqual([
      {
        id: 'werkdruck-hell-90-g',
        name: 'Werkdruck hell 90 g',
        gsm: 90,
        bulk: 1.25,
        coated: false,
        sheets: [
          { widthMm: 1000, heightMm: 700, grain: 'width' },
          { widthMm: 860, heightMm: 610, grain: 'height' },
        ],
      },
      expect.objectContaining({ id: 'werkdruck-hell-120-g', gsm: 120 }),
    ]);
    expect(prices).toEqual([
      { stock: 'werkdruck-hell-90-g', perKg: 1.185 },
      { stock: 'werkdruck-hell-120-g', perKg: 11.185 },
    ]);
  });

  // By hand: 1,000 sheets of 700 x 1000 mm of 100 g/m2 weigh 70 kg.
  it.each([
    ['kg', '1,40', 1.4],
    ['100 kg', '140', 1.4],
    ['t', '1.400', 1.4],
    ['1000 sheets', '98', 1.4],
    ['m2', '0,14', 1.4],
  ] as const)('priced per %s', (per, price, perKg) => {
    expect(read([['Offset', '100', '70 x 100', '', price]], { per }).prices).toEqual([
      { stock: 'offset-100-g', perKg },
    ]);
  });

  it('knows a paper of the works again, adds to it, and keeps what the list does not say', () => {
    const [silk] = SHIPPED_WORKS.stocks;
    if (!silk) throw new Error('no stock');
    const line = [silk.name, String(silk.gsm), '64 x 90', 'short', '120'];
    const added = { ...silk, sheets: [...silk.sheets, { widthMm: 900, heightMm: 640, grain: 'height' }] };
    expect(read([line]).stocks).toEqual([added]);
    const told = { ...KEY, columns: { ...KEY.columns, coated: 5, bulk: 6 } };
    expect(read([[...line, 'no', '1,1']], told).stocks).toEqual([{ ...added, coated: false, bulk: 1.1 }]);
  });

  it('takes the highest of prices that differ, and says so', () => {
    const { prices, differing } = read([
      ['Offset', '100', '70 x 100', '', '140'],
      ['Offset', '100', '61 x 86', '', '150'],
    ]);
    expect([prices, differing]).toEqual([[{ stock: 'offset-100-g', perKg: 1.5 }], ['Offset 100 g']]);
  });

  it.each([
    ['no name', ['', '90', '70 x 100', '', '1'], 'list.cell-missing', 'name'],
    ['no weight', ['A', '', '70 x 100', '', '1'], 'list.cell-missing', 'gsm'],
    ['a weight in words', ['A', 'heavy', '70 x 100', '', '1'], 'list.not-a-number', 'gsm'],
    ['no size', ['A', '90', '', '', '1'], 'list.no-size', 'size'],
    ['a size that is none', ['A', '90', 'A4', '', '1'], 'list.no-size', 'size'],
    ['grain that is none', ['A', '90', '70 x 100', 'diagonal', '1'], 'list.word-unknown', 'grain'],
    ['a price in words', ['A', '90', '70 x 100', '', 'on request'], 'list.not-a-number', 'price'],
    ['a price below nothing', ['A', '90', '70 x 100', '', '-3'], 'list.not-a-number', 'price'],
    ['another currency', ['A', '90', '70 x 100', '', '$ 3,10'], 'list.other-currency', 'price'],
    ['another currency by its code', ['A', '90', '70 x 100', '', '3,10 CHF'], 'list.other-currency', 'price'],
    ['a point where a comma is told', ['A', '90', '70 x 100', '', '1.5'], 'list.not-a-number', 'price'],
    ['a sheet as large as a room', ['A', '90', '9000 x 12000 mm', '', '1'], 'works.sheet-size', 'sheets[0]'],
  ])('a line with %s is told, the others are taken', (_, row, code, path) => {
    const { stocks, wrong } = read([
      ['Good', '90', '70 x 100', '', '100'],
      row,
      ['Better', '90', '70 x 100', '', '100'],
    ]);
    expect(wrong.map(({ line, issue }) => [line, issue.code, issue.path])).toEqual([[3, code, path]]);
    expect(stocks.map(({ name }) => name)).toEqual(['Good 90 g', 'Better 90 g']);
  });

  it('of five thousand lines is read whole, with every mistake by its line', () => {
    const rows = Array.from({ length: 5000 }, (_, i) =>
      i % 100 === 7 ? ['', '90', 'x', '', 'y'] : [`Paper ${i}`, '90', '70 x 100', '', '100'],
    );
    const { stocks, wrong } = read(rows);
    expect(stocks).toHaveLength(4950);
    expect(new Set(stocks.map(({ id }) => id)).size).toBe(4950);
    expect(new Set(wrong.map(({ line }) => line))).toEqual(
      new Set(rows.flatMap((_, i) => (i % 100 === 7 ? [i + 2] : []))),
    );
  });

  it('gives papers that can be planned on, whatever stands in it', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.oneof(fc.string(), fc.constantFrom('90', '70 x 100', '1,5', 'SB')), { maxLength: 6 })),
        (rows) => {
          const { stocks, prices } = read(rows);
          expect(stocks.flatMap((stock) => checkStock(stock))).toEqual([]);
          expect(prices.every(({ perKg }) => Number.isFinite(perKg) && perKg >= 0)).toBe(true);
        },
      ),
      { seed: 17 },
    );
  });
});

describe('what stands in cells', () => {
  it.each([
    ['1,234.5', '.', 1234.5],
    ['1.234,5', ',', 1234.5],
    ['12 345', '.', 12345],
    ["1'200.50", '.', 1200.5],
    ['1,23', '.', undefined],
    ['1e9', '.', undefined],
    ['', '.', undefined],
  ] as const)('%s with %s', (cell, decimal, value) => {
    expect(readAmount(cell, decimal)).toBe(value);
  });
  it.each([
    ['70 x 100', [1000, 700]],
    ['61,5x86 cm', [860, 615]],
    ['720 mm × 1020 mm', [1020, 720]],
    ['450*640', [640, 450]],
    ['A4', undefined],
    ['0 x 100', undefined],
  ] as const)('the size %s', (cell, size) => {
    expect(readSheetSize(cell, ',')).toEqual(size);
  });
  it('headings are known in both languages', () => {
    expect(guessColumns(['Papier', 'g/m²', 'Format', 'Laufrichtung', 'Preis EUR'])).toEqual({
      name: 0,
      gsm: 1,
      size: 2,
      grain: 3,
      price: 4,
    });
    expect(guessColumns(['Grade', 'Weight', 'Sheet size', 'Grain', 'Price', 'Currency'])).toEqual({
      name: 0,
      gsm: 1,
      size: 2,
      grain: 3,
      price: 4,
      currency: 5,
    });
    expect([guessDecimal([['1,50', '2,75']]), guessDecimal([['1.50', 'a']])]).toEqual([',', '.']);
  });
  it('ids are made of names, each its own', () => {
    expect(idOf('Bücherkarton 1.300 g', new Set())).toBe('bucherkarton-1-300-g');
    expect(idOf('纸', new Set(['item']))).toBe('item-2');
  });
});
