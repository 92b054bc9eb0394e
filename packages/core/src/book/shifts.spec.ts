import fc from 'fast-check';
import { type BalancedStep, balanceOf } from './balance.js';
import type { StationEntry } from './entry.js';
import { shiftAt, shiftBalances } from './shifts.js';
import { Tally } from './tally.js';

const ZONE = 'Europe/Berlin';
const step = 'cut';
const cut: BalancedStep = {
  id: step,
  name: 'Cut',
  yield: 2,
  processUnits: 900,
  takes: [{ material: 'maps', usage: 1 }],
};
const at = (hour: number): string => new Date(Date.UTC(2026, 10, 3) + hour * 3_600_000).toISOString();
const entry = (hour: number, event: StationEntry) => ({ at: at(hour), event });

describe('shifts', () => {
  it('are told by the wall of the works; a night belongs to the evening that it began on', () => {
    expect(shiftAt('2026-11-03T04:59:00Z', ZONE)).toEqual({ day: '2026-11-02', shift: 'night' });
    expect(shiftAt('2026-11-03T05:00:00Z', ZONE)).toEqual({ day: '2026-11-03', shift: 'early' });
    expect(shiftAt('2026-11-03T13:00:00Z', ZONE)).toEqual({ day: '2026-11-03', shift: 'late' });
    expect(shiftAt('2026-11-03T21:00:00Z', ZONE)).toEqual({ day: '2026-11-03', shift: 'night' });
    expect(shiftAt('2026-11-03T23:30:00Z', ZONE)).toEqual({ day: '2026-11-03', shift: 'night' });
  });

  it('balance: what was open and came in is good, spoiled, sample, left over or open for the next (identity)', () => {
    const told = shiftBalances(
      cut,
      [
        entry(6, { kind: 'taken-in', step, count: 500 }),
        entry(8, { kind: 'good', step, count: 600 }),
        entry(14, { kind: 'spoiled', step, count: 10, reason: 'cut', during: 'run' }),
        entry(15, { kind: 'good', step, count: 300 }),
        entry(22, { kind: 'samples', step, count: 4 }),
        entry(23, { kind: 'left-over', step, count: 38 }),
      ],
      ZONE,
    );
    expect(
      told.map(({ shift, takenIn, good, spoiled, samples, leftOver, open }) => [
        shift,
        takenIn,
        good,
        spoiled,
        samples,
        leftOver,
        open,
      ]),
    ).toEqual([
      ['early', 1_000, 600, 0, 0, 0, 400],
      ['late', 0, 300, 20, 0, 0, 80],
      ['night', 0, 0, 0, 4, 76, 0],
    ]);
  });

  it('add up to the balance of the station, whatever was entered when (property)', () => {
    const count = fc.integer({ min: 1, max: 100 });
    const event: fc.Arbitrary<StationEntry> = fc.oneof(
      fc.record({ kind: fc.constant('taken-in' as const), step: fc.constant(step), count }),
      fc.record({ kind: fc.constant('good' as const), step: fc.constant(step), count }),
      fc.record({ kind: fc.constant('samples' as const), step: fc.constant(step), count }),
      fc.record({ kind: fc.constant('left-over' as const), step: fc.constant(step), count }),
    );
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.integer({ min: 0, max: 9 }), event), { maxLength: 40 }), (steps) => {
        let hour = 0;
        const entries = steps.map(([wait, one]) => entry((hour += wait), one));
        const all = new Tally();
        for (const one of entries) all.add(one.event, one.at);
        const [whole] = balanceOf(cut, all);
        const lines = shiftBalances(cut, entries, ZONE);
        const sum = (of: 'takenIn' | 'good' | 'samples' | 'leftOver'): number =>
          lines.reduce((total, line) => total + line[of], 0);
        if (!whole) return;
        expect(sum('takenIn')).toBe(whole.takenIn);
        expect(sum('leftOver')).toBe(whole.leftOver);
        expect(lines.at(-1)?.open).toBe(whole.difference);
        lines.forEach((line, i) => {
          const before = lines[i - 1]?.open ?? 0;
          // What was made before anything was counted in is told with the first that was.
          if (i > 0)
            expect(line.open).toBeCloseTo(
              before + line.takenIn - line.good - line.samples - line.spoiled - line.leftOver,
              6,
            );
        });
      }),
    );
  });
});
