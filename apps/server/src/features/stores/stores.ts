import {
  type OnOrder,
  type PaperItem,
  type Works,
  freeOf,
  isFinished,
  paperKey,
  paperName,
  sharesOf,
} from '@druckerei/core';
import type { Account, HoldingHistoryEntry, Lot, LotsQuery, NewHolding, OtherItem, Stores } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { patternsOf } from '../../db/patterns.js';
import { JsonText } from '../../http/json-text.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import type { Assessment } from '../../work/tasks.js';
import { lockKind, markOf, refuseUnseen } from '../changes/changes.js';
import { currentWorks } from '../works/works.js';
import { countHoldings } from './count-holdings.js';
import { refuseOdd, refuseOtherKey, refuseParts, stockIds } from './refusals.js';
import { reservation, setReservation } from './reservations.js';

interface HoldingRow {
  id: number;
  version: number;
  key: string;
  paper: PaperItem | null;
  other: OtherItem | null;
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

/** What a lot is of. */
interface Thing {
  readonly paper?: PaperItem | null | undefined;
  readonly other?: OtherItem | null | undefined;
}
const thing = ({ paper, other }: Thing): { paper?: PaperItem; other?: OtherItem } => ({
  ...(paper ? { paper } : {}),
  ...(other ? { other } : {}),
});
/** What something of the store is called and counted in, paper or not. */
export const nameOf = ({ paper, other }: Thing, works: Works): { readonly name: string; readonly unit: string } => {
  if (paper) return { name: paperName(paper, works), unit: paper.heightMm === undefined ? 'rolls' : 'sheets' };
  return { name: other?.name ?? '', unit: other?.unit ?? '' };
};

interface OnOrderRow extends Record<string, unknown> {
  readonly key: string;
  readonly quantity: number;
  readonly received: number;
  readonly day: string;
  readonly order: string;
  readonly jobs: OnOrder['jobs'];
}

/** What is still to come, and of it for each job what it has not had yet. */
export const readOnOrder = async (queries: Queries): Promise<Stores['onOrder']> =>
  (await queries.many<OnOrderRow>('purchasing/on-order')).map(({ received, jobs, ...row }) => ({
    ...row,
    jobs: sharesOf(jobs, received, row.quantity),
  }));

async function readStores(queries: Queries): Promise<Stores> {
  const holdings = await queries.many<HoldingRow>('stores/holdings');
  return {
    mark: await markOf(queries, 'reservation'),
    onOrder: await readOnOrder(queries),
    holdings: holdings.map(({ changed_at, changed_by, paper, other, ...row }) => ({
      ...row,
      ...thing({ paper, other }),
      changedBy: changed_by,
      changedAt: changed_at.toISOString(),
    })),
    reservations: await queries.many<ReservationRow>('stores/reservations'),
    drawn: await queries.many<Stores['drawn'][number]>('stores/drawn'),
  };
}

/** Most lots of a page that asks for no number. */
const PAGE = 100;

interface LotsPage extends Record<string, unknown> {
  readonly total: number;
  /** With what is on hand of the same, in all lots of it. */
  readonly lots: readonly (Omit<Lot, 'name' | 'unit' | 'free' | 'paper' | 'other'> &
    Thing & { readonly ofKey: number })[];
}

/** A page of the lots that hold every word of the search, and how many there are. */
async function listLots(
  queries: Queries,
  { search = '', skip = 0, limit = PAGE }: LotsQuery,
): Promise<{ rows: Lot[]; total: number }> {
  const page = await queries.one<LotsPage>('stores/lots', patternsOf(search), skip, limit);
  if (!page) throw new Error('the lots were not answered');
  const works = await currentWorks(queries);
  const rows = page.lots.map(({ ofKey, paper, other, ...lot }) => {
    const { key } = lot;
    const reserved = lot.reserved.map((one) => ({ ...one, key }));
    const free = freeOf([{ ...lot, quantity: ofKey }], reserved)(key);
    return { ...lot, ...thing({ paper, other }), ...nameOf({ paper, other }, works), free };
  });
  return { rows, total: page.total };
}

/** Puts a lot into the store, and keeps why. */
export async function putIn(
  queries: Queries,
  account: Pick<Account, 'id'>,
  {
    key,
    paper,
    other,
    quantity,
    place,
    reason,
  }: Thing & Omit<NewHolding, 'paper' | 'other'> & { readonly key: string },
): Promise<void> {
  const added = await queries.one<{ id: number }>(
    'stores/add',
    paper ?? null,
    other ?? null,
    key,
    quantity,
    place,
    account.id,
  );
  await queries.one('stores/add-change', added?.id, 0, quantity, reason, account.id, '', place);
}

export const addHolding = (
  database: Database,
  account: Pick<Account, 'id'>,
  { paper, other, ...lot }: NewHolding,
): Promise<Stores> =>
  database.transaction(async (queries) => {
    const errors = refuseOdd({ paper, quantity: lot.quantity }, stockIds(await currentWorks(queries)));
    if (lot.quantity === 0)
      errors.push({ path: 'quantity', message: $localize`Quantity must be more than 0: an empty lot is no lot.` });
    errors.push(...refuseOtherKey(other));
    if (errors.length > 0) throw invalid(errors);
    if (paper) await putIn(queries, account, { ...lot, paper, key: paperKey(paper) });
    else if (other) {
      const { key, ...what } = other;
      await putIn(queries, account, { ...lot, other: what, key });
    }
    return readStores(queries);
  });

/** Reserves stock for a job, no more than others have left; 0 lets it go. */
const reserve = (
  database: Database,
  account: Account,
  job: number,
  { key, quantity, seen }: { key: string; quantity: number; seen: number },
): Promise<Stores> =>
  database.transaction(async (queries) => {
    if (!(await queries.one('room/lock-job', job))) throw notFound($localize`This job`);
    await lockKind(queries, 'reservation');
    await refuseUnseen(
      queries,
      reservation(job, key),
      seen,
      (now) => $localize`It is ${now ?? 0} reserved for this job now.`,
    );
    const parts = refuseParts(key, quantity, 'quantity');
    if (parts.length > 0) throw invalid(parts);
    const { free = 0 } = (await queries.one<{ free: number }>('stores/free', key, job)) ?? {};
    if (quantity > free)
      throw invalid([
        {
          path: 'quantity',
          message: $localize`Only ${free} are free: the others are reserved or not on hand. Reserve fewer.`,
        },
      ]);
    await setReservation(queries, account, { job, key, quantity });
    return readStores(queries);
  });

/** What is said of a job that has just been saved by an earlier version, or under other norms. */
const beingReckoned = (): string => $localize`This job is being reckoned. Look again in a moment.`;

/** Jobs that need nothing more: their last stations have counted enough. */
export async function finishedJobs(queries: Queries): Promise<number[]> {
  const counted = await queries.many<CountedRow & Record<string, unknown>>('stores/counted-jobs');
  return counted
    .filter(({ finish, counts }) => isFinished(finish, new Map(Object.entries(counts))))
    .map(({ id }) => id);
}

/** What every open job needs, as it was reckoned when it was saved. */
async function needsAnswer(queries: Queries): Promise<JsonText> {
  const finished = await finishedJobs(queries);
  const rows = await queries.many<{ answer: string }>('stores/open-jobs', finished, beingReckoned());
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
): Pick<
  Handlers,
  'stores' | 'lots' | 'addHolding' | 'countHoldings' | 'changeHolding' | 'holdingHistory' | 'reserve' | 'needs'
> => ({
  stores: () => readStores(database),
  lots: async ({ query, response }) => {
    const { rows, total } = await listLots(database, query);
    response.setHeader('X-Total-Count', String(total));
    return rows;
  },
  addHolding: ({ body, account }) => addHolding(database, account, body),
  countHoldings: ({ body, entries, account }) => countHoldings(database, account, body.reason, entries),
  changeHolding: ({ params, body, account }) =>
    database.transaction(async (queries) => {
      const before = await queries.one<{ quantity: number; place: string; version: number; key: string }>(
        'stores/lock',
        params.id,
      );
      if (!before) throw notFound($localize`This lot`);
      const parts = refuseParts(before.key, body.quantity, 'quantity');
      if (parts.length > 0) throw invalid(parts);
      if (before.quantity !== body.expected || body.version !== before.version)
        throw new ProblemError(409, $localize`Somebody else has changed this lot`, {
          detail: $localize`It holds ${before.quantity} now and lies at ${before.place || $localize`no place`}; you saw ${body.expected}.`,
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
