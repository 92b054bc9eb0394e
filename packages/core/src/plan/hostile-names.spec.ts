import { materialBalance } from '../balance/index.js';
import { checkRoute } from '../rules/index.js';
import { stationSheet } from '../stations/index.js';
import { purchaseNeeds } from '../stores/index.js';
import { roomState } from '../press-room/index.js';
import { SHIPPED_WORKS } from '../works/index.js';
import { diffFigures, diffJobs } from '../job/diff.js';
import type { Job } from '../job/index.js';
import { drawLayout } from '../press-sheet/index.js';
import { listCarriers } from '../prepress/index.js';
import { example } from './examples.fixture.js';
import { plan } from './plan.js';

/** Names that JavaScript's own objects have. */
const HOSTILE = ['constructor', 'toString', '__proto__', 'hasOwnProperty', 'valueOf', 'isPrototypeOf'];
/** Those that an id may be. */
const HOSTILE_IDS = ['constructor', 'valueof', 'prototype'];

type Renaming = (text: string) => string;

/** A job whose names are others, everywhere that they stand; nothing else changes. */
const renamed = (job: Job, fields: readonly string[], rename: Renaming): Job =>
  JSON.parse(
    JSON.stringify(job, (key, value: unknown) =>
      fields.includes(key) && typeof value === 'string' ? rename(value) : value,
    ),
  ) as Job;

/** The nth name that is asked for becomes the nth hostile one. */
function hostile(names: readonly string[]): Renaming {
  const given = new Map<string, string>();
  return (text) => {
    const before = given.get(text);
    if (before !== undefined) return before;
    const name = names[given.size] ?? text;
    given.set(text, name);
    return name;
  };
}

/** Everything that follows a plan. */
function all(job: Job): { total: number; sheets: number[]; inks: number[] } {
  const outcome = plan(job, SHIPPED_WORKS);
  if (!outcome.ok) throw new Error(outcome.issues.map(({ code, path }) => `${code} ${path}`).join('; '));
  const made = outcome.value;
  checkRoute(job, made, SHIPPED_WORKS);
  listCarriers(job, made, SHIPPED_WORKS);
  purchaseNeeds(job, made, SHIPPED_WORKS);
  materialBalance(job, made, SHIPPED_WORKS);
  roomState([]);
  for (const layout of Object.values(made.layouts)) drawLayout(layout);
  for (const { id } of job.route) stationSheet(job, made, SHIPPED_WORKS, id);
  expect(Object.values(made.figures).every(({ value }) => Number.isFinite(value))).toBe(true);
  return {
    total: made.totals.cost.total,
    sheets: Object.values(made.totals.pressSheets),
    inks: Object.values(made.totals.inkKgByName).map((kg) => Math.round(kg * 1e9)),
  };
}

const EXAMPLES = [
  'concert-programme',
  'trail-map',
  'tea-caddy',
  'star-atlas',
  'garden-cards',
  'season-tickets',
  'tea-shipper',
  'shelf-lining',
  'walking-guide',
  'puzzle-wallet',
];

describe.each(EXAMPLES)('%s', (name) => {
  const job = example(name);
  const usual = all(job);

  it('is planned alike whatever its things are called', () => {
    const odd = renamed(job, ['name', 'title', 'customer'], hostile(HOSTILE));
    expect(
      all({
        ...odd,
        components: odd.components.map((one, i) => ({
          ...one,
          front: job.components[i]?.front ?? [],
          back: job.components[i]?.back ?? [],
        })),
      }),
    ).toMatchObject({ sheets: usual.sheets });
  });

  it('and whatever the ids of its parts and stations are', () => {
    const ids = [...new Set([...job.components, ...job.route].map(({ id }) => id))].slice(0, HOSTILE_IDS.length);
    const odd = hostile(HOSTILE_IDS);
    const changed = renamed(job, ['id', 'component', 'material', 'on', 'runOf', 'item'], (text) =>
      ids.includes(text) ? odd(text) : text,
    );
    expect(all(changed).total).toBeCloseTo(usual.total, 6);
  });
});

describe('inks called like members of objects', () => {
  it.each(HOSTILE)('%s is mixed, plated and weighed like any other', (ink) => {
    const job = example('trail-map');
    const call = (name: string): Job => ({
      ...job,
      components: job.components.map((one) => ({ ...one, front: [...one.front.slice(0, 3), { name, coverage: 0.2 }] })),
    });
    const [odd, usual] = [call(ink), call('Moss')];
    expect(all(odd)).toEqual(all(usual));
    const outcomes = [plan(odd, SHIPPED_WORKS), plan(usual, SHIPPED_WORKS)].map((one) =>
      one.ok ? one.value : undefined,
    );
    expect(outcomes[0]?.totals.inkKgByName[ink]).toBeCloseTo(outcomes[1]?.totals.inkKgByName['Moss'] ?? NaN, 12);
    expect(diffFigures(outcomes[0]?.figures ?? {}, outcomes[1]?.figures ?? {})).toEqual([]);
    expect(diffJobs(odd, usual).length).toBeGreaterThan(0);
  });

  it('finds nothing in a plan that nobody put there', () => {
    const outcome = plan(example('trail-map'), SHIPPED_WORKS);
    if (!outcome.ok) throw new Error('not planned');
    for (const name of HOSTILE) {
      expect(outcome.value.layouts[name]).toBeUndefined();
      expect(outcome.value.packings[name]).toBeUndefined();
      expect(outcome.value.figures[name]).toBeUndefined();
      expect(outcome.value.totals.pressSheets[name]).toBeUndefined();
    }
  });
});
