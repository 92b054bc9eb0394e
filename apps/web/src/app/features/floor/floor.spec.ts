import { type FloorPlan, type FloorSlot, schedule } from '@druckerei/core';
import { type Floor, FloorNames, changesText, holdText } from '@druckerei/contract';
import { dateText } from '../../ui/format';
import { spanText, sureText, surenessText } from '../../ui/floor-words';
import { CHIP_PX, chipsOf, cordsOf } from './cord-paths';
import { drawFloor, layFloor, partAt, threadOf } from './floor-drawing';
import { FoldedTime, ZOOMS } from './folded-time';
import { WorksClock, causeText, helpText, lateText } from './floor-words';

const cause: FloorSlot['cause'] = { kind: 'release', job: null, step: null, held: null, minute: 0, hold: null };
const slot = (
  job: number,
  step: string,
  machine: string | null,
  start: number,
  end: number,
  more: Partial<FloorSlot> = {},
): FloorSlot => ({
  job,
  step,
  machine,
  start,
  end,
  setUp: 30,
  frozen: false,
  place: null,
  changes: [],
  washes: [],
  dear: 0,
  cause,
  ...more,
});
const held = { kind: 'held', job: 2, step: 'print', held: 'press', minute: 240, hold: null } as const;
const washes = [
  { from: { unit: 0, name: 'K' }, to: { unit: 0, name: 'Reed green', aim: { l: 50, a: -30, b: 20 } } },
  { from: { unit: 1, name: 'C' }, to: { unit: 1, name: 'Gold' } },
];
const plan: FloorPlan = {
  origin: Date.parse('2026-11-30T06:00Z'),
  slots: [
    slot(2, 'print', 'press', 0, 240),
    slot(1, 'print', 'press', 240, 400, {
      cause: held,
      changes: [
        { what: 'wash', times: 2, hours: 0.5 },
        { what: 'size', times: 1, hours: 0.15 },
      ],
      washes,
      place: 'Press crew 2',
    }),
    slot(1, 'dry', null, 400, 1440),
    slot(1, 'fold', 'folder', 1440, 1500, {
      cause: { kind: 'link', job: 1, step: 'dry', held: null, minute: 1440, hold: null },
    }),
  ],
  through: [
    { job: 1, minute: 1500, spare: -60 },
    { job: 2, minute: 240, spare: 9000 },
  ],
  late: [],
  never: [],
  unkept: [],
  judged: { late: 0, lateOrders: 0, setUp: 90, through: 1740, unkept: 0 },
  bound: 0,
  evaluations: 0,
  seed: 1,
  rough: false,
};
const steps = [
  { id: 'print', name: 'Print', component: 'Map', machines: ['press'] },
  { id: 'fold', name: 'Fold', component: '', machines: ['folder'] },
];
const job = (id: number): Floor['jobs'][number] => ({
  id,
  number: `J-${id}`,
  title: 'Map',
  customer: '',
  due: '2026-12-01',
  weight: 1,
  steps,
});
const names = new FloorNames([job(1), job(2)], [{ id: 'press', name: 'Big press' }]);

describe('folded time', () => {
  const time = new FoldedTime(
    [
      [0, 600],
      [1440, 2040],
    ],
    1,
  );
  it('is to scale while open, and a seam while closed', () => {
    expect(time.x(60) - time.x(0)).toBe(60);
    expect(time.x(1500) - time.x(1440)).toBe(60);
    const seam = time.x(1440) - time.x(600);
    expect(seam).toBeGreaterThan(0);
    expect(seam).toBeLessThan(60);
    expect(time.x(900)).toBeGreaterThan(time.x(600));
    expect(time.x(900)).toBeLessThan(time.x(1440));
  });
});

