import { example } from '../plan/examples.fixture.js';
import { type Carrier, listCarriers } from '../prepress/index.js';
import type { Job } from '../job/index.js';
import { type Plan, plan } from '../plan/index.js';
import { SHIPPED_WORKS } from '../works/index.js';
import { type RoomEvent, type RoomRecord, subjectOf } from './record.js';
import { forecastCount, forecastCounts } from './forecast.js';
import { cardOf, recorded } from './card.fixture.js';
import { refuse } from './gates.js';
import { progressOf, roomState } from './state.js';

const planned = (job: Job): Plan => {
  const outcome = plan(job, SHIPPED_WORKS);
  if (!outcome.ok) throw new Error(outcome.issues.map(({ code }) => code).join());
  return outcome.value;
};
const map = example('trail-map');
/** The trail map with a mixed colour on its front. */
const mixed: Job = {
  ...map,
  inks: [{ name: 'Moss', kind: 'mixed', aim: { l: 40, a: -30, b: 20 } }],
  components: map.components.map((c) => ({ ...c, front: [{ name: 'Moss' }, { name: 'K' }], back: [{ name: 'K' }] })),
};

/** A press room that keeps what it takes. */
class Room {
  private records: RoomRecord[] = [];
  constructor(
    readonly job: Job,
    readonly plan = planned(job),
  ) {}
  get context() {
    return { card: cardOf(this.job), state: roomState(this.records) };
  }
  get carriers(): Carrier[] {
    return listCarriers(this.job, this.plan, SHIPPED_WORKS);
  }
  try(event: RoomEvent): string[] {
    const issues = refuse(this.context, event).map(({ code }) => code);
    if (issues.length === 0)
      this.records.push({ id: this.records.length + 1, at: '2026-01-01T08:00:00Z', by: 'Test', event });
    return issues;
  }
  all(make: (carrier: Carrier) => RoomEvent): void {
    for (const carrier of this.carriers) expect(this.try(make(carrier))).toEqual([]);
  }
  state(id: string) {
    return roomState(this.records).carriers.get(id)?.state;
  }
}
const lab = { l: 40, a: -30, b: 20 };
const trial = (accepted: boolean): RoomEvent => ({
  kind: 'trial',
  ink: 'Moss',
  aim: lab,
  measured: { ...lab, l: 41 },
  tolerance: 2,
  accepted,
});

function readyRoom(): Room {
  const room = new Room(mixed);
  room.try({ kind: 'artwork', component: 'map', approved: true });
  room.all(({ id }) => ({ kind: 'carrier', carrier: id, state: 'made' }));
  room.all(({ id }) => ({ kind: 'inspection', carrier: id, faults: [] }));
  room.try(trial(true));
  return room;
}
const pass = (room: Room): string => room.plan.steps.find(({ operation }) => operation === 'print')?.id ?? '';

