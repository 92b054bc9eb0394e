import { instantOf } from '../kernel/index.js';
import { SHIPPED_WORKS, type Works } from '../works/index.js';
import { faultsOf } from '../schedule/validate.fixture.js';
import { Improver, firstSchedule, timetable } from '../schedule/index.js';
import { promiseFor } from './floor-promise.js';
import { type FloorProblem, floorShop } from './floor-shop.js';
import { type Crew, type FloorHours, USUAL_HOURS, checkHours, crewTimes, minuteOf } from './hours.js';
import { floorJobs } from './jobs.fixture.js';
import { moveFloor, sequenceOf } from './move-floor.js';
import { planFloor } from './plan-floor.js';

const zone = 'Europe/Berlin';
const works: Works = { ...SHIPPED_WORKS, timeZone: zone };
const origin = instantOf('2026-11-30T07:00', zone);
const jobs = floorJobs(['concert-programme', 'trail-map', 'gala-invitations', 'garden-cards'], works, '2026-12-04');
const finishing = [
  ...new Set(
    jobs
      .flatMap(({ steps }) => steps.flatMap(({ ways }) => ways.map(({ machine }) => machine)))
      .filter((id) => works.machines.some((one) => one.id === id && !one.press)),
  ),
];
const crew: Crew = { name: 'Bindery', places: 2, machines: finishing, shifts: USUAL_HOURS.finishing };
const hours: FloorHours = { ...USUAL_HOURS, crews: [crew] };
const problem: FloorProblem = { works, hours, jobs, pins: [], origin };