describe('chains', () => {
  const shifts = new schedule.OpenTime([
    [0, 600],
    [1440, 2040],
  ]);
  const open = new Map([
    ['press', shifts],
    ['folder', shifts],
    ['idle', shifts],
  ]);
  const drawing = drawFloor(layFloor(plan, ['press', 'folder', 'idle'], open), [], 'week');

  it('have a row for each machine that has work, cords without overlap, waists before them', () => {
    expect(drawing.rows.map(({ machine }) => machine)).toEqual(['press', 'folder']);
    const [press] = drawing.rows;
    expect(press?.parts.length).toBe(2);
    // The set-up of half an hour, to scale.
    expect((press?.parts[0]?.waist[1] ?? 0) - (press?.parts[0]?.waist[0] ?? 0)).toBeCloseTo((30 * ZOOMS.week) / 60, 6);
    let x = 0;
    for (const { waist, run } of press?.parts ?? []) {
      expect(waist[0]).toBeGreaterThanOrEqual(x);
      expect(run[0]).toBe(waist[1]);
      expect(run[1]).toBeGreaterThan(run[0]);
      x = run[1];
    }
  });
  it('are thick where it is late, thin where there is time', () => {
    const [first, second] = drawing.rows[0]?.parts ?? [];
    expect([first?.late, second?.late]).toEqual([false, true]);
    expect(second?.thick).toBeGreaterThan(first?.thick ?? Infinity);
  });
  it('are thick where an hour has a price, whoever runs then', () => {
    const slots = plan.slots.map((one, i) => ({ ...one, dear: i === 0 ? 40 : i === 1 ? 10 : 0 }));
    const priced = drawFloor(layFloor({ ...plan, slots }, ['press', 'folder'], open), [], 'week');
    const [first, second] = priced.rows[0]?.parts ?? [];
    const [fold] = priced.rows[1]?.parts ?? [];
    expect(first?.thick).toBeGreaterThan(second?.thick ?? Infinity);
    expect(second?.thick).toBeGreaterThan(fold?.thick ?? Infinity);
  });
  it('show the inks before and after of every unit that is washed, where there is room', () => {
    const chips = (drawing.rows[0]?.parts.slice(1) ?? []).flatMap(chipsOf);
    expect(chips.map(({ colour }) => colour)).toEqual(['#1a1a1a', 'lab(50% -30 20)', '#00a0d2', 'transparent']);
    expect((chips[1]?.x ?? 0) - (chips[0]?.x ?? 0)).toBe(CHIP_PX);
    expect(chips[2]?.y).toBeGreaterThan(chips[0]?.y ?? Infinity);
    const far = drawFloor(layFloor(plan, ['press'], open), [], 'month');
    expect(far.rows[0]?.parts.flatMap(chipsOf)).toEqual([]);
  });
  it('have the people of each crew below: who is there and who is wanted, in steps', () => {
    const crews = [{ name: 'Press crew', places: [shifts, new schedule.OpenTime([[0, 300]])] }];
    const drawn = drawFloor(layFloor(plan, ['press', 'folder'], open), crews, 'week');
    const [crew] = drawn.crews;
    expect(drawn.height).toBeGreaterThan(drawing.height);
    const px = (minute: number): number => Math.round(drawn.time.x(minute) * 10) / 10;
    const [low, half, high] = [(crew?.y ?? 0) + 12, crew?.y, (crew?.y ?? 0) - 12];
    expect(crew?.present).toMatch(new RegExp(`^M 0 ${high} H ${px(300)} V ${half} H ${px(600)} V ${low}`));
    expect(crew?.wanted).toMatch(new RegExp(`^M 0 ${low} H ${px(240)} V ${half} H ${px(400)} V ${low}`));
  });
  it('are found under the pointer, near them too, and drawn a look at a time', () => {
    const [press] = drawing.rows;
    const [first, second] = press?.parts ?? [];
    const y = press?.y ?? 0;
    expect(partAt(drawing, (first?.run[0] ?? 0) + 1, y)).toBe(first);
    expect(partAt(drawing, (second?.waist[0] ?? 0) + 1, y + 8)).toBe(second);
    expect(partAt(drawing, (second?.run[1] ?? 0) + 2, y)).toBe(second);
    expect(partAt(drawing, (second?.run[1] ?? 0) + 9, y)).toBeUndefined();
    expect(partAt(drawing, (first?.run[0] ?? 0) + 1, y + 500)).toBeUndefined();
    const { waists, cords, late, marks } = cordsOf(press?.parts ?? []);
    expect(waists.match(/M/g)).toHaveLength(2);
    expect([cords.match(/M/g), late.match(/M/g)].map((all) => all?.length)).toEqual([1, 1]);
    // Inks tell the change of the second: no mark beside them.
    expect(marks).toBe('');
  });
  it('are followed by the thread of a job, which says whether it lies or waits', () => {
    expect(threadOf(1, plan, drawing).map(({ kind }) => kind)).toEqual(['lies']);
    expect(threadOf(2, plan, drawing)).toEqual([]);
  });
});

