import { example } from '../plan/examples.fixture.js';
import { cardOf, recorded } from './card.fixture.js';
import { closedStations } from './closed.js';
import type { RoomEvent } from './record.js';

const card = cardOf(example('trail-map'));
const step = 'cut';
const run: RoomEvent[] = [
  { kind: 'taken-in', step, count: 1_000 },
  { kind: 'setup-begun', step },
  { kind: 'setup-done', step },
  { kind: 'run-begun', step },
  { kind: 'spoiled', step, count: 4, reason: 'cut', during: 'run' },
  { kind: 'good', step, count: 996 * 2 },
  { kind: 'step-closed', step },
];

describe('stations that are through', () => {
  it('are told with what they were planned with and what happened', () => {
    const [one, ...more] = closedStations(card, recorded(run));
    expect(more).toEqual([]);
    expect(one).toMatchObject({ entry: 7, outcome: { step, machine: 'guillotine-115' } });
    expect(one?.outcome.happened).toMatchObject({ units: 1_000, runSpoils: 4, balanced: true, runHours: 0.05 });
    expect(one?.outcome.norms.running).toMatchObject({ norm: 'spoil.cut.running', value: 0.002 });
    expect(one?.outcome.hourCost).toBeGreaterThan(0);
  });

  it('keep the entry that closed them first, and are not there while they are open again', () => {
    const opened: RoomEvent[] = [...run, { kind: 'step-opened', step, reason: 'Pile found' }];
    expect(closedStations(card, recorded(opened))).toEqual([]);
    const again = recorded([...opened, { kind: 'good', step, count: 8 }, { kind: 'step-closed', step }]);
    expect(closedStations(card, again)).toMatchObject([{ entry: 7, closed: again[9]?.at }]);
  });

  it('tell paper and its cost where bought sheets come in, by the plan of the whole job', () => {
    const print = card.steps.find(({ takes }) => takes.some(({ cost }) => cost > 0));
    const [take] = print?.takes ?? [];
    expect(print?.id).toBe('print-map');
    expect((take?.cost ?? 0) * (take?.count ?? 0)).toBeGreaterThan(0);
    const events: RoomEvent[] = [
      { kind: 'taken-in', step: 'print-map', count: 2_000 },
      { kind: 'left-over', step: 'print-map', count: 500 },
      { kind: 'step-closed', step: 'print-map' },
    ];
    const [one] = closedStations(card, recorded(events));
    expect(one?.outcome.happened.paper).toBe(1_500);
    expect(one?.outcome.happened.paperCost).toBeCloseTo(1_500 * (take?.cost ?? 0), 9);
  });
});
