import fs from 'node:fs';
import { type Works, SHIPPED_WORKS, dayAfter } from '@druckerei/core';
import { type Account, dayIn, parseJobFile } from '@druckerei/contract';
import type { Database } from '../db/database.js';
import { addAccount } from '../features/accounts/add-account.js';
import { addFinished } from '../features/finished/finished.js';
import type { Bench } from '../features/jobs/bench.js';
import type { Workshop } from '../work/workshop.js';
import { createJob } from '../features/jobs/write-job.js';
import { enterEvent } from '../features/room/enter.js';
import { addSingles } from '../features/singles/singles.js';
import { addHolding } from '../features/stores/stores.js';
import { addCustomer } from '../features/customers/customers.js';
import { addOffer } from '../features/customers/offers.js';
import { addOrder } from '../features/customers/orders.js';
import { DEMO_CUSTOMERS, DEMO_OFFER, DEMO_ORDER } from './demo-customers.js';
import { DEMO_INKS, DEMO_SUPPLIES } from './demo-inks.js';
import { DEMO_FINISHED, DEMO_SINGLES } from './demo-finished.js';
import { DEMO_ROOM } from './demo-room.js';
import { DEMO_STORES } from './demo-stores.js';
import { loadPurchasing } from './load-purchasing.js';

/** Demo sign-ins: roles, not people. They exist only where the demo is loaded. */
export const DEMO_ACCOUNTS: readonly { login: string; name: string; role: string; password: string }[] = [
  { login: 'manager', name: 'Production manager', role: 'manager', password: 'weir-and-wheel' },
  { login: 'operator', name: 'Press operator, early shift', role: 'operator', password: 'weir-and-wheel' },
  { login: 'viewer', name: 'Sales desk', role: 'viewer', password: 'weir-and-wheel' },
];

/** How the demo works numbers its jobs. Invented. */
const DEMO_NUMBERS = 'HB-{yy}-####';

const EXAMPLES = [
  'concert-programme',
  'trail-map',
  'tea-caddy',
  'ferry-timetable',
  'permit-stickers',
  'garden-cards',
  'constellation-cards',
  'orchid-field-guide',
  'star-atlas',
  'seed-packets',
  'season-tickets',
  'gala-invitations',
  'puzzle-wallet',
  'board-game-box',
  'tea-shipper',
  'shelf-lining',
  'walking-guide',
];

export function exampleJob(name: string) {
  const parsed = parseJobFile(
    fs.readFileSync(new URL(`../../../../docs/examples/${name}.json`, import.meta.url), 'utf8'),
  );
  if (!parsed.ok)
    throw new Error(`example ${name}: ${parsed.errors.map(({ path, message }) => `${path}: ${message}`).join('; ')}`);
  return parsed.job;
}

/** Refuses to bring the demo and a works together: neither the demo into a database that people use, nor people into the demo's. */
export async function refuseMixing(database: Database, demo: boolean): Promise<void> {
  const has = await database.one<{ demo: boolean }>('accounts/has-demo');
  const own = await database.one<{ anybody: boolean }>('accounts/has-any');
  if (has?.demo && !demo)
    throw new Error(
      'this database holds the demo works: give the works a database of its own (DATABASE_URL), or run the demo (DEMO=1)',
    );
  if (!has?.demo && own?.anybody && demo)
    throw new Error(
      'people work on this database: the demo wants one of its own (DATABASE_URL), or start without DEMO',
    );
}

/** The demo's own jobs are known to end: they have the time of the threads, not of a request, however slow the machine. */
export const patient = (workshop: Workshop): Workshop => ({
  run: (name, input, { signal } = {}) => workshop.run(name, input, { signal }),
  close: () => workshop.close(),
});

/** Customers of the demo, an order of theirs and an offer. @param jobs ids of the demo's jobs by their example. */
async function loadCustomers(bench: Bench, manager: Account, jobs: ReadonlyMap<string, number>): Promise<void> {
  const kept = new Map<string, number>();
  for (const customer of DEMO_CUSTOMERS)
    kept.set(customer.name, (await addCustomer(bench.database, manager, customer)).id);
  const { customer, examples, ...order } = DEMO_ORDER;
  await addOrder(bench.database, manager, kept.get(customer) ?? 0, {
    ...order,
    jobs: examples.flatMap((name) => jobs.get(name) ?? []),
  });
  const { example, quantities, days, ...offer } = DEMO_OFFER;
  const offered = exampleJob(example);
  await addOffer(bench, manager, {
    ...offer,
    until: dayAfter(dayIn(new Date()), days),
    jobs: quantities.map((quantity) => ({ ...offered, order: { ...offered.order, quantity } })),
  });
}

/** The demo's manager; undefined where the demo is not loaded. */
export async function demoManager(database: Database): Promise<Account | undefined> {
  const found = await database.one<{ id: number }>('accounts/by-login', 'manager');
  return found && database.one<Account>('accounts/by-id', found.id);
}

/** Loads the demo works, sign-ins, jobs and what has happened to them, once. @param past what was there before all of it. */
export async function loadDemo(
  { database, workshop }: Bench,
  past?: (bench: Bench, manager: Account) => Promise<void>,
): Promise<void> {
  const bench = { database, workshop: patient(workshop) };
  const row = await database.one<{ demo: boolean }>('accounts/has-demo');
  if (row?.demo) return;
  const works = await database.one<{ body: object }>('works/get');
  await database.one('works/put', { ...works?.body, numberPattern: DEMO_NUMBERS });
  await database.one('works/add-items', 'ink', DEMO_INKS);
  await database.one('works/add-items', 'supply', DEMO_SUPPLIES);
  for (const account of DEMO_ACCOUNTS) await addAccount(database, { ...account, demo: true });
  const manager = await demoManager(database);
  if (!manager) throw new Error('the demo manager was not added');
  await past?.(bench, manager);
  const jobs = new Map<string, number>();
  for (const name of EXAMPLES) {
    const { id } = await createJob(bench, manager, exampleJob(name));
    jobs.set(name, id);
    for (const event of DEMO_ROOM[name] ?? []) await enterEvent(bench, manager, id, event);
    for (const { example, ...lot } of DEMO_FINISHED)
      if (example === name) await addFinished(bench, manager, { job: id, ...lot });
  }
  await loadCustomers(bench, manager, jobs);
  await addSingles(database, manager, DEMO_SINGLES);
  for (const lot of DEMO_STORES) await addHolding(database, manager, { ...lot, reason: 'stock-taking' });
  await loadPurchasing(database, manager);
}

/**
 * Begins a works with what it has at first, where it has not begun; the demo also has what ships today, whatever version
 * began it, and keeps what was made of it.
 */
export async function setUpWorks(database: Database, begin: Works = SHIPPED_WORKS): Promise<void> {
  const { norms: _norms, machines, stocks, inks = [], supplies = [], ...settings } = begin;
  const begun = await database.one('works/get');
  if (!begun) await database.one('works/put', settings);
  if (begun && begin !== SHIPPED_WORKS) return;
  await database.one('works/add-items', 'machine', machines);
  await database.one('works/add-items', 'stock', stocks);
  await database.one('works/add-items', 'ink', inks);
  await database.one('works/add-items', 'supply', supplies);
}
