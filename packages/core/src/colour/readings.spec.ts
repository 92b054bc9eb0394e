import { AIM_SETS, overprintOf } from './aims.js';
import { checkPatch, inkRun, standInDensitometer } from './readings.js';

const [set] = AIM_SETS;
if (!set) throw new Error('no aims');
const run = (seed: number) =>
  Array.from({ length: 40 }, (_, i) => standInDensitometer(seed, ['K', 'C', 'M', 'Y'], set).read(i * 500)).flat();

describe('colour on press', () => {
  it('reads the same for the same seed, and otherwise for another', () => {
    expect(run(7)).toEqual(run(7));
    expect(run(8)).not.toEqual(run(7));
  });

  it('says more or less ink by the density, and wrong hue where the density is right', () => {
    const reading = (density: number, lab = set.solids['C'] ?? { l: 0, a: 0, b: 0 }, gain50 = 0.13) => ({
      sheet: 1,
      ink: 'C',
      lab,
      density,
      gain50,
    });
    const advice = (one: ReturnType<typeof reading>) => inkRun('C', [one], set)?.advice;
    expect(advice(reading(1.45))).toEqual(['on-aim']);
    expect(advice(reading(1.3))).toEqual(['more-ink']);
    expect(advice(reading(1.6))).toEqual(['less-ink']);
    expect(advice(reading(1.45, { l: 54, a: -20, b: -49 }))).toEqual(['wrong-hue']);
    expect(advice(reading(1.45, undefined, 0.18))).toEqual(['gain-high']);
    expect(inkRun('Copper', [], set)).toBeUndefined();
  });

  it('finds a drift that is known (identity of a straight line)', () => {
    const readings = Array.from({ length: 20 }, (_, i) => ({
      sheet: i * 500,
      ink: 'M',
      lab: { l: 46, a: 72, b: -5 },
      density: 1.45 + i * 0.005,
      gain50: 0.13,
    }));
    const found = inkRun('M', readings, set);
    expect(found?.densityPerThousand).toBeCloseTo(0.01, 9);
    expect(found?.advice).toContain('colour-drift');
  });

  it('refuses readings of another unit', () => {
    const patch = { sheet: 1, ink: 'C', lab: { l: 54, a: -36, b: -49 }, density: 145, gain50: 13 };
    expect(checkPatch(patch, 'patch').map(({ code, path }) => `${code} ${path}`)).toEqual([
      'colour.unit patch.density',
      'colour.unit patch.gain50',
    ]);
    expect(checkPatch({ ...patch, density: 1.45, gain50: 0.13 }, 'patch')).toEqual([]);
  });

  it('knows an overprint where both of its inks are printed', () => {
    expect(overprintOf({ l: 49, a: -65, b: 24 }, ['C', 'Y', 'K'])?.inks).toEqual(['C', 'Y']);
    expect(overprintOf({ l: 49, a: -65, b: 24 }, ['C', 'M', 'K'])).toBeUndefined();
  });
});
