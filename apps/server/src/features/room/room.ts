import { type Carrier, type Job, type RoomEvent, type RoomRecord, type Works, subjectOf } from '@druckerei/core';
import type { Account, KeptCarrier, PressRoom } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { type Handlers } from '../../http/register.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import type { CarrierNote, RoomAnswer } from '../../work/tasks.js';
import { assessmentOf } from '../assessments/assessments.js';
import { readRevision } from '../jobs/revisions.js';
import type { Bench } from '../jobs/bench.js';
import { letAllGo } from '../stores/stores.js';

interface RecordRow {
  id: number;
  event: RoomEvent;
  entered_at: Date;
  entered_by: string;
}

/** What a carrier's record remembers of it for the store. */
type StoredNote = Pick<Carrier, 'id' | 'name' | 'kind' | 'owner' | 'life'> & { ink: string | null; used: number };

interface KeptRow {
  key: string;
  job_id: number;
  job: string;
  title: string;
  carrier: StoredNote;
  place: string | null;
  entered_at: Date;
}

/** Carriers that the store keeps now: under keys, of jobs of a customer by any of their names, or all of them. */
export async function keptCarriers(
  queries: Queries,
  {
    keys = null,
    customers = null,
  }: { readonly keys?: readonly string[] | null; readonly customers?: readonly string[] | null } = {},
): Promise<KeptCarrier[]> {
  const rows = await queries.many<KeptRow>('room/kept', keys, customers);
  return rows.map(({ job_id, entered_at, carrier, ...row }) => {
    const { id, ...note } = carrier;
    return { ...row, ...note, carrier: id, jobId: job_id, since: entered_at.toISOString() };
  });
}

const recordOf = ({ id, event, entered_at, entered_by }: RecordRow): RoomRecord => ({
  id,
  event,
  at: entered_at.toISOString(),
  by: entered_by,
});

/** What happened to a job in the press room, oldest first. */
export const readRecords = async (queries: Queries, job: number): Promise<RoomRecord[]> =>
  (await queries.many<RecordRow>('room/records', job)).map(recordOf);

async function answer(queries: Queries, id: number, keys: readonly string[]): Promise<PressRoom> {
  const records = await readRecords(queries, id);
  const kept = keys.length > 0 ? await keptCarriers(queries, { keys }) : [];
  return { records: records as PressRoom['records'], kept };
}

/** A carrier taken out of the store: what it has run is what the store says. One at a time takes it, of whatever job. */
async function fromStore(queries: Queries, event: RoomEvent, carrier: RoomAnswer['carrier']): Promise<RoomEvent> {
  if (event.kind !== 'carrier' || !event.from || !carrier) return event;
  const { job } = event.from;
  await queries.one('room/lock-carrier', carrier.key);
  const kept = (await keptCarriers(queries, { keys: [carrier.key] })).find((one) => one.job === job);
  if (!kept) {
    const holder = await queries.one<{ number: string; entered_by: string }>('room/holder', carrier.key);
    throw new ProblemError(409, `The store has no such carrier of job ${job} any more`, {
      detail: holder ? `Job ${holder.number} has it, by ${holder.entered_by}.` : 'Nobody has ever put it away.',
    });
  }
  return { ...event, from: { job, used: kept.used }, place: event.place ?? kept.place ?? undefined };
}

/** What the store knows of a carrier after a record: its impressions with those of this job, once it is through with it. */
function noteAfter({ ran, used, ...note }: CarrierNote, event: RoomEvent): Omit<CarrierNote, 'ran'> {
  const before = event.kind === 'carrier' && event.from ? event.from.used : used;
  return { ...note, used: before + ran };
}

/** Refuses to write over what somebody else recorded of the same thing since. */
function refuseOver(records: readonly RoomRecord[], event: RoomEvent, seen: number): void {
  const about = subjectOf(event, records);
  const later =
    about === undefined ? undefined : records.findLast((record) => subjectOf(record.event, records) === about);
  if (!later || later.id <= seen) return;
  const counted = later.event.kind === 'count' ? `${later.event.good} good are counted now.` : undefined;
  throw new ProblemError(409, `${later.by} has recorded this meanwhile`, {
    detail: counted ?? 'Look at what stands, and enter yours again if it still holds.',
  });
}

/**
 * Records an event where the gates let it through; one at a time for a job. @param seen last record that its author saw;
 * all of them where absent.
 */
export const enterEvent = (
  { database, workshop }: Bench,
  account: Account,
  id: number,
  event: RoomEvent,
  seen?: number,
): Promise<PressRoom> =>
  database.transaction(async (queries) => {
    if (!(await queries.one('room/lock-job', id))) throw notFound('This job');
    const revision = await readRevision(queries, id);
    const records = await readRecords(queries, id);
    if (seen !== undefined) refuseOver(records, event, seen);
    const { job, works } = { job: revision.job as Job, works: revision.works as Works };
    const asked = await workshop.run('askRoom', { job, works, records, event });
    if (asked.problems.length > 0)
      throw new ProblemError(409, 'This job cannot be planned as it stands', { detail: asked.problems.join(' ') });
    if (asked.refused.length > 0) throw invalid(asked.refused);
    const { carrier } = asked;
    const entered = await fromStore(queries, event, carrier);
    const note = carrier ? noteAfter(carrier.note, entered) : null;
    await queries.one('room/add', id, entered, carrier?.key ?? null, note, account.id);
    // What is delivered needs no more paper.
    if (asked.finished) await letAllGo(queries, account, id);
    return answer(queries, id, asked.keys);
  });

export const roomHandlers = (bench: Bench): Pick<Handlers, 'room' | 'enterEvent' | 'keptCarriers'> => ({
  room: async ({ params }) =>
    answer(bench.database, params.id, (await assessmentOf(bench.database, bench.workshop, params.id)).carriers),
  enterEvent: ({ account, params, body }) => enterEvent(bench, account, params.id, body.event, body.seen),
  keptCarriers: () => keptCarriers(bench.database),
});
