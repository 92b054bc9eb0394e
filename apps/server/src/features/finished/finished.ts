import type { Account, Finished } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { assessmentOf } from '../assessments/assessments.js';
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

/** Takes pieces of a job into the stock; mass and pallet are what its newest revision plans. */
export async function addFinished(
  { database, workshop }: Bench,
  account: Pick<Account, 'id'>,
  { job: id, pieces, place }: { job: number; pieces: number; place: string },
): Promise<Finished> {
  const { packed, problems } = await assessmentOf(database, workshop, id);
  if (!packed) throw new ProblemError(409, 'This job cannot be planned as it stands', { detail: problems.join(' ') });
  return database.transaction(async (queries) => {
    const { title, customer } = (await readRevision(queries, id)).job;
    const { pieceG, perPallet } = packed;
    await queries.one('finished/add', id, title, customer, pieces, place, pieceG, perPallet ?? null, account.id);
    return readFinished(queries);
  });
}

export interface CalledOff {
  readonly pieces: number;
  readonly expected: number;
  /** Version of the lot that the caller saw. */
  readonly version?: number | undefined;
  readonly destination: string;
  readonly transitDays: number;
  readonly due?: string | undefined;
}

/** Sends pieces of a lot out, no more than it holds. */
export const callOff = (
  database: Database,
  account: Pick<Account, 'id'>,
  lot: number,
  { pieces, expected, version, destination, transitDays, due }: CalledOff,
): Promise<Finished> =>
  database.transaction(async (queries) => {
    const before = await queries.one<{ pieces: number; version: number }>('finished/lock', lot);
    if (!before) throw notFound('This lot');
    if (before.pieces !== expected || (version ?? before.version) !== before.version)
      throw new ProblemError(409, 'Somebody else has changed this lot', {
        detail: `It holds ${before.pieces} now, you saw ${expected}.`,
      });
    if (pieces > before.pieces)
      throw invalid([
        { path: 'pieces', message: `The lot holds ${before.pieces}. Call off fewer, or take from another lot too.` },
      ]);
    await queries.one('finished/put-destination', destination, transitDays);
    await queries.one('finished/take', lot, pieces);
    await queries.one('finished/add-call-off', lot, pieces, destination, transitDays, due ?? null, account.id);
    return readFinished(queries);
  });

export const finishedHandlers = (bench: Bench): Pick<Handlers, 'finished' | 'addFinished' | 'callOff'> => ({
  finished: () => readFinished(bench.database),
  addFinished: ({ body, account }) => addFinished(bench, account, body),
  callOff: ({ params, body, account }) => callOff(bench.database, account, params.id, body),
});
