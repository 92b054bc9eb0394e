import {
  type Carrier,
  type CarrierLife,
  type Job,
  type Plan,
  type RoomEvent,
  type RoomRecord,
  type Works,
  NEW_CARRIER,
  isFinished,
  listCarriers,
  plan,
  refuse,
  roomState,
} from '@druckerei/core';
import { type Account, type KeptCarrier, type PressRoom, issueText } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { type Handlers } from '../../http/register.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import { readRevision } from '../jobs/revisions.js';

interface RecordRow {
  id: number;
  event: RoomEvent;
  entered_at: Date;
  entered_by: string;
}

/** What a carrier's record remembers of it for the store. */
interface CarrierNote {
  id: string;
  name: string;
  kind: Carrier['kind'];
  ink: string | null;
  owner: Carrier['owner'];
  used: number;
  life: number;
}

interface KeptRow {
  key: string;
  job_id: number;
  job: string;
  title: string;
  carrier: CarrierNote;
  place: string | null;
  entered_at: Date;
}

async function keptCarriers(queries: Queries, keys: readonly string[] | null): Promise<KeptCarrier[]> {
  const rows = await queries.many<KeptRow>('room/kept', keys);
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

interface Planned {
  readonly job: Job;
  readonly works: Works;
  readonly plan: Plan;
  readonly carriers: readonly Carrier[];
}

/** A job as its newest revision plans it; undefined while it cannot be planned. */
async function plannedJob(queries: Queries, id: number): Promise<{ planned?: Planned; issues: readonly string[] }> {
  const revision = await readRevision(queries, id);
  const { job, works } = { job: revision.job as Job, works: revision.works as Works };
  const outcome = plan(job, works);
  if (!outcome.ok) return { issues: outcome.issues.map(issueText) };
  return { planned: { job, works, plan: outcome.plan, carriers: listCarriers(job, outcome.plan, works) }, issues: [] };
}

async function answer(queries: Queries, id: number, carriers: readonly Carrier[]): Promise<PressRoom> {
  const rows = await queries.many<RecordRow>('room/records', id);
  const keys = [...new Set(carriers.map(({ key }) => key))];
  const kept = keys.length > 0 ? await keptCarriers(queries, keys) : [];
  return { records: rows.map(recordOf) as PressRoom['records'], kept };
}

/** A carrier's impressions once this job is through with it. */
function noteOf(carrier: Carrier, life: CarrierLife, state: string): CarrierNote {
  const { id, name, kind, ink, owner } = carrier;
  const ran = state === 'kept' && life.state !== 'made' && life.state !== 'inspected' ? carrier.impressions : 0;
  return { id, name, kind, ink: ink ?? null, owner, used: life.used + ran, life: carrier.life };
}

/** A carrier taken out of the store: what it has run is what the store says. */
async function fromStore(queries: Queries, event: RoomEvent, carrier: Carrier | undefined): Promise<RoomEvent> {
  if (event.kind !== 'carrier' || !event.from || !carrier) return event;
  const { job } = event.from;
  const kept = (await keptCarriers(queries, [carrier.key])).find((one) => one.job === job);
  if (!kept) throw new ProblemError(409, `The store has no such carrier of job ${job} any more`);
  return { ...event, from: { job, used: kept.used }, place: event.place ?? kept.place ?? undefined };
}

/** Records an event where the gates let it through; one at a time for a job. */
export const enterEvent = (database: Database, account: Account, id: number, event: RoomEvent): Promise<PressRoom> =>
  database.transaction(async (queries) => {
    if (!(await queries.one('room/lock-job', id))) throw notFound('This job');
    const { planned, issues } = await plannedJob(queries, id);
    if (!planned) throw new ProblemError(409, 'This job cannot be planned as it stands', { detail: issues.join(' ') });
    const records = (await queries.many<RecordRow>('room/records', id)).map(recordOf);
    const state = roomState(records);
    const refused = refuse({ ...planned, state }, event);
    if (refused.length > 0)
      throw invalid(refused.map((issue) => ({ path: `event.${issue.path}`, message: issueText(issue) })));
    const carrier = event.kind === 'carrier' ? planned.carriers.find((one) => one.id === event.carrier) : undefined;
    const entered = await fromStore(queries, event, carrier);
    const note =
      carrier && entered.kind === 'carrier'
        ? noteOf(
            carrier,
            {
              ...(state.carriers.get(carrier.id) ?? NEW_CARRIER),
              ...(entered.from ? { used: entered.from.used } : {}),
            },
            entered.state,
          )
        : null;
    await queries.one('room/add', id, entered, carrier?.key ?? null, note, account.id);
    if (entered.kind === 'count') {
      const counts = Object.fromEntries([...state.counts].map(([step, counted]) => [step, counted.event.good]));
      // What is delivered needs no more paper.
      if (isFinished(planned.job, { ...counts, [entered.step]: entered.good }))
        await queries.one('stores/let-go-all', id);
    }
    return answer(queries, id, planned.carriers);
  });

export const roomHandlers = (database: Database): Pick<Handlers, 'room' | 'enterEvent' | 'keptCarriers'> => ({
  room: async ({ params }) =>
    answer(database, params.id, (await plannedJob(database, params.id)).planned?.carriers ?? []),
  enterEvent: ({ account, params, body }) => enterEvent(database, account, params.id, body.event),
  keptCarriers: () => keptCarriers(database, null),
});
