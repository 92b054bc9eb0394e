import { type FloorHours, FloorMoves, type FloorPlan, checkHours, numberText, wordOf } from '@druckerei/core';
import {
  type Account,
  type Floor,
  FloorNames,
  type FloorPromise,
  type PinChange,
  type Revision,
  type Saying,
  causeText,
  issueText,
} from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { ShortMemory } from '../../http/short-memory.js';
import { lockKind } from '../changes/changes.js';
import { refuseOlder } from '../changes/refuse-older.js';
import { tellHooks } from '../hooks/tell-hooks.js';
import type { Bench } from '../jobs/bench.js';
import { keptPlan, readRevision } from '../jobs/revisions.js';
import type { Kept, Moving } from '../../work/floor-tasks.js';
import { readEntries } from '../room/entries.js';
import { currentWorks } from '../works/works.js';
import { askForPlan, finish, keepTrial } from './runs.js';
import { type FloorNow, floorAnswer, namedSteps, readFloor, readHours, readSchedule } from './read-floor.js';

async function setHours(
  database: Database,
  account: Pick<Account, 'id'>,
  { hours, version }: { hours: FloorHours; version: number },
): Promise<void> {
  const issues = checkHours(hours, (await currentWorks(database)).machines);
  if (issues.length > 0)
    throw invalid(issues.map((issue) => ({ path: `hours.${issue.path}`, message: issueText(issue) })));
  await database.transaction(async (queries) => {
    await lockKind(queries, 'floor');
    refuseOlder('calendar', (await readHours(queries)).version, version);
    await queries.one('floor/put-hours', JSON.stringify(hours), account.id);
  });
}

/** Refuses a pin to what is not there: a job that is not on the floor, a station it has not, a machine that cannot do it. */
function refusePin({ problem: { jobs } }: FloorNow, { job: id, step: stepId, machine }: PinChange): void {
  const job = jobs.find((one) => one.id === id);
  if (!job)
    throw invalid([
      { path: 'job', message: $localize`This job is not on the floor: release it first, or it is finished.` },
    ]);
  const step = job.steps.find((one) => one.id === stepId);
  if (!step) throw invalid([{ path: 'step', message: $localize`${job.number} has no station ${stepId}.` }]);
  if (machine !== undefined && !step.ways.some((way) => way.machine === machine))
    throw invalid([
      {
        path: 'machine',
        message: $localize`${step.name} of ${job.number} cannot be done on ${machine}. Choose one of its machines.`,
      },
    ]);
}

/** A schedule that is looked at, with all that it is made of. Issues: 409 where a newer one stands. */
async function standingOf(
  database: Database,
  { problem, basis }: FloorNow,
  schedule: number,
): Promise<Pick<Moving, 'problem' | 'standing'>> {
  const both = [await readSchedule(database, 'trial', basis), await readSchedule(database, 'in force', basis)];
  const standing = both.find((one) => one?.id === schedule)?.plan;
  if (!standing)
    throw new ProblemError(409, $localize`This schedule is not looked at any more`, {
      detail: $localize`A newer one stands. Load the page anew.`,
    });
  return { problem, standing };
}

/** Milliseconds after a move before what would help is tried. */
const QUIET_MS = 2_000;
/** Milliseconds that a schedule stays laid out for whoever drags a station over it, and most of them. */
const LAID_MS = 5_000;
const MOST_LAID = 4;

const cannotBeThere = (): ProblemError =>
  new ProblemError(422, $localize`This station cannot be there`, {
    detail: $localize`It has begun, it waits for what it would go ahead of, or that machine cannot do it.`,
  });

/** Tells other programs of jobs that are late by the schedule that stands now, and were not before. */
async function tellLate(
  queries: Queries,
  { jobs }: FloorNow['problem'],
  before: FloorPlan | undefined,
  now: FloorPlan | undefined,
): Promise<void> {
  const known = new Set(before?.late.map(({ job }) => job));
  for (const { job: id, minutes } of now?.late ?? []) {
    const job = known.has(id) ? undefined : jobs.find((one) => one.id === id);
    if (job) await tellHooks(queries, 'job.late', job, { due: job.due ?? null, minutesLate: Math.round(minutes) });
  }
}

/** Takes a trial in force. Issues: 404, 409 where it is no trial, or what it builds on has changed. */
export async function takeNow(bench: Bench, id: number): Promise<void> {
  const { basis, problem } = await readFloor(bench);
  await bench.database.transaction(async (queries) => {
    await lockKind(queries, 'floor');
    const row = await queries.one<{ state: string; basis: string }>('floor/lock-schedule', id);
    if (!row) throw notFound($localize`This schedule`);
    if (row.state !== 'trial')
      throw new ProblemError(409, $localize`This schedule is ${wordOf(row.state)}`, {
        detail: $localize`Plan anew, and take that.`,
      });
    if (row.basis !== basis)
      throw new ProblemError(409, $localize`What this schedule builds on has changed`, {
        detail: $localize`Jobs, counts, hours, pins or machines are others than when it was made. Plan anew: what has begun stays.`,
      });
    const before = await readSchedule(queries, 'in force', basis);
    await queries.one('floor/end-in-force');
    await queries.one('floor/take', id);
    await tellLate(queries, problem, before?.plan, (await readSchedule(queries, 'in force', basis))?.plan);
  });
}

