import type { Account } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { type Subject, lockKind, noteChange } from '../changes/changes.js';

export const reservation = (job: number, key: string): Subject => ({ kind: 'reservation', subject: `${job} ${key}` });

/** What a job has reserved of a key. */
export const reservedOf = async (queries: Queries, job: number, key: string): Promise<number> =>
  (await queries.one<{ quantity: number }>('stores/reserved', job, key))?.quantity ?? 0;

/** Sets what a job has reserved of a key, and keeps that it did. */
export async function setReservation(
  queries: Queries,
  account: Pick<Account, 'id'>,
  { job, key, quantity }: { job: number; key: string; quantity: number },
): Promise<void> {
  const before = await reservedOf(queries, job, key);
  if (before === quantity) return;
  if (quantity === 0) await queries.one('stores/let-go', job, key);
  else await queries.one('stores/reserve', job, key, quantity, account.id);
  await noteChange(queries, reservation(job, key), { before, after: quantity }, account);
}

/** Reserves what has come for a job, beside what it has reserved. */
export async function reserveMore(
  queries: Queries,
  account: Pick<Account, 'id'>,
  { job, key, quantity }: { job: number; key: string; quantity: number },
): Promise<void> {
  await setReservation(queries, account, { job, key, quantity: (await reservedOf(queries, job, key)) + quantity });
}

/** Lets go all that a job has reserved: what is delivered needs no more paper. */
export async function letAllGo(queries: Queries, account: Pick<Account, 'id'>, job: number): Promise<void> {
  await lockKind(queries, 'reservation');
  for (const { key } of await queries.many<{ key: string }>('stores/reserved-of-job', job))
    await setReservation(queries, account, { job, key, quantity: 0 });
}
