import { instantOf } from '../kernel/index.js';
import { SHIPPED_WORKS, type Works } from '../works/index.js';
import { normsOf } from '../norms/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import { type RoomEvent, type RoomRecord, roomState } from '../press-room/index.js';
import { faultsOf } from '../schedule/validate.fixture.js';
import { firstSchedule, timetable } from '../schedule/index.js';
import { type FloorProblem, floorShop } from './floor-shop.js';
import { type FloorHold, holdsOf, lastHold } from './holds.js';
import { USUAL_HOURS, minuteOf } from './hours.js';
import { floorJobs } from './jobs.fixture.js';
import { type FloorPaper, paperDays } from './paper-days.js';
import { planFloor } from './plan-floor.js';
import { floorSteps } from './steps.js';

const works: Works = { ...SHIPPED_WORKS, timeZone: 'Europe/Berlin' };
const origin = instantOf('2026-11-30T07:00', 'Europe/Berlin');
const example1 = example('concert-programme');
const steps = floorSteps(example1, works, planned(example1));
const records = (...events: RoomEvent[]): RoomRecord[] =>
  events.map((event, i) => ({ id: i + 1, at: '2026-11-30T06:00:00Z', by: 'Test', event }));
const passes = steps.filter(({ wants }) => wants?.press);
const papers = steps.flatMap(({ id, wants }) => (wants?.paper ? [{ id, ...wants.paper }] : []));
const there = (): string => 'there';

describe('what stations wait for beside each other', () => {
  it('is approved artwork and carriers at every pass, and nothing anywhere else', () => {
    expect(passes.length).toBeGreaterThan(1);
    const holds = holdsOf(steps, roomState([]), there);
    for (const { id, component, wants } of passes) {
      const own = holds.filter(({ step }) => step === id);
      expect(own).toContainEqual({ step: id, what: 'artwork', of: component, day: null });
      expect(own).toContainEqual({
        step: id,
        what: 'carriers',
        of: String(wants?.press?.carriers.length),
        day: null,
      });
    }
    expect(holds.filter(({ step }) => !passes.some(({ id }) => id === step))).toEqual([]);
  });

  it('is over once artwork is approved and carriers are inspected, and where the press has started', () => {
    const [pass] = passes;
    const press = pass?.wants?.press ?? { component: '', carriers: [], inks: [] };
    const events: RoomEvent[] = [
      { kind: 'artwork', component: press.component, approved: true },
      ...press.carriers.flatMap((carrier): RoomEvent[] => [
        { kind: 'carrier', carrier, state: 'made' },
        { kind: 'inspection', carrier, faults: [] },
      ]),
      ...press.inks.map((ink): RoomEvent => ({
        kind: 'trial',
        ink,
        aim: { l: 50, a: 0, b: 0 },
        measured: { l: 50, a: 0, b: 0 },
        tolerance: 2,
        accepted: true,
      })),
    ];
    const of = (all: readonly FloorHold[]): FloorHold[] => all.filter(({ step }) => step === pass?.id);
    expect(of(holdsOf(steps, roomState(records(...events)), there))).toEqual([]);
    expect(of(holdsOf(steps, roomState(records(...events.slice(0, -1))), there))).not.toEqual([]);
    const turnedDown: RoomEvent = { kind: 'artwork', component: press.component, approved: false };
    expect(of(holdsOf(steps, roomState(records(...events, turnedDown)), there))).toMatchObject([{ what: 'artwork' }]);
    const sent: RoomEvent = { ...turnedDown, sent: true };
    expect(of(holdsOf(steps, roomState(records(...events, sent)), there))).toMatchObject([
      { what: 'artwork', sent: records(sent)[0]?.at },
    ]);
    const begun: RoomEvent = { kind: 'press-start', step: pass?.id ?? '' };
    expect(of(holdsOf(steps, roomState(records(begun)), () => 'never'))).toEqual([]);
  });

  it('is paper at the first station of what is printed on it, for all that the job needs', () => {
    expect(papers.length).toBeGreaterThan(0);
    const holds = (day: string): FloorHold[] =>
      holdsOf(steps, roomState([]), () => day).filter(({ what }) => what === 'paper');
    expect(holds('there')).toEqual([]);
    expect(holds('2026-12-03')).toEqual(
      papers.map(({ id, name }) => ({ step: id, what: 'paper', of: name, day: '2026-12-03' })),
    );
    expect(holds('never').every(({ day }) => day === null)).toBe(true);
    for (const { id } of papers) {
      const step = steps.find((one) => one.id === id);
      const before = step?.after.map(({ step: of }) => steps.find((one) => one.id === of)?.component);
      expect(before).not.toContain(step?.component);
    }
  });

  it('ends with the last of it: carriers are made once the artwork is approved (common practice, no source)', () => {
    const norms = normsOf(works, {});
    const at = (...holds: Omit<FloorHold, 'step' | 'of'>[]): number =>
      lastHold(
        holds.map((hold) => ({ ...hold, step: 'print', of: '' })),
        norms,
        origin,
        works.timeZone,
      ).minute;
    expect(at()).toBe(0);
    expect(at({ what: 'carriers', day: null })).toBe(4 * 60);
    expect(at({ what: 'artwork', day: null }, { what: 'carriers', day: null })).toBe(28 * 60);
    expect(at({ what: 'trial', day: null })).toBe(8 * 60);
    expect(at({ what: 'paper', day: null })).toBe(120 * 60);
    // Thursday noon from Monday seven.
    expect(at({ what: 'paper', day: '2026-12-03' })).toBe((3 * 24 + 5) * 60);
  });
});

