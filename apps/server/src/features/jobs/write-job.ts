import { type Job, atDayPrices } from '@druckerei/core';
import type { Account, BegunJobs, CopyJob, Revision } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import { type Assessed, assessJob, assessJobs, basisOf, keepAssessment } from '../assessments/assessments.js';
import { tellHooks } from '../hooks/tell-hooks.js';
import { noteChange } from '../changes/changes.js';
import { currentWorks } from '../works/works.js';
import type { Bench } from './bench.js';
import { readRevision } from './revisions.js';

interface Newest {
  revision: number;
  state: 'draft' | 'released';
  version: number;
  body: Job;
}

/** The newest revision, locked; refused with the server's own version in hand where it is not the one the editor saw. */
async function lockNewest(queries: Queries, id: number, version: number): Promise<Newest> {
  const newest = await queries.one<Newest>('jobs/lock-newest', id);
  if (!newest) throw notFound($localize`This job`);
  if (newest.version !== version) {
    const current = await readRevision(queries, id);
    throw new ProblemError(409, $localize`Somebody else has changed this job`, {
      detail: $localize`${current.changedBy} saved version ${current.version}; yours began at ${version}.`,
      current,
    });
  }
  return newest;
}

/** Puts a job that has been planned in. @returns its id. */
async function putJob(queries: Queries, account: Account, job: Job, assessed: Assessed): Promise<number> {
  const row = await queries.one<{ id: number }>('jobs/add', job.number);
  if (!row) throw new Error('the job was not added');
  await queries.one('jobs/add-revision', row.id, 1, 1, job, account.id);
  await keepAssessment(queries, { id: row.id, revision: 1, version: 1 }, assessed);
  return row.id;
}

/** A job that has been planned. */
export const addJob = async (queries: Queries, account: Account, job: Job, assessed: Assessed): Promise<Revision> =>
  readRevision(queries, await putJob(queries, account, job, assessed));

/** A new job. It is planned first: what takes longer than a plan may is not kept. */
export async function createJob({ database, workshop }: Bench, account: Account, job: Job): Promise<Revision> {
  const assessed = await assessJob(database, workshop, job);
  return database.transaction((queries) => addJob(queries, account, job, assessed));
}

/** Refuses jobs of which two would have one number, or one has a number that is taken; each is told with its place. */
async function refuseTaken(queries: Queries, jobs: readonly Job[]): Promise<void> {
  const taken = await queries.many<{ number: string }>(
    'jobs/taken-numbers',
    JSON.stringify(jobs.map(({ number }) => number)),
  );
  const known = new Set(taken.map(({ number }) => number));
  const errors = jobs.flatMap(({ number }, i) => {
    const isKnown = known.has(number);
    known.add(number);
    return isKnown
      ? [{ path: `jobs[${i}].number`, message: $localize`The job number ${number} is taken. Choose another.` }]
      : [];
  });
  if (errors.length > 0) throw new ProblemError(409, $localize`Some job numbers are taken`, { errors });
}

/** New jobs out of a list, all of them or none; each is planned first. */
export async function createJobs(
  { database, workshop }: Bench,
  account: Account,
  jobs: readonly Job[],
): Promise<BegunJobs> {
  await refuseTaken(database, jobs);
  const assessed = await assessJobs(database, workshop, jobs);
  return database.transaction(async (queries) => {
    const ids: number[] = [];
    for (const [i, one] of assessed.entries()) {
      const job = jobs[i];
      if (job) ids.push(await putJob(queries, account, job, one));
    }
    return { ids };
  });
}

export async function copyJob(
  { database, workshop }: Bench,
  account: Account,
  id: number,
  { quantity, due, ...told }: CopyJob,
): Promise<Revision> {
  const { due: before, ...job } = (await readRevision(database, id)).job as Job;
  const day = due === undefined ? before : due;
  const order = quantity === undefined ? job.order : { ...job.order, quantity };
  const copy: Job = { ...job, ...told, order, ...(day ? { due: day } : {}) };
  const assessed = await assessJob(database, workshop, copy);
  return database.transaction((queries) => addJob(queries, account, copy, assessed));
}

