import { firstSchedule } from './dispatch.js';
import { halfFirst, splitInTwo } from './halves.js';
import { OpenTime } from './open-time.js';
import type { Operation, Shop } from './shop.js';
import { madeShop } from './shops.fixture.js';
import { moved, timetable } from './timetable.js';
import { faultsOf } from './validate.fixture.js';

/** One job of three stations, each of 10 minutes set-up and 100 of run, on the first machine; the first can be done on the fourth too. */
const chain: Shop = {
  resources: ['a', 'b', 'c', 'd'].map((id) => ({ id, kind: 'machine', open: OpenTime.ALWAYS })),
  operations: [0, 1, 2].map((k): Operation => ({
    id: `${k}`,
    order: 0,
    after: k === 0 ? [] : [{ operation: k - 1, lag: 0 }],
    modes: (k === 0 ? [0, 3] : [k]).map((machine) => ({ machine, beside: [], setUp: 10, run: 100, dress: 0 })),
    release: 0,
  })),
  orders: [{ id: 'job', due: 0, weight: 1 }],
  dresses: 1,
  setUp: () => 0,
  weights: { late: 1, setUp: 0, through: 0 },
};
const sequence = { order: [0, 1, 2], modes: [0, 0, 0], beside: [[], [], []] };

describe('work in two halves (identity)', () => {
  it('runs on two machines beside each other, set up twice', () => {
    expect(timetable(chain, sequence).through).toEqual([330]);
    const { shop, sequence: halved, second } = splitInTwo(chain, sequence, 0);
    expect(timetable(shop, halved).through).toEqual([340]); // both on one machine: one set-up more
    const both = moved(shop, halved, second.get(0) ?? -1, { mode: 1 });
    const table = both && timetable(shop, both);
    expect(table?.through).toEqual([280]);
    expect(table && faultsOf(shop, table.slots)).toEqual([]);
  });
  it('half of the goods goes first from station to station, the rest behind it without a set-up', () => {
    const { shop, sequence: halved } = halfFirst(chain, sequence, 0);
    const table = timetable(shop, halved);
    expect(table.through).toEqual([180, 230]);
    expect(faultsOf(shop, table.slots)).toEqual([]);
  });
  it('leaves what has begun whole', () => {
    const operations = chain.operations.map((one, i) =>
      i === 0 ? { ...one, frozen: { mode: 0, beside: [], start: 0, end: 70 } } : one,
    );
    const { shop, second, sequence: halved } = halfFirst({ ...chain, operations }, sequence, 0);
    expect([...second.keys()]).toEqual([1, 2]);
    expect(timetable(shop, halved).through).toEqual([190, 240]);
  });
  it.each([1, 2, 3, 4])('keeps calendars, people, piles and lags in any works (seed %i)', (seed) => {
    const shop = madeShop(seed, { jobs: 8, steps: 4, machines: 8, calendars: true, crew: true, piles: true });
    const first = firstSchedule(shop);
    const before = timetable(shop, first).through;
    for (let order = 0; order < 8; order++) {
      const halved = halfFirst(shop, first, order);
      const table = timetable(halved.shop, halved.sequence);
      expect(faultsOf(halved.shop, table.slots)).toEqual([]);
      expect(table.through[order]).toBeLessThanOrEqual(before[order] ?? 0);
    }
    shop.operations.forEach(({ modes }, operation) => {
      const halved = splitInTwo(shop, first, operation);
      const half = halved.second.get(operation) ?? -1;
      modes.forEach((_, mode) => {
        const both = moved(halved.shop, halved.sequence, half, { mode });
        if (both) expect(faultsOf(halved.shop, timetable(halved.shop, both).slots)).toEqual([]);
      });
    });
  });
});