describe('words of the floor', () => {
  it.each([
    [45, '45 min'],
    [200, '3 h 20'],
    [120, '2 h'],
    [3180, '2 d 5 h'],
    [2880, '2 d'],
  ])('%i minutes', (minutes, text) => {
    expect(spanText(minutes)).toBe(text);
  });
  it('times are those of the wall of the works', () => {
    expect(new WorksClock(plan.origin, 'Asia/Kolkata').timeText(0)).toMatch(/11:30/);
  });
  it('say what is changed and what it waits for', () => {
    expect(changesText(plan.slots[1] ?? slot(1, '', null, 0, 0))).toBe(
      'wash-up K to Reed green, C to Gold; other sheet size',
    );
    expect(causeText({ cause: held }, names)).toBe('Big press is held by J-2, Print, Map');
    expect(causeText({ cause }, names)).toBe('');
    const say = { date: dateText, count: String };
    const hold = { step: 'print', what: 'paper', of: 'Offset 90 g', day: null } as const;
    expect(causeText({ cause: { ...cause, hold } }, names)).toBe('for Offset 90 g: not ordered');
    expect(holdText({ ...hold, day: '2026-12-03' }, say)).toBe('Offset 90 g, on order for 3 Dec 2026');
    expect(holdText({ ...hold, what: 'artwork', of: 'Map' }, say)).toBe('the artwork of Map, not approved');
    expect(holdText({ ...hold, what: 'artwork', of: 'Map', sent: '2026-11-25T09:00:00Z' }, say)).toBe(
      'the proof of Map, at the customer since 25 Nov 2026',
    );
    expect(holdText({ ...hold, what: 'carriers', of: '4' }, say)).toBe('4 carriers not made and inspected');
  });
  it('say why a job is late, and what would help at what price', () => {
    const late = {
      job: 1,
      minutes: 60,
      alone: 20,
      waits: { job: 1, step: 'print', minutes: 240 },
      chain: [
        { job: 1, step: 'fold' },
        { job: 1, step: 'print' },
      ],
      helps: [],
    };
    expect(lateText(late, plan, names)).toBe(
      'Print, Map waits 4 h: Big press is held by J-2, Print, Map. Even alone in the works it would be 20 min late.',
    );
    const slots = plan.slots.map((one) => {
      const hold = { step: 'print', what: 'trial', of: 'Deep red', day: null } as const;
      return one.job === 1 && one.step === 'print' ? { ...one, cause: { ...cause, minute: 480, hold } } : one;
    });
    expect(lateText(late, { ...plan, slots }, names)).toBe(
      'Print, Map waits 8 h for a trial of Deep red, not accepted.',
    );
    expect(lateText({ ...late, alone: 60 }, { ...plan, slots }, names)).toMatch(
      /^It would be as late alone.* waits 8 h/,
    );
    const help = {
      kind: 'goes first',
      step: 'print',
      machine: 'press',
      won: 240,
      othersLate: 30,
      overtime: 0,
      rest: 0,
    } as const;
    expect(helpText(help, 1, names)).toBe('Print, Map goes first on Big press: 4 h earlier, others 30 min later');
    expect(helpText({ ...help, kind: 'split', othersLate: 0 }, 1, names)).toBe(
      'half of Print, Map on Big press as well: 4 h earlier',
    );
    const half = { ...help, kind: 'half first', step: null, machine: null, othersLate: 0 } as const;
    expect(helpText({ ...half, rest: 90 }, 1, names)).toBe(
      'half of it delivered first: 4 h earlier, the rest 1 h 30 later than now',
    );
    expect(helpText(half, 1, names)).toMatch(/the rest as soon as now$/);
  });

  it('tell how sure a promise is', () => {
    const sure = { ready: '2026-12-04T10:00:00.000Z', sure: '2026-12-04T12:00:00.000Z', inForce: false, stations: [] };
    expect(sureText({ ...sure, late: false, chance: 0.923 })).toBe('in time, 92 % sure');
    expect(sureText({ ...sure, late: false, chance: 1 })).toBe('in time, over 99 % sure');
    expect(sureText({ ...sure, late: true, chance: 0 })).toBe('after its due day');
    expect(sureText({ ...sure, late: false, chance: 0.4 })).toMatch(/^surely 4 Dec/);
    expect(surenessText({ ...sure, late: false, chance: 0.4 })).toMatch(/surely ready 4 Dec.*, in time in 40 % of the/);
    expect(sureText({ ...sure, late: null, chance: null })).toMatch(/^surely /);
    expect(sureText({ ...sure, ready: null, sure: null, late: null, chance: null })).toMatch(/fits nowhere/);
  });
});
