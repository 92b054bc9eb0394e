import { createHash } from 'node:crypto';
import {
  type Completion,
  type FloorHours,
  type FloorJob,
  type FloorNews,
  type FloorPaper,
  type FloorProblem,
  type FloorStep,
  type FloorStock,
  type RoomRecord,
  type RoomState,
  MINUTE_MS,
  USUAL_HOURS,
  dayAfter,
  holdsOf,
  isFinished,
  paperDays,
  progressOf,
  roomState,
} from '@druckerei/core';
import { type Floor, type KeptPin, type Schedule, dayIn } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { unnoted } from '../../db/noted.js';
import { ProblemError } from '../../http/problem.js';
import type { Bench } from '../jobs/bench.js';
import { keptPlan, readRevision } from '../jobs/revisions.js';
import { basisOf } from '../assessments/assessments.js';
import { readOnOrder } from '../stores/stores.js';
import { currentWorks } from '../works/works.js';
import { openRun } from './open-run.js';

/** Raised when stations are reckoned otherwise, so that those kept are reckoned again. */
const ENGINE = 3;
/** Days that a job may be overdue and still be on the floor, where nobody has counted it out. */
const DAYS_OVERDUE = 60;
/** Milliseconds of one look in which stations are reckoned that nobody has reckoned yet. */
const LOOK_MS = 3_000;

interface JobRow {
  readonly id: number;
  readonly revision: number;
  readonly number: string;
  readonly title: string;
  readonly customer: string;
  readonly due: string | null;
  readonly weight: number;
  readonly steps: FloorStep[] | null;
  readonly finish: Completion | null;
  readonly records: RoomRecord[];
}

/** All that schedules are made of, as it stands. */
export interface FloorNow {
  readonly problem: FloorProblem;
  readonly hoursVersion: number;
  readonly pins: readonly KeptPin[];
  readonly paper: FloorPaper;
  /** What a schedule that is made now builds on. */
  readonly basis: string;
  readonly leftOut: number;
  readonly unplanned: Floor['unplanned'];
  /** Jobs whose stations are not reckoned yet: the next look goes on with them. */
  readonly waiting: number;
}

/** Stations of a released revision, reckoned once. */
async function stepsOf({ database, workshop }: Bench, id: number, revision: number): Promise<FloorStep[]> {
  const released = await readRevision(database, id, revision);
  const steps = await workshop.run('floorSteps', { revision: released, kept: await keptPlan(database, id, revision) });
  await unnoted(() => database.one('floor/put-steps', id, revision, ENGINE, JSON.stringify(steps)));
  return steps;
}

/** What is done, and what has begun and is not. */
function newsOf(
  finish: JobRow['finish'],
  room: RoomState,
): Pick<FloorJob, 'done' | 'begun'> & { readonly finished: boolean } {
  const news = ([step, { at }]: readonly [string, RoomRecord]): FloorNews => ({ step, at: Date.parse(at) });
  const { done, begun } = progressOf(room);
  const good = new Map([...room.counts].map(([step, counted]) => [step, counted.good]));
  return {
    done: [...done].map(news),
    begun: [...begun].map(news),
    finished: finish !== null && isFinished(finish, good),
  };
}

export const readHours = async (queries: Queries): Promise<{ hours: FloorHours; version: number }> => {
  const row = await queries.one<{ body: FloorHours; version: number }>('floor/hours');
  return row ? { hours: row.body, version: row.version } : { hours: USUAL_HOURS, version: 0 };
};

