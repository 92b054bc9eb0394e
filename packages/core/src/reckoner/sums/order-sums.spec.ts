import fc from 'fast-check';
import { reckonSum } from '../sum.js';
import { sumOf } from '../sums.js';
import { type TypedJob, leastWaited, readJobs, soonestThrough, throughBoth, weightedWait } from './order-sums.js';

const answer = (id: string, jobs: string) => {
  const sum = sumOf(id);
  if (!sum) throw new Error(`no sum ${id}`);
  return reckonSum(sum, { jobs });
};
const ordersOf = <T>(all: readonly T[]): T[][] =>
  all.length < 2
    ? [[...all]]
    : all.flatMap((one, i) => ordersOf([...all.slice(0, i), ...all.slice(i + 1)]).map((rest) => [one, ...rest]));
const jobs = fc
  .array(fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 })), { minLength: 1, maxLength: 6 })
  .map((all) => all.map((figures, i): TypedJob => ({ name: `J${i}`, figures })));

describe('jobs that are put in order', () => {
  it('are through two stations as soon as in any order (identity: all orders are tried)', () => {
    fc.assert(
      fc.property(jobs, (all) => {
        const best = Math.min(...ordersOf(all).map(throughBoth));
        expect(throughBoth(soonestThrough(all))).toBe(best);
      }),
      { numRuns: 150 },
    );
  });

  it('wait on one machine as little as in any order, weighted (identity: all orders are tried)', () => {
    fc.assert(
      fc.property(jobs, (all) => {
        const best = Math.min(...ordersOf(all).map(weightedWait));
        expect(weightedWait(leastWaited(all))).toBe(best);
      }),
      { numRuns: 150 },
    );
  });

  it('are the example of the rule for two stages (literature, from memory: 5 jobs, 47 in all)', () => {
    const times = [
      [4, 5],
      [4, 1],
      [30, 4],
      [6, 30],
      [2, 3],
    ] as const;
    const told = times.map((figures, i): TypedJob => ({ name: `J${i + 1}`, figures }));
    expect(soonestThrough(told).map(({ name }) => name)).toEqual(['J5', 'J1', 'J4', 'J3', 'J2']);
    const told2 = told.map(({ name, figures: [a, b] }) => `${name} ${a} ${b}`).join(', ');
    const { figures, texts } = answer('two-stations', told2);
    expect([figures['through']?.value, texts]).toEqual([47, [{ name: 'Order', text: 'J5, J1, J4, J3, J2' }]]);
  });

  it('have figures that agree with the order that they were found in', () => {
    fc.assert(
      fc.property(jobs, (all) => {
        const text = all.map(({ name, figures: [a, b] }) => `${name} ${a} ${b}`).join('; ');
        const [two, one] = [answer('two-stations', text), answer('one-machine', text)];
        expect(two.figures['through']?.value).toBe(throughBoth(soonestThrough(all)));
        expect(two.figures['asTold']?.value).toBe(throughBoth(all));
        expect(one.figures['waited']?.value).toBeCloseTo(weightedWait(leastWaited(all)), 6);
        expect(one.figures['asTold']?.value).toBe(weightedWait(all));
      }),
      { numRuns: 60 },
    );
  });

  it('are read with decimals, names of several words, and what cannot be read is told', () => {
    expect(readJobs('Trail map 90 40, Card No. 7 1,5 2.5').jobs).toEqual([
      { name: 'Trail map', figures: [90, 40] },
      { name: 'Card No. 7', figures: [1.5, 2.5] },
    ]);
    const many = Array.from({ length: 11 }, (_, i) => `J${i} 1 1`).join(', ');
    for (const text of ['Map 90', 'Map 90 40, 7', '90 40', many, ';'])
      expect(answer('two-stations', text).issues).toMatchObject([{ code: 'sum.jobs', path: 'jobs' }]);
    expect(answer('one-machine', 'Map 90 40, Card thirty').issues).toMatchObject([{ params: { job: 'Card thirty' } }]);
  });
});
