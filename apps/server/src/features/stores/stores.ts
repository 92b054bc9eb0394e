import { type PaperItem, freeOf, isFinished, paperKey, paperName } from '@druckerei/core';
import type { Account, HoldingHistoryEntry, Lot, LotsQuery, Stores } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { patternsOf } from '../../db/patterns.js';
import { JsonText } from '../../http/json-text.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import type { Assessment } from '../../work/tasks.js';
import { type Subject, lockKind, markOf, noteChange, refuseUnseen } from '../changes/changes.js';
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

interface CountedRow {
  id: number;
  /** What ends it, and the last good count of each step. */
  finish: Assessment['finish'];
  counts: Readonly<Record<string, number>>;
}

interface HistoryRow {
  quantity_before: number;
  quantity_after: number;
  place_before: string | null;
  place_after: string | null;
  reason: string;
  changed_by: string;
  changed_at: Date;
}

async function readStores(queries: Queries): Promise<Stores> {
  const holdings = await queries.many<HoldingRow>('stores/holdings');
  return {
    mark: await markOf(queries, 'reservation'),
    holdings: holdings.map(({ changed_at, changed_by, paper, ...row }) => ({
      ...row,
      paper,
      changedBy: changed_by,
      changedAt: changed_at.toISOString(),
    })),
    reservations: await queries.many<ReservationRow>('stores/reservations'),
  };
}

/** Most lots of a page that asks for no number. */
const PAGE = 100;

interface LotsPage extends Record<string, unknown> {
  readonly total: number;
  /** With what is on hand of the paper, in all lots of it. */
  readonly lots: readonly (Omit<Lot, 'name' | 'free'> & { readonly ofPaper: number })[];
}

/** A page of the lots that hold every word of the search, and how many there are. */
async function listLots(
  queries: Queries,
  { search = '', skip = 0, limit = PAGE }: LotsQuery,
): Promise<{ rows: Lot[]; total: number }> {
  const page = await queries.one<LotsPage>('stores/lots', patternsOf(search), skip, limit);
  if (!page) throw new Error('the lots were not answered');
  const works = await currentWorks(queries);
  const rows = page.lots.map(({ ofPaper, ...lot }) => {
    const key = paperKey(lot.paper);
    const reserved = lot.reserved.map((one) => ({ ...one, key }));
    const free = freeOf([{ ...lot, quantity: ofPaper }], reserved)(key);
    return { ...lot, name: paperName(lot.paper, works), free };
  });
  return { rows, total: page.total };
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
    await queries.one('stores/add-change', added?.id, 0, quantity, reason, account.id, '', place);
    return readStores(queries);
  });

const reservation = (job: number, key: string): Subject => ({ kind: 'reservation', subject: `${job} ${key}` });

/** Sets what a job has reserved of a key, and keeps that it did. */
async function setReservation(
  queries: Queries,
  account: Pick<Account, 'id'>,
  { job, key, quantity }: { job: number; key: string; quantity: number },
): Promise<void> {
  const before = (await queries.one<{ quantity: number }>('stores/reserved', job, key))?.quantity ?? 0;
  if (before === quantity) return;
  if (quantity === 0) await queries.one('stores/let-go', job, key);
  else await queries.one('stores/reserve', job, key, quantity, account.id);
  await noteChange(queries, reservation(job, key), { before, after: quantity }, account);
}

/** Lets go all that a job has reserved: what is delivered needs no more paper. */
export async function letAllGo(queries: Queries, account: Pick<Account, 'id'>, job: number): Promise<void> {
  await lockKind(queries, 'reservation');
  for (const { key } of await queries.many<{ key: string }>('stores/reserved-of-job', job))
    await setReservation(queries, account, { job, key, quantity: 0 });
}

/** Reserves stock for a job, no more than others have left; 0 lets it go. */
const reserve = (
  database: Database,
  account: Account,
  job: number,
  { key, quantity, seen }: { key: string; quantity: number; seen: number },
): Promise<Stores> =>
  database.transaction(async (queries) => {
    if (!(await queries.one('room/lock-job', job))) throw notFound('This job');
    await lockKind(queries, 'reservation');
    await refuseUnseen(queries, reservation(job, key), seen, (now) => `It is ${now ?? 0} reserved for this job now.`);
    const { free = 0 } = (await queries.one<{ free: number }>('stores/free', key, job)) ?? {};
    if (quantity > free)
      throw invalid([
        { path: 'quantity', message: `Only ${free} are free: the others are reserved or not on hand. Reserve fewer.` },
      ]);
    await setReservation(queries, account, { job, key, quantity });
    return readStores(queries);
  });

/** What is said of a job that has just been saved by an earlier version, or under other norms. */
const BEING_RECKONED = 'This job is being reckoned. Look again in a moment.';

/** What every open job needs, as it was reckoned when it was saved. */
async function needsAnswer(queries: Queries): Promise<JsonText> {
  const counted = await queries.many<CountedRow & Record<string, unknown>>('stores/counted-jobs');
  const finished = counted
    .filter(({ finish, counts }) => isFinished(finish, new Map(Object.entries(counts))))
    .map(({ id }) => id);
  const rows = await queries.many<{ answer: string }>('stores/open-jobs', finished, BEING_RECKONED);
  const parts = rows.flatMap(({ answer }, i) => (i === 0 ? [answer] : [',', answer]));
  return new JsonText(['{"jobs":[', ...parts, ']}']);
}

const historyEntry = (row: HistoryRow): HoldingHistoryEntry => ({
  before: row.quantity_before,
  after: row.quantity_after,
  placeBefore: row.place_before,
  placeAfter: row.place_after,
  reason: row.reason,
  by: row.changed_by,
  at: row.changed_at.toISOString(),
});

export const storesHandlers = (
  database: Database,
): Pick<Handlers, 'stores' | 'lots' | 'addHolding' | 'changeHolding' | 'holdingHistory' | 'reserve' | 'needs'> => ({
  stores: () => readStores(database),
  lots: async ({ query, response }) => {
    const { rows, total } = await listLots(database, query);
    response.setHeader('X-Total-Count', String(total));
    return rows;
  },
  addHolding: ({ body, account }) => addHolding(database, account, body),
  changeHolding: ({ params, body, account }) =>
    database.transaction(async (queries) => {
      const before = await queries.one<{ quantity: number; place: string; version: number }>('stores/lock', params.id);
      if (!before) throw notFound('This lot');
      if (before.quantity !== body.expected || body.version !== before.version)
        throw new ProblemError(409, 'Somebody else has changed this lot', {
          detail: `It holds ${before.quantity} now and lies at ${before.place || 'no place'}; you saw ${body.expected}.`,
        });
      await queries.one('stores/change', params.id, body.quantity, body.place, account.id);
      await queries.one(
        'stores/add-change',
        params.id,
        before.quantity,
        body.quantity,
        body.reason,
        account.id,
        before.place,
        body.place,
      );
      return readStores(queries);
    }),
  holdingHistory: async ({ params }) =>
    (await database.many<HistoryRow & Record<string, unknown>>('stores/history', params.id)).map(historyEntry),
  reserve: ({ params, body, account }) => reserve(database, account, params.id, body),
  needs: () => needsAnswer(database),
});
