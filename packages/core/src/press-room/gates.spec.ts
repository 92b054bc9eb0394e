import type { Issue } from '../kernel/index.js';
import type { Job } from '../job/index.js';
import { withWorkStyle } from '../edit/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import { type Carrier, TEST_PLATE, listCarriers } from '../prepress/index.js';
import { SHIPPED_WORKS, type Works } from '../works/index.js';
import { cardOf } from './card.fixture.js';
import { pressGate, refuse } from './gates.js';
import { type CarrierState, type RoomEvent, type RoomRecord, CARRIER_STATES, RELEASED, subjectOf } from './record.js';
import { NEW_CARRIER, roomState, standing, trialAccepted } from './state.js';

const LAB = { l: 40, a: -30, b: 20 };
const map = example('trail-map');
const mixed: Job = {
  ...map,
  inks: [{ name: 'Moss', kind: 'mixed', aim: LAB }],
  components: map.components.map((c) => ({ ...c, front: [{ name: 'Moss' }, { name: 'K' }], back: [{ name: 'K' }] })),
};
const record = (event: RoomEvent, i: number): RoomRecord => ({
  id: i + 1,
  at: '2026-01-01T08:00:00Z',
  by: 'Test',
  event,
});
const after = (events: readonly RoomEvent[]) => roomState(events.map(record));

/** What a job's press room says to an event after others. */
function answer(job: Job, event: RoomEvent, before: readonly RoomEvent[] = [], works: Works = SHIPPED_WORKS): Issue[] {
  return refuse({ card: cardOf(job, works), state: after(before) }, event);
}
const carriersOf = (job: Job, works: Works = SHIPPED_WORKS): readonly Carrier[] =>
  listCarriers(job, planned(job, works), works);
const [plate] = carriersOf(mixed);
if (!plate) throw new Error('no plate');
const approved: RoomEvent = { kind: 'artwork', component: 'map', approved: true };
const to = (state: Exclude<CarrierState, 'inspected' | 'wanted'>): RoomEvent => ({
  kind: 'carrier',
  carrier: plate.id,
  state,
});
const inspected: RoomEvent = { kind: 'inspection', carrier: plate.id, faults: [] };
/** How a carrier comes to a state. */
const LIVES: Readonly<Record<CarrierState, readonly RoomEvent[]>> = {
  wanted: [approved],
  made: [approved, to('made')],
  inspected: [approved, to('made'), inspected],
  'on-press': [approved, to('made'), inspected, to('on-press')],
  held: [approved, to('made'), inspected, to('on-press'), to('held')],
  kept: [approved, to('made'), inspected, { ...to('kept'), reason: 'for the next run' } as RoomEvent],
  recycled: [approved, to('made'), inspected, { ...to('recycled'), reason: 'scratched' } as RoomEvent],
  destroyed: [approved, to('made'), inspected, { ...to('destroyed'), reason: 'as agreed' } as RoomEvent],
};

describe('the life of a carrier', () => {
  it.each(CARRIER_STATES)('comes to %s as its records say', (state) => {
    expect(after(LIVES[state]).carriers.get(plate.id)?.state ?? 'wanted').toBe(state);
  });

  /** Every move that is allowed, from each state; all others are refused. Source: handbook chapter 4 "Image carriers". */
  const MOVES: Readonly<Record<CarrierState, readonly string[]>> = {
    wanted: ['made'],
    made: ['kept', 'recycled', 'destroyed'],
    inspected: ['on-press', 'held', 'kept', 'recycled', 'destroyed'],
    'on-press': ['held', 'kept', 'recycled', 'destroyed'],
    held: ['on-press', 'kept', 'recycled', 'destroyed'],
    kept: ['recycled', 'destroyed'],
    recycled: [],
    destroyed: [],
  };
  const TARGETS = ['made', 'on-press', 'held', 'kept', 'recycled', 'destroyed'] as const;
  it.each(CARRIER_STATES)('goes on from %s only where a plate room would let it', (state) => {
    const moved = (target: (typeof TARGETS)[number]) =>
      answer(mixed, { kind: 'carrier', carrier: plate.id, state: target, reason: 'tried' }, LIVES[state]);
    expect(TARGETS.filter((target) => moved(target).length === 0)).toEqual(MOVES[state]);
    for (const target of TARGETS)
      if (!MOVES[state].includes(target))
        expect(moved(target)).toEqual([
          expect.objectContaining({
            code: 'room.order',
            path: 'state',
            params: { carrier: `${plate.ink ?? ''} ${plate.side ?? ''}`, now: state, wanted: target },
          }),
        ]);
  });

  it.each(CARRIER_STATES)('is looked at where it is %s only as made, or once more', (state) => {
    const issues = answer(mixed, inspected, LIVES[state]);
    if (state === 'made' || state === 'inspected') expect(issues).toEqual([]);
    else
      expect(issues).toMatchObject([
        { code: 'room.order', path: 'carrier', params: { carrier: plate.id, now: state, wanted: 'inspected' } },
      ]);
  });

  it('keeps its place and what it has run until told otherwise, and its faults until it is made again', () => {
    const life = (...events: RoomEvent[]) => after(events).carriers.get(plate.id);
    const made = { ...to('made'), place: 'rack 1', from: { job: 'HB-1', used: 900 } } as RoomEvent;
    expect(life(made)).toMatchObject({ state: 'made', place: 'rack 1', used: 900, faults: [] });
    expect(life(made, inspected, to('on-press'))).toMatchObject({ place: 'rack 1', used: 900 });
    expect(life(made, inspected, { ...to('held'), place: 'rack 2' } as RoomEvent)?.place).toBe('rack 2');
    const faulty = life(made, { kind: 'inspection', carrier: plate.id, faults: ['scratch'] });
    expect(faulty).toMatchObject({ state: 'wanted', faults: ['scratch'] });
    expect(faulty?.record?.id).toBe(2);
    expect(life(made, { kind: 'inspection', carrier: plate.id, faults: ['scratch'] }, to('made'))?.faults).toEqual([]);
    expect(life(made, inspected)?.record?.id).toBe(2);
    expect(NEW_CARRIER).toEqual({ state: 'wanted', place: undefined, faults: [], used: 0, record: undefined });
  });

  it('ends in the states that print no more', () => {
    expect(RELEASED).toEqual(['kept', 'recycled', 'destroyed']);
  });
});

