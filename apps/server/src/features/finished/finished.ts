import type { Account, Finished } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import type { Assessment } from '../../work/tasks.js';
import { PLAN_MS, assessmentOf } from '../assessments/assessments.js';
import { lockKind, markOf, noteChange, refuseUnseen } from '../changes/changes.js';
import { readRevision } from '../jobs/revisions.js';
import type { Bench } from '../jobs/bench.js';

interface LotRow {
  id: number;
  version: number;
  job: number;
  number: string;
  title: string;
  customer: string;
  pieces: number;
  place: string;
  piece_g: number;
  per_pallet: number | null;
  received_by: string;
  received_at: Date;
}

interface CallOffRow {
  id: number;
  lot: number;
  number: string;
  title: string;
  pieces: number;
  destination: string;
  transit_days: number;
  due: string | null;
  piece_g: number;
  per_pallet: number | null;
  called_by: string;
  called_at: Date;
}

async function readFinished(queries: Queries): Promise<Finished> {
  const lots = await queries.many<LotRow & Record<string, unknown>>('finished/lots');
  const callOffs = await queries.many<CallOffRow & Record<string, unknown>>('finished/call-offs');
  return {
    mark: await markOf(queries, 'destination'),
    lots: lots.map(({ piece_g, per_pallet, received_by, received_at, ...lot }) => ({
      ...lot,
      pieceG: piece_g,
      perPallet: per_pallet,
      receivedBy: received_by,
      receivedAt: received_at.toISOString(),
    })),
    callOffs: callOffs.map(({ piece_g, per_pallet, transit_days, called_by, called_at, ...callOff }) => ({
      ...callOff,
      transitDays: transit_days,
      pieceG: piece_g,
      perPallet: per_pallet,
      calledBy: called_by,
      calledAt: called_at.toISOString(),
    })),
    destinations: await queries.many<{ name: string; days: number }>('finished/destinations'),
  };
}

export interface Received {
  readonly job: number;
  readonly pieces: number;
  readonly place: string;
  /** It is known that this is more than the plan can give. */
  readonly meant?: boolean | undefined;
}

/** Asks back where more comes in than a job can give; one lot of a job at a time, so that two together are asked too. */
async function askBack(queries: Queries, { job, pieces }: Received, most: number): Promise<void> {
  await queries.one('room/lock-job', job);
  const received = (await queries.one<{ pieces: number }>('finished/received', job))?.pieces ?? 0;
  if (received + pieces > most)
    throw invalid([
      {
        path: 'meant',
        message: $localize`The plan of this job gives ${most} pieces at most, and ${received} came in before. Count again; if it is meant, say so.`,
      },
    ]);
}

/**
 * Takes pieces of a job into the stock; mass and pallet are what its newest revision plans. More than the job can give is
 * asked back. Issues: 409 where it cannot be planned, 422 where it is more and not meant.
 */
export async function addFinished(
  { database, workshop }: Bench,
  account: Pick<Account, 'id'>,
  received: Received,
): Promise<Finished> {
  const { job: id, pieces, place, meant = false } = received;
  const { packed, problems } = await assessmentOf(database, workshop, id);
  if (!packed)
    throw new ProblemError(409, $localize`This job cannot be planned as it stands`, { detail: problems.join(' ') });
  const { job, works } = await readRevision(database, id);
  const most = meant ? undefined : await workshop.run('mostFinished', { job, works }, { runMs: PLAN_MS });
  return database.transaction(async (queries) => {
    if (most !== undefined) await askBack(queries, received, most);
    const { pieceG, perPallet } = packed;
    await queries.one(
      'finished/add',
      id,
      job.title,
      job.customer,
      pieces,
      place,
      pieceG,
      perPallet ?? null,
      account.id,
      false,
    );
    return readFinished(queries);
  });
}

interface LotOfJob extends Record<string, unknown> {
  readonly id: number;
  readonly pieces: number;
  readonly by_book: boolean;
  readonly called: number;
}

