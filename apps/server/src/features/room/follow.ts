import { type RoomEvent, type RoomState, drawnOf, goodOf, isFinished } from '@druckerei/core';
import type { Account } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import type { Assessment } from '../../work/tasks.js';
import { followCount } from '../finished/finished.js';
import { tellHooks } from '../hooks/tell-hooks.js';
import { drawStock } from '../stores/draw.js';
import { letAllGo } from '../stores/reservations.js';

/** Kinds of entries that say something about all before them. */
const REVISING: readonly RoomEvent['kind'][] = ['settled', 'strike', 'take-back'];
/** Kinds by which a job may come to be done, and by which the store gives out or gets back. */
const COUNTING: readonly RoomEvent['kind'][] = ['count', 'good', 'step-closed', ...REVISING];
const DRAWING: readonly RoomEvent['kind'][] = ['taken-in', 'left-over', 'ink', ...REVISING];

/** Good pieces that the stations have counted. */
export const goodOfSteps = ({ counts }: RoomState): ReadonlyMap<string, number> =>
  new Map([...counts].map(([step, { good }]) => [step, good]));

/** Tells other programs what stations have counted, and that the job is done by it. */
async function tellCounts(
  queries: Queries,
  job: LockedJob,
  { card, finish }: Assessment,
  before: ReadonlyMap<string, number>,
  now: ReadonlyMap<string, number>,
): Promise<void> {
  const names = new Map(card?.steps.map(({ id, name }) => [id, name]));
  // A count that is taken back leaves its station with none.
  for (const step of new Set([...before.keys(), ...now.keys()]))
    if (now.get(step) !== before.get(step)) {
      const station = { id: step, name: names.get(step) ?? step };
      await tellHooks(queries, 'job.counted', job, { station, good: now.get(step) ?? 0 });
    }
  if (isFinished(finish, now) && !isFinished(finish, before))
    await tellHooks(queries, 'job.done', job, { good: goodOf(finish, now) ?? 0 });
}

/**
 * What follows from entries, in the same transaction: what was taken in leaves the stock; of a job that is done, what is packed lies
 * in the stock, and it needs no more paper; other programs are told. @param before good pieces of its stations before them
 * @param state of the job after them
 */
export async function follow(
  queries: Queries,
  account: Pick<Account, 'id'>,
  job: LockedJob,
  assessment: Assessment,
  before: ReadonlyMap<string, number>,
  state: RoomState,
  events: readonly RoomEvent[],
): Promise<void> {
  const { card, finish, packed } = assessment;
  const has = (kinds: readonly RoomEvent['kind'][]): boolean => events.some(({ kind }) => kinds.includes(kind));
  const follows = card !== undefined && job.storesFollow;
  if (follows && has(DRAWING)) await drawStock(queries, account, job, drawnOf(card, state));
  if (!has(COUNTING)) return;
  const good = goodOfSteps(state);
  const finished = isFinished(finish, good);
  if (finished) await letAllGo(queries, account, job.id);
  if (follows && packed && (finished || has(REVISING)))
    await followCount(queries, account, job, packed, finished ? (goodOf(finish, good) ?? 0) : 0);
  await tellCounts(queries, job, assessment, before, good);
}

export interface LockedJob {
  readonly id: number;
  readonly number: string;
  readonly title: string;
  readonly customer: string;
  readonly aside: boolean;
  readonly storesFollow: boolean;
}
