import { happenedCsv } from './happened-csv.js';
import { MACHINE_TYPES, SHIPPED_WORKS, readPriceList } from '@druckerei/core';
import { MOST_LINES, decodeText, machinesCsv, readMachines, readTable, refusedCsv, stocksCsv } from '../tables.js';

describe('machines as a table', () => {
  it('come back as they went', () => {
    const { machines, wrong } = readMachines(machinesCsv(MACHINE_TYPES));
    expect(wrong).toEqual([]);
    expect(machines).toEqual(MACHINE_TYPES);
  });

  it('are read in any order of columns, with what they need and no more', () => {
    const text =
      'name;process;takes.maxMm.0;takes.maxMm.1;takes.minMm.0;takes.minMm.1;takes.minCaliperUm;takes.maxCaliperUm\nFolder by the wall;folder;740;520;100;70;40;300,5';
    expect(readMachines(text)).toEqual({
      machines: [
        {
          id: 'folder-by-the-wall',
          name: 'Folder by the wall',
          process: 'folder',
          takes: { maxMm: [740, 520], minMm: [100, 70], minCaliperUm: 40, maxCaliperUm: 300.5 },
        },
      ],
      wrong: [],
    });
  });

  it.each([
    ['a kind that is none', 'name,process\nX,wizard', 2, 'process'],
    ['a figure in words', 'name,process,takes.maxG\nX,trimmer,heavy', 2, 'takes.maxG'],
    ['a column that is none', 'name,process,colour\nX,hand,red', 1, 'colour'],
    ['half a group', 'name,process,takes.maxG\nX,trimmer,300', 2, 'takes.maxMm'],
    ['a flag that is none', 'name,process,cutsStacks\nX,hand,perhaps', 2, 'cutsStacks'],
  ])('%s is told by line and column', (_, text, line, column) => {
    expect(readMachines(text).wrong).toContainEqual(expect.objectContaining({ line, column }));
  });

  it('never fail on what is no table', () => {
    for (const text of ['', '\u0000', '"', ',,,\n,,', 'id\n../../etc']) expect(readMachines(text).machines).toEqual([]);
  });
});

describe('papers as a table', () => {
  it('come back from their own list, none changed', () => {
    const sold = SHIPPED_WORKS.stocks.filter(({ flutes }) => !flutes);
    const [, ...rows] = readTable(stocksCsv(sold, () => 1.2, 'EUR')).rows;
    const columns = { name: 0, gsm: 1, bulk: 2, coated: 3, size: 4, grain: 5, roll: 6, price: 7, currency: 8 };
    const key = { columns, decimal: '.', per: 'kg', bulk: 1, coated: false, grain: 'long' } as const;
    const { stocks, prices, wrong } = readPriceList(rows, key, { ...SHIPPED_WORKS, stocks: sold });
    expect(wrong).toEqual([]);
    expect(stocks).toEqual(sold);
    expect(new Set(prices.map(({ perKg }) => perKg))).toEqual(new Set([1.2]));
  });
});

describe('a table', () => {
  it.each([
    [
      'a\tb,1\nc\td,2',
      '\t',
      [
        ['a', 'b,1'],
        ['c', 'd,2'],
      ],
    ],
    [
      'a;1,5\nb;2,5',
      ';',
      [
        ['a', '1,5'],
        ['b', '2,5'],
      ],
    ],
    ['"a, b",1.5\n', ',', [['a, b', '1.5']]],
  ])('out of %j', (text, parted, rows) => {
    expect(readTable(text)).toEqual({ rows, parted, cut: false });
  });
  it('is decoded as it was written', () => {
    expect(decodeText(new TextEncoder().encode('Bögen'))).toBe('Bögen');
    expect(decodeText(Uint8Array.from([0x42, 0xf6, 0x67]))).toBe('Bög');
    expect(decodeText(Uint8Array.from([0xff, 0xfe, 0x42, 0x00]))).toBe('B');
  });
});

describe('planned and happened as a table', () => {
  it('has a line for every sum and difference; what a sheet would run is escaped, numbers are not', () => {
    const sums = (sheets: number) => ({ sheets, hours: 1.5, cost: 100 + sheets / 10 });
    const text = happenedCsv({
      ...{ month: '2026-11', months: [], currency: 'EUR', waiting: 0 },
      jobs: [
        {
          job: { id: 1, number: 'D-1', title: '=1+1', customer: 'Weir, Mill', due: '2026-11-12' },
          ...{ closed: 1, last: '2026-11-10T08:00:00Z', late: -2 },
          ...{ planned: sums(1_000), happened: sums(900) },
          differences: [
            {
              ...{ step: 'cut', title: 'Cut', machine: null, what: 'running spoils', unit: 'sheet' },
              ...{ planned: 10, happened: 60, cost: -2.5, reasons: [['crease', 60]] },
            },
          ],
        },
      ],
    });
    const { rows } = readTable(text);
    expect(rows).toHaveLength(5);
    expect(text).toContain("'=1+1");
    expect(rows[1]?.slice(0, 5)).toEqual(['D-1', '=1+1', 'Weir, Mill', '2026-11-12', '-2']);
    expect(rows[3]?.slice(7, 12)).toEqual(['cost', 'EUR', '200', '190', '-10']);
    expect(rows[4]?.slice(5)).toEqual(['Cut', '', 'running spoils', 'sheet', '10', '60', '-2.5', 'EUR', 'crease 60']);
  });
});

describe('lines that were not taken', () => {
  it('come back as they stood, with the reason beside them, and run nothing in a sheet', () => {
    const text = refusedCsv(
      ['Title', 'Copies'],
      [{ line: 4, cells: ['=1+1', '5,0', 'beyond'], why: 'The quantity is no whole number.' }],
    );
    expect(text.split('\r\n')).toEqual(['Title,Copies,Line,Why', `"'=1+1","5,0",4,The quantity is no whole number.`]);
    // Read again they are what they were.
    expect(readTable(text).rows[1]?.slice(0, 2)).toEqual(['=1+1', '5,0']);
  });
});

describe('a table that is too long', () => {
  it('says that lines behind the most were not read', () => {
    const line = 'a,b';
    // The heading is no line of the list.
    const MOST_ROWS = MOST_LINES + 1;
    const most = readTable(Array.from({ length: MOST_ROWS }, () => `${line}\n`).join(''));
    expect([most.rows.length, most.cut]).toEqual([MOST_ROWS, false]);
    const more = readTable(Array.from({ length: MOST_ROWS + 1 }, () => line).join('\n'));
    expect([more.rows.length, more.cut]).toEqual([MOST_ROWS, true]);
  });
});