describe('what the gates say', () => {
  it('names the component whose artwork is not approved', () => {
    const name = mixed.components[0]?.name;
    expect(answer(mixed, to('made'))).toEqual([
      expect.objectContaining({ code: 'room.artwork', path: 'component', params: { component: name } }),
    ]);
    const turned: RoomEvent = { kind: 'artwork', component: 'map', approved: false };
    expect(answer(mixed, to('made'), [approved, turned])).toMatchObject([{ code: 'room.artwork' }]);
    expect(answer(mixed, to('made'), [turned, approved])).toEqual([]);
  });

  it('lets dies and boxes be made before any artwork: they are drawn, not printed', () => {
    const wallet = example('puzzle-wallet');
    const die = carriersOf(wallet).find(({ ink }) => ink === undefined);
    expect(die).toBeDefined();
    expect(answer(wallet, { kind: 'carrier', carrier: die?.id ?? '', state: 'made' })).toEqual([]);
  });

  it('names what is unknown: component, carrier, ink, step, a press step that is none', () => {
    const cases: readonly (readonly [RoomEvent, string, string])[] = [
      [{ kind: 'artwork', component: 'x', approved: true }, 'component', 'x'],
      [{ kind: 'carrier', carrier: 'x', state: 'made' }, 'carrier', 'x'],
      [{ kind: 'inspection', carrier: 'x', faults: [] }, 'carrier', 'x'],
      [{ kind: 'trial', ink: 'x', aim: LAB, measured: LAB, tolerance: 2, accepted: true }, 'ink', 'x'],
      [{ kind: 'ink', ink: 'x', move: 'issued', kg: 1 }, 'ink', 'x'],
      [{ kind: 'count', step: 'x', good: 1 }, 'step', 'x'],
      [{ kind: 'first-sheet', step: 'x' }, 'step', 'x'],
      [{ kind: 'reader-stop', step: 'x', place: 1, fault: 'wrong', read: 'A' }, 'step', 'x'],
      [{ kind: 'press-start', step: 'x' }, 'step', 'x'],
      [{ kind: 'press-start', step: 'band' }, 'press step', 'band'],
    ];
    for (const [event, what, id] of cases)
      expect(answer(mixed, event)).toEqual([
        expect.objectContaining({ code: 'room.unknown', path: what, params: { what, id } }),
      ]);
  });

  it('says by how much a trial is off, and at which tolerance', () => {
    const off: RoomEvent = {
      kind: 'trial',
      ink: 'Moss',
      aim: LAB,
      measured: { ...LAB, l: 52 },
      tolerance: 2,
      accepted: true,
    };
    const [issue] = answer(mixed, off);
    expect(issue).toMatchObject({ code: 'room.trial-off', path: 'note', params: { ink: 'Moss', tolerance: 2 } });
    const difference = Number(issue?.params?.['difference']);
    expect(difference).toBeGreaterThan(2);
    // To two decimals, as an instrument shows it.
    expect(difference * 100).toBeCloseTo(Math.round(difference * 100), 9);
    expect(answer(mixed, { ...off, measured: { ...LAB, l: 41 } })).toEqual([]);
  });

  it('says how much ink is out where more is brought back, to the last gram and no further', () => {
    const out: RoomEvent = { kind: 'ink', ink: 'K', move: 'issued', kg: 5 };
    const back = (kg: number): RoomEvent => ({ kind: 'ink', ink: 'K', move: 'returned', kg });
    expect(answer(mixed, back(5.5), [out])).toMatchObject([
      { code: 'room.ink-balance', path: 'kg', params: { ink: 'K', value: 5.5, out: 5 } },
    ]);
    expect(answer(mixed, back(5), [out])).toEqual([]);
    expect(answer(mixed, back(0.1))).toMatchObject([{ params: { out: 0 } }]);
    expect(answer(mixed, { ...out, kg: 1000 })).toEqual([]);
  });

  it('takes back the last record and no other, of none nothing', () => {
    expect(answer(mixed, { kind: 'take-back', record: 1 })).toMatchObject([
      { code: 'room.take-back', path: 'record', params: {} },
    ]);
    expect(answer(mixed, { kind: 'take-back', record: 2 }, [approved, to('made')])).toEqual([]);
    expect(answer(mixed, { kind: 'take-back', record: 1 }, [approved, to('made')])).toHaveLength(1);
  });

  it('names step and carrier before a press starts, and counts all carriers that are not looked at', () => {
    const card = cardOf(mixed);
    const step = card.steps.find(({ operation }) => operation === 'print');
    if (!step) throw new Error('no pass');
    const printing = carriersOf(mixed).filter(({ ink, set }) => ink !== undefined && set === 1);
    const gate = (events: readonly RoomEvent[]) => pressGate({ card, state: after(events) }, step);
    expect(gate([])).toMatchObject([
      { code: 'room.artwork', params: { component: mixed.components[0]?.name } },
      { code: 'room.trial', path: 'step', params: { ink: 'Moss', step: step.name } },
      {
        code: 'room.not-inspected',
        path: 'step',
        params: { step: step.name, count: printing.length, carrier: 'Moss both' },
      },
    ]);
    const ready = printing.flatMap(({ id }): RoomEvent[] => [
      { kind: 'carrier', carrier: id, state: 'made' },
      { kind: 'inspection', carrier: id, faults: [] },
    ]);
    expect(gate([approved, ...ready])).toMatchObject([{ code: 'room.trial' }]);
    expect(gate([approved, ...ready.slice(0, -1)]).at(-1)).toMatchObject({ params: { count: 1 } });
    // On the press already: no second look.
    expect(gate([approved, ...ready, to('on-press')])).toMatchObject([{ code: 'room.trial' }]);
  });

  it('asks each pass of two for the carriers and inks of its own side', () => {
    const job = withWorkStyle(mixed, 'map', 'sheetwise');
    const card = cardOf(job);
    const passes = card.steps.filter(({ operation }) => operation === 'print');
    const asked = passes.map((pass) =>
      pressGate({ card, state: after([approved]) }, pass).map(({ code, params }) => [code, params]),
    );
    const [front, back] = passes.map(({ name }) => name);
    expect(asked).toEqual([
      [
        ['room.trial', { ink: 'Moss', step: front }],
        ['room.not-inspected', { step: front, count: 2, carrier: 'Moss front' }],
      ],
      [['room.not-inspected', { step: back, count: 1, carrier: 'K back' }]],
    ]);
  });

  it('makes no other plate before the test plate has been looked at, where the works asks for one', () => {
    const works: Works = {
      ...SHIPPED_WORKS,
      norms: { 'carrier.testPlate': { value: 1, source: { label: 'set by user' } } },
    };
    const all = carriersOf(mixed, works);
    expect(all.some(({ id }) => id === TEST_PLATE)).toBe(true);
    expect(carriersOf(mixed).some(({ id }) => id === TEST_PLATE)).toBe(false);
    const test = (state: 'made' | 'on-press' | 'held'): RoomEvent => ({ kind: 'carrier', carrier: TEST_PLATE, state });
    const seen: RoomEvent = { kind: 'inspection', carrier: TEST_PLATE, faults: [] };
    const ask = (before: readonly RoomEvent[]) => answer(mixed, to('made'), [approved, ...before], works);
    expect(ask([])).toMatchObject([{ code: 'room.test-plate', path: 'state', params: {} }]);
    expect(ask([test('made')])).toHaveLength(1);
    expect(ask([test('made'), seen])).toEqual([]);
    expect(ask([test('made'), seen, test('on-press')])).toEqual([]);
    expect(ask([test('made'), seen, test('held')])).toEqual([]);
    expect(ask([test('made'), { ...seen, faults: ['dots'] }])).toHaveLength(1);
  });

  it('holds a carrier while the count is not safe, and says how it stands', () => {
    const last = planned(mixed).steps.at(-1)?.id ?? '';
    const target = planned(mixed).figures['order.target']?.value;
    const counted = (good: number): RoomEvent => ({ kind: 'count', step: last, good });
    const ask = (...before: RoomEvent[]) => answer(mixed, to('recycled'), [...LIVES.inspected, ...before]);
    expect(ask()).toMatchObject([
      {
        code: 'room.short',
        path: 'reason',
        params: { carrier: 'Moss both', count: 'not finished', expected: 0, wanted: target },
      },
    ]);
    expect(ask(counted(10))).toMatchObject([{ params: { count: 'finished short', expected: 10 } }]);
    expect(ask(counted(target ?? 0))).toEqual([]);
  });

  it('starts a pass on another press where its inks are told, and counts at it after its first sheet', () => {
    const tickets = example('season-tickets');
    const plain: Job = {
      ...tickets,
      route: tickets.route.map(({ inks: _inks, ...step }) => step),
    };
    expect(answer(plain, { kind: 'press-start', step: 'screen' })).toMatchObject([
      { code: 'room.unknown', params: { what: 'press step', id: 'screen' } },
    ]);
    expect(answer(plain, { kind: 'count', step: 'screen', good: 5 })).toEqual([]);
    const started: RoomEvent = { kind: 'press-start', step: 'screen' };
    const name = planned(tickets).steps.find(({ id }) => id === 'screen')?.name;
    expect(answer(tickets, { kind: 'first-sheet', step: 'screen' })).toMatchObject([
      { code: 'room.not-started', path: 'step', params: { step: name } },
    ]);
    expect(answer(tickets, { kind: 'first-sheet', step: 'screen' }, [started])).toEqual([]);
    expect(answer(tickets, { kind: 'count', step: 'screen', good: 5 }, [started])).toMatchObject([
      { code: 'room.first-sheet', path: 'step', params: { step: name } },
    ]);
    const stop = { kind: 'reader-stop', step: 'screen', place: 1, fault: 'wrong', read: 'A' } as RoomEvent;
    expect(answer(tickets, stop)).toEqual([]);
  });
});

