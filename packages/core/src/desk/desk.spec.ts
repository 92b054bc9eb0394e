import { MINUTE_MS, instantOf } from '../kernel/index.js';
import { SHIPPED_WORKS, type Works } from '../works/index.js';
import { type FloorHold, type FloorProblem, USUAL_HOURS, planFloor } from '../floor/index.js';
import { floorJobs } from '../floor/jobs.fixture.js';
import { type DeskFacts, deskOf } from './desk.js';

const zone = 'Europe/Berlin';
const works: Works = { ...SHIPPED_WORKS, timeZone: zone };
const origin = instantOf('2026-11-30T07:00', zone);
const DAY = 24 * 60;

const jobs = floorJobs(['concert-programme', 'trail-map'], works, '2026-12-18').map((job) => ({
  ...job,
  weight: job.id,
}));
const problem: FloorProblem = { works, hours: USUAL_HOURS, jobs, pins: [], origin };
const plan = planFloor(problem, { evaluations: 0, seed: 1 });
const facts: DeskFacts = {
  problem,
  plan,
  stale: false,
  paper: { stock: [], coming: [] },
  runs: [],
  drafts: [],
  proposals: 0,
};
const pass = jobs[0]?.steps.find(({ wants }) => wants?.press)?.id ?? '';
const start = plan.origin + (plan.slots.find(({ job, step }) => job === 1 && step === pass)?.start ?? 0) * MINUTE_MS;
const withHolds = (...holds: Omit<FloorHold, 'step'>[]): DeskFacts => ({
  ...facts,
  problem: {
    ...problem,
    jobs: jobs.map((job) => (job.id === 1 ? { ...job, holds: holds.map((hold) => ({ ...hold, step: pass })) } : job)),
  },
});

