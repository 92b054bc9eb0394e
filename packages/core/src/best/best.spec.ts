import fc from 'fast-check';
import { example } from '../plan/examples.fixture.js';
import type { Job } from '../job/index.js';
import { plan } from '../plan/index.js';
import { checkRoute } from '../rules/index.js';
import { startJob } from '../start/index.js';
import { answersOf } from '../families/families.fixture.js';
import { SHIPPED_WORKS } from '../works/index.js';
import { type Way, atQuantity, findWays, withWay } from '../ways/index.js';
import { type BestPlan, bestPlan } from './best-plan.js';
import { type Option, leastJoint } from './joint.js';
import { ladderOf, ladderQuantities } from './ladder.js';
import { targetsOf } from './parts.js';

const works = SHIPPED_WORKS;

function best(job: Job): BestPlan {
  const outcome = bestPlan(job, works);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues));
  return outcome.value;
}

const rulesOf = (job: Job): ReadonlySet<string> => {
  const outcome = plan({ ...job, school: 'step' }, works);
  if (!outcome.ok) throw new Error(outcome.issues.map(({ code }) => code).join());
  return new Set(checkRoute(job, outcome.value, works).map(({ rule, step }) => `${rule} ${step}`));
};

/** What a job costs where it can be planned and breaks nothing that `before` did not break. */
function costKept(job: Job, before: ReadonlySet<string>): number | undefined {
  const outcome = plan({ ...job, school: 'step' }, works);
  if (!outcome.ok) return undefined;
  const broken = checkRoute(job, outcome.value, works).some(({ rule, step }) => !before.has(`${rule} ${step}`));
  return broken ? undefined : outcome.value.totals.cost.total;
}

describe('ways that together add least', () => {
  const units = ['a', 'b', 'c'];
  const option: fc.Arbitrary<Option> = fc
    .record({ adds: fc.integer({ min: -50, max: 50 }), fills: fc.subarray(units) })
    .map(({ adds, fills }) => ({ adds, fills, way: { id: `${adds} ${fills.join()}` } as Way }));

  it('are those of an exhaustive search, fills counted once (identity)', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(option, { minLength: 1, maxLength: 5 }), { minLength: 1, maxLength: 4 }),
        fc.integer({ min: 0, max: 40 }),
        fc.subarray(units),
        (parts, fillCost, filled) => {
          const all = parts.reduce<Option[][]>(
            (combos, list) => combos.flatMap((combo) => list.map((one) => [...combo, one])),
            [[]],
          );
          const sumOf = (combo: readonly Option[]): number => {
            const fresh = new Set(combo.flatMap(({ fills }) => fills).filter((unit) => !filled.includes(unit)));
            return combo.reduce((sum, { adds }) => sum + adds, 0) + fillCost * fresh.size;
          };
          const found = leastJoint(parts, fillCost, new Set(filled));
          expect(found?.sum).toBe(Math.min(...all.map(sumOf)));
          expect(sumOf(found?.chosen ?? [])).toBe(found?.sum);
        },
      ),
      { numRuns: 300, seed: 16 },
    );
  });
  it('are none where a part has no way', () => {
    expect(leastJoint([[], []], 1, new Set())).toBeUndefined();
  });
});

