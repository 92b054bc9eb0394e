import fc from 'fast-check';
import jStat from 'jstat';
import { binomialPass, hypergeometricPass, operatingCurve, passChance, shareAt } from './acceptance.js';
import {
  type SamplingPlan,
  type SamplingWish,
  AQLS,
  LETTERS,
  SAMPLING_TABLE,
  letterOf,
  samplingPlan,
} from './sampling.js';
import { type InspectedLot, judgeLots } from './switching.js';

function planOf(wish: SamplingWish): SamplingPlan {
  const plan = samplingPlan(wish);
  if (!plan.ok) throw new Error(plan.issues.map(({ code }) => code).join());
  return plan.value;
}
const short = (wish: SamplingWish): string => {
  const { n, accept, reject } = planOf(wish);
  return `${n} ${accept}/${reject}`;
};

describe('single sampling plans (memory: ISO 2859-1:1999, handbook chapter 9)', () => {
  it('have the letters of the handbook at level II, one lower and one higher beside it', () => {
    const lots = [
      2, 8, 9, 15, 16, 25, 26, 50, 51, 90, 91, 150, 151, 280, 281, 500, 501, 1_200, 1_201, 3_200, 3_201, 10_000,
    ];
    expect(lots.map((lot) => letterOf(lot)).join('')).toBe('AABBCCDDEEFFGGHHJJKKLL');
    expect([10_001, 35_000, 35_001, 150_000, 150_001, 500_000, 500_001].map((lot) => letterOf(lot)).join('')).toBe(
      'MMNNPPQ',
    );
    expect([8, 25, 90, 1_000, 10_000, 600_000].map((lot) => letterOf(lot, 'I')).join('')).toBe('ABCGJN');
    expect([8, 25, 90, 1_000, 10_000, 600_000].map((lot) => letterOf(lot, 'III')).join('')).toBe('BDFKMR');
  });

  it.each<[SamplingWish, string]>([
    [{ lot: 1_000, aql: 2.5 }, '80 5/6'],
    [{ lot: 1_000, aql: 4 }, '80 7/8'],
    [{ lot: 10_000, aql: 1 }, '200 5/6'],
    [{ lot: 10_000, aql: 2.5 }, '200 10/11'],
    // An arrow onwards: letter C, its plan is that of E.
    [{ lot: 20, aql: 1 }, '13 0/1'],
    // An arrow back: letter J at 0.25 takes that of H; onwards at 0.4, that of K.
    [{ lot: 1_000, aql: 0.25 }, '50 0/1'],
    [{ lot: 1_000, aql: 0.4 }, '125 1/2'],
    [{ lot: 1_000, aql: 0.15 }, '80 0/1'],
    [{ lot: 1_000, aql: 2.5, severity: 'tightened' }, '80 3/4'],
    [{ lot: 1_000, aql: 2.5, severity: 'reduced' }, '32 3/4'],
    // Every piece of a lot that is no more than its sample.
    [{ lot: 8, aql: 0.65 }, '8 0/1'],
  ])('%j: %s', (wish, told) => {
    expect(short(wish)).toBe(told);
  });

  it('say what they cannot do', () => {
    const codes = (wish: SamplingWish): string[] => {
      const plan = samplingPlan(wish);
      return plan.ok ? [] : plan.issues.map(({ code, path }) => `${code} ${path}`);
    };
    expect(codes({ lot: 1, aql: 1 })).toEqual(['quality.lot lot']);
    expect(codes({ lot: 10.5, aql: 3 })).toEqual(['quality.lot lot', 'quality.aql aql']);
    expect(codes({ lot: NaN, aql: Infinity })).toHaveLength(2);
  });

  it('take the table that the works tells', () => {
    const own = { ...SAMPLING_TABLE, accepts: { ...SAMPLING_TABLE.accepts, normal: [1, 2, 3, 4, 7, 10, 14, 21] } };
    const plan = samplingPlan({ lot: 1_000, aql: 2.5 }, own);
    expect(plan.ok && plan.value.accept).toBe(4);
  });

  it('are there for every lot, limit and severity; tightened accepts no more than normal, and a wider limit no less (property)', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 2_000_000 }), fc.integer({ min: 0, max: AQLS.length - 2 }), (lot, i) => {
        const of = (severity: SamplingPlan['severity'], at = i) => planOf({ lot, aql: AQLS[at] ?? 1, severity });
        const [normal, tightened, reduced, wider] = [of('normal'), of('tightened'), of('reduced'), of('normal', i + 1)];
        for (const plan of [normal, tightened, reduced]) {
          expect(plan.n).toBeGreaterThan(0);
          expect(plan.n).toBeLessThanOrEqual(lot);
          expect(plan.accept).toBeLessThan(plan.n);
          expect(LETTERS).toContain(plan.planLetter);
        }
        // A lot right at the limit passes tightened inspection no more often than normal, and reduced no less often.
        const at = (plan: SamplingPlan): number => binomialPass(plan.n, plan.accept, (AQLS[i] ?? 1) / 100);
        if (!normal.all && !tightened.all) expect(at(tightened)).toBeLessThanOrEqual(at(normal) + 1e-9);
        if (!normal.all && !wider.all)
          expect(wider.accept / wider.n).toBeGreaterThanOrEqual(normal.accept / normal.n - 1e-12);
      }),
    );
  });
});

