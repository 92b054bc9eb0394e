import canonicalize from 'canonicalize';
import { type RoomEvent, type RoomRecord, isAccountEntry } from '@druckerei/core';
import type { Account } from '@druckerei/contract';
import type { BookHead } from '@druckerei/formats';
import type { Database, Queries } from '../../db/database.js';

interface EntryRow {
  id: number;
  event: RoomEvent;
  happened: string;
  entered: string;
  device: string | null;
  by: string;
  uid: string;
}

/** An entry with the name that its device gave it. */
export interface NamedRecord extends RoomRecord {
  readonly uid: string;
}

/** Milliseconds after which an entry counts as entered later than it happened. */
const LATER_MS = 60_000;

const recordOf = ({ id, uid, event, happened, entered, device, by }: EntryRow): NamedRecord => ({
  id,
  uid,
  at: happened,
  by,
  ...(Date.parse(entered) - Date.parse(happened) >= LATER_MS ? { entered } : {}),
  ...(device === null ? {} : { device }),
  event,
});

/** Jobs whose entries are kept in memory, and entries of them all: those that were asked for last. */
const MOST_JOBS = 200;
const MOST_KEPT = 50_000;
/** Entries are only ever added: what was read once stays as it is, and only what came since is read again. */
const kept = new WeakMap<Database, Map<number, readonly NamedRecord[]>>();

function forget(jobs: Map<number, readonly NamedRecord[]>): void {
  let entries = [...jobs.values()].reduce((sum, { length }) => sum + length, 0);
  for (const [job, { length }] of jobs) {
    if (jobs.size === 1 || (jobs.size <= MOST_JOBS && entries <= MOST_KEPT)) return;
    jobs.delete(job);
    entries -= length;
  }
}

/** Entries of a job's book, oldest first. Not inside a transaction that has added to it: what is not there for good is not kept. */
export async function readEntries(
  database: Database,
  job: number,
  queries: Queries = database,
): Promise<readonly NamedRecord[]> {
  const jobs = kept.get(database) ?? new Map<number, readonly NamedRecord[]>();
  kept.set(database, jobs);
  const before = jobs.get(job) ?? [];
  const rows = await queries.many<EntryRow & Record<string, unknown>>('room/records', job, before.at(-1)?.id ?? 0);
  const all = rows.length > 0 ? [...before, ...rows.map(recordOf)] : before;
  jobs.delete(job);
  jobs.set(job, all);
  forget(jobs);
  return all;
}

/** How the book ends; undefined where nothing is in it. */
export const bookHead = (queries: Queries): Promise<BookHead | undefined> =>
  queries.one<BookHead & Record<string, unknown>>('room/head');

/** An entry as the book takes it. */
export interface NewEntry {
  readonly uid: string;
  readonly job: number;
  /** Account. */
  readonly by: number;
  /** When it happened, ms since 1970 UTC. */
  readonly happened: number;
  readonly device?: string | undefined;
  readonly event: RoomEvent;
  readonly carrier?: { readonly key: string; readonly note: unknown } | undefined;
}

/** Puts entries behind the last one of the book, in their order. @returns their numbers. */
export async function addEntries(queries: Queries, entries: readonly NewEntry[]): Promise<number[]> {
  if (entries.length === 0) return [];
  const entered = Date.now();
  // Through JSON first: what is undefined is not there.
  const texts = entries.map((entry) => canonicalize(JSON.parse(JSON.stringify({ ...entry, entered }))) ?? '');
  const rows = await queries.many<{ id: number; uid: string }>('room/add', texts);
  const ids = new Map(rows.map(({ id, uid }) => [uid, id]));
  return entries.map(({ uid }) => ids.get(uid) ?? 0);
}

/** Entries of accountable work are told to those alone who keep its book. */
const isHidden = ({ event }: RoomRecord): boolean => isAccountEntry(event.kind === 'held' ? event.entry : event);

/** Entries as they are told to whoever looks at the job. */
export const told = (records: readonly NamedRecord[], { rights }: Pick<Account, 'rights'>): RoomRecord[] =>
  records
    .filter((record) => rights.includes('accountable') || !isHidden(record))
    .map(({ uid: _, ...record }) => record);
