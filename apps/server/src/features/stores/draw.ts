import type { Drawn } from '@druckerei/core';
import type { Account } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { lockKind } from '../changes/changes.js';
import { reservedOf, setReservation } from './reservations.js';

interface DrawnRow extends Record<string, unknown> {
  readonly of: string;
  readonly key: string;
  readonly quantity: number;
  readonly of_reserved: number;
}
interface LotOfKey extends Record<string, unknown> {
  readonly id: number;
  readonly quantity: number;
  readonly place: string;
}
interface Drawer {
  readonly queries: Queries;
  readonly account: Pick<Account, 'id'>;
  readonly job: number;
  readonly number: string;
}

/** Sums of kilograms do not come out to the last digit. */
const NOTHING = 1e-9;

async function changeLot({ queries, account }: Drawer, lot: LotOfKey, after: number, reason: string): Promise<void> {
  await queries.one('stores/change', lot.id, after, lot.place, account.id);
  await queries.one('stores/add-change', ...[lot.id, lot.quantity, after, reason, account.id, lot.place, lot.place]);
}

/** Takes from the oldest lots first, no more than lies there. @returns what was taken. */
async function takeOut(drawer: Drawer, key: string, quantity: number): Promise<number> {
  let left = quantity;
  for (const lot of await drawer.queries.many<LotOfKey>('stores/lots-of-key', key)) {
    const taken = Math.min(left, lot.quantity);
    if (taken <= NOTHING) continue;
    await changeLot(drawer, lot, lot.quantity - taken, $localize`Taken in on the floor, job ${drawer.number}`);
    left -= taken;
  }
  return quantity - left;
}

/** Puts back what a job has drawn too much: onto the newest lot of it. */
async function putBack(drawer: Drawer, key: string, quantity: number): Promise<void> {
  const lot = (await drawer.queries.many<LotOfKey>('stores/lots-of-key', key)).at(-1);
  if (lot) await changeLot(drawer, lot, lot.quantity + quantity, $localize`Back from the floor, job ${drawer.number}`);
}

/** Makes what is drawn of a key for a use so much. */
async function setDrawn(drawer: Drawer, row: DrawnRow, wanted: number): Promise<void> {
  const { queries, account, job } = drawer;
  const { of, key, quantity, of_reserved: ofReserved } = row;
  const more = wanted - quantity;
  if (Math.abs(more) <= NOTHING) return;
  await lockKind(queries, 'reservation');
  if (more < 0) await putBack(drawer, key, -more);
  const drawn = more < 0 ? wanted : quantity + (await takeOut(drawer, key, more));
  // Drawn is drawn: what the job had reserved of it is reserved no longer, and again where it comes back.
  const meant = (await reservedOf(queries, job, key)) + ofReserved;
  const own = Math.min(drawn, meant);
  await setReservation(queries, account, { job, key, quantity: meant - own });
  await queries.one('stores/put-drawn', job, of, key, drawn, own);
}

/** Draws for one use: what was drawn under an earlier plan stays drawn of that paper, and only what is beyond it is of this one. */
async function drawFor(drawer: Drawer, { of, key, quantity }: Drawn, before: readonly DrawnRow[]): Promise<void> {
  const own = before.find((row) => row.key === key) ?? { of, key, quantity: 0, of_reserved: 0 };
  const others = before.filter((row) => row.key !== key);
  let past = others.reduce((sum, row) => sum + row.quantity, 0);
  await setDrawn(drawer, own, Math.max(0, quantity - past));
  for (const row of others) {
    const back = Math.min(row.quantity, Math.max(0, past - quantity));
    await setDrawn(drawer, row, row.quantity - back);
    past -= back;
  }
}

/**
 * Makes the store hold what it holds after a job has drawn so much for each use: the difference to what it had drawn before goes out of
 * the oldest lots, or back. The store cannot give more than it says that it has; what is short goes out with the job's next entry
 * once it is there.
 */
export async function drawStock(
  queries: Queries,
  account: Pick<Account, 'id'>,
  { id, number }: { readonly id: number; readonly number: string },
  drawn: readonly Drawn[],
): Promise<void> {
  const rows = await queries.many<DrawnRow>('stores/drawn-of-job', id);
  const drawer = { queries, account, job: id, number };
  for (const one of [...drawn].sort((a, b) => a.of.localeCompare(b.of)))
    await drawFor(
      drawer,
      one,
      rows.filter(({ of }) => of === one.of),
    );
}
