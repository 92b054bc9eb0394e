import { instantOf, valueAt, wallClock } from '../kernel/index.js';
import { SHIPPED_WORKS, type Works } from '../works/index.js';
import { normsOf } from '../norms/index.js';
import { figureId } from '../job/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import { faultsOf } from '../schedule/validate.fixture.js';
import { Improver, NEVER, firstSchedule, timetable } from '../schedule/index.js';
import { type Dress, changeMinutes, changeOver } from './change-over.js';
import { type FloorProblem, floorShop } from './floor-shop.js';
import { type FloorHours, USUAL_HOURS, checkHours, openTimes } from './hours.js';
import { floorJobs } from './jobs.fixture.js';
import type { FloorNews } from './news.js';
import { FloorMoves, moveFloor } from './move-floor.js';
import { type FloorSlot, planFloor } from './plan-floor.js';
import { floorSteps } from './steps.js';

const works: Works = { ...SHIPPED_WORKS, timeZone: 'Europe/Berlin' };
const NAMES = ['concert-programme', 'trail-map', 'tea-caddy', 'star-atlas', 'garden-cards', 'gala-invitations'];
const jobs = floorJobs(NAMES, works, '2026-12-04');
const monday = instantOf('2026-11-30T07:00', 'Europe/Berlin');
/** What was told of a station some minutes ago. */
const news = (step: string | undefined, minutesAgo = 0): FloorNews[] => [
  { step: step ?? '', at: monday - minutesAgo * 60_000 },
];
const problem: FloorProblem = { works, hours: USUAL_HOURS, jobs, pins: [], origin: monday };

describe('stations of a planned job', () => {
  const job = example('concert-programme');
  const made = planned(job);
  const steps = floorSteps(job, works, made);

  it('take the minutes of the plan, set-up and run', () => {
    for (const { id, ways } of steps) {
      const [way] = ways;
      const hours = made.steps.find((step) => step.id === id)?.hours ?? 0;
      if (!way) continue;
      expect(Math.abs(way.setUp + way.run - hours * 60)).toBeLessThanOrEqual(2);
      expect(Math.abs(way.setUp - (valueAt(made, figureId.step(id, 'setupHours')) ?? 0) * 60)).toBeLessThanOrEqual(1);
    }
  });
  it('wait for what feeds them, and lie to dry', () => {
    const ids = new Set(steps.map(({ id }) => id));
    const drying = made.steps.filter(({ lagHours }) => lagHours > 0);
    expect(drying.length).toBeGreaterThan(0);
    for (const { id, lagHours } of drying)
      expect(steps.find((step) => step.id === id)?.lies).toBe(Math.ceil(lagHours * 60 - 1e-6));
    for (const { after } of steps) for (const { step } of after) expect(ids).toContain(step);
  });
});

