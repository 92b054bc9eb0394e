import { instantOf } from '../kernel/index.js';
import { SHIPPED_WORKS, type Works } from '../works/index.js';
import { normsOf } from '../norms/index.js';
import { OpenTime, type Shop } from '../schedule/index.js';
import { chanceFor } from './chance.js';
import { promiseFor } from './floor-promise.js';
import type { FloorProblem, FloorShop } from './floor-shop.js';
import { USUAL_HOURS } from './hours.js';
import { floorJobs } from './jobs.fixture.js';
import { planFloor } from './plan-floor.js';

const works: Works = { ...SHIPPED_WORKS, timeZone: 'Europe/Berlin' };
const origin = instantOf('2026-11-30T07:00', 'Europe/Berlin');

/** One station of 100 minutes set-up and 60 of run that is due at a minute. */
const single = (due: number | undefined): FloorShop => {
  const shop: Shop = {
    resources: [{ id: 'press', kind: 'machine', open: OpenTime.ALWAYS }],
    operations: [
      {
        id: '1/print',
        order: 0,
        after: [],
        modes: [{ machine: 0, beside: [], setUp: 100, run: 60, dress: 0 }],
        release: 0,
      },
    ],
    orders: [{ id: '1', due, weight: 1 }],
    dresses: 1,
    setUp: () => 0,
    weights: { late: 1, setUp: 0, through: 0 },
  };
  return { shop, places: [{ job: 1, step: 'print' }], dresses: [], holds: [undefined] };
};
const sequence = { order: [0], modes: [0], beside: [[]] };
const norms = normsOf(works, {});
/** Distribution of a triangle from 70 to 180 with its peak at 100. Source: identity. */
const triangle = (x: number): number => (x <= 100 ? (x - 70) ** 2 / (110 * 30) : 1 - (180 - x) ** 2 / (110 * 80));

describe('the chance of one station (identity: distribution of the triangle)', () => {
  it.each([230, 160, 145, 180, 200, 238, 251])('is that of its set-up, due at %i', (due) => {
    const { chance } = chanceFor(single(due), sequence, 0, [0], norms);
    expect(Math.abs((chance ?? -1) - triangle(due - 60 + 0.5))).toBeLessThan(0.075); // three deviations of 400 draws
  });
  it('is sure at the ninetieth of a hundred, nothing where nobody waits', () => {
    const { chance, sure } = chanceFor(single(undefined), sequence, 0, [0], norms);
    expect(chance).toBeNull();
    const ninety = 180 - Math.sqrt(0.1 * 110 * 80) + 60;
    expect(Math.abs(sure - ninety)).toBeLessThan(6);
  });
  it('is one or nothing where all runs are alike', () => {
    const alike = normsOf(works, { 'sure.best': 1, 'sure.worst': 1 });
    expect(chanceFor(single(160), sequence, 0, [0], alike)).toEqual({ chance: 1, sure: 160 });
    expect(chanceFor(single(159), sequence, 0, [0], alike)).toEqual({ chance: 0, sure: 160 });
  });
});

describe('a promise', () => {
  const names = ['concert-programme', 'trail-map', 'gala-invitations', 'garden-cards'];
  const jobs = floorJobs(names, works, '2026-12-18');
  const problem: FloorProblem = { works, hours: USUAL_HOURS, jobs, pins: [], origin };
  const standing = planFloor({ ...problem, jobs: jobs.slice(0, 3) }, { evaluations: 0, seed: 1 });

  it('tells how sure it is: of a job in the gaps, and of one that stands', () => {
    for (const job of jobs) {
      const due = (day: string): FloorProblem => ({
        ...problem,
        jobs: jobs.map((one) => (one.id === job.id ? { ...one, due: day } : one)),
      });
      const at = (day: string) => promiseFor(due(day), standing, { ...job, due: day });
      const [soon, late] = [at('2026-11-30'), at('2027-03-01')];
      expect(late.chance).toBe(1);
      expect([soon.late, late.late]).toEqual([true, false]);
      expect(soon.chance).toBe(0);
      expect(late.sure).toBeGreaterThanOrEqual(late.ready ?? Infinity);
      expect(at('2027-03-01')).toEqual(late); // the same seed, the same answer
    }
  });
  it('rises with the days that are left', () => {
    const [job] = jobs.slice(3);
    if (!job) throw new Error('no job');
    const days = Array.from({ length: 12 }, (_, i) => `2026-12-${String(i + 1).padStart(2, '0')}`);
    const chances = days.map((day) => promiseFor(problem, standing, { ...job, due: day }).chance ?? -1);
    for (let i = 1; i < chances.length; i++) expect(chances[i]).toBeGreaterThanOrEqual(chances[i - 1] ?? 0);
  });
  it('is null where a station fits nowhere', () => {
    const [job] = jobs.slice(3);
    const closed = { ...problem, hours: { ...USUAL_HOURS, press: [], finishing: [] } };
    expect(job && promiseFor(closed, undefined, job)).toMatchObject({
      chance: null,
      ready: undefined,
      sure: undefined,
    });
  });
});
