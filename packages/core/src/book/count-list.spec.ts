import { guessCountColumns, readCountList, stationNamed } from './count-list.js';

const key = {
  columns: { job: 0, station: 1, when: 2, good: 3, spoiled: 4, reason: 5 },
  dates: 'day',
} as const;
const read = (...row: string[]) => readCountList([row], key)[0];
const codes = (...row: string[]): string[] => {
  const line = read(...row);
  return line && 'issues' in line ? line.issues.map(({ code, path }) => `${code} ${path}`) : [];
};

describe('a list of counts', () => {
  it('tells what a station made when, with a reason for what spoiled', () => {
    expect(read('HB-2041', 'Fold', '2026-11-30 14:05', '1,200', '35 sheets', 'crease')).toEqual({
      ...{ line: 2, job: 'HB-2041', station: 'Fold', at: '2026-11-30T14:05', good: 1200, spoiled: 35 },
      reason: 'crease',
    });
    expect(read('HB-2041', 'Fold', '30.11.2026, 9:30:12', '', '7')).toMatchObject({
      at: '2026-11-30T09:30',
      good: 0,
      spoiled: 7,
    });
  });

  it('takes a moment with its offset as it is, and the time of day out of a column of its own', () => {
    expect(read('A', 'B', '2026-11-30T14:05:33+02:00', '1')).toMatchObject({ at: '2026-11-30T12:05:33.000Z' });
    const apart = { ...key, columns: { ...key.columns, time: 6 } };
    expect(readCountList([['A', 'B', '4/5/2027', '1', '', '', '7:05']], { ...apart, dates: 'month' })).toMatchObject([
      { at: '2027-04-05T07:05' },
    ]);
  });

  it('says of each cell what is wrong with it, and leaves empty lines out', () => {
    expect(codes('', '', '', '1')).toEqual([
      'list.cell-missing job',
      'list.cell-missing station',
      'list.cell-missing when',
    ]);
    expect(codes('A', 'B', '2026-11-31 14:05', '1')).toEqual(['list.moment when']);
    expect(codes('A', 'B', '2026-11-30', '1')).toEqual(['list.moment when']);
    expect(codes('A', 'B', '2026-11-30 25:00', '1')).toEqual(['list.moment when']);
    expect(codes('A', 'B', '2026-11-30 14:05', 'many', '-3')).toEqual([
      'list.not-a-number good',
      'list.not-a-number spoiled',
    ]);
    expect(read('A', 'B', '2026-11-30 14:05', '1.200')).toMatchObject({ good: 1200 });
    for (const part of ['1.5', '1,5', '12.00', '1.2345'])
      expect(codes('A', 'B', '2026-11-30 14:05', part)).toEqual(['list.not-whole good']);
    expect(codes('A', 'B', '2026-11-30 14:05', '0', '')).toEqual(['list.nothing-counted good']);
    expect(
      readCountList(
        [
          ['', ' '],
          ['A', 'B', '2026-11-30 14:05', '1'],
        ],
        key,
      ),
    ).toMatchObject([{ line: 3 }]);
  });

  it('knows its columns by their headings, English and German', () => {
    expect(guessCountColumns(['Order', 'Machine', 'Date', 'Time', 'Good', 'Waste', 'Reason'])).toEqual({
      ...{ job: 0, station: 1, when: 2, time: 3, good: 4, spoiled: 5, reason: 6 },
    });
    expect(guessCountColumns(['Datum', 'Auftrag', 'Maschine', 'Gutmenge', 'Makulatur', 'Grund'])).toEqual({
      ...{ when: 0, job: 1, station: 2, good: 3, spoiled: 4, reason: 5 },
    });
  });
});

describe('a station by its name', () => {
  const steps = [
    { id: 'print-map', title: 'Print, Map', machine: 'b2-four', machineName: 'Four-colour press' },
    { id: 'dry-map', title: 'Dry, Map', machine: null, machineName: null },
    { id: 'fold', title: 'Fold', machine: 'buckle', machineName: 'Buckle folder' },
    { id: 'fold-2', title: 'Fold again', machine: 'buckle', machineName: 'Buckle folder' },
  ];
  it.each([
    ['fold', 'fold'],
    ['FOLD-2', 'fold-2'],
    ['print map', 'print-map'],
    ['four-colour PRESS', 'print-map'],
    ['B2-four', 'print-map'],
    ['Buckle folder', 'several'],
    ['buckle', 'several'],
    ['Guillotine', 'none'],
    ['', 'none'],
  ])('%s is %s', (name, is) => {
    const found = stationNamed(steps, name);
    expect(typeof found === 'string' ? found : found.id).toBe(is);
  });
});