describe('a floor of six jobs', () => {
  const floor = floorShop(problem);
  it('is laid without a fault, by rule and bettered', () => {
    const first = firstSchedule(floor.shop);
    const improver = new Improver(floor.shop, first, 1);
    improver.run(4000);
    expect(faultsOf(floor.shop, timetable(floor.shop, first).slots)).toEqual([]);
    expect(faultsOf(floor.shop, timetable(floor.shop, improver.best()).slots)).toEqual([]);
  });
  const plan = planFloor(problem, { evaluations: 4000, seed: 1 });
  it('lets no work run when the works is closed', () => {
    for (const { machine, start } of plan.slots) {
      if (machine === null) continue;
      const clock = wallClock(monday + start * 60_000, 'Europe/Berlin').slice(11);
      expect(clock >= '07:00' && clock < '16:00').toBe(true);
    }
  });
  it('is the same for the same seed, and no better than its bound', () => {
    expect(planFloor(problem, { evaluations: 4000, seed: 1 })).toEqual(plan);
    expect(plan.bound).toBeLessThanOrEqual(plan.judged.late);
  });
  it('tells of every late job what it waits for and what would help, as it was tried', () => {
    const tight = planFloor(
      { ...problem, jobs: jobs.map((job) => ({ ...job, due: '2026-11-30' })) },
      { evaluations: 500, seed: 1 },
    );
    expect(tight.late.length).toBeGreaterThan(2);
    // Somebody has to wait where all want the press at once, and never longer than until it is free.
    expect(tight.late.some(({ waits }) => waits !== null)).toBe(true);
    for (const { job, waits } of tight.late) {
      const slot = tight.slots.find((one) => one.job === waits?.job && one.step === waits.step);
      if (!waits || !slot) continue;
      expect([waits.job, slot.cause.kind]).toEqual([job, 'held']);
      expect(waits.minutes).toBeLessThanOrEqual(slot.cause.minute);
    }
    for (const { chain, minutes, alone, helps } of tight.late) {
      expect(chain.length).toBeGreaterThan(0);
      expect(alone).toBeLessThanOrEqual(minutes);
      for (const { won } of helps) expect(won).toBeGreaterThan(0);
    }
    expect(tight.late.flatMap(({ helps }) => helps).length).toBeGreaterThan(0);
  });
  it('tells how far it is and what is best so far, and ends where it is told to', () => {
    const told: [number, number, boolean][] = [];
    const made = planFloor(problem, { evaluations: 4000, seed: 1 }, ({ tried, cost, best }) => {
      const rough = best();
      told.push([tried, cost, rough.slots.length === plan.slots.length]);
      return true;
    });
    expect(told.map(([tried]) => tried)).toEqual([0, 1000, 2000, 3000]);
    expect(told.every(([, , whole]) => whole)).toBe(true);
    for (let i = 1; i < told.length; i++) expect(told[i]?.[1]).toBeLessThanOrEqual(told[i - 1]?.[1] ?? 0);
    expect(made).toEqual(plan);
    const ended = planFloor(problem, { evaluations: 4000, seed: 1 }, ({ tried }) => tried < 2000);
    const shorter = planFloor(problem, { evaluations: 2000, seed: 1 });
    expect(ended).toEqual({ ...shorter, evaluations: ended.evaluations });
  });
  it('keeps a pin to an hour, and leaves out what is done', () => {
    const step = jobs[1]?.steps.find(({ ways }) => ways.length > 0);
    const start = '2026-12-02T09:00';
    const pinned = planFloor(
      { ...problem, pins: [{ job: 2, step: step?.id ?? '', start }] },
      { evaluations: 1000, seed: 1 },
    );
    const slot = pinned.slots.find((one) => one.job === 2 && one.step === step?.id);
    expect(wallClock(monday + (slot?.start ?? 0) * 60_000, 'Europe/Berlin')).toBe(start);
    const rest = planFloor(
      { ...problem, jobs: jobs.map((job) => (job.id === 2 ? { ...job, done: news(step?.id) } : job)) },
      { evaluations: 0, seed: 1 },
    );
    expect(rest.slots.some((one) => one.job === 2 && one.step === step?.id)).toBe(false);
  });
  it('what was counted behind a station says that it is done too, and what has begun runs on', () => {
    const steps = jobs[0]?.steps ?? [];
    const last = steps.at(-1);
    const counted = planFloor(
      { ...problem, jobs: jobs.map((job) => (job.id === 1 ? { ...job, done: news(last?.id) } : job)) },
      { evaluations: 0, seed: 1 },
    );
    expect(counted.slots.filter(({ job }) => job === 1)).toEqual([]);
    const first = steps.find(({ after, ways }) => after.length === 0 && ways.length > 0);
    const begun = planFloor(
      { ...problem, jobs: jobs.map((job) => (job.id === 1 ? { ...job, begun: news(first?.id) } : job)) },
      { evaluations: 500, seed: 1 },
    );
    expect(begun.slots.find(({ job, step }) => job === 1 && step === first?.id)).toMatchObject({
      start: 0,
      frozen: true,
    });
  });
  it('what has begun takes what is left of it, what is counted dries on while nobody looks', () => {
    const at = (change: Partial<(typeof jobs)[number]>, origin = monday): FloorSlot[] =>
      planFloor(
        { ...problem, origin, jobs: jobs.map((job) => (job.id === 1 ? { ...job, ...change } : job)) },
        { evaluations: 0, seed: 1 },
      ).slots.filter(({ job }) => job === 1);
    const steps = jobs[0]?.steps ?? [];
    const first = steps.find(({ after, ways }) => after.length === 0 && ways.length > 0);
    const whole = (first?.ways[0]?.setUp ?? 0) + (first?.ways[0]?.run ?? 0);
    const later = monday + 120 * 60_000;
    const endOf = (ago: number): number | undefined =>
      at({ begun: news(first?.id, ago - 120) }, later).find(({ step }) => step === first?.id)?.end;
    expect(whole).toBeGreaterThan(40);
    expect(endOf(0)).toBe(whole);
    expect(at({ begun: news(first?.id, -0.5) }).find(({ step }) => step === first?.id)?.end).toBe(whole);
    expect(endOf(30)).toBe(whole - 30);
    expect(endOf(100_000)).toBe(1);

    const dry = steps.find(({ lies, ways, after }) => lies > 60 && ways.length === 0 && after.length === 1);
    const from = dry?.after[0]?.step;
    const dryEnd = (ago: number): number | undefined =>
      at({ done: news(from, ago) }).find(({ step }) => step === dry?.id)?.end;
    expect(dryEnd(0)).toBe(dry?.lies);
    expect(dryEnd(45)).toBe((dry?.lies ?? 0) - 45);
    expect(dryEnd(1e6)).toBe(0);

    const lagging = steps.map((step) =>
      step.id === dry?.id ? { ...step, lies: 0, after: step.after.map((link) => ({ ...link, lag: 90 })) } : step,
    );
    const slot = at({ steps: lagging, done: news(from, 20) }).find(({ step }) => step === dry?.id);
    expect([slot?.start, slot?.cause.hold?.what]).toEqual([70, 'drying']);
  });
  it('tells a pin that cannot hold, with how much later it begins', () => {
    const step = jobs[1]?.steps.findLast(({ ways }) => ways.length > 0);
    const pinned = planFloor(
      { ...problem, pins: [{ job: 2, step: step?.id ?? '', start: '2026-11-30T07:00' }] },
      { evaluations: 500, seed: 1 },
    );
    const slot = pinned.slots.find((one) => one.job === 2 && one.step === step?.id);
    expect(pinned.unkept).toEqual([{ job: 2, step: step?.id, minutes: slot?.start }]);
  });
  it('a station that goes ahead of another is there, and what it costs others is told', () => {
    const moveOf = (first?: FloorSlot, second?: FloorSlot) => ({
      job: second?.job ?? 0,
      step: second?.step ?? '',
      before: { job: first?.job ?? 0, step: first?.step ?? '' },
    });
    const runs = plan.slots.filter(({ setUp }) => setUp > 0).sort((a, b) => a.start - b.start);
    const pairs = runs.flatMap((first) =>
      runs
        .filter(({ machine, job, start }) => machine === first.machine && job !== first.job && start > first.start)
        .map((second) => [first, second] as const),
    );
    const [first, second] =
      pairs.find(([one, two]) => (new FloorMoves(problem, plan).effect(moveOf(one, two))?.shifted.length ?? 0) > 0) ??
      [];
    const move = moveOf(first, second);
    const [effect, made] = [new FloorMoves(problem, plan).effect(move), moveFloor(problem, plan, move)];
    const at = (job?: number, step?: string) =>
      made?.slots.find((one) => one.job === job && one.step === step)?.start ?? -1;
    expect(at(second?.job, second?.step)).toBeLessThan(at(first?.job, first?.step));
    const through = new Map(plan.through.map(({ job, minute }) => [job, minute]));
    expect(effect?.shifted.length).toBeGreaterThan(0);
    for (const { job, minutes } of effect?.shifted ?? [])
      expect(made?.through.find((one) => one.job === job)?.minute).toBe((through.get(job) ?? 0) + minutes);
    expect(effect?.setUp).toBe((made?.judged.setUp ?? 0) - plan.judged.setUp);
    // Back behind it, all is as it was.
    const back = made && moveFloor(problem, made, { ...move, before: undefined, after: move.before });
    expect(back?.judged.lateOrders).toBe(plan.judged.lateOrders);
    expect(moveFloor(problem, plan, { job: 1, step: 'nowhere' })).toBeUndefined();
  });
  it('tells what a machine that is never open keeps from running, and plans the rest', () => {
    const machine = jobs[0]?.steps.find(({ ways }) => ways.length === 1)?.ways[0]?.machine ?? '';
    const closed = planFloor(
      { ...problem, hours: { ...USUAL_HOURS, machines: { [machine]: [] } } },
      { evaluations: 500, seed: 1 },
    );
    expect(closed.never.some((one) => one.machine === machine)).toBe(true);
    expect(closed.slots.length).toBeGreaterThan(0);
    expect(closed.slots.every(({ end }) => end < NEVER)).toBe(true);
  });
});

