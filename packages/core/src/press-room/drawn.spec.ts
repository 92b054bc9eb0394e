import type { Job } from '../job/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import { purchaseNeeds } from '../stores/index.js';
import { SHIPPED_WORKS } from '../works/index.js';
import { cardOf, recorded } from './card.fixture.js';
import { drawnOf, impressionsRun } from './drawn.js';
import type { RoomEvent } from './record.js';
import { roomState } from './state.js';

/** By key, nothing left out but what all came back. */
function drawn(job: Job, events: readonly RoomEvent[]): [string, number][] {
  const keys = new Map<string, number>();
  for (const { key, quantity } of drawnOf(cardOf(job), roomState(recorded(events))))
    if (quantity > 0) keys.set(key, (keys.get(key) ?? 0) + quantity);
  return [...keys];
}
const quantities = (job: Job): Map<string, number> =>
  new Map(purchaseNeeds(job, planned(job), SHIPPED_WORKS).map(({ key, quantity }) => [key, quantity]));

describe('what a job draws from the store', () => {
  const map = example('trail-map');
  const [key = ''] = [...quantities(map).keys()].filter((one) => one.startsWith('sheets/'));

  it('is what was taken in and is not left over; what is struck through was not', () => {
    const events: RoomEvent[] = [
      { kind: 'taken-in', step: 'print-map', count: 3_000 },
      { kind: 'taken-in', step: 'print-map', count: 2_000 },
      { kind: 'left-over', step: 'print-map', count: 150 },
    ];
    expect(drawn(map, events)).toEqual([[key, 4_850]]);
    expect(drawn(map, [...events, { kind: 'strike', record: 2, why: 'twice' }])).toEqual([[key, 2_850]]);
    expect(
      drawn(map, [...events, { kind: 'strike', record: 1, why: 'no' }, { kind: 'strike', record: 2, why: 'no' }]),
    ).toEqual([]);
  });

  it('is nothing of what another station made, and ink as it was issued and came back', () => {
    expect(drawn(map, [{ kind: 'taken-in', step: 'cut', count: 900 }])).toEqual([]);
    const ink = (move: 'issued' | 'returned', kg: number): RoomEvent => ({ kind: 'ink', ink: 'K', move, kg });
    expect(drawn(map, [ink('issued', 3), ink('returned', 0.5)])).toEqual([['ink/K', 2.5]]);
  });

  it.each([
    'trail-map',
    'concert-programme',
    'ferry-timetable',
    'season-tickets',
    'orchid-field-guide',
    'board-game-box',
  ])('comes to what was bought where all that the plan hands over is taken in: %s (identity)', (name) => {
    const job = example(name);
    const card = cardOf(job);
    const events = card.steps.flatMap(({ id, takes }): RoomEvent[] =>
      takes.flatMap(({ material, store, count }) =>
        store ? [{ kind: 'taken-in' as const, step: id, material, count: Math.ceil(count) }] : [],
      ),
    );
    const wanted = quantities(job);
    const got = drawn(job, events);
    expect(got.length).toBeGreaterThan(0);
    // A sheet or roll that is begun is taken whole.
    for (const [one, quantity] of got) {
      expect(wanted.has(one)).toBe(true);
      expect(quantity - (wanted.get(one) ?? 0)).toBeGreaterThanOrEqual(-1e-6);
      expect(quantity - (wanted.get(one) ?? 0)).toBeLessThanOrEqual(1);
    }
    const papers = [...wanted.keys()].filter((one) => /^(sheets|rolls|parts)\//.test(one));
    expect(got.map(([one]) => one).sort()).toEqual(papers.sort());
  });
});

describe('impressions of a carrier', () => {
  const card = cardOf(example('trail-map'));
  const plate = card.carriers.find(({ wornBy }) => wornBy.length > 0);
  if (!plate) throw new Error('no plate');
  const [step] = card.steps.filter(({ id }) => id === plate.wornBy[0]);
  if (!step) throw new Error('no press');
  const run = (events: readonly RoomEvent[]): number => impressionsRun(card, roomState(recorded(events)), plate);

  it('are as planned where nobody has counted, and follow good, samples and spoils where somebody has', () => {
    expect(run([])).toBe(plate.impressions);
    const others = card.steps.filter(({ id }) => plate.wornBy.includes(id) && id !== step.id);
    const planned = [step, ...others].reduce((sum, { processUnits }) => sum + processUnits, 0);
    const events: RoomEvent[] = [
      { kind: 'good', step: step.id, count: 1_000 },
      { kind: 'samples', step: step.id, count: 4 },
      { kind: 'spoiled', step: step.id, count: 96, reason: 'set-off', during: 'run' },
    ];
    const told = 1_100 + planned - step.processUnits;
    expect(run(events)).toBe(Math.ceil((plate.impressions * told) / planned));
  });

  it('are those of the stations that wear it, dies as plates', () => {
    const box = cardOf(example('board-game-box'));
    const die = box.carriers.find(({ kind }) => kind === 'cutting-die');
    expect(die?.wornBy.map((id) => box.steps.find((one) => one.id === id)?.operation)).toEqual(['die-cut']);
  });
});
