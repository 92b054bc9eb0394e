import { all, create } from 'mathjs';
import { example, planned } from '../plan/examples.fixture.js';
import type { Job } from '../job/job.js';
import type { Order } from '../job/order.js';
import { coveredDeliveries, completionOf, isFinished, outcomesOf } from '../job/delivery.js';
import { insertAfter, mayRemove, removeStep } from '../edit/edit-route.js';
import type { Plan } from '../plan/plan.js';
import { splitRun } from '../edit/split-run.js';
import { paperLosses } from './paper-losses.js';

const math = create(all ?? {});
const kg = (edges: Plan['edges']): number =>
  edges.reduce((sum, { count, state }) => sum + (count * state.massG) / 1000, 0);
const map = example('trail-map');

describe('where the paper goes', () => {
  const incidents = [{ name: 'web break', rate: 0.00001, loss: 800 }];
  const jobs: [string, Job][] = [
    ['trail map', map],
    ['trail map, in two runs', splitRun(map, 'map', 0.6)],
    ['concert programme', example('concert-programme')],
    ['tea caddy', example('tea-caddy')],
    ['garden cards', example('garden-cards')],
    ['timetable', example('ferry-timetable')],
    [
      'with samples and incidents',
      { ...map, route: map.route.map((step) => (step.id === 'fold' ? { ...step, samples: 25, incidents } : step)) },
    ],
    ['by sureness', { ...map, school: 'sure' }],
  ];

  it.each(jobs)('of the %s: what is lost and what is delivered are what is bought (identity)', (_, job) => {
    const plan = planned(job);
    const { losses } = paperLosses(plan);
    const lost = losses.reduce((sum, loss) => sum + loss.kg, 0);
    const bought = kg(plan.edges.filter(({ from }) => from === null));
    const delivered = kg(plan.edges.filter(({ to }) => to === null));
    expect(Math.abs(lost + delivered - bought)).toBeLessThan(0.2 + bought * 1e-6);
    expect(losses.map((loss) => loss.kg)).toEqual(losses.map((loss) => loss.kg).sort((a, b) => b - a));
  });

  it('tells set-up from running, and opens to its working (handbook chapter 6, worked example)', () => {
    const { losses, figures } = paperLosses(planned(map));
    const first = map.route[0]?.id;
    // 200 sheets of set-up and 1.5 % of 5,284 that run (handbook chapter 6, worked example).
    expect(losses.find((loss) => loss.step === first && loss.kind === 'set-up')?.units).toBe(200);
    expect(losses.find((loss) => loss.step === first && loss.kind === 'running')?.units).toBeCloseTo(79.26, 2);
    for (const { figure, kg: shown } of losses) {
      const { formula = '', inputs = {} } = figures[figure] ?? {};
      const scope = Object.fromEntries(Object.entries(inputs).map(([name, id]) => [name, figures[id]?.value ?? NaN]));
      expect(math.evaluate(formula, scope) as number).toBeCloseTo(shown, 9);
    }
  });
});

describe('overs and unders', () => {
  const order = (policy: Order['policy']): Order => ({ quantity: 1000, plannedOvers: 0, policy });

  it.each([
    ['exact', order({ kind: 'exact' }), 1040, { delivered: 1000, invoiced: 1000, kept: 40, short: 0 }],
    ['exact, short', order({ kind: 'exact' }), 990, { delivered: 990, invoiced: 990, kept: 0, short: 10 }],
    [
      '0 / +5 %',
      order({ kind: 'percent', under: 0, over: 5 }),
      1040,
      { delivered: 1040, invoiced: 1040, kept: 0, short: 0 },
    ],
    [
      '0 / +5 %, above',
      order({ kind: 'percent', under: 0, over: 5 }),
      1070,
      { delivered: 1050, invoiced: 1050, kept: 20, short: 0 },
    ],
    [
      '-10 %',
      order({ kind: 'percent', under: 10, over: 10 }),
      905,
      { delivered: 905, invoiced: 905, kept: 0, short: 0 },
    ],
    [
      '-10 %, short',
      order({ kind: 'percent', under: 10, over: 10 }),
      880,
      { delivered: 880, invoiced: 880, kept: 0, short: 20 },
    ],
    ['all overs', order({ kind: 'all-overs' }), 1200, { delivered: 1200, invoiced: 1000, kept: 0, short: 0 }],
  ])('%s', (_, of, good, wanted) => {
    expect(outcomesOf(of, good)).toEqual({ good, ...wanted });
  });

  it('cover partial deliveries in their order', () => {
    const deliveries = [{ quantity: 400, due: '2027-01-10' }, { quantity: 600 }];
    expect(coveredDeliveries({ ...order({ kind: 'exact' }), deliveries }, 900)).toEqual([
      { quantity: 400, due: '2027-01-10', covered: 400 },
      { quantity: 600, due: undefined, covered: 500 },
    ]);
  });
});

describe('a finished job', () => {
  it('has counted at every last station, together what the order takes at least', () => {
    const job: Job = { ...map, order: { ...map.order, policy: { kind: 'percent', under: 10, over: 5 } } };
    expect(
      [8_999, 9_000].map((box) =>
        isFinished(
          completionOf(job),
          new Map([
            ['fold', 20_000],
            ['box', box],
          ]),
        ),
      ),
    ).toEqual([false, true]);
    expect(isFinished(completionOf(job), new Map([['fold', 20_000]]))).toBe(false);
  });
});

describe('a route', () => {
  it('takes a station in behind another, and gives it back', () => {
    const more = insertAfter(map, 'fold', 'inspect');
    expect(more.route.find(({ id }) => id === 'inspect')?.from).toEqual([{ material: 'fold' }]);
    expect(more.route.find(({ id }) => id === 'band')?.from).toEqual([{ material: 'inspect' }]);
    expect(planned(more).steps.map(({ id }) => id)).toContain('inspect');
    expect(removeStep(more, 'inspect')).toEqual(map);
    const twice = insertAfter(more, 'fold', 'inspect');
    expect(twice.route.map(({ id }) => id)).toContain('inspect-2');
  });

  it('puts nothing behind a cut that parts a form into its items, and behind the last of a lane it does', () => {
    const cards = example('garden-cards');
    const cut = cards.route.find(({ operation }) => operation === 'cut')?.id ?? '';
    expect(insertAfter(cards, cut, 'inspect')).toBe(cards);
    expect(splitRun(cards, cards.components[0]?.id ?? '', 0.5)).toBe(cards);
    const more = insertAfter(map, 'box', 'inspect');
    expect(planned(more).edges.find(({ to }) => to === null)?.from).toBe('inspect');
  });

  it('keeps what it cannot spare, and how many a pack takes', () => {
    expect(mayRemove(map, 'fold')).toBe(false);
    expect(removeStep(map, 'fold')).toBe(map);
    expect(insertAfter(map, 'fold', 'print')).toBe(map);
    const packs: Job = {
      ...map,
      route: insertAfter(map, 'fold', 'hand').route.map((step) =>
        step.id === 'band' ? { ...step, from: [{ material: 'hand', usage: 8 }] } : step,
      ),
    };
    expect(removeStep(packs, 'hand').route.find(({ id }) => id === 'band')?.from).toEqual([
      { material: 'fold', usage: 8 },
    ]);
  });
});
