import fc from 'fast-check';
import { OPERATIONS } from '../route/index.js';
import { type BalancedStep, balanceOf, stillToCome } from './balance.js';
import { refuseEntry, refuseTime } from './entry-gate.js';
import type { StationEntry } from './entry.js';
import { faultsAt } from './reasons.js';
import { Tally } from './tally.js';

const cut: BalancedStep = {
  id: 'cut',
  name: 'Cut',
  yield: 8,
  processUnits: 500,
  takes: [{ material: 'sheets', usage: 1 }],
};
const bind: BalancedStep = {
  id: 'bind',
  name: 'Bind',
  yield: 1,
  processUnits: 100,
  takes: [
    { material: 'section-1', usage: 1 },
    { material: 'cover', usage: 0.5 },
  ],
};
const at = (minute: number): string => new Date(Date.UTC(2026, 0, 1, 8, minute)).toISOString();
function tallied(...entries: readonly StationEntry[]): Tally {
  const tally = new Tally();
  entries.forEach((entry, i) => tally.add(entry, at(i * 10)));
  return tally;
}
const step = 'cut';
const takenIn = (count: number, pile?: string): StationEntry => ({ kind: 'taken-in', step, count, pile });
const good = (count: number): StationEntry => ({ kind: 'good', step, count });
const spoiled = (count: number, during: 'set-up' | 'run' = 'run'): StationEntry => ({
  ...{ kind: 'spoiled', step, count, during, reason: 'cut' },
});
const codes = (entry: StationEntry, tally: Tally, of = cut): string[] =>
  refuseEntry(entry, of, tally).map(({ code }) => code);

describe('balance of a station', () => {
  it('in x yield = good + spoiled + samples + left over, in pieces (literature: handbook chapter 9)', () => {
    const tally = tallied(takenIn(403), spoiled(2, 'set-up'), good(3200), { kind: 'samples', step, count: 8 });
    expect(balanceOf(cut, tally)).toEqual([
      {
        ...{ material: 'sheets', takenIn: 3224, good: 3200, samples: 8, spoiled: 16, leftOver: 0, explained: 0 },
        difference: 0,
      },
    ]);
    tally.add({ kind: 'left-over', step, count: 1 }, at(60));
    expect(balanceOf(cut, tally)[0]?.difference).toBe(-8);
    tally.add({ kind: 'difference', step, pieces: -8, reason: 'counter' }, at(61));
    expect(balanceOf(cut, tally)[0]?.difference).toBe(0);
  });

  it('has a line of each of several materials, one of which is short', () => {
    const tally = tallied(
      { kind: 'taken-in', step: 'bind', material: 'section-1', count: 100 },
      { kind: 'taken-in', step: 'bind', material: 'cover', count: 45 },
    );
    expect(balanceOf(bind, tally).map(({ takenIn: into }) => into)).toEqual([100, 90]);
    expect(stillToCome(bind, tally)).toBe(90);
  });

  it('is not there where nobody counted in', () => {
    expect(balanceOf(cut, tallied(good(10)))).toEqual([]);
    expect(stillToCome(cut, tallied(good(10), spoiled(2)))).toBe(8 * 498 - 10);
  });

  it('is nil of whatever the gates let through and is counted to the end (identity, random shifts)', () => {
    const count = fc.integer({ min: 0, max: 400 });
    const entry = fc.oneof(
      count.map((n) => takenIn(n)),
      count.map(good),
      count.map((n) => spoiled(n)),
      count.map((n): StationEntry => ({ kind: 'samples', step, count: n })),
    );
    fc.assert(
      fc.property(fc.array(entry, { maxLength: 30 }), fc.integer({ min: 1, max: 12 }), (entries, each) => {
        const of = { ...cut, yield: each };
        const tally = new Tally();
        tally.add(takenIn(1), at(0));
        for (const one of entries) if (refuseEntry(one, of, tally).length === 0) tally.add(one, at(0));
        const left = stillToCome(of, tally);
        expect(left).toBeGreaterThanOrEqual(0);
        expect(codes(good(left + 1), tally, of)).toEqual(['book.above-in']);
        tally.add(good(left), at(1));
        expect(codes({ kind: 'step-closed', step }, tally, of)).toEqual([]);
        const [line] = balanceOf(of, tally);
        expect(line?.takenIn).toBe((line?.good ?? 0) + (line?.samples ?? 0) + (line?.spoiled ?? 0));
      }),
    );
  });
});