describe('the desk', () => {
  it('is empty where nothing is left to decide', () => {
    expect(deskOf(facts)).toEqual([]);
  });

  it('wants paper ordered so that it is there by the start that is in force, and leaves alone what is on order', () => {
    const [matter, ...more] = deskOf(withHolds({ what: 'paper', of: 'Offset 90 g', day: null }));
    expect(more).toEqual([]);
    expect(matter).toMatchObject({ key: 'paper/1', kind: 'paper', job: 1, step: pass, of: 'Offset 90 g' });
    expect(matter?.by).toBe(start - 120 * 60 * MINUTE_MS);
    expect(deskOf(withHolds({ what: 'paper', of: 'Offset 90 g', day: '2026-12-03' }))).toEqual([]);
  });

  it('wants artwork approved with time left to make its carriers, and tells both once', () => {
    const artwork = { what: 'artwork', of: 'Cover', day: null } as const;
    const carriers = { what: 'carriers', of: '4', day: null } as const;
    const both = deskOf(withHolds(artwork, carriers));
    expect(both).toMatchObject([{ key: 'artwork/1', by: start - 28 * 60 * MINUTE_MS }]);
    expect(deskOf(withHolds(artwork))).toMatchObject([{ by: start - 24 * 60 * MINUTE_MS }]);
    // What is at the customer is a matter of its own, with the same time left.
    const sent = '2026-11-25T09:00:00.000Z';
    expect(deskOf(withHolds({ ...artwork, sent }, carriers))).toMatchObject([
      { key: 'proof/1', kind: 'proof', day: sent, by: start - 28 * 60 * MINUTE_MS },
    ]);
    expect(deskOf(withHolds(carriers))).toMatchObject([
      { key: 'carriers/1', count: 4, by: start - 4 * 60 * MINUTE_MS },
    ]);
  });

  it('says what a day of waiting costs: what is not to spare of it, by weight (identity)', () => {
    const spare = plan.through.find(({ job }) => job === 1)?.spare ?? 0;
    expect(spare).toBeGreaterThan(DAY);
    const hold = { what: 'trial', of: 'Deep red', day: null } as const;
    expect(deskOf(withHolds(hold))[0]?.costs).toBe(0);
    const tight = { ...plan, through: plan.through.map((one) => ({ ...one, spare: 600 })) };
    expect(deskOf({ ...withHolds(hold), plan: tight })[0]?.costs).toBe(DAY - 600);
  });

  it('tells a late job with what would help most', () => {
    const help = {
      kind: 'job first',
      step: null,
      machine: null,
      won: 90,
      othersLate: 0,
      overtime: 0,
      rest: 0,
    } as const;
    const late = [{ job: 2, minutes: 100, alone: 0, waits: null, chain: [], helps: [help] }];
    expect(deskOf({ ...facts, plan: { ...plan, late } })).toMatchObject([
      { key: 'late/2', minutes: 100, costs: 200, help },
    ]);
    // Not of a job that is through or gone.
    expect(deskOf({ ...facts, plan: { ...plan, late: late.map((one) => ({ ...one, job: 9 })) } })).toEqual([]);
  });

  it('holds carriers while the count will not do, and lets them go once nothing asks for them', () => {
    const run = { expected: 950, least: 980, wanted: 1000, hold: true };
    const of = (forecast: typeof run, held: number): unknown[] =>
      deskOf({ ...facts, runs: [{ job: 1, forecast, held }] }).map(({ key }) => key);
    expect(of(run, 4)).toEqual(['short/1']);
    expect(of(run, 0)).toEqual([]);
    expect(of({ ...run, expected: 990 }, 4)).toEqual([]);
    expect(of({ ...run, expected: 1010, hold: false }, 4)).toEqual(['let go/1']);
  });

  it('asks after orders that should have come, each once', () => {
    const coming = (order: string, day: string) => ({ key: 'sheets/x', quantity: 1, day, order, jobs: [] });
    const paper = {
      stock: [],
      coming: [coming('P-1', '2026-11-28'), coming('P-1', '2026-11-27'), coming('P-2', '2026-11-30')],
    };
    expect(deskOf({ ...facts, paper })).toMatchObject([
      { key: 'delivery/P-1', of: 'P-1', day: '2026-11-27', count: 2 },
    ]);
  });

  it('asks for a schedule where there is none or it no longer fits', () => {
    expect(deskOf({ ...facts, plan: undefined })).toMatchObject([{ key: 'plan/none' }]);
    expect(deskOf({ ...facts, plan: undefined, problem: { ...problem, jobs: [] } })).toEqual([]);
    expect(deskOf({ ...facts, stale: true })).toMatchObject([{ key: 'plan/stale' }]);
  });

  it('tells what a machine that breaks down does to what lies on it', () => {
    const slot = plan.slots.find(({ job, step }) => job === 1 && step === pass);
    const machine = slot?.machine ?? '';
    const from = (slot?.start ?? 0) + 10;
    const wall = (minute: number): string =>
      new Date(origin + minute * MINUTE_MS).toLocaleString('sv', { timeZone: zone }).slice(0, 16).replace(' ', 'T');
    const exceptions = [{ machine, from: wall(from), until: wall(from + 30), opens: false, why: 'roller' }];
    const broken = deskOf({ ...facts, problem: { ...problem, hours: { ...USUAL_HOURS, exceptions } } });
    expect(broken).toMatchObject([{ key: `closed/${machine}`, machine, count: 1 }]);
    expect(broken[0]?.by).toBe(plan.origin + (slot?.start ?? 0) * MINUTE_MS);
  });

  it('leaves for later what has to be decided only some days ahead', () => {
    const hold = { what: 'carriers', of: '4', day: null } as const;
    const later = (minutes: number): DeskFacts => ({
      ...withHolds(hold),
      plan: { ...plan, slots: plan.slots.map((one) => (one.step === pass ? { ...one, start: minutes } : one)) },
    });
    expect(deskOf(later(5 * DAY + 4 * 60)).map(({ kind }) => kind)).toContain('carriers');
    expect(deskOf(later(5 * DAY + 4 * 60 + 1)).map(({ kind }) => kind)).not.toContain('carriers');
  });

  it('tells of norms that the log proposes, when there is time', () => {
    expect(deskOf({ ...facts, proposals: 3 })).toMatchObject([{ key: 'norms', count: 3, by: undefined }]);
  });

  it('wants drafts released some days before they are due', () => {
    const drafts = [
      { job: 7, due: '2026-12-05' },
      { job: 8, due: '2026-12-20' },
    ];
    expect(deskOf({ ...facts, drafts })).toMatchObject([{ key: 'draft/7', day: '2026-12-05' }]);
  });

  it('goes by the day, then by what waiting costs', () => {
    const late = [1, 2].map((job) => ({ job, minutes: 100, alone: 0, waits: null, chain: [], helps: [] }));
    const all = deskOf({
      ...withHolds({ what: 'paper', of: 'Offset 90 g', day: null }),
      stale: true,
      plan: { ...plan, late },
      runs: [{ job: 1, forecast: { expected: 1010, least: 980, wanted: 1000, hold: false }, held: 2 }],
    });
    expect(all.map(({ kind }) => kind).at(-1)).toBe('let go');
    const day = ({ by }: { by: number | undefined }) =>
      Math.floor((Math.max(by ?? 9e15, origin) - origin) / 86_400_000);
    all.slice(1).forEach((matter, i) => {
      const before = all[i];
      if (!before) return;
      expect(day(before)).toBeLessThanOrEqual(day(matter));
      if (day(before) === day(matter)) expect(before.costs).toBeGreaterThanOrEqual(matter.costs);
    });
  });
});
