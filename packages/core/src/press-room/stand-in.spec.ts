import { AIM_SETS } from '../colour/index.js';
import { driftOf } from '../quality/index.js';
import { standInReadings } from './stand-in.js';

const INKS = ['K', 'C', 'M', 'Y'];

describe('stand-ins of instruments', () => {
  it('read the same of the same sheet, each ink, and register of all but the first', () => {
    const once = standInReadings(7, INKS, 500);
    expect(standInReadings(7, INKS, 500)).toEqual(once);
    expect(standInReadings(8, INKS, 500)).not.toEqual(once);
    const names = (of: string) => once.filter((one) => one.of === of).map(({ name }) => name);
    expect(names('density')).toEqual(INKS);
    expect(names('colour')).toEqual(INKS);
    expect(names('register')).toEqual(['C', 'M', 'Y'].flatMap((ink) => [`${ink} across`, `${ink} around`]));
    expect(once.every(({ sheet, source }) => sheet === 500 && source.startsWith('Stand-in'))).toBe(true);
  });

  it('know no difference of an ink that has no aim, and nothing where nothing is printed', () => {
    expect(standInReadings(1, ['Weir green'], 250).map(({ of }) => of)).toEqual(['density']);
    expect(standInReadings(1, [], 250)).toEqual([]);
  });

  it('scatter about the aim and drift so that it is found, over many seeds', () => {
    const aim = AIM_SETS[0]?.densities?.['C'] ?? 0;
    const sheets = Array.from({ length: 40 }, (_, i) => (i + 1) * 250);
    let found = 0;
    for (let seed = 1; seed <= 20; seed++) {
      const at = (of: string, name: string): number[] =>
        sheets.map(
          (sheet) => standInReadings(seed, INKS, sheet).find((one) => one.of === of && one.name === name)?.value ?? NaN,
        );
      expect(at('density', 'C').every((value) => Math.abs(value - aim) < 0.6)).toBe(true);
      if (driftOf(sheets, at('register', 'C across')) ?? driftOf(sheets, at('density', 'C'))) found++;
    }
    expect(found).toBeGreaterThan(10);
  });
});
