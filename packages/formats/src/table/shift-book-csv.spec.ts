import { readTable } from './read-table.js';
import { shiftBookCsv } from './shift-book-csv.js';

describe('the shift book as a table', () => {
  const line = {
    machine: 'Press, large',
    begins: '2026-11-30T07:00',
    through: '2026-11-30T08:10',
    job: 'J-1',
    title: '=1+1',
    station: 'Print "front"',
    setUpMin: 35,
    changes: '2 wash-ups',
    waitsFor: '',
  };
  it('is read back as it was, and runs nothing', () => {
    const text = shiftBookCsv([line]);
    expect(text).toContain(`,"'=1+1",`);
    const { rows } = readTable(text, ',');
    expect(rows.at(-1)).toEqual([
      'Press, large',
      '2026-11-30 07:00',
      '2026-11-30 08:10',
      'J-1',
      '=1+1',
      'Print "front"',
      '35',
      '2 wash-ups',
      '',
    ]);
  });
});
