import fc from 'fast-check';
import { AIM_SETS, DENSITY_BAND, cielab1976, inkRun } from '../../colour/index.js';
import { own } from '../../kernel/index.js';
import { fitRegister } from '../../register/index.js';
import { bestShift } from './best.js';
import { outOf, shareOf } from './out.js';
import { type ShiftDecision, lostOf, playShift, reckonedGood, shiftBegin, shiftEnd } from './play.js';
import { SHIFT_AIMS, SHIFT_SHEET, shiftDensities, shiftPatches, shiftRegister } from './readings.js';
import {
  type PracticeShift,
  MOST_STEPS_OFF,
  MOVED_COLOURS,
  SHIFT_COLOURS,
  SHIFT_LOOKS,
  STEP_DENSITY,
  STEP_MM,
  makeShift,
} from './shift.js';

const seeds = fc.integer({ min: 1, max: 1_000_000 });
const steps = fc.integer({ min: -6, max: 6 });
const decision = fc.record(
  {
    moves: fc.record({ C: steps, M: steps, Y: steps }, { requiredKeys: [] }),
    keys: fc.record({ K: steps, C: steps, M: steps, Y: steps }, { requiredKeys: [] }),
    roll: fc.constantFrom('same' as const, 'new' as const),
    count: fc.boolean(),
  },
  { requiredKeys: ['moves', 'keys'] },
);
const IDLE: ShiftDecision = { moves: {}, keys: {} };
const idle = (shift: PracticeShift): ShiftDecision[] => Array.from({ length: shift.looks }, () => IDLE);
const endOf = (shift: PracticeShift, decisions: readonly ShiftDecision[]) => {
  const state = playShift(shift, decisions);
  return shiftEnd(shift, state, Math.max(0, shift.ordered - reckonedGood(state)));
};

describe('parts of the copies that are out', () => {
  it('are those on a straight line beyond the limit (identity: counted copy by copy)', () => {
    fc.assert(
      fc.property(fc.integer({ min: -12, max: 12 }), fc.integer({ min: -12, max: 12 }), (from, to) => {
        const many = 20_000;
        let out = 0;
        for (let i = 0; i < many; i++) if (Math.abs(from + ((i + 0.5) / many) * (to - from)) > MOST_STEPS_OFF) out++;
        expect(shareOf(outOf(from, to))).toBeCloseTo(out / many, 3);
      }),
    );
  });
  it('count once where two colours are out together (identity)', () => {
    expect(shareOf([...outOf(4, 6), ...outOf(0, 10)])).toBe(0.5);
    expect(shareOf([...outOf(6, 4), ...outOf(4, 6)])).toBe(1);
  });
});