describe('what a works says that is far off', () => {
  it('a machine that the works has no longer never runs what was planned on it, and that is told', () => {
    const machine = jobs[0]?.steps.find(({ ways }) => ways.length === 1)?.ways[0]?.machine ?? '';
    const without = { ...works, machines: works.machines.filter(({ id }) => id !== machine) };
    const made = planFloor({ ...problem, works: without }, { evaluations: 0, seed: 1 });
    expect(made.never.some((one) => one.machine === machine)).toBe(true);
  });
  it('closing and opening until the year 9999, and a pin there, break nothing', () => {
    const until = '9999-12-31T23:00';
    const exceptions = [
      { machine: works.machines[0]?.id, from: '2026-12-01T00:00', until, opens: false, why: '' },
      { machine: works.machines[1]?.id, from: '2026-12-01T00:00', until, opens: true, why: '' },
    ];
    const step = jobs[1]?.steps.find(({ ways }) => ways.length > 0);
    const pins = [{ job: 2, step: step?.id ?? '', start: until }];
    const made = planFloor({ ...problem, hours: { ...USUAL_HOURS, exceptions }, pins }, { evaluations: 200, seed: 1 });
    expect(made.never.some((one) => one.job === 2 && one.step === step?.id)).toBe(true);
    expect(made.slots.length).toBeGreaterThan(0);
    expect(made.slots.every(({ start, end }) => start >= 0 && end >= start)).toBe(true);
  });
});

