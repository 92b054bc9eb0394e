import { createHash } from 'node:crypto';
import { languageOf } from '@druckerei/contract/plain';
import { type Job, type Works, CARD_EDITION } from '@druckerei/core';
import type { Database, Queries } from '../../db/database.js';
import { unnoted } from '../../db/noted.js';
import type { Assessment } from '../../work/tasks.js';
import { inTongue } from '../../http/tongue.js';
import type { Workshop } from '../../work/workshop.js';
import { notFound } from '../../http/problem.js';
import type { Bench } from '../jobs/bench.js';
import { readRevision } from '../jobs/revisions.js';
import { currentWorks } from '../works/works.js';

/** Raised when the engine reckons otherwise, so that everything is reckoned again. */
const ENGINE = 5;

/** Milliseconds that a job may take to plan: what takes longer is not saved, and so hurts nobody who reads it. */
export const PLAN_MS = 4_000;

/** What an assessment was reckoned in. */
export function basisOf({ machines, stocks, inks, norms, locale }: Works): string {
  const values = Object.entries(norms).map(([id, { value }]) => [id, value]);
  const reckonedWith = JSON.stringify([ENGINE, languageOf(locale), machines, stocks, inks, values]);
  return createHash('sha256').update(reckonedWith).digest('base64url');
}

export interface Assessed {
  readonly basis: string;
  readonly assessment: Assessment;
}

/** In the language of the works: what is kept of it is shown to everybody. */
const assess = (workshop: Workshop, job: Job, works: Works): Promise<Assessment> =>
  inTongue(works.locale, () => workshop.run('assess', { job, works }, { runMs: PLAN_MS }));

/** Reckons jobs in the works of today. Issues: 422 where one takes longer or more than a plan may. */
export async function assessJobs(queries: Queries, workshop: Workshop, jobs: readonly Job[]): Promise<Assessed[]> {
  const works = await currentWorks(queries);
  const basis = basisOf(works);
  return Promise.all(jobs.map(async (job) => ({ basis, assessment: await assess(workshop, job, works) })));
}

/** The same of one job. */
export async function assessJob(queries: Queries, workshop: Workshop, job: Job): Promise<Assessed> {
  const [assessed] = await assessJobs(queries, workshop, [job]);
  if (!assessed) throw new Error('the job was not assessed');
  return assessed;
}

export const keepAssessment = (
  queries: Queries,
  { id, revision, version }: { id: number; revision: number; version: number },
  { basis, assessment }: Assessed,
): Promise<unknown> => queries.one('assessments/put', id, revision, version, basis, assessment);

interface KeptRow {
  revision: number;
  version: number;
  state: 'draft' | 'released';
  assessed: number | null;
  basis: string | null;
  body: Assessment | null;
}

/** A revision reckoned again, kept if nobody has saved in between. */
async function refresh(database: Database, workshop: Workshop, id: number): Promise<Assessment> {
  const revision = await readRevision(database, id);
  const works = revision.works as Works;
  const assessment = await assess(workshop, revision.job, works);
  await unnoted(() => keepAssessment(database, revision, { basis: basisOf(works), assessment }));
  return assessment;
}

/** Whether a card says all that is asked today: of a release from before, it is made once more. */
const isOfToday = (card: Assessment['card']): boolean => card?.edition === CARD_EDITION;

/** The same out of the database. */
async function readAssessment(database: Database, workshop: Workshop, id: number): Promise<Assessment> {
  const row = await database.one<KeptRow & Record<string, unknown>>('assessments/of-job', id);
  if (!row) throw notFound($localize`This job`);
  const stands =
    row.body !== null &&
    (row.body.problems.length > 0 || isOfToday(row.body.card)) &&
    row.assessed === row.version &&
    (row.state === 'released' || row.basis === basisOf(await currentWorks(database)));
  return stands && row.body ? row.body : refresh(database, workshop, id);
}

/** Assessments that are kept in memory, each with what it hangs on; the one that was asked for longest ago goes first. */
const MOST_KEPT = 200;
const kept = new WeakMap<Database, Map<number, { readonly stamp: string; readonly assessment: Promise<Assessment> }>>();

/**
 * What the newest revision of a job comes to: as it was kept, or reckoned again where it or the works has changed since. Who asks
 * while it is read waits for the same reading.
 */
export async function assessmentOf(database: Database, workshop: Workshop, id: number): Promise<Assessment> {
  const jobs = kept.get(database) ?? new Map<number, { stamp: string; assessment: Promise<Assessment> }>();
  kept.set(database, jobs);
  const row = await database.one<{ stamp: string }>('assessments/stamp', id);
  if (!row) throw notFound($localize`This job`);
  const before = jobs.get(id);
  if (before?.stamp === row.stamp) return before.assessment;
  const read = { stamp: row.stamp, assessment: readAssessment(database, workshop, id) };
  jobs.delete(id);
  jobs.set(id, read);
  const [oldest] = jobs.keys();
  if (jobs.size > MOST_KEPT && oldest !== undefined) jobs.delete(oldest);
  read.assessment.catch(() => {
    if (jobs.get(id) === read) jobs.delete(id);
  });
  return read.assessment;
}

/** Most revisions that one round reckons again. */
const ROUND = 200;

/** Reckons again what the works of today makes other, one after another, until nothing is left or it is stopped. */
async function refreshAll({ database, workshop }: Bench, stopped: () => boolean): Promise<void> {
  const failed = new Set<number>();
  for (;;) {
    // Asked anew each round: another server may have changed the works meanwhile.
    const basis = basisOf(await currentWorks(database));
    const rows = await database.many<{ id: number }>('assessments/stale', basis, ROUND + failed.size);
    const open = rows.filter(({ id }) => !failed.has(id));
    if (open.length === 0) return;
    for (const { id } of open) {
      if (stopped()) return;
      await refresh(database, workshop, id).catch(() => failed.add(id));
    }
  }
}

/** Keeps what all jobs come to up to date beside everything else. */
export interface Keeper {
  /** The works has changed, or the server has just started. */
  ask(): void;
  stop(): void;
}

export function assessmentKeeper(bench: Bench, onError: (error: unknown) => void): Keeper {
  let [running, again, stopped] = [false, false, false];
  const run = async (): Promise<void> => {
    running = true;
    do {
      again = false;
      await refreshAll(bench, () => stopped || again).catch(onError);
    } while (again && !stopped);
    running = false;
  };
  return {
    ask() {
      again = true;
      if (!running && !stopped) void run();
    },
    stop() {
      stopped = true;
    },
  };
}