/** Saves a draft; the first change after a release opens the next revision. */
export async function saveDraft(
  { database, workshop }: Bench,
  account: Account,
  id: number,
  version: number,
  job: Job,
): Promise<Revision> {
  const assessed = await assessJob(database, workshop, job);
  return database.transaction(async (queries) => {
    const newest = await lockNewest(queries, id, version);
    const next = newest.version + 1;
    const revision = newest.state === 'released' ? newest.revision + 1 : newest.revision;
    const write = newest.state === 'released' ? 'jobs/add-revision' : 'jobs/save-draft';
    await queries.one(write, id, revision, next, job, account.id);
    await queries.one('jobs/renumber', id, job.number);
    await keepAssessment(queries, { id, revision, version: next }, assessed);
    return readRevision(queries, id);
  });
}

/** Freezes the draft with the works as it is now, which has to be the one that its releaser saw. A job that cannot be planned, or breaks a hard rule, is not released. */
export async function release(
  { database, workshop }: Bench,
  account: Account,
  id: number,
  { version, mark, worksMark }: { version: number; mark: number; worksMark?: string | undefined },
): Promise<Revision> {
  const seen = await readRevision(database, id);
  const works = await currentWorks(database);
  const others = worksMark !== undefined && worksMark !== seen.worksMark;
  // A release keeps what its paper cost on its day.
  const frozen = atDayPrices(seen.job, works);
  const { faults, assessment, kept } = await workshop.run('judge', { job: seen.job, works: frozen });
  return database.transaction(async (queries) => {
    const newest = await lockNewest(queries, id, version);
    if (newest.state === 'released') throw new ProblemError(409, $localize`This revision is released already`);
    if (newest.version !== seen.version)
      throw new ProblemError(409, $localize`This job has changed while it was planned. Look at it once more.`);
    if ((works.mark ?? 0) !== mark)
      throw new ProblemError(409, $localize`The norms have changed since you looked at this job`, {
        detail: $localize`The figures are reckoned with those of today now. Look at them, and release it if they still hold.`,
        current: await readRevision(queries, id),
      });
    if (others)
      throw new ProblemError(409, $localize`The works has changed since you looked at this job`, {
        detail: $localize`A machine, a paper, an ink or what a supplier asks is another now. Look at the figures, and release it if they still hold.`,
        current: await readRevision(queries, id),
      });
    if (faults.length > 0) throw invalid(faults);
    const basis = basisOf(works);
    if (basisOf(await currentWorks(queries)) !== basis)
      throw new ProblemError(409, $localize`The norms have changed while this job was planned. Look at it once more.`);
    await queries.one('jobs/release', id, newest.revision, newest.version + 1, frozen, account.id);
    const { number, title, customer, order, due } = seen.job;
    await tellHooks(
      queries,
      'job.released',
      { id, number, title, customer },
      { revision: newest.revision, quantity: order.quantity, due: due ?? null },
    );
    // What its documents are made of from now on, whatever the engine says later.
    if (kept) await queries.one('jobs/keep-plan', id, newest.revision, Buffer.from(kept));
    await keepAssessment(
      queries,
      { id, revision: newest.revision, version: newest.version + 1 },
      { basis, assessment },
    );
    return readRevision(queries, id);
  });
}

/** Puts a job aside or takes it up again, as it stands: nothing of it is reckoned for that. */
export const putAside = (
  { database }: Pick<Bench, 'database'>,
  account: Account,
  id: number,
  { version, aside }: { version: number; aside: boolean },
): Promise<Revision> =>
  database.transaction(async (queries) => {
    await lockNewest(queries, id, version);
    if (await queries.one('jobs/put-aside', id, aside)) {
      const words = (away: boolean): string => (away ? 'aside' : 'in hand');
      const change = { before: words(!aside), after: words(aside) };
      await noteChange(queries, { kind: 'job', subject: String(id) }, change, account);
    }
    return readRevision(queries, id);
  });
