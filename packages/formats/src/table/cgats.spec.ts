import fc from 'fast-check';
import { type CgatsReading, readCgats, readingsOf, writeCgats } from './cgats.js';

const back = (text: string) => readingsOf(readCgats(text));

describe('measurements as a file', () => {
  it('come back as they went, whatever they are called (property)', () => {
    const reading: fc.Arbitrary<CgatsReading> = fc.record({
      of: fc.constantFrom('density', 'colour', 'register'),
      name: fc.string({ maxLength: 30 }).map((text) => text.replace(/[\r\n\u2028\u2029]/g, ' ')),
      sheet: fc.option(fc.integer({ min: 0, max: 1e9 }), { nil: undefined }),
      value: fc.double({ min: -100, max: 100, noNaN: true }).map((value) => Math.round(value * 1e4) / 1e4 || 0),
    });
    fc.assert(
      fc.property(fc.array(reading, { maxLength: 20 }), fc.string(), (readings, title) => {
        const { readings: read, faults } = back(writeCgats(readings, title, '2026-11-30'));
        expect(faults).toEqual([]);
        // Nothing is called by its number where it has no name.
        expect(read).toEqual(readings.map((one, i) => ({ ...one, name: one.name || String(i + 1) })));
      }),
    );
  });

  it('are read with comments, quoted texts and several tables', () => {
    const text = [
      'CGATS.17 # a comment',
      'ORIGINATOR "An ""instrument"""',
      'NUMBER_OF_FIELDS 3',
      'BEGIN_DATA_FORMAT',
      'SAMPLE_ID SAMPLE_NAME D_VIS',
      'END_DATA_FORMAT',
      'NUMBER_OF_SETS 1',
      'BEGIN_DATA',
      '1 "Night blue" 1.43',
      'END_DATA',
      'BEGIN_DATA_FORMAT SAMPLE_ID DE00 END_DATA_FORMAT',
      'BEGIN_DATA 7 2.5 8 1.25 END_DATA',
    ].join('\n');
    const { tables, faults } = readCgats(text);
    expect(faults).toEqual([]);
    expect(tables[0]?.keywords.get('ORIGINATOR')).toBe('An "instrument"');
    expect(back(text).readings).toEqual([
      { of: 'density', name: 'Night blue', sheet: undefined, value: 1.43 },
      { of: 'colour', name: '7', sheet: undefined, value: 2.5 },
      { of: 'colour', name: '8', sheet: undefined, value: 1.25 },
    ]);
  });

  it.each([
    ['', 1, 'no file of measurements'],
    ['hello world', 1, 'no file of measurements'],
    ['BEGIN_DATA\n1 2\nEND_DATA', 1, 'before BEGIN_DATA_FORMAT'],
    ['BEGIN_DATA_FORMAT D_VIS END_DATA_FORMAT\nBEGIN_DATA\n1,43\nEND_DATA', 3, 'write 1.43'],
    ['BEGIN_DATA_FORMAT A D_VIS END_DATA_FORMAT\nBEGIN_DATA\n1 2\n3\nEND_DATA', 4, 'has 1 values, 2 are wanted'],
    ['BEGIN_DATA_FORMAT D_VIS END_DATA_FORMAT\nBEGIN_DATA\n1', 2, 'cut off'],
    ['NUMBER_OF_SETS 3\nBEGIN_DATA_FORMAT D_VIS END_DATA_FORMAT\nBEGIN_DATA 1 END_DATA', 3, 'says 3, 1 are there'],
    ['BEGIN_DATA_FORMAT D_VIS END_DATA_FORMAT\nBEGIN_DATA\nx\nEND_DATA', 3, 'D_VIS is x: a number is wanted'],
    ['BEGIN_DATA_FORMAT XYZ_X END_DATA_FORMAT\nBEGIN_DATA\n1\nEND_DATA', 3, 'None of XYZ_X is a density'],
    ['ORIGINATOR "open\nBEGIN_DATA_FORMAT D_VIS END_DATA_FORMAT\nBEGIN_DATA 1 END_DATA', 1, 'does not end'],
  ])('%j is told in line %d', (text, line, words) => {
    const { faults } = back(text);
    expect(faults.some((one) => one.line === line && one.message.includes(words))).toBe(true);
  });

  it('never fail on what is none (property)', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 400 }), (text) => {
        const { readings, faults } = back(`BEGIN_DATA_FORMAT D_VIS END_DATA_FORMAT BEGIN_DATA ${text}`);
        expect(readings.every(({ value }) => Number.isFinite(value))).toBe(true);
        expect(faults.length).toBeGreaterThan(0);
      }),
    );
  });
});