/** When a revision is ready, as it stands in force; a draft in the gaps that others leave. */
async function promised(bench: Bench, { revision, kept }: Kept, changed: boolean): Promise<FloorPromise> {
  const { database, workshop } = bench;
  const { problem, basis, paper } = await readFloor(bench);
  const schedule = await readSchedule(database, 'in force', basis);
  const { ready, sure, late, chance, inForce, stations, names } = await workshop.run('promise', {
    problem,
    standing: schedule?.plan,
    revision,
    kept,
    paper,
    records: await readEntries(database, revision.id),
    changed,
  });
  const iso = (ms: number): string => new Date(ms).toISOString();
  const words = new FloorNames(
    problem.jobs.map((job) => ({ ...job, due: job.due ?? null, steps: namedSteps(job.steps) })),
    problem.works.machines,
  );
  const waits = new Map(
    schedule?.plan.slots
      .filter((slot) => inForce && slot.job === revision.id)
      .map((slot) => [slot.step, causeText(slot, words, PLAIN)]),
  );
  return {
    ready: ready === undefined ? null : iso(ready),
    late,
    inForce,
    chance,
    sure: sure === undefined ? null : iso(sure),
    stations: stations.map(({ step, machine, start, end }) => ({
      step,
      name: names.get(step) ?? step,
      machine,
      on: machine === null ? null : words.machine(machine),
      start: iso(start),
      end: iso(end),
      waits: waits.get(step) ?? '',
    })),
  };
}

/** Words as nobody's browser says them. */
const PLAIN: Saying = { date: (day) => day.slice(0, 10), count: (value) => numberText(value) };

export const floorHandlers = (
  bench: Bench,
): Pick<
  Handlers,
  | 'floor'
  | 'setHours'
  | 'setPin'
  | 'planFloor'
  | 'stopPlan'
  | 'takeSchedule'
  | 'dropTrial'
  | 'tryMove'
  | 'moveStation'
  | 'promise'
  | 'promiseAs'
> => {
  const { database, workshop } = bench;
  const answer = async (): Promise<Floor> => floorAnswer(database, await readFloor(bench));
  let quiet: NodeJS.Timeout | undefined;
  const laid = new ShortMemory<Promise<FloorMoves>>(LAID_MS, MOST_LAID);
  const laidOut = (schedule: number): Promise<FloorMoves> => {
    const known = laid.get(schedule);
    if (known) return known;
    const made = readFloor(bench)
      .then((now) => standingOf(database, now, schedule))
      .then(({ problem, standing }) => new FloorMoves(problem, standing));
    laid.set(schedule, made);
    made.catch(() => laid.forget(schedule));
    return made;
  };
  return {
    floor: answer,

    setHours: async ({ account, body }) => {
      await setHours(database, account, body);
      return answer();
    },

    setPin: async ({ account, body }) => {
      const { job, step, machine, start, reason } = body;
      if (machine === undefined && start === undefined) await database.one('floor/drop-pin', job, step);
      else {
        refusePin(await readFloor(bench), body);
        await database.one('floor/put-pin', job, step, machine ?? null, start ?? null, reason ?? null, account.id);
      }
      return answer();
    },

    planFloor: async ({ account, body }) => ({ id: await askForPlan(database, account, body) }),

    stopPlan: async ({ params }) => {
      if (!(await database.one('floor/stop-run', params.id))) throw notFound($localize`This plan`);
      return answer();
    },

    takeSchedule: async ({ body }) => {
      await takeNow(bench, body.id);
      return answer();
    },

    dropTrial: async ({ params }) => {
      if (!(await database.one('floor/drop-trial', params.id))) throw notFound($localize`This trial`);
      return answer();
    },

    tryMove: async ({ body }) => {
      const { schedule, ...move } = body;
      const effect = (await laidOut(schedule)).effect(move);
      if (!effect) throw cannotBeThere();
      return { ...effect, shifted: [...effect.shifted] };
    },

    moveStation: async ({ account, body }) => {
      const now = await readFloor(bench);
      const { schedule, ...move } = body;
      const moving = { ...(await standingOf(database, now, schedule)), move };
      const plan = await workshop.run('moveFloor', { ...moving, rough: true });
      if (!plan) throw cannotBeThere();
      const id = await keepTrial(database, account, now.basis, plan);
      // What would help is tried once nobody moves anything for a while, and told as any news of the floor.
      clearTimeout(quiet);
      quiet = setTimeout(
        () => void finish(bench, id, workshop.run('moveFloor', { ...moving, rough: false })),
        QUIET_MS,
      ).unref();
      const trial = await readSchedule(database, 'trial', now.basis);
      if (!trial) throw notFound($localize`This trial`);
      return trial;
    },

    promise: async ({ params }) => {
      const revision = await readRevision(database, params.id);
      const kept = revision.state === 'released' ? await keptPlan(database, params.id, revision.revision) : undefined;
      return promised(bench, { revision, kept }, false);
    },

    promiseAs: async ({ params, body }) => {
      const revision = await readRevision(database, params.id);
      const asTold: Revision = { ...revision, job: body, state: 'draft' };
      return promised(bench, { revision: asTold, kept: undefined }, true);
    },
  };
};