describe('change-overs (handbook chapter 8)', () => {
  const norms = normsOf(works, {});
  const press: Dress = {
    process: 'sheet-fed',
    inks: [],
    sizeMm: [720, 510],
    stock: 'a',
    caliperUm: 100,
    fold: '',
    glue: '',
    tool: '',
  };
  const ink = (name: string, kind: Dress['inks'][number]['kind'] = 'process') => ({ unit: 0, name, kind });
  const hours = (before: Dress, after: Dress): number => changeMinutes(changeOver(before, after, norms)) / 60;

  it.each([
    ['nothing where all stays', press, press, 0],
    ['light to dark', { ...press, inks: [ink('Y')] }, { ...press, inks: [ink('K')] }, 0.1],
    ['dark to light', { ...press, inks: [ink('K')] }, { ...press, inks: [ink('Y')] }, 0.25],
    ['from metallic', { ...press, inks: [ink('Gold', 'metallic')] }, { ...press, inks: [ink('K')] }, 0.4],
    ['another size and stock', press, { ...press, sizeMm: [1020, 720], stock: 'b' }, 0.2],
    ['another thickness', press, { ...press, stock: 'b', caliperUm: 300 }, 0.15],
  ] as const)('%s', (_, before, after, wanted) => {
    expect(hours(before, after)).toBeCloseTo(wanted, 2);
  });
  it('folds, dies and formats', () => {
    const folder: Dress = { ...press, process: 'folder', fold: 'f16/3' };
    expect(hours(folder, { ...folder, fold: 'f8/2' })).toBeCloseTo(0.4, 2);
    expect(hours(folder, { ...folder, sizeMm: [500, 300] })).toBeCloseTo(0.2, 2);
    const die: Dress = { ...press, process: 'die-cutter', tool: 'one' };
    expect(hours(die, { ...die, tool: 'two' })).toBeCloseTo(0.75, 2);
    expect(hours(die, die)).toBe(0);
    const binder: Dress = { ...press, process: 'binder', glue: 'hot-melt' };
    expect(hours(binder, { ...binder, glue: 'pur' })).toBeCloseTo(0.5, 2);
    expect(hours(binder, binder)).toBe(0);
    expect(hours(binder, { ...binder, sizeMm: [300, 200] })).toBeCloseTo(0.55, 2);
  });
});