describe('the state that records come to', () => {
  it('keeps trials and stops in their order, counts and starts as last told', () => {
    const trial = (accepted: boolean): RoomEvent => ({
      kind: 'trial',
      ink: 'Moss',
      aim: LAB,
      measured: LAB,
      tolerance: 2,
      accepted,
    });
    const stop = (place: number) =>
      ({ kind: 'reader-stop', step: 'bind', place, fault: 'wrong', read: 'A' }) as RoomEvent;
    const state = after([
      trial(false),
      trial(true),
      stop(1),
      stop(2),
      { kind: 'count', step: 'box', good: 5 },
      { kind: 'count', step: 'box', good: 9 },
      { kind: 'press-start', step: 'print' },
      { kind: 'first-sheet', step: 'print', kept: 'rack' },
    ]);
    expect(state.trials.get('Moss')?.map(({ event }) => event.accepted)).toEqual([false, true]);
    expect(trialAccepted(state, 'Moss')).toBe(true);
    expect(trialAccepted(state, 'K')).toBe(false);
    expect(state.stops.get('bind')?.map(({ event }) => event.place)).toEqual([1, 2]);
    expect(state.counts.get('box')?.good).toBe(9);
    expect(state.started.get('print')?.id).toBe(7);
    expect(state.firstSheets.get('print')?.event.kept).toBe('rack');
    expect(state.last?.id).toBe(8);
  });

  it('is without what was taken back, and without the taking back', () => {
    const records = [
      { kind: 'count', step: 'box', good: 5 },
      { kind: 'count', step: 'box', good: 9 },
      { kind: 'take-back', record: 2 },
    ].map((event, i) => record(event as RoomEvent, i));
    expect(standing(records).map(({ id }) => id)).toEqual([1]);
    expect(roomState(records).counts.get('box')?.good).toBe(5);
    expect(roomState(records).last?.id).toBe(1);
    expect(roomState([]).last).toBeUndefined();
  });

  it('has as subject what a later record takes the place of', () => {
    const of = (event: RoomEvent): string | undefined => subjectOf(event, []);
    expect(of(approved)).toBe('artwork map');
    expect(of(inspected)).toBe(of(to('made')));
    expect(of(to('made'))).toBe(`carrier ${plate.id}`);
    expect(of({ kind: 'press-start', step: 'print' })).toBe('press-start print');
    expect(of({ kind: 'first-sheet', step: 'print' })).toBe('first-sheet print');
    expect(of({ kind: 'trial', ink: 'K', aim: LAB, measured: LAB, tolerance: 1, accepted: true })).toBeUndefined();
  });
});