describe('the chance that a lot passes', () => {
  it.each([
    [0.01, 0.9998],
    [0.025, 0.9848],
    [0.05, 0.7892],
    [0.08, 0.375],
    [0.1, 0.1769],
  ])('n 80, accept 5, %d faulty: %d (identity, handbook chapter 9)', (share, chance) => {
    expect(binomialPass(80, 5, share)).toBeCloseTo(chance, 4);
  });

  it('of small lots by the hypergeometric sum (identity, handbook chapter 9)', () => {
    expect(hypergeometricPass(50, 2, 13, 0)).toBeCloseTo(0.5437, 4);
    expect(hypergeometricPass(100, 5, 20, 1)).toBeCloseTo(0.7395, 4);
  });

  it('agrees with an outside library (property)', () => {
    const n = fc.integer({ min: 1, max: 400 });
    fc.assert(
      fc.property(
        n,
        fc.integer({ min: 0, max: 30 }),
        fc.double({ min: 0.0005, max: 0.6, noNaN: true }),
        (size, accept, share) => {
          expect(binomialPass(size, accept, share)).toBeCloseTo(
            accept >= size ? 1 : jStat.binomial.cdf(accept, size, share),
            8,
          );
        },
      ),
    );
    fc.assert(
      fc.property(
        fc.integer({ min: 5, max: 120 }),
        fc.nat(),
        fc.nat(),
        fc.integer({ min: 0, max: 10 }),
        (lot, a, b, accept) => {
          const [faulty, size] = [a % (lot + 1), 1 + (b % lot)];
          expect(hypergeometricPass(lot, faulty, size, accept)).toBeCloseTo(exactly(lot, faulty, size, accept), 8);
        },
      ),
    );
  });

  it('falls with what is faulty, from one on (property), and is looked up the other way', () => {
    for (const plan of [planOf({ lot: 1_000, aql: 2.5 }), planOf({ lot: 60, aql: 4 })]) {
      const curve = operatingCurve({ ...plan, lot: 1_000 });
      expect(curve[0]).toEqual({ share: 0, pass: 1 });
      curve.slice(1).forEach(({ pass }, i) => {
        expect(pass).toBeLessThanOrEqual((curve[i]?.pass ?? 1) + 1e-12);
      });
      expect(curve.at(-1)?.pass).toBeLessThan(0.02);
    }
    expect(shareAt({ n: 80, accept: 5 }, 0.7892)).toBeCloseTo(0.05, 4);
    expect(passChance({ n: 13, accept: 0, lot: 50 }, 2 / 50)).toBeCloseTo(0.5437, 4);
  });
});

/** By counting ways as whole numbers. */
function exactly(lot: number, faulty: number, n: number, accept: number): number {
  const choose = (of: number, k: number): bigint => {
    if (k < 0 || k > of) return 0n;
    let ways = 1n;
    for (let i = 1; i <= k; i++) ways = (ways * BigInt(of - k + i)) / BigInt(i);
    return ways;
  };
  let sum = 0n;
  for (let k = 0; k <= accept; k++) sum += choose(faulty, k) * choose(lot - faulty, n - k);
  return Number((sum * 10n ** 15n) / choose(lot, n)) / 1e15;
}

describe('switching (memory: ISO 2859-1:1999, handbook chapter 9)', () => {
  const lots = (faulty: readonly number[], change: Partial<InspectedLot> = {}): InspectedLot[] =>
    faulty.map((one) => ({ lot: 1_000, faulty: one, ...change }));
  const severities = (of: readonly InspectedLot[], aql = 2.5): string =>
    judgeLots(of, aql)
      .lots.map(({ plan }) => plan.severity[0])
      .join('');

  it('is tightened after two of five refused, and back after five accepted in a row', () => {
    expect(severities(lots([6, 0, 0, 0, 6, 0]))).toBe('nnnnnt');
    expect(severities(lots([6, 0, 0, 0, 0, 6, 0]))).toBe('nnnnnnn');
    expect(severities(lots([6, 6, 0, 0, 0, 0, 0, 0]))).toBe('nntttttn');
    // Refused once on the way, it begins anew: 4 is too many on tightened inspection.
    expect(severities(lots([6, 6, 0, 0, 4, 0, 0, 0, 0, 0, 0]))).toBe('nnttttttttn');
  });

  it('stops after five refused on tightened inspection, until the cause is mended', () => {
    const bad = lots([6, 6, 6, 6, 6, 6, 6, 0]);
    const { lots: judged, now } = judgeLots(bad, 2.5);
    expect(now.stopped).toBe(true);
    expect(judged.at(-1)?.accepted).toBe(false);
    const mended = judgeLots([...bad, { lot: 1_000, faulty: 0, mended: true }], 2.5);
    expect(mended.lots.at(-1)).toMatchObject({ accepted: true, plan: { severity: 'tightened' } });
  });

  it('is reduced when the score is 30: three for a lot that the next limit would also take, none for another', () => {
    // n 80, accept 5; the next limit takes 3.
    expect(severities(lots(Array<number>(11).fill(3)))).toBe(`${'n'.repeat(10)}r`);
    expect(severities(lots([3, 3, 3, 4, ...Array<number>(11).fill(0)]))).toBe(`${'n'.repeat(14)}r`);
    // Accept 1: two a lot, and back to nothing for one that is refused.
    expect(severities(lots(Array<number>(16).fill(0)), 0.65)).toBe(`${'n'.repeat(15)}r`);
    expect(severities(lots(Array<number>(11).fill(3), { irregular: true }))).toBe('n'.repeat(11));
  });

  it('goes back from reduced when a lot is refused, or the run is irregular', () => {
    const good = lots(Array<number>(10).fill(0));
    expect(severities([...good, ...lots([4, 0])])).toBe(`${'n'.repeat(10)}rn`);
    expect(severities([...good, ...lots([0], { irregular: true }), ...lots([0])])).toBe(`${'n'.repeat(10)}rn`);
  });

  it('leaves out what cannot be sampled', () => {
    expect(judgeLots([{ lot: 1, faulty: 0 }], 2.5).lots).toEqual([]);
    expect(judgeLots(lots([0]), 3).lots).toEqual([]);
  });
});
