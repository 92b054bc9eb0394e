import fc from 'fast-check';
import { loadTruck } from './index.js';

const mm = (min: number, max: number) => fc.integer({ min: min / 10, max: max / 10 }).map((cm) => cm * 10);

describe('pallets in a loading space', () => {
  it('never overlap, stick out, weigh more or stand higher than they may (property)', () => {
    fc.assert(
      fc.property(
        fc.record({
          lengthMm: mm(400, 2_000),
          widthMm: mm(400, 2_000),
          heightMm: mm(200, 2_500),
          kg: fc.integer({ min: 20, max: 1_500 }),
          stacked: fc.integer({ min: 1, max: 4 }),
        }),
        fc.record({
          lengthMm: mm(1_000, 13_600),
          widthMm: mm(1_000, 2_500),
          heightMm: mm(1_000, 3_000),
          kg: fc.integer({ min: 500, max: 28_000 }),
        }),
        (pallet, space) => {
          const load = loadTruck(pallet, space);
          if (!load) return;
          const { floor, high, byRoom, byMass } = load;
          expect(byRoom).toBe(floor.length * high);
          expect(floor.length * pallet.lengthMm * pallet.widthMm).toBeLessThanOrEqual(space.lengthMm * space.widthMm);
          expect(high).toBeLessThanOrEqual(pallet.stacked);
          expect(high * pallet.heightMm).toBeLessThanOrEqual(space.heightMm);
          expect(byMass * pallet.kg).toBeLessThanOrEqual(space.kg);
          for (const [i, a] of floor.entries()) {
            expect(a.xMm + a.widthMm).toBeLessThanOrEqual(space.lengthMm);
            expect(a.yMm + a.heightMm).toBeLessThanOrEqual(space.widthMm);
            const beside = floor
              .slice(i + 1)
              .every(
                (b) =>
                  a.xMm + a.widthMm <= b.xMm ||
                  b.xMm + b.widthMm <= a.xMm ||
                  a.yMm + a.heightMm <= b.yMm ||
                  b.yMm + b.heightMm <= a.yMm,
              );
            expect(beside).toBe(true);
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('are at least as many as in plain rows one way or the other (identity)', () => {
    const space = { lengthMm: 7_200, widthMm: 2_400, heightMm: 2_600, kg: 1e6 };
    for (const [lengthMm, widthMm] of [
      [1_200, 800],
      [1_200, 1_000],
      [1_100, 1_100],
      [600, 400],
    ] as const) {
      const rows = (along: number, across: number): number =>
        Math.floor(space.lengthMm / along) * Math.floor(space.widthMm / across);
      const most = loadTruck({ lengthMm, widthMm, heightMm: 1_000, kg: 1, stacked: 1 }, space)?.byRoom ?? 0;
      expect(most).toBeGreaterThanOrEqual(Math.max(rows(lengthMm, widthMm), rows(widthMm, lengthMm)));
    }
  });
});