describe('a simulated shift', () => {
  it('is the same for the same seed, and its faults differ from seed to seed', () => {
    expect(makeShift(7)).toEqual(makeShift(7));
    const all = Array.from({ length: 60 }, (_, i) => makeShift(i + 1));
    const kinds = all.map(({ drift, ink, broken, short }) => [
      drift.colour,
      ink.colour,
      broken.cause,
      short.perThousand,
    ]);
    for (let i = 0; i < 4; i++) expect(new Set(kinds.map((one) => one[i])).size).toBeGreaterThan(1);
  });

  it('loses no copy unseen: what ran is good, missing, or lost as out (identity)', () => {
    fc.assert(
      fc.property(seeds, fc.array(decision, { maxLength: 12 }), (seed, decisions) => {
        const state = playShift(makeShift(seed), decisions);
        expect(state.good + state.missing + state.lost.out).toBe(state.run);
        expect(state.spoiled).toBe(state.lost.out + state.lost.moves + state.lost.keys + state.lost.break);
      }),
    );
  });

  it('shows the drift of the colour that wanders, so that the advised move takes it back', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const shift = makeShift(seed);
      const state = playShift(shift, idle(shift).slice(0, 6));
      const fit = fitRegister(SHIFT_SHEET.marks, shiftRegister(shift, state).colours[shift.drift.colour] ?? [], 'of');
      if (!fit.ok) throw new Error('no fit');
      expect(Math.abs(fit.value.across - state.lie[shift.drift.colour] * STEP_MM)).toBeLessThan(0.06);
      const read = shiftDensities(shift, state);
      for (const colour of SHIFT_COLOURS) expect(read[colour]).toBeGreaterThan(0.8);
    }
  });

  it('reads colour as density has it: the ink that goes off is told at the keys, which way it went', () => {
    const set = AIM_SETS.find(({ id }) => id === SHIFT_AIMS);
    fc.assert(
      fc.property(seeds, (seed) => {
        const shift = makeShift(seed);
        const state = playShift(shift, idle(shift).slice(0, SHIFT_LOOKS - 1));
        const off = state.ink[shift.ink.colour] * STEP_DENSITY;
        const told = set && inkRun(shift.ink.colour, shiftPatches(shift, state), set);
        expect(told?.density).toBe(shiftDensities(shift, state)[shift.ink.colour]);
        // Clear of the band by more than its scatter.
        if (Math.abs(off) > 2 * DENSITY_BAND) expect(told?.advice).toContain(off > 0 ? 'less-ink' : 'more-ink');
      }),
    );
    const begun = shiftBegin(makeShift(1));
    for (const { lab, ink } of shiftPatches(makeShift(1), begun))
      expect(cielab1976(lab, own(set?.solids, ink) ?? lab)).toBeLessThan(set?.toleranceE76 ?? 0);
  });

  it('cannot be played better by whoever acts on what is shown (property)', () => {
    fc.assert(
      fc.property(seeds, fc.array(decision, { minLength: 12, maxLength: 12 }), (seed, decisions) => {
        const shift = makeShift(seed);
        expect(lostOf(endOf(shift, decisions))).toBeGreaterThanOrEqual(lostOf(bestShift(shift).end));
      }),
      { numRuns: 150 },
    );
  });

  it('is played best: no other single move, nor another single change of keys, loses less (identity: every one tried)', () => {
    for (let seed = 1; seed <= 8; seed++) {
      const shift = makeShift(seed);
      const { decisions, end } = bestShift(shift);
      const least = { moves: Infinity, keys: Infinity };
      for (const field of ['moves', 'keys'] as const) {
        const colour = field === 'moves' ? shift.drift.colour : shift.ink.colour;
        for (let at = 0; at < shift.looks; at++)
          for (let by = -10; by <= 10; by++) {
            const tried = decisions.map((one, look) => ({
              ...one,
              [field]: look === at && by !== 0 ? { [colour]: by } : {},
            }));
            least[field] = Math.min(least[field], lostOf(endOf(shift, tried)));
          }
        const used = decisions.filter((one) => Object.keys(one[field]).length > 0).length;
        expect(lostOf(end)).toBeLessThanOrEqual(least[field]);
        // One of those tried is the best itself, where it has no more than one.
        if (used <= 1) expect(lostOf(end)).toBe(least[field]);
      }
    }
  });

  it('costs more where nothing is done, or the torn roll is threaded again', () => {
    for (let seed = 1; seed <= 40; seed++) {
      const shift = makeShift(seed);
      const best = bestShift(shift);
      expect(lostOf(endOf(shift, idle(shift)))).toBeGreaterThan(lostOf(best.end));
      const other = best.decisions[shift.broken.at]?.roll === 'new' ? ('same' as const) : ('new' as const);
      const changed = best.decisions.map((one, look) => (look === shift.broken.at ? { ...one, roll: other } : one));
      expect(lostOf(endOf(shift, changed))).toBeGreaterThan(lostOf(best.end));
    }
  });

  it('begins with every colour in register', () => {
    for (let seed = 1; seed <= 200; seed++) {
      const { lie } = shiftBegin(makeShift(seed));
      for (const colour of MOVED_COLOURS) expect(Math.abs(lie[colour])).toBeLessThan(MOST_STEPS_OFF);
    }
  });
});