describe('what a station refuses', () => {
  it('more than came in, with what would be right', () => {
    const tally = tallied(takenIn(10), good(72));
    expect(refuseEntry(good(9), cut, tally)).toMatchObject([
      { code: 'book.above-in', path: 'count', params: { step: 'Cut', value: 9, most: 8 } },
    ]);
    expect(refuseEntry(spoiled(2), cut, tally)).toMatchObject([{ params: { value: 2, most: 1 } }]);
    expect(refuseEntry({ kind: 'incident', step, what: 'jam', lost: 2 }, cut, tally)).toMatchObject([{ path: 'lost' }]);
    expect(codes(good(8), tally)).toEqual([]);
    // Nobody counted in: what the plan puts through is the most.
    expect(codes(good(4_000), tallied())).toEqual([]);
    expect(refuseEntry(good(4_001), cut, tallied())).toMatchObject([
      { code: 'book.above-plan', params: { most: 4_000 } },
    ]);
    expect(codes(good(4_001), tallied(takenIn(600)))).toEqual([]);
  });

  it('a pile that was taken in, or handed on, before', () => {
    expect(codes(takenIn(5, 'A/print/1'), tallied(takenIn(5, 'A/print/1')))).toEqual(['book.pile-twice']);
    expect(codes(takenIn(5, 'A/print/2'), tallied(takenIn(5, 'A/print/1')))).toEqual([]);
    const out: StationEntry = { kind: 'handed-on', step, pile: 'A/cut/1', count: 3 };
    expect(codes(out, tallied(out))).toEqual(['book.pile-twice']);
  });

  it('a material that does not come here, or none where several come', () => {
    const gauze: StationEntry = { kind: 'taken-in', step, material: 'gauze', count: 1 };
    expect(refuseEntry(gauze, cut, tallied())).toMatchObject([{ code: 'book.material', params: { known: 'sheets' } }]);
    expect(codes({ kind: 'taken-in', step: 'bind', count: 1 }, tallied(), bind)).toEqual(['book.material']);
    expect(codes({ kind: 'left-over', step: 'bind', count: 1, material: 'cover' }, tallied(), bind)).toEqual([]);
  });

  it('to be closed before its balance is nil or explained, and anything once it is closed', () => {
    const closed: StationEntry = { kind: 'step-closed', step };
    const tally = tallied(takenIn(10), good(79));
    expect(refuseEntry(closed, cut, tally)).toMatchObject([{ code: 'book.balance', params: { difference: 1 } }]);
    tally.add({ kind: 'difference', step, pieces: 1, reason: 'counter' }, at(20));
    expect(codes(closed, tally)).toEqual([]);
    tally.add(closed, at(21));
    expect(codes(good(1), tally)).toEqual(['book.closed']);
    expect(codes({ kind: 'step-opened', step, reason: 'other' }, tally)).toEqual([]);
  });

  it.each<[string, StationEntry, StationEntry[]]>([
    ['set-up that ends before it begins', { kind: 'setup-done', step }, []],
    ['a run that begins twice', { kind: 'run-begun', step }, [{ kind: 'run-begun', step }]],
    ['to stop what stands', { kind: 'stopped', step, reason: 'jam' }, []],
    ['to go on with what runs', { kind: 'resumed', step }, [{ kind: 'run-begun', step }]],
    ['to open what is open', { kind: 'step-opened', step, reason: 'other' }, []],
  ])('%s', (_what, entry, before) => {
    expect(codes(entry, tallied(...before))).toEqual(['book.sequence']);
  });

  it('what happens later than in two minutes', () => {
    const now = Date.UTC(2026, 0, 1);
    expect(refuseTime(now + 120_000, now)).toEqual([]);
    expect(refuseTime(now + 180_000, now)).toMatchObject([{ code: 'book.future', params: { minutes: 3 } }]);
    expect(refuseTime(0, now)).toEqual([]);
  });
});

describe('tally of a station', () => {
  it('tells set-up, run and stops apart, in minutes', () => {
    const tally = tallied(
      { kind: 'setup-begun', step },
      { kind: 'setup-done', step },
      { kind: 'run-begun', step },
      { kind: 'stopped', step, reason: 'jam' },
      { kind: 'resumed', step },
      good(5),
      { kind: 'step-closed', step },
    );
    expect(tally.minutes.setUp).toBe(10);
    expect(tally.minutes.run).toBe(10 + 20);
    expect([...tally.minutes.stops]).toEqual([['jam', 10]]);
    expect([tally.phase, tally.since]).toEqual(['closed', at(60)]);
  });

  it('takes a count of all so far for what it is, and adds what comes after', () => {
    const tally = new Tally();
    tally.add({ kind: 'count', step, good: 100 }, at(0));
    tally.add(good(20), at(1));
    expect(tally.good).toBe(120);
    tally.add({ kind: 'count', step, good: 110 }, at(2));
    expect(tally.good).toBe(110);
  });

  it('sorts what is spoiled by reason, what an incident lost among it, and piles by their tags', () => {
    const tally = tallied(
      spoiled(3),
      spoiled(4, 'set-up'),
      { kind: 'incident', step, what: 'jam', lost: 5 },
      { kind: 'handed-on', step, pile: 'P', count: 6 },
    );
    expect([...tally.reasons['set-up']]).toEqual([['cut', 4]]);
    expect([...tally.reasons.run]).toEqual([
      ['cut', 3],
      ['jam', 5],
    ]);
    expect(tally.spoiled).toEqual({ 'set-up': 4, run: 8 });
    expect([...tally.pilesOut]).toEqual([['P', 6]]);
  });

  it('lasts no minute where something is entered with an earlier time', () => {
    const tally = new Tally();
    tally.add({ kind: 'run-begun', step }, at(30));
    tally.add({ kind: 'stopped', step, reason: 'jam' }, at(20));
    expect(tally.minutes.run).toBe(0);
  });
});

it('every station has reasons to spoil for, each once', () => {
  for (const operation of OPERATIONS) {
    const reasons = faultsAt(operation);
    expect(new Set(reasons).size).toBe(reasons.length);
    expect(reasons.at(-1)).toBe('other');
  }
  expect(faultsAt('fold')[0]).toBe('fold skew');
});