describe('hours of the works', () => {
  const [machine] = works.machines;
  const open = (hours: FloorHours, origin: number) =>
    openTimes(hours, machine ? [machine] : [], origin, 'Europe/Berlin').get(machine?.id ?? '');
  const nights: FloorHours = { ...USUAL_HOURS, press: [{ days: [6], from: '22:00', until: '06:00' }] };

  it('a night shift over the change to summer time is an hour shorter, over that from it an hour longer', () => {
    const span = (day: string): number | undefined =>
      open(nights, instantOf(`${day}T12:00`, 'Europe/Berlin'))?.spans.map(([a, b]) => b - a)[0];
    expect(span('2026-03-28')).toBe(7 * 60);
    expect(span('2026-10-24')).toBe(9 * 60);
    expect(span('2026-11-07')).toBe(8 * 60);
  });
  it('holidays take hours out, overtime puts them in', () => {
    const at = (exceptions: FloorHours['exceptions']): number =>
      open({ ...USUAL_HOURS, exceptions }, monday)?.openBefore(24 * 60) ?? -1;
    expect(at([])).toBe(540);
    expect(at([{ from: '2026-11-30T00:00', until: '2026-12-01T00:00', opens: false, why: 'holiday' }])).toBe(0);
    expect(at([{ from: '2026-11-30T16:00', until: '2026-11-30T18:00', opens: true, why: 'overtime' }])).toBe(660);
    expect(
      at([{ machine: 'another', from: '2026-11-30T00:00', until: '2026-12-01T00:00', opens: false, why: '' }]),
    ).toBe(540);
  });
  it('wrong ones are told with what, and where', () => {
    const told = checkHours(
      {
        press: [{ days: [], from: '07:00', until: '16:00' }],
        finishing: [{ days: [1], from: '7', until: '16:00' }],
        machines: { nobody: [] },
        exceptions: [{ from: '2026-12-02T00:00', until: '2026-12-01T00:00', opens: false, why: '' }],
      },
      works.machines,
    );
    expect(told.map(({ code, path }) => [code, path])).toEqual([
      ['floor.shift-days', 'press[0].days'],
      ['floor.clock', 'finishing[0].from'],
      ['floor.no-machine', 'machines.nobody'],
      ['floor.ends-first', 'exceptions[0].until'],
    ]);
    expect(checkHours({ ...USUAL_HOURS, press: [], finishing: [] }, works.machines).map(({ code }) => code)).toEqual([
      'floor.never-open',
    ]);
    expect(checkHours(USUAL_HOURS, works.machines)).toEqual([]);
  });
});