describe('gates', () => {
  it('make no carrier before the artwork is approved', () => {
    const room = new Room(mixed);
    const [first] = room.carriers;
    const made: RoomEvent = { kind: 'carrier', carrier: first?.id ?? '', state: 'made' };
    expect(room.try(made)).toEqual(['room.artwork']);
    expect(room.try({ kind: 'artwork', component: 'map', approved: false })).toEqual([]);
    expect(room.try(made)).toEqual(['room.artwork']);
    expect(room.try({ kind: 'artwork', component: 'map', approved: true })).toEqual([]);
    expect(room.try(made)).toEqual([]);
    expect(room.try(made)).toEqual(['room.order']);
  });

  it('start no press before an accepted trial and inspected carriers', () => {
    const room = new Room(mixed);
    const start: RoomEvent = { kind: 'press-start', step: pass(room) };
    expect(room.try(start)).toEqual(['room.artwork', 'room.trial', 'room.not-inspected']);
    room.try({ kind: 'artwork', component: 'map', approved: true });
    room.all(({ id }) => ({ kind: 'carrier', carrier: id, state: 'made' }));
    room.all(({ id }) => ({ kind: 'inspection', carrier: id, faults: [] }));
    expect(room.try(trial(false))).toEqual([]);
    expect(room.try(start)).toEqual(['room.trial']);
    room.try(trial(true));
    // the last trial counts
    room.try(trial(false));
    expect(room.try(start)).toEqual(['room.trial']);
    room.try(trial(true));
    expect(room.try(start)).toEqual([]);
  });

  it('stand at a pass on another press too, each for its own carriers', () => {
    const room = new Room(example('season-tickets'));
    room.try({ kind: 'artwork', component: 'document', approved: true });
    const ready = (own: boolean): void => {
      for (const { id } of room.carriers.filter(({ step, ink }) => ink !== undefined && (step === 'screen') === own)) {
        expect(room.try({ kind: 'carrier', carrier: id, state: 'made' })).toEqual([]);
        expect(room.try({ kind: 'inspection', carrier: id, faults: [] })).toEqual([]);
      }
    };
    const screen: RoomEvent = { kind: 'press-start', step: 'screen' };
    ready(false);
    // The first press has its plates; the screen press waits for its stencil, and for the trial of its mixed ink.
    expect(room.try({ kind: 'press-start', step: 'print-document' })).toEqual([]);
    expect(room.try(screen)).toEqual(['room.trial', 'room.not-inspected']);
    expect(room.try({ kind: 'count', step: 'screen', good: 10 })).toEqual(['room.not-started']);
    ready(true);
    expect(room.try(screen)).toEqual(['room.trial']);
    expect(room.try({ ...trial(true), ink: 'Ferry silver' } as RoomEvent)).toEqual([]);
    expect(room.try(screen)).toEqual([]);
  });

  it('send a faulty carrier back to be made again', () => {
    const room = readyRoom();
    const id = room.carriers[0]?.id ?? '';
    expect(room.try({ kind: 'inspection', carrier: id, faults: ['scratch'] })).toEqual([]);
    expect(room.state(id)).toBe('wanted');
    expect(room.try({ kind: 'press-start', step: pass(room) })).toEqual(['room.not-inspected']);
  });

  it('count nothing before the first good sheet is passed', () => {
    const room = readyRoom();
    const step = pass(room);
    const count: RoomEvent = { kind: 'count', step, good: 1000 };
    expect(room.try(count)).toEqual(['room.not-started']);
    room.try({ kind: 'press-start', step });
    expect(room.try(count)).toEqual(['room.first-sheet']);
    room.try({ kind: 'first-sheet', step, kept: 'rack 4' });
    expect(room.try(count)).toEqual([]);
  });

  it('let no carrier go while the count is short or unfinished, unless somebody says why', () => {
    const room = readyRoom();
    const id = room.carriers[0]?.id ?? '';
    const recycle: RoomEvent = { kind: 'carrier', carrier: id, state: 'recycled' };
    expect(room.try(recycle)).toEqual(['room.short']);
    const last = room.plan.steps.at(-1)?.id ?? '';
    room.try({ kind: 'count', step: last, good: room.job.order.quantity - 1 });
    const { policy } = room.job.order;
    const allowed = policy.kind === 'percent' && policy.under > 0;
    expect(allowed).toBe(false);
    expect(room.try(recycle)).toEqual(['room.short']);
    expect(room.try({ ...recycle, reason: '  ' })).toEqual(['room.short']);
    room.try({ kind: 'count', step: last, good: room.job.order.quantity });
    expect(room.try(recycle)).toEqual([]);
    const other = room.carriers[1]?.id ?? '';
    const short = readyRoom();
    expect(short.try({ kind: 'carrier', carrier: other, state: 'destroyed', reason: 'customer has asked' })).toEqual(
      [],
    );
  });

  it('take back the last entry and no other', () => {
    const room = readyRoom();
    const last = room.context.state.last?.id ?? 0;
    expect(room.try({ kind: 'take-back', record: last - 1 })).toEqual(['room.take-back']);
    expect(room.try({ kind: 'take-back', record: last })).toEqual([]);
    expect(room.context.state.trials.size).toBe(0);
    expect(room.try({ kind: 'take-back', record: last - 1 })).toEqual([]);
    expect(room.state(room.carriers.at(-1)?.id ?? '')).toBe('made');
  });

  it('accept a trial out of tolerance only with a word on why', () => {
    const room = new Room(mixed);
    const off: RoomEvent = {
      kind: 'trial',
      ink: 'Moss',
      aim: lab,
      measured: { ...lab, l: 52 },
      tolerance: 2,
      accepted: true,
    };
    expect(room.try(off)).toEqual(['room.trial-off']);
    expect(room.try({ ...off, note: ' ' })).toEqual(['room.trial-off']);
    expect(room.try({ ...off, accepted: false })).toEqual([]);
    expect(room.try({ ...off, note: 'customer at the press' })).toEqual([]);
  });

  it('know the ink that is out, and take no more back', () => {
    const room = new Room(mixed);
    room.try({ kind: 'ink', ink: 'Moss', move: 'issued', kg: 5 });
    expect(room.try({ kind: 'ink', ink: 'Moss', move: 'returned', kg: 6 })).toEqual(['room.ink-balance']);
    room.try({ kind: 'ink', ink: 'Moss', move: 'returned', kg: 1.5 });
    expect(room.context.state.inkOut.get('Moss')).toBeCloseTo(3.5, 12);
    expect(room.try({ kind: 'ink', ink: 'Plum', move: 'issued', kg: 1 })).toEqual(['room.unknown']);
  });
});