describe('a crew', () => {
  it('runs no more stations at once than it has places, by rule and bettered', () => {
    expect(finishing.length).toBeGreaterThan(2);
    const { shop } = floorShop(problem);
    const first = firstSchedule(shop);
    const improver = new Improver(shop, first, 1);
    improver.run(3000);
    for (const sequence of [first, improver.best()])
      expect(faultsOf(shop, timetable(shop, sequence).slots)).toEqual([]);
    const { slots } = planFloor(problem, { evaluations: 1000, seed: 1 });
    const own = slots.filter(({ machine }) => machine !== null && finishing.includes(machine));
    expect(new Set(own.map(({ place }) => place))).toEqual(new Set(['Bindery 1', 'Bindery 2']));
    for (const { start } of own)
      expect(own.filter((one) => one.start <= start && start < one.end).length).toBeLessThanOrEqual(2);
    // Where no crew is told nobody is held.
    const others = slots.filter(({ machine }) => machine !== null && !finishing.includes(machine));
    expect(others.length).toBeGreaterThan(0);
    expect(others.every(({ place }) => place === null)).toBe(true);
  });

  it('that is short makes no plan better, and one place fewer is one station fewer', () => {
    const late = (places: number): number =>
      planFloor({ ...problem, hours: { ...hours, crews: [{ ...crew, places }] } }, { evaluations: 2000, seed: 1 })
        .judged.through;
    const few = late(1);
    expect(few).toBeGreaterThan(late(20));
    const short = {
      crew: 'Bindery',
      places: 1,
      from: '2026-12-01T00:00',
      until: '2026-12-02T00:00',
      opens: false,
      why: '',
    };
    const of = (...exceptions: FloorHours['exceptions']): number[] =>
      crewTimes(crew, { ...hours, exceptions }, origin, zone).map((open) => {
        const at = (wall: string): number => minuteOf(wall, origin, zone);
        return open.openBefore(at('2026-12-02T00:00')) - open.openBefore(at('2026-12-01T00:00'));
      });
    expect(of()).toEqual([540, 540]);
    expect(of(short)).toEqual([540, 0]);
    expect(of({ ...short, places: 2 })).toEqual([0, 0]);
    // A holiday of the works is one of its people, and so is its overtime; what closes one machine is not.
    const whole = { ...short, crew: undefined, places: undefined };
    expect(of(whole)).toEqual([0, 0]);
    expect(of({ ...whole, from: '2026-12-01T16:00', until: '2026-12-01T18:00', opens: true })).toEqual([660, 660]);
    expect(of({ ...whole, machine: finishing[0] })).toEqual([540, 540]);
    // Overtime of one of them, and of all.
    expect(of({ ...short, from: '2026-12-01T16:00', until: '2026-12-01T18:00', opens: true })).toEqual([660, 540]);
  });

  it('keeps its places when the planner moves a station, and in a promise', () => {
    const plan = planFloor(problem, { evaluations: 0, seed: 1 });
    const floor = floorShop(problem);
    const told = timetable(floor.shop, sequenceOf(floor, plan));
    expect(faultsOf(floor.shop, told.slots)).toEqual([]);
    for (const slot of plan.slots) {
      const at = floor.places.findIndex(({ job, step }) => job === slot.job && step === slot.step);
      expect(told.slots[at]?.start).toBe(slot.start);
    }
    const runs = plan.slots.filter(({ machine }) => machine !== null && finishing.includes(machine));
    const pair = runs.flatMap((one) =>
      runs
        .filter((two) => two.machine === one.machine && two.job !== one.job && two.start > one.start)
        .map((two) => [one, two]),
    )[0];
    const [one, other] = pair ?? [];
    const made = moveFloor(problem, plan, { job: other?.job ?? 0, step: other?.step ?? '', before: one });
    expect(made?.slots.length).toBe(plan.slots.length);
    const last = jobs[3];
    if (!last) throw new Error('no job');
    const standing = planFloor({ ...problem, jobs: jobs.slice(0, 3) }, { evaluations: 0, seed: 1 });
    expect(promiseFor({ ...problem, jobs: jobs.slice(0, 3) }, standing, last).ready).toBeGreaterThan(origin);
  });

  it('holds no place twice for what has begun', () => {
    const begun = jobs.map((job) => ({
      ...job,
      begun: job.steps
        .filter(({ ways }) => ways.some(({ machine }) => finishing.includes(machine)))
        .slice(0, 1)
        .map(({ id }) => ({ step: id, at: origin })),
    }));
    const { shop } = floorShop({ ...problem, jobs: begun });
    const places = shop.operations.flatMap(({ frozen }) =>
      (frozen?.beside ?? []).filter((one) => shop.resources[one]?.kind === 'place'),
    );
    expect(places.length).toBe(2);
    expect(new Set(places).size).toBe(2);
  });

  it('knows what it knows: a machine that two crews can run is run by either, the others only by their own', () => {
    const [shared = '', ...rest] = finishing;
    const few: Crew = { ...crew, places: 1, machines: [shared, ...rest] };
    const helpers: Crew = { ...crew, name: 'Helpers', places: 1, machines: [shared] };
    const crews = { ...problem, hours: { ...hours, crews: [few, helpers] } };
    const { shop } = floorShop(crews);
    expect(faultsOf(shop, timetable(shop, firstSchedule(shop)).slots)).toEqual([]);
    const { slots } = planFloor(crews, { evaluations: 1000, seed: 1 });
    const who = (machine: string): Set<string | null> =>
      new Set(slots.filter((one) => one.machine === machine).map(({ place }) => place));
    for (const machine of rest) expect(who(machine)).not.toContain('Helpers 1');
    expect(slots.some(({ place }) => place === 'Helpers 1')).toBe(true);
  });

  it('stays for overtime of its machine: as many places as machines run longer', () => {
    const [one = '', two = ''] = finishing;
    const late = { from: '2026-11-30T16:00', until: '2026-11-30T18:00', opens: true, why: 'overtime' };
    const evening = (exceptions: FloorHours['exceptions']): number[] =>
      crewTimes(crew, { ...hours, exceptions }, origin, zone).map((open) => open.openBefore(24 * 60));
    expect(evening([])).toEqual([540, 540]);
    expect(evening([{ ...late, machine: one }])).toEqual([660, 540]);
    expect(
      evening([
        { ...late, machine: one },
        { ...late, machine: two },
      ]),
    ).toEqual([660, 660]);
  });

  it('that never comes keeps its machines from running, and is told; the rest is planned', () => {
    const plan = planFloor(
      { ...problem, hours: { ...hours, crews: [{ ...crew, shifts: [] }] } },
      { evaluations: 0, seed: 1 },
    );
    expect(plan.slots.length).toBeGreaterThan(0);
    const { never } = plan;
    expect(never.some(({ machine }) => machine !== null && finishing.includes(machine))).toBe(true);
  });

  it('is refused where it is none, in words of the trade', () => {
    const codes = (of: Partial<FloorHours>): string[] =>
      checkHours({ ...hours, ...of }, works.machines).map(({ code, path }) => `${code} ${path}`);
    expect(codes({})).toEqual([]);
    expect(codes({ crews: [{ ...crew, places: 0 }] })).toEqual(['floor.crew-size crews[0].places']);
    expect(codes({ crews: [{ ...crew, name: ' ' }] })).toEqual(['floor.crew-name crews[0].name']);
    expect(codes({ crews: [crew, { ...crew, machines: [] }] })).toEqual(['floor.crew-name crews[1].name']);
    expect(codes({ crews: [{ ...crew, machines: ['nobody'] }] })).toEqual(['floor.no-machine crews[0].machines[0]']);
    const [machine = ''] = finishing;
    expect(codes({ crews: [crew, { ...crew, name: 'Others', machines: [machine] }] })).toEqual([]);
    const one = { crew: 'Nobody', from: '2026-12-01T00:00', until: '2026-12-02T00:00', opens: false, why: '' };
    expect(codes({ exceptions: [one] })).toEqual(['floor.no-crew exceptions[0].crew']);
    expect(codes({ exceptions: [{ ...one, crew: 'Bindery', machine }] })).toEqual([
      'floor.machine-or-crew exceptions[0]',
    ]);
    expect(codes({ exceptions: [{ ...one, crew: 'Bindery', places: 3 }] })).toEqual([
      'floor.crew-places exceptions[0].places',
    ]);
  });
});
