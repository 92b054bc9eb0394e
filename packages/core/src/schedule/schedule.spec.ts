import { uniform } from '../kernel/index.js';
import { lateBound } from './bound.js';
import { Decoder } from './decoder.js';
import { firstSchedule } from './dispatch.js';
import { Improver } from './improve.js';
import { FLEXIBLE, INSTANCES, flexibleShop, jobShop } from './instances.fixture.js';
import { NEVER, OpenTime } from './open-time.js';
import { priceBetween, pricedBound } from './priced-bound.js';
import { endOf, placesFor } from './promise.js';
import { madeShop } from './shops.fixture.js';
import { type Operation, type Sequence, type Shop, costOf } from './shop.js';
import { Tables } from './tables.js';
import { chainOf, timetable } from './timetable.js';
import { faultsOf } from './validate.fixture.js';

const improved = (shop: Shop, evaluations: number, seed = 1, from = firstSchedule(shop)): Improver => {
  const improver = new Improver(shop, from, seed);
  improver.run(evaluations);
  return improver;
};
const faults = (shop: Shop, sequence: Sequence): string[] => faultsOf(shop, timetable(shop, sequence).slots);

/** Jobs of one operation on one machine. */
const oneMachine = (
  jobs: readonly { run: number; due?: number; weight?: number }[],
  weights: Shop['weights'],
): Shop => ({
  resources: [{ id: 'press', kind: 'machine', open: OpenTime.ALWAYS }],
  operations: jobs.map(({ run }, i): Operation => ({
    id: `${i}`,
    order: i,
    after: [],
    modes: [{ machine: 0, beside: [], setUp: 0, run, dress: 0 }],
    release: 0,
  })),
  orders: jobs.map(({ due, weight = 1 }, i) => ({ id: `${i}`, due, weight })),
  dresses: 1,
  setUp: () => 0,
  weights,
});

function permutations(n: number): number[][] {
  if (n === 0) return [[]];
  return permutations(n - 1).flatMap((rest) => Array.from({ length: n }, (_, at) => rest.toSpliced(at, 0, n - 1)));
}

/** The least cost of any order of one-operation jobs. */
const leastOf = (shop: Shop): number => {
  const decoder = new Decoder(new Tables(shop));
  const modes = shop.operations.map(() => 0);
  const costs = permutations(shop.operations.length).map((order) => {
    decoder.load({ order, modes, beside: modes.map(() => []) });
    return costOf(decoder.judged(), shop.weights);
  });
  return Math.min(...costs);
};

describe('small shops that an outside solver has solved (identity: minizinc with gecode)', () => {
  it.each(FLEXIBLE.map((one, i) => [i + 1, one] as const))('shop %i is as little late as can be', (_, flexible) => {
    const shop = flexibleShop(flexible);
    const improver = improved(shop, 40_000);
    expect(improver.judged.late).toBe(flexible.best);
    expect(faults(shop, improver.best())).toEqual([]);
    expect(lateBound(shop)).toBeLessThanOrEqual(flexible.best);
    expect(pricedBound(shop, flexible.best, 200, 20).bound).toBeLessThanOrEqual(flexible.best);
  });
});

describe('schedules of the literature', () => {
  it.each(['ft06', 'la01', 'la05', 'la02'] as const)('%s is met', (name) => {
    const { jobs, best } = INSTANCES[name];
    const shop = jobShop(jobs);
    const improver = improved(shop, 100_000, 3);
    expect(improver.judged.late).toBe(best);
    expect(faults(shop, improver.best())).toEqual([]);
    expect(lateBound(shop)).toBeLessThanOrEqual(best);
  });
});

describe('identities of one machine, against every order there is', () => {
  it('the sum of times until through is least by the shortest first (Smith 1956)', () => {
    const shop = oneMachine(
      [7, 2, 9, 4, 1, 6].map((run) => ({ run })),
      { late: 0, setUp: 0, through: 1 },
    );
    expect(improved(shop, 3000).bestCost).toBe(leastOf(shop));
    expect(leastOf(shop)).toBe(1 + 3 + 7 + 13 + 20 + 29);
  });
  it('weighted lateness of seven jobs', () => {
    const runs = [7, 2, 9, 4, 1, 6, 3];
    const shop = oneMachine(
      runs.map((run, i) => ({ run, due: 3 + 4 * ((i * 5) % 7), weight: 1 + (i % 3) })),
      { late: 1, setUp: 0, through: 0 },
    );
    expect(improved(shop, 20_000).bestCost).toBe(leastOf(shop));
  });
  it('where everything can be on time, nothing is late (Jackson 1955)', () => {
    const runs = [5, 3, 8, 2];
    const shop = oneMachine(
      runs.map((run, i) => ({ run, due: runs.slice(0, i + 1).reduce((a, b) => a + b, 0) })),
      { late: 1, setUp: 0, through: 0 },
    );
    expect(improved(shop, 3000).judged.lateOrders).toBe(0);
  });
  it('two machines in line end as early as by the order of Johnson 1954', () => {
    const shop = jobShop(['0 3 1 6', '0 5 1 2', '0 1 1 2', '0 6 1 6', '0 7 1 5']);
    expect(improved(shop, 30_000).judged.late).toBe(24);
  });
});

