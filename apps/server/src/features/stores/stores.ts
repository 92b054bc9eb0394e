import { type PaperItem, isFinished, paperKey } from '@druckerei/core';
import type { Account, HoldingHistoryEntry, Needs, Stores } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import type { Assessment } from '../../work/tasks.js';
import { currentWorks } from '../works/works.js';

interface HoldingRow {
  id: number;
  version: number;
  paper: PaperItem;
  quantity: number;
  place: string;
  changed_by: string;
  changed_at: Date;
}

interface ReservationRow {
  job: number;
  number: string;
  title: string;
  key: string;
  quantity: number;
  by: string;
}

interface OpenRow {
  id: number;
  number: string;
  title: string;
  due: string | null;
  /** Null while it is being reckoned. */
  needs: Needs['jobs'][number]['needs'] | null;
  problems: string[] | null;
  /** What ends it, and the last good count of each step; null where nothing has been counted. */
  finish: Assessment['finish'] | null;
  counts: Readonly<Record<string, number>> | null;
}

interface HistoryRow {
  quantity_before: number;
  quantity_after: number;
  reason: string;
  changed_by: string;
  changed_at: Date;
}

async function readStores(queries: Queries): Promise<Stores> {
  const holdings = await queries.many<HoldingRow>('stores/holdings');
  return {
    holdings: holdings.map(({ changed_at, changed_by, paper, ...row }) => ({
      ...row,
      paper,
      changedBy: changed_by,
      changedAt: changed_at.toISOString(),
    })),
    reservations: await queries.many<ReservationRow>('stores/reservations'),
  };
}

/** Puts a lot of paper into the store. */
export const addHolding = (
  database: Database,
  account: Pick<Account, 'id'>,
  { paper, quantity, place, reason }: { paper: PaperItem; quantity: number; place: string; reason: string },
): Promise<Stores> =>
  database.transaction(async (queries) => {
    const { stocks } = await currentWorks(queries);
    if (!stocks.some(({ id }) => id === paper.stock))
      throw invalid([{ path: 'paper.stock', message: `The works has no stock ${paper.stock}. Choose another.` }]);
    if (quantity === 0)
      throw invalid([{ path: 'quantity', message: 'Quantity must be at least 1: an empty lot is no lot.' }]);
    const added = await queries.one<{ id: number }>('stores/add', paper, paperKey(paper), quantity, place, account.id);
    await queries.one('stores/add-change', added?.id, 0, quantity, reason, account.id);
    return readStores(queries);
  });

/** Reserves stock for a job, no more than others have left; 0 lets it go. */
const reserve = (
  database: Database,
  account: Account,
  job: number,
  { key, quantity }: { key: string; quantity: number },
): Promise<Stores> =>
  database.transaction(async (queries) => {
    if (!(await queries.one('room/lock-job', job))) throw notFound('This job');
    await queries.one('stores/lock-key', key);
    const { free = 0 } = (await queries.one<{ free: number }>('stores/free', key, job)) ?? {};
    if (quantity > free)
      throw invalid([
        { path: 'quantity', message: `Only ${free} are free: the others are reserved or not on hand. Reserve fewer.` },
      ]);
    if (quantity === 0) await queries.one('stores/let-go', job, key);
    else await queries.one('stores/reserve', job, key, quantity, account.id);
    return readStores(queries);
  });

/** What every open job needs, as it was reckoned when it was saved. */
async function readNeeds(queries: Queries): Promise<Needs> {
  const rows = await queries.many<OpenRow & Record<string, unknown>>('stores/open-jobs');
  return {
    jobs: rows
      .filter(({ finish, counts }) => !finish || !isFinished(finish, new Map(Object.entries(counts ?? {}))))
      .map(({ id, number, title, due, needs, problems }) => ({
        job: id,
        number,
        title,
        due,
        needs: needs ?? [],
        problems: problems ?? ['This job is being reckoned. Look again in a moment.'],
      })),
  };
}

const historyEntry = (row: HistoryRow): HoldingHistoryEntry => ({
  before: row.quantity_before,
  after: row.quantity_after,
  reason: row.reason,
  by: row.changed_by,
  at: row.changed_at.toISOString(),
});

export const storesHandlers = (
  database: Database,
): Pick<Handlers, 'stores' | 'addHolding' | 'changeHolding' | 'holdingHistory' | 'reserve' | 'needs'> => ({
  stores: () => readStores(database),
  addHolding: ({ body, account }) => addHolding(database, account, body),
  changeHolding: ({ params, body, account }) =>
    database.transaction(async (queries) => {
      const before = await queries.one<{ quantity: number; place: string; version: number }>('stores/lock', params.id);
      if (!before) throw notFound('This lot');
      if (before.quantity !== body.expected || (body.version ?? before.version) !== before.version)
        throw new ProblemError(409, 'Somebody else has changed this lot', {
          detail:
            before.quantity === body.expected
              ? `It holds ${before.quantity} again, but was changed in between. It lies at ${before.place || 'no place'}.`
              : `It holds ${before.quantity} now, you saw ${body.expected}.`,
        });
      await queries.one('stores/change', params.id, body.quantity, body.place, account.id);
      await queries.one('stores/add-change', params.id, before.quantity, body.quantity, body.reason, account.id);
      return readStores(queries);
    }),
  holdingHistory: async ({ params }) =>
    (await database.many<HistoryRow & Record<string, unknown>>('stores/history', params.id)).map(historyEntry),
  reserve: ({ params, body, account }) => reserve(database, account, params.id, body),
  needs: () => readNeeds(database),
});
