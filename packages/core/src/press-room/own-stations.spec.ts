import { example } from '../plan/examples.fixture.js';
import { cardOf, recorded } from './card.fixture.js';
import { ROOM_KEYS, isOwnStation, stationKey, stationsOf } from './own-stations.js';
import type { RoomEntry } from './record.js';
import { roomState } from './state.js';

const card = cardOf(example('trail-map'));
const none = roomState([]);
const keyOf = (id: string): string => {
  const step = card.steps.find((one) => one.id === id);
  if (!step) throw new Error(id);
  return stationKey(step);
};
const count: RoomEntry = { kind: 'count', step: 'print-map', good: 10 };

describe('stations that an entry is of', () => {
  it('are that of its step, by machine', () => {
    expect(stationsOf(card, count, none)).toEqual([keyOf('print-map')]);
    expect(keyOf('print-map')).toMatch(/^machine\//);
    expect(stationKey({ machine: null, operation: 'gather' })).toBe('hand/gather');
  });

  it('are plate room and ink room for what happens there; a carrier also goes to the presses that it runs on', () => {
    const [carrier] = card.carriers;
    expect(stationsOf(card, { kind: 'inspection', carrier: carrier?.id ?? '', faults: [] }, none)).toEqual([
      ROOM_KEYS.plates,
    ]);
    expect(stationsOf(card, { kind: 'ink', ink: 'K', move: 'issued', kg: 1 }, none)).toEqual([ROOM_KEYS.inks]);
    expect(stationsOf(card, { kind: 'carrier', carrier: carrier?.id ?? '', state: 'on-press' }, none)).toEqual([
      ROOM_KEYS.plates,
      keyOf('print-map'),
    ]);
  });

  it('are those of what is struck or taken back', () => {
    const state = roomState(recorded([count]));
    expect(stationsOf(card, { kind: 'strike', record: 1, why: 'typed' }, state)).toEqual([keyOf('print-map')]);
    expect(stationsOf(card, { kind: 'take-back', record: 1 }, state)).toEqual([keyOf('print-map')]);
    expect(stationsOf(card, { kind: 'take-back', record: 9 }, state)).toEqual([]);
  });

  it('let in who has one of them, or has all', () => {
    expect(isOwnStation('all', [keyOf('print-map')])).toBe(true);
    expect(isOwnStation([ROOM_KEYS.plates], [ROOM_KEYS.plates, keyOf('print-map')])).toBe(true);
    expect(isOwnStation([ROOM_KEYS.plates], [keyOf('print-map')])).toBe(false);
    expect(isOwnStation([], [keyOf('print-map')])).toBe(false);
    expect(isOwnStation([], [])).toBe(true);
  });
});
