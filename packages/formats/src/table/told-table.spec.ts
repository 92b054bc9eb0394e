import Papa from 'papaparse';
import readSheets from 'read-excel-file/node';
import { type ToldTable, toldCell, toldCsv, toldWorkbook } from '../tables.js';

/** What a reader of workbooks makes of one. */
const opened = async (tables: readonly ToldTable[]): Promise<{ sheet: string; data: unknown[][] }[]> =>
  readSheets(Buffer.from(await (await toldWorkbook(tables)).arrayBuffer()));

const figure = (value: number, unit = '', places = 0) => ({ value, unit, places });
const TABLE: ToldTable = {
  name: 'Papers',
  headings: [['Paper', 'Weight', 'Left', 'Note']],
  rows: [
    ['Gloss 135', figure(1250.5, 'kg', 1), figure(-3), '=1+1'],
    ['Böard, "thick"', figure(0.25, 'kg', 2), '', ' spaces\nand lines'],
    ['0012', '', figure(7, 'sheets'), '4 of 7'],
  ],
};

describe('a cell', () => {
  it.each([
    ['1,250.5 kg', figure(1250.5, 'kg', 1)],
    ['-3', figure(-3)],
    ['−12.50 EUR', figure(-12.5, 'EUR', 2)],
    ['0.250', figure(0.25, '', 3)],
    ['12 %', figure(12, '%')],
    ['135 g/m²', figure(135, 'g/m²')],
    ['1,000,000', figure(1_000_000)],
  ])('%s is a figure', (text, told) => {
    expect(toldCell(text)).toEqual(told);
  });
  it.each([
    '',
    '2026',
    '0012',
    '30 Nov 2026',
    '4 of 7',
    '1,25',
    '12,34,567',
    '1.250,5 kg',
    'B2',
    '3 of what was asked for',
    '1 2',
    '-',
    '1e5',
  ])('%s stays words', (text) => {
    expect(toldCell(text)).toBe(text);
  });
});

describe('a table as CSV', () => {
  it('has plain figures, the unit of a whole column in its heading, and nothing that a sheet would run', () => {
    const { data } = Papa.parse<string[]>(toldCsv(TABLE));
    expect(data).toEqual([
      ['Paper', 'Weight (kg)', 'Left', 'Note'],
      ['Gloss 135', '1250.5', '-3', "'=1+1"],
      ['Böard, "thick"', '0.25', '', ' spaces\nand lines'],
      ['0012', '', '7 sheets', '4 of 7'],
    ]);
  });
  it('without headings keeps its units in its cells', () => {
    expect(toldCsv({ name: '', headings: [], rows: [[figure(2, 'h')]] })).toBe('2 h');
  });
});

describe('tables as a workbook', () => {
  it('are read by a reader of workbooks as they were told: figures as numbers, words as words', async () => {
    const [sheet] = await opened([TABLE]);
    expect(sheet?.sheet).toBe('Papers');
    expect(sheet?.data).toEqual([
      ['Paper', 'Weight', 'Left', 'Note'],
      ['Gloss 135', 1250.5, -3, '=1+1'],
      ['Böard, "thick"', 0.25, null, expect.stringContaining('spaces\nand lines')],
      ['0012', null, 7, '4 of 7'],
    ]);
  });
  it('have names that a sheet may have, each its own', async () => {
    const long = 'Planned and happened of all jobs of the month';
    const names = ['a/b', 'A B', '', long, long, "'quoted'", '[x]:*?'].map((name) => ({ ...TABLE, name }));
    const found = (await opened(names)).map(({ sheet }) => sheet);
    expect(found.slice(0, 3)).toEqual(['a b', 'A B 2', 'Table']);
    expect(new Set(found.map((name) => name.toLowerCase())).size).toBe(names.length);
    for (const name of found) expect(name).toMatch(/^(?!')[^[\]:*?/\\]{1,31}(?<!')$/);
  });
  it('hold what XML cannot hold without it, and a cell that is too long cut', async () => {
    const [sheet] = await opened([
      { name: 'x', headings: [], rows: [['a\u0000b\u001b\ud800', 'y'.repeat(40_000), '<&>"']] },
    ]);
    const [row] = sheet?.data ?? [];
    expect([row?.[0], (row?.[1] as string).length, row?.[2]]).toEqual(['ab', 32_767, '<&>"']);
  });
});