describe.each([
  ['plain', {}],
  ['with calendars', { calendars: true }],
  ['with calendars, crews and piles', { calendars: true, crew: true, piles: true }],
])('a made-up works %s', (_, size) => {
  const shop = madeShop(11, { jobs: 14, steps: 4, machines: 9, kinds: 4, ...size });
  const first = firstSchedule(shop);
  const improver = improved(shop, 6000, 5);

  it('has no fault by rule, nor improved', () => {
    expect(faults(shop, first)).toEqual([]);
    expect(faults(shop, improver.best())).toEqual([]);
  });
  it('is bettered, and no better than the bound', () => {
    const before = costOf(timetable(shop, first).judged, shop.weights);
    expect(improver.bestCost).toBeLessThan(before);
    expect(lateBound(shop)).toBeLessThanOrEqual(improver.judged.late);
    expect(timetable(shop, improver.best()).judged).toEqual(improver.judged);
  });
  it('has a priced bound between that of each order alone and what was found', () => {
    const table = timetable(shop, improver.best());
    const { bound: priced } = pricedBound(shop, table.judged.late, Math.max(...table.through), 30);
    expect(priced).toBeGreaterThan(lateBound(shop));
    expect(priced).toBeLessThanOrEqual(table.judged.late);
  });
  it('prices hours where machines are short, and none of a machine that nobody wants', () => {
    const table = timetable(shop, improver.best());
    const idle = shop.resources.length;
    const more = {
      ...shop,
      resources: [...shop.resources, { id: 'idle', kind: 'machine', open: OpenTime.ALWAYS }],
    } as const;
    const priced = pricedBound(more, table.judged.late, Math.max(...table.through), 30);
    const end = Math.max(...table.through);
    const all = shop.resources.map((_, machine) => priceBetween(priced, machine, 0, end));
    for (const price of all) expect(price).toBeGreaterThanOrEqual(0);
    expect(Math.max(...all)).toBeGreaterThan(0);
    expect(priceBetween(priced, idle, 0, end)).toBe(0);
    // The mean of a stretch is that of its parts, by their length.
    const dearest = all.indexOf(Math.max(...all));
    const [one, two] = [priceBetween(priced, dearest, 10, 100), priceBetween(priced, dearest, 100, 250)];
    expect(priceBetween(priced, dearest, 10, 250)).toBeCloseTo((one * 90 + two * 150) / 240, 9);
  });
  it('comes out the same by the same seed and evaluations, however they are asked for', () => {
    const again = new Improver(shop, first, 5);
    for (let i = 0; i < 6; i++) again.run(1000);
    expect(again.best()).toEqual(improver.best());
  });
  it('keeps what has begun, and a new job finds its place between without moving anything', () => {
    const table = timetable(shop, improver.best());
    const now = 600;
    const begun = table.slots.map(({ start, end, mode, beside }) =>
      start < now ? { mode, beside, start, end } : undefined,
    );
    const later: Shop = {
      ...shop,
      operations: shop.operations.map((one, i) => ({ ...one, release: now, frozen: begun[i] })),
    };
    const replanned = improved(later, 3000, 2);
    expect(faults(later, replanned.best())).toEqual([]);

    const wanted = shop.operations
      .filter(({ order }) => order === 3)
      .map((one, i): Operation => ({
        ...one,
        id: `new ${i}`,
        after: one.after.map((link) => ({ ...link, operation: i - 1 })),
        release: now,
      }));
    const places = placesFor(shop, table, wanted);
    expect(endOf(places)).toBeGreaterThan(now);
    const base = shop.operations.length;
    const both: Shop = {
      ...shop,
      operations: [
        ...shop.operations,
        ...wanted.map((one) => ({
          ...one,
          after: one.after.map((link) => ({ ...link, operation: base + link.operation })),
        })),
      ],
    };
    const added = places.map((place, i) => ({
      operation: base + i,
      mode: place?.mode ?? 0,
      machine: place?.machine,
      beside: place?.beside ?? [],
      start: place?.start ?? 0,
      setUp: place?.setUp ?? 0,
      end: place?.end ?? 0,
      cause: { kind: 'release', operation: -1, resource: -1, minute: 0, there: 0 } as const,
    }));
    // What stands behind it may want another set-up now, for which there is time; the new job has no fault at all.
    const told = faultsOf(both, [...table.slots, ...added]);
    expect(told.filter((fault) => !/^set-up of \d/.test(fault))).toEqual([]);
  });
});