/** Where lies what nobody has put away yet. */
const ON_THE_FLOOR = 'on the floor, packed';

/**
 * Makes the stock hold what the last stations of a job have counted, beside what somebody took in by hand. What was called off is
 * gone: it cannot be taken back.
 */
export async function followCount(
  queries: Queries,
  account: Pick<Account, 'id'>,
  { id, title, customer }: { readonly id: number; readonly title: string; readonly customer: string },
  { pieceG, perPallet }: NonNullable<Assessment['packed']>,
  good: number,
): Promise<void> {
  const lots = await queries.many<LotOfJob>('finished/of-job', id);
  const came = lots.reduce((sum, { pieces, called }) => sum + pieces + called, 0);
  const own = lots.filter(({ by_book }) => by_book);
  const last = own.at(-1);
  const more = good - came;
  if (more > 0 && last) await queries.one('finished/take', last.id, -more);
  else if (more > 0)
    await queries.one(
      'finished/add',
      ...[id, title, customer, more, ON_THE_FLOOR, pieceG, perPallet ?? null, account.id, true],
    );
  let less = -more;
  for (const { id: lot, pieces } of own.reverse()) {
    const gone = Math.min(pieces, less);
    if (gone > 0) await queries.one('finished/take', lot, gone);
    less -= Math.max(0, gone);
  }
}

export interface CalledOff {
  readonly pieces: number;
  readonly expected: number;
  /** Version of the lot that the caller saw. */
  readonly version: number;
  /** Mark of the destinations that the caller saw. */
  readonly seen: number;
  readonly destination: string;
  readonly transitDays: number;
  readonly due?: string | undefined;
}

/** Keeps the days to a destination where they are others than before. */
async function keepDays(
  queries: Queries,
  account: Pick<Account, 'id'>,
  { destination, transitDays, seen }: Pick<CalledOff, 'destination' | 'transitDays' | 'seen'>,
): Promise<void> {
  await lockKind(queries, 'destination');
  const subject = { kind: 'destination', subject: destination } as const;
  const before = (await queries.one<{ days: number }>('finished/destination', destination))?.days ?? null;
  if (before === transitDays) return;
  await refuseUnseen(
    queries,
    subject,
    seen,
    (now) => $localize`The road to ${destination} takes ${now ?? 0} days now, you said ${transitDays}.`,
  );
  await queries.one('finished/put-destination', destination, transitDays);
  await noteChange(queries, subject, { before, after: transitDays }, account);
}

/** Sends pieces of a lot out, no more than it holds. */
export const callOff = (
  database: Database,
  account: Pick<Account, 'id'>,
  lot: number,
  { pieces, expected, version, seen, destination, transitDays, due }: CalledOff,
): Promise<Finished> =>
  database.transaction(async (queries) => {
    const before = await queries.one<{ pieces: number; version: number }>('finished/lock', lot);
    if (!before) throw notFound($localize`This lot`);
    if (before.pieces !== expected || version !== before.version)
      throw new ProblemError(409, $localize`Somebody else has changed this lot`, {
        detail: $localize`It holds ${before.pieces} now, you saw ${expected}.`,
      });
    if (pieces > before.pieces)
      throw invalid([
        {
          path: 'pieces',
          message: $localize`The lot holds ${before.pieces}. Call off fewer, or take from another lot too.`,
        },
      ]);
    await keepDays(queries, account, { destination, transitDays, seen });
    await queries.one('finished/take', lot, pieces);
    await queries.one('finished/add-call-off', lot, pieces, destination, transitDays, due ?? null, account.id);
    return readFinished(queries);
  });

export const finishedHandlers = (bench: Bench): Pick<Handlers, 'finished' | 'addFinished' | 'callOff'> => ({
  finished: () => readFinished(bench.database),
  addFinished: ({ body, account }) => addFinished(bench, account, body),
  callOff: ({ params, body, account }) => callOff(bench.database, account, params.id, body),
});