describe('paper of several jobs', () => {
  const [paper] = papers;
  const key = paper?.key ?? '';
  const quantity = paper?.quantity ?? 0;
  const jobs = ['2026-12-05', '2026-12-04', undefined].map((due, i) => ({ id: i + 1, due, steps }));
  const days = (stock: FloorPaper['stock'], coming: readonly [number, string][]): (string | undefined)[] => {
    const ordered = coming.map(([n, day]) => ({ key, quantity: n, day, order: 'O', jobs: [] }));
    const of = paperDays({ stock, coming: ordered }, jobs);
    return [1, 2, 3].map((job) => of(job, key));
  };
  it('goes to those that are due first, what is reserved to whom it is reserved for (identity)', () => {
    expect(days([], [])).toEqual(['never', 'never', 'never']);
    expect(days([{ key, quantity, reserved: [], drawn: [] }], [])).toEqual(['never', 'there', 'never']);
    // What is reserved whole is not asked for.
    expect(days([{ key, quantity, reserved: [{ job: 3, quantity }], drawn: [] }], [])).toEqual([
      'never',
      'never',
      undefined,
    ]);
    // What a job has taken in is no longer on hand, and it waits for the rest alone.
    const half = Math.ceil(quantity / 2);
    const begun = { key, quantity: quantity - half, reserved: [], drawn: [{ job: 2, quantity: half }] };
    expect(days([begun], [])).toEqual(['never', 'there', 'never']);
    expect(days([{ ...begun, drawn: [{ job: 2, quantity }] }], [])).toEqual(['never', undefined, 'never']);
    const coming: [number, string][] = [
      [quantity, '2026-12-02'],
      [quantity, '2026-12-01'],
    ];
    expect(days([{ key, quantity, reserved: [], drawn: [] }], coming)).toEqual(['2026-12-01', 'there', '2026-12-02']);
    expect(days([], [[3 * quantity, '2026-12-09']])).toEqual(['2026-12-09', '2026-12-09', '2026-12-09']);
  });
});

describe('a floor with holds', () => {
  const holds: FloorHold[] = [
    { step: passes[0]?.id ?? '', what: 'paper', of: 'Offset 90 g', day: '2026-12-03' },
    { step: passes[1]?.id ?? '', what: 'artwork', of: 'Cover', day: null },
  ];
  const jobs = floorJobs(['concert-programme'], works, '2026-12-04').map((job) => ({ ...job, holds }));
  const problem: FloorProblem = { works, hours: USUAL_HOURS, jobs, pins: [], origin };
  it('begins no station before what it waits for is there, and says what that was', () => {
    const { shop } = floorShop(problem);
    const sequence = firstSchedule(shop);
    expect(faultsOf(shop, timetable(shop, sequence).slots)).toEqual([]);
    const plan = planFloor(problem, { evaluations: 500, seed: 1 });
    const slot = plan.slots.find(({ step }) => step === passes[0]?.id);
    expect(slot?.start).toBeGreaterThanOrEqual(minuteOf('2026-12-03T12:00', origin, works.timeZone));
    expect(slot?.cause).toMatchObject({ kind: 'release', hold: holds[0] });
    // What the planner fixes later than that is what it waits for.
    const pinned = planFloor(
      { ...problem, pins: [{ job: 1, step: passes[0]?.id ?? '', start: '2026-12-04T09:00' }] },
      { evaluations: 0, seed: 1 },
    );
    expect(pinned.slots.find(({ step }) => step === passes[0]?.id)?.cause.hold).toBeNull();
  });
});