describe('forecast of the count', () => {
  it('goes forwards from the last count: half of what a pass needs makes less than half of the order', () => {
    const room = readyRoom();
    const step = room.plan.steps.find(({ id }) => id === pass(room));
    room.try({ kind: 'press-start', step: pass(room) });
    room.try({ kind: 'first-sheet', step: pass(room) });
    room.try({ kind: 'count', step: pass(room), good: Math.floor((step?.needsOut ?? 0) / 2) });
    const found = forecastCount(room.job, SHIPPED_WORKS, room.context.state);
    const run = found?.ok ? found.value : undefined;
    const wanted = run?.wanted ?? 0;
    expect(wanted).toBe(map.order.quantity + map.order.plannedOvers);
    expect(run?.expected).toBeLessThanOrEqual(wanted / 2);
    expect(run?.expected).toBeGreaterThan(wanted * 0.45);
    expect(run?.more[pass(room)]).toBeGreaterThan((step?.needsOut ?? 0) / 2 - 1);
    expect(run?.hold).toBe(true);
    expect(forecastCount(room.job, SHIPPED_WORKS, roomState([]))).toBeUndefined();
  });

  it('goes on from what a station that still runs has done, and moves with its spoils (identity)', () => {
    const card = cardOf(map);
    const cut = card.steps.find(({ id }) => id === 'cut');
    const expected = (...events: RoomEvent[]): number => {
      const found = forecastCounts(card.forecast, roomState(recorded(events)));
      return found?.ok ? found.value.expected : NaN;
    };
    const good: RoomEvent = { kind: 'good', step: 'cut', count: 1000 };
    const spoiled: RoomEvent = { kind: 'spoiled', step: 'cut', count: 100, reason: 'cut', during: 'run' };
    const all = expected(good);
    // A tenth of the plan is through without a fault: what is left of the set-up and of its share of spoils is won.
    expect(all).toBeGreaterThanOrEqual(10_000);
    expect(all).toBeLessThan(10_060);
    // A hundred sheets spoiled are two hundred maps less here, less 1.1 % of the stations after it.
    expect(all - expected(good, spoiled)).toBeGreaterThan(190);
    expect(all - expected(good, spoiled)).toBeLessThanOrEqual(200);
    // Closed, it is what it is.
    const closed = expected(good, { kind: 'step-closed', step: 'cut' });
    expect(closed).toBeLessThan(1000);
    expect(
      expected(good, { kind: 'step-closed', step: 'cut' }, { kind: 'step-opened', step: 'cut', reason: 'x' }),
    ).toBe(all);
    expect(cut?.yield).toBe(2);
  });

  it('goes by what was laid out where that is more than planned, as far as it is not left over', () => {
    const card = cardOf(map);
    const told = (...events: RoomEvent[]): number | string => {
      const found = forecastCounts(card.forecast, roomState(recorded(events)));
      return found?.ok ? found.value.expected : (found?.issues.map(({ code }) => code).join() ?? '');
    };
    const planned = card.steps.find(({ id }) => id === 'print-map')?.processUnits ?? 0;
    const more = Math.ceil(planned) + 500;
    const printed: RoomEvent[] = [
      { kind: 'good', step: 'print-map', count: more - 100 },
      { kind: 'step-closed', step: 'print-map' },
    ];
    expect(told(...printed)).toBe('count.too-many');
    const taken: RoomEvent = { kind: 'taken-in', step: 'print-map', count: more };
    // Four hundred sheets above the plan are eight hundred maps less what the stations after it spoil.
    const expected = told(taken, ...printed);
    expect(expected).toBeGreaterThan(10_000 + 800 * 0.95);
    expect(told(taken, { kind: 'left-over', step: 'print-map', count: 450 }, ...printed)).toBe('count.too-many');
    // Less than planned was taken in so far: the rest may still come.
    const few: RoomEvent = { kind: 'taken-in', step: 'print-map', count: 10 };
    const good: RoomEvent = { kind: 'good', step: 'print-map', count: 5 };
    expect(told(few, good)).toBe(told(good));
  });

  it('knows of a station what is done, and what has only begun', () => {
    const told = (...events: RoomEvent[]) => {
      const { done, begun } = progressOf(roomState(recorded(events)));
      return [[...done.keys()], [...begun.keys()]];
    };
    const good: RoomEvent = { kind: 'good', step: 'cut', count: 5 };
    expect(told(good)).toEqual([[], ['cut']]);
    expect(told({ kind: 'setup-begun', step: 'fold' })).toEqual([[], ['fold']]);
    expect(told(good, { kind: 'step-closed', step: 'cut' })).toEqual([['cut'], []]);
    expect(told(good, { kind: 'count', step: 'cut', good: 9 })).toEqual([['cut'], []]);
  });
});

describe('what an event is about', () => {
  const at = { at: '2026-11-25T08:00:00.000Z', by: 'm' };
  const counted = { id: 4, ...at, event: { kind: 'count', step: 'box', good: 7 } } as const;

  it('is the same for two that contradict each other, and nothing for what adds up', () => {
    expect(subjectOf({ kind: 'count', step: 'box', good: 9 }, [])).toBe(subjectOf(counted.event, []));
    expect(subjectOf({ kind: 'count', step: 'cut', good: 9 }, [])).not.toBe(subjectOf(counted.event, []));
    expect(subjectOf({ kind: 'ink', ink: 'K', move: 'issued', kg: 1 }, [])).toBeUndefined();
  });

  it('is of what it takes back where it takes something back', () => {
    expect(subjectOf({ kind: 'take-back', record: 4 }, [counted])).toBe('count box');
    expect(subjectOf({ kind: 'take-back', record: 5 }, [counted])).toBeUndefined();
  });
});