describe('the priced bound', () => {
  it('is never above the best of every order there is, on one machine, and near to it over some works', () => {
    let [found, bound] = [0, 0];
    for (let seed = 1; seed <= 6; seed++) {
      const jobs = Array.from({ length: 6 }, (_, i) => ({
        run: 10 + Math.floor(60 * uniform(seed, 3 * i)),
        due: Math.floor(150 * uniform(seed, 3 * i + 1)),
        weight: 1 + Math.floor(3 * uniform(seed, 3 * i + 2)),
      }));
      const shop = oneMachine(jobs, { late: 1, setUp: 0, through: 0 });
      const [least, horizon] = [leastOf(shop), jobs.reduce((sum, { run }) => sum + run, 0)];
      // The least that is known is no help to it: it is told one that is far too high.
      const { bound: priced } = pricedBound(shop, 10 * least + 1000, horizon, 60);
      expect(priced).toBeLessThanOrEqual(least + 1e-6);
      [found, bound] = [found + least, bound + priced];
    }
    expect(bound).toBeGreaterThan(0.5 * found);
  });
  it('says more than six parts in ten of what was found where most jobs are late', () => {
    const shop = madeShop(4, { jobs: 24, steps: 3, machines: 6, kinds: 3, slack: 0.2 });
    const improver = improved(shop, 40_000);
    const table = timetable(shop, improver.best());
    expect(table.judged.lateOrders).toBeGreaterThan(20);
    const { bound } = pricedBound(shop, table.judged.late, Math.max(...table.through), 60);
    expect(bound).toBeGreaterThan(0.6 * table.judged.late);
    expect(bound).toBeLessThanOrEqual(table.judged.late);
  });
});

describe('pins', () => {
  const shop = oneMachine([{ run: 60 }, { run: 60 }, { run: 60 }], { late: 1, setUp: 0, through: 1 });
  const withPin = (pinned: number): Shop => ({
    ...shop,
    operations: shop.operations.map((one, i) => (i === 2 ? { ...one, pinned } : one)),
  });
  it('begin at their minute, and others around them', () => {
    const starts = timetable(withPin(60), improved(withPin(60), 500).best()).slots.map(({ start }) => start);
    expect(starts[2]).toBe(60);
    expect([starts[0], starts[1]].sort()).toEqual([0, 120]);
  });
  it('are told where they cannot hold', () => {
    const two: Shop = { ...shop, operations: shop.operations.map((one) => ({ ...one, pinned: 30 })) };
    expect(timetable(two, improved(two, 500).best()).judged.unkept).toBe(60 + 120);
  });
});

describe('why an order is late', () => {
  it('goes back over what it waited for, to the beginning', () => {
    const shop = oneMachine(
      [
        { run: 60, due: 0, weight: 9 },
        { run: 30, due: 10 },
      ],
      { late: 1, setUp: 0, through: 0 },
    );
    const table = timetable(shop, { order: [0, 1], modes: [0, 0], beside: [[], []] });
    expect(chainOf(table, shop, 1).map(({ operation, cause }) => [operation, cause.kind, cause.minute])).toEqual([
      [1, 'held', 60],
      [0, 'release', 0],
    ]);
  });
});

it('a piece of work on a machine without open hours is never through, and the rest is planned', () => {
  const shop = madeShop(2, { jobs: 4, steps: 3, machines: 3 });
  const closed: Shop = {
    ...shop,
    resources: shop.resources.map((one, i) => (i === 2 ? { ...one, open: new OpenTime([]) } : one)),
  };
  const { slots } = timetable(closed, firstSchedule(closed));
  const goThere = shop.operations.filter(({ modes }) => modes.every(({ machine }) => machine === 2));
  expect(goThere.length).toBeGreaterThan(0);
  expect(slots.filter(({ end }) => end >= NEVER).map(({ operation }) => shop.operations[operation])).toEqual(goThere);
});