/** Released jobs, hours, pins and works of now. */
export async function readFloor(bench: Bench): Promise<FloorNow> {
  const now = Date.now();
  const { database } = bench;
  const works = await currentWorks(database);
  const since = dayAfter(dayIn(new Date(now), works.timeZone), -DAYS_OVERDUE);
  const rows = await database.many<JobRow & Record<string, unknown>>('floor/jobs', ENGINE, since);
  const [{ jobs: leftOut } = { jobs: 0 }] = await database.many<{ jobs: number }>('floor/left-out', since);
  const { hours, version: hoursVersion } = await readHours(database);
  const kept = await database.many<Record<string, unknown> & KeptPin>('floor/pins');
  const pins = kept.map(({ job, step, machine, start, reason, by, at }): KeptPin => ({
    job,
    step,
    ...(machine ? { machine } : {}),
    ...(start ? { start } : {}),
    ...(reason ? { reason } : {}),
    by,
    at,
  }));
  const read: (FloorJob & { readonly room: RoomState })[] = [];
  const revised = new Map(rows.map(({ id, revision }) => [id, revision]));
  const until = performance.now() + LOOK_MS;
  let waiting = 0;
  const unplanned: { number: string; why: string }[] = [];
  for (const row of rows) {
    const room = roomState(row.records);
    const { finished, ...progress } = newsOf(row.finish, room);
    if (finished) continue;
    const { id, number, title, customer, due, weight } = row;
    if (row.steps === null && performance.now() > until) {
      waiting++;
      continue;
    }
    try {
      const steps = row.steps ?? (await stepsOf(bench, id, row.revision));
      read.push({ id, number, title, customer, due: due ?? undefined, weight, steps, room, ...progress });
    } catch (error) {
      if (!(error instanceof ProblemError) || error.status !== 422) throw error;
      unplanned.push({ number, why: error.title });
    }
  }
  const paper: FloorPaper = {
    stock: await database.many<FloorStock & Record<string, unknown>>('floor/free-paper'),
    coming: await readOnOrder(database),
  };
  const day = paperDays(paper, read);
  const jobs = read.map(({ room, ...job }): FloorJob => ({
    ...job,
    holds: holdsOf(job.steps, room, (key) => day(job.id, key)),
  }));
  const problem: FloorProblem = { works, hours, jobs, pins, origin: Math.floor(now / MINUTE_MS) * MINUTE_MS };
  return { problem, hoursVersion, pins, paper, basis: basisOfFloor(problem, revised), leftOut, unplanned, waiting };
}

/** Which revision of a job is on the floor. */
type Revised = ReadonlyMap<number, number>;

function basisOfFloor({ works, hours, jobs, pins }: FloorProblem, revised: Revised): string {
  // By revision, not by its stations: the database gives their fields back in another order.
  const told = jobs.map(({ id, weight, done, begun, holds = [] }) => [
    id,
    revised.get(id),
    weight,
    done.map(({ step, at }) => [step, at]),
    begun.map(({ step, at }) => [step, at]),
    holds.map(({ step, what, of, day }) => [step, what, of, day]),
  ]);
  const fixed = pins.map(({ job, step, machine, start }) => [job, step, machine, start]);
  return createHash('sha256')
    .update(JSON.stringify([ENGINE, basisOf(works), works.timeZone, shiftsOf(hours), fixed, told]))
    .digest('base64url');
}

/** Hours as a list whose order nothing changes. */
const shiftsOf = ({ press, finishing, machines, exceptions, crews = [] }: FloorHours): unknown => {
  const told = (shifts: FloorHours['press']): unknown => shifts.map(({ days, from, until }) => [days, from, until]);
  return [
    told(press),
    told(finishing),
    Object.entries(machines).map(([id, shifts]) => [id, told(shifts)]),
    exceptions.map(({ machine, crew, places, from, until, opens }) => [machine, crew, places, from, until, opens]),
    crews.map(({ name, places, machines: of, shifts }) => [name, places, of, told(shifts)]),
  ];
};

type ScheduleRow = Omit<Schedule, 'stale'> & { readonly basis: string };

/** The schedule of a state. */
export async function readSchedule(
  queries: Queries,
  state: Schedule['state'],
  basis: string,
): Promise<Schedule | null> {
  const row = await queries.one<ScheduleRow & Record<string, unknown>>('floor/schedule', state);
  return row
    ? { id: row.id, state: row.state, by: row.by, at: row.at, stale: row.basis !== basis, plan: row.plan }
    : null;
}

/** Stations as far as their names go, and the machines that can do them. */
export const namedSteps = (steps: readonly FloorStep[]): Floor['jobs'][number]['steps'] =>
  steps.map(({ id, name, component, ways }) => ({ id, name, component, machines: ways.map(({ machine }) => machine) }));

/** The floor as it is answered. */
export async function floorAnswer(
  queries: Queries,
  { problem, hoursVersion, pins, basis, leftOut, unplanned, waiting }: FloorNow,
): Promise<Floor> {
  return {
    hours: problem.hours as Floor['hours'],
    hoursVersion,
    jobs: problem.jobs.map(({ id, number, title, customer, due, weight, steps }) => ({
      id,
      number,
      title,
      customer,
      due: due ?? null,
      weight,
      steps: namedSteps(steps),
    })),
    pins: [...pins],
    inForce: await readSchedule(queries, 'in force', basis),
    trial: await readSchedule(queries, 'trial', basis),
    run: await openRun(queries),
    leftOut,
    unplanned,
    waiting,
  };
}