describe('the best plan of a job', () => {
  it('is that of an exhaustive search over all parts of a small one (differential, against plan and rules)', () => {
    const job = example('puzzle-wallet');
    const before = rulesOf(job);
    const lists = targetsOf(job).map((target) => {
      const found = findWays(job, works, target);
      return found.ok ? found.value.ways.map((way) => ({ target, way })) : [];
    });
    const [wallets = [], trays = []] = lists;
    const costs = wallets.flatMap((one) =>
      trays.flatMap((other) => {
        const first = withWay(job, one.target, one.way, works);
        return costKept(withWay(first, other.target, other.way, works), before) ?? [];
      }),
    );
    expect(costs.length).toBeGreaterThan(20);
    const found = best(job);
    expect(found.exact).toBe(true);
    expect(found.best.sums.cost).toBeCloseTo(Math.min(...costs), 6);
    expect(found.bound).toBeLessThanOrEqual(found.best.sums.cost + 1e-6);
  });

  it.each([
    'concert-programme',
    'trail-map',
    'constellation-cards',
    'season-tickets',
    'gala-invitations',
    'tea-shipper',
    'permit-stickers',
    'ferry-timetable',
  ])(
    'is never dearer than the best of single ways, and breaks nothing new: %s (differential, against plan and rules)',
    (name) => {
      const job = example(name);
      const before = rulesOf(job);
      const found = best(job);
      expect(found.best.sums.cost).toBeLessThanOrEqual(found.now.cost);
      expect(costKept(found.best.job, before)).toBeCloseTo(found.best.sums.cost, 6);
      for (const target of targetsOf(job)) {
        const { value } = findWays(job, works, target) as { value: { ways: readonly Way[] } };
        for (const way of value.ways.slice(0, 12)) {
          const cost = costKept(withWay(job, target, way, works), before);
          if (cost !== undefined) expect(cost).toBeGreaterThanOrEqual(found.best.sums.cost - 1e-6);
        }
      }
      for (const { job: other, sums, aim } of found.others) {
        expect([aim, costKept(other, before)]).toEqual([aim, expect.closeTo(sums.cost, 6)]);
        expect(sums.cost).toBeGreaterThanOrEqual(found.best.sums.cost - 1e-6);
      }
      expect(found.others.length).toBeLessThanOrEqual(4);
    },
  );

  it('begins a booklet with its cover as many up as pays, not as the first sheet has it', () => {
    const { job, issues } = startJob(
      'saddle-stitched',
      { ...answersOf('saddle-stitched'), widthMm: 210, heightMm: 297, pages: 44, quantity: 2500 },
      works,
    );
    expect(issues).toEqual([]);
    const { best: made, now } = best(job);
    expect(made.sums.cost).toBeLessThan(now.cost);
    expect(made.sums.plates).toBeLessThan(now.plates);
    expect(made.sums.paperKg).toBeLessThan(now.paperKg);
  });

  it('keeps what the planner has locked', () => {
    const map = example('trail-map');
    const locked: Job = {
      ...map,
      components: map.components.map((one) => ({ ...one, locked: ['press', 'workStyle'] as const })),
    };
    const [free, kept] = [best(map), best(locked)];
    const [now, then] = [map.components[0], kept.best.job.components[0]];
    expect([then?.press, then?.workStyle]).toEqual([now?.press, now?.workStyle]);
    expect(then?.locked).toEqual(['press', 'workStyle']);
    expect(kept.best.sums.cost).toBeGreaterThanOrEqual(free.best.sums.cost - 1e-6);
  });

  it('says which lock excludes what, where nothing is left', () => {
    const map = example('trail-map');
    const outcome = bestPlan(
      {
        ...map,
        components: map.components.map((one) => ({
          ...one,
          sheet: { ...one.sheet, widthMm: 1000 },
          locked: ['sheet', 'press'] as const,
        })),
      },
      works,
    );
    if (outcome.ok) throw new Error('a sheet that nobody sells was found');
    expect(outcome.issues.map(({ code, params }) => [code, params['lock'], Number(params['excluded']) > 0])).toEqual([
      ['best.lock', 'sheet', true],
      ['best.lock', 'press', true],
    ]);
    expect(outcome.issues[0]?.params['left']).toBeGreaterThan(0);
  });

  it('tells of each part as it is searched', () => {
    const told: number[] = [];
    bestPlan(example('concert-programme'), works, (_soFar, share) => told.push(share));
    expect(told).toEqual([0, 0.5]);
  });
});

describe('a ladder of quantities', () => {
  const quantities = [300, 3_000, 12_000];
  const outcome = ladderOf(example('concert-programme'), works, quantities);
  if (!outcome.ok) throw new Error('no ladder');
  const { rungs, breakEven } = outcome.value;

  it('takes the best way at each quantity, and never more than with plates or digitally (identity)', () => {
    expect(rungs.map(({ quantity }) => quantity)).toEqual(quantities);
    for (const { quantity, best: taken, withPlates, digital } of rungs) {
      expect(taken.sums.cost).toBeLessThanOrEqual(
        Math.min(withPlates?.sums.cost ?? Infinity, digital?.sums.cost ?? Infinity) + 1e-6,
      );
      expect(taken.job.order.quantity).toBe(quantity);
      expect(costKept(taken.job, rulesOf(taken.job))).toBeCloseTo(taken.sums.cost, 6);
    }
    const each = rungs.map(({ quantity, best: { sums } }) => sums.cost / quantity);
    expect([...each].sort((a, b) => b - a)).toEqual(each);
  });
  it('finds to one copy where plates become the cheaper (identity)', () => {
    if (breakEven === undefined) throw new Error('plates never pay');
    const at = rungs.findIndex(({ quantity }) => quantity >= breakEven);
    const [plates, digital] = [rungs[at]?.withPlates?.job, rungs[at - 1]?.digital?.job];
    if (!plates || !digital) throw new Error('no jobs to compare');
    const cost = (job: Job, quantity: number): number => {
      const planned = plan({ ...atQuantity(job, quantity), school: 'step' }, works);
      return planned.ok ? planned.value.totals.cost.total : NaN;
    };
    expect(cost(plates, breakEven)).toBeLessThanOrEqual(cost(digital, breakEven));
    expect(cost(plates, breakEven - 1)).toBeGreaterThan(cost(digital, breakEven - 1));
  });
  it('offers round quantities about the order, its own among them', () => {
    expect(ladderQuantities(2500)).toEqual([250, 630, 1300, 2500, 5000, 10_000, 25_000]);
    expect(ladderQuantities(1)).toEqual([1, 2, 4, 10]);
  });
});
