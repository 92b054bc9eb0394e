import { loadTruck } from '../../finishing/index.js';
import { reckonSum } from '../sum.js';
import { sumOf } from '../sums.js';

const truck = (values: Record<string, number>) => {
  const sum = sumOf('truck');
  if (!sum) throw new Error('no such sum');
  const { figures, issues, drawing, caution } = reckonSum(sum, { pallets: 50, kg: 300, ...values });
  return { of: (id: string) => figures[id]?.value, issues, drawing, caution };
};

describe('pallets on a truck', () => {
  it.each([
    ['34 of 800 x 1200', { length: 1_200, width: 800 }, 34],
    ['26 of 1000 x 1200', { length: 1_200, width: 1_000 }, 26],
  ])('are %s in 13.6 m (from memory)', (_, pallet, perTruck) => {
    expect(truck(pallet).of('perTruck')).toBe(perTruck);
    expect(truck(pallet).drawing?.shapes).toHaveLength(perTruck + 1);
    expect(truck(pallet).caution).toMatch(/secured/);
  });

  it('take 0.4 m of loading each, two on one another half of it (handbook chapter 7 "Packing")', () => {
    expect(truck({ pallets: 10 }).of('loading')).toBeCloseTo(4, 9);
    expect(truck({ pallets: 10, height: 1_200, stacked: 2 }).of('loading')).toBeCloseTo(2, 9);
  });

  it('are held by the mass where that is less, and by the roof where they might stand higher', () => {
    const heavy = truck({ kg: 900 });
    expect(['byRoom', 'byMass', 'perTruck', 'trucks', 'last'].map(heavy.of)).toEqual([34, 26, 26, 2, 24]);
    expect(truck({ height: 1_400, stacked: 2 }).of('high')).toBe(1);
    expect(truck({ height: 1_300, stacked: 3 }).of('high')).toBe(2);
  });

  it('stand beside each other within the space (identity)', () => {
    const space = { lengthMm: 5_900, widthMm: 2_350, heightMm: 2_390, kg: 20_000 };
    for (const [lengthMm, widthMm] of [
      [1_200, 800],
      [1_200, 1_000],
      [1_140, 1_140],
    ] as const) {
      const floor = loadTruck({ lengthMm, widthMm, heightMm: 1_000, kg: 300, stacked: 1 }, space)?.floor ?? [];
      expect(floor.length * lengthMm * widthMm).toBeGreaterThan(0.6 * space.lengthMm * space.widthMm);
      for (const [i, a] of floor.entries()) {
        expect(a.xMm >= 0 && a.yMm >= 0).toBe(true);
        expect(a.xMm + a.widthMm <= space.lengthMm && a.yMm + a.heightMm <= space.widthMm).toBe(true);
        for (const b of floor.slice(i + 1))
          expect(
            a.xMm + a.widthMm <= b.xMm ||
              b.xMm + b.widthMm <= a.xMm ||
              a.yMm + a.heightMm <= b.yMm ||
              b.yMm + b.heightMm <= a.yMm,
          ).toBe(true);
      }
    }
  });

  it('that do not go in, or are too heavy, are told', () => {
    const cases: Record<string, number>[] = [
      { length: 4_000, width: 3_000 },
      { height: 3_000 },
      { kg: 9_000, most: 5_000 },
    ];
    for (const values of cases) expect(truck(values).issues.map(({ code }) => code)).toEqual(['sum.none-fits']);
  });
});
