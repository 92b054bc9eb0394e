import { type Job, checkRoute, plan } from '@druckerei/core';
import { type Account, type Revision, findingText, issueText } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import { currentWorks } from '../works/works.js';
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
  if (!newest) throw notFound('This job');
  if (newest.version !== version) {
    const current = await readRevision(queries, id);
    throw new ProblemError(409, 'Somebody else has changed this job', {
      detail: `${current.changedBy} saved version ${current.version}; yours began at ${version}.`,
      current,
    });
  }
  return newest;
}

export const createJob = (database: Database, account: Account, job: Job): Promise<Revision> =>
  database.transaction(async (queries) => {
    const row = await queries.one<{ id: number }>('jobs/add', job.number);
    if (!row) throw new Error('the job was not added');
    await queries.one('jobs/add-revision', row.id, 1, 1, job, account.id);
    return readRevision(queries, row.id);
  });

export const copyJob = (
  database: Database,
  account: Account,
  id: number,
  names: { number: string; title: string },
): Promise<Revision> =>
  database.transaction(async (queries) => {
    const { job } = await readRevision(queries, id);
    const row = await queries.one<{ id: number }>('jobs/add', names.number);
    if (!row) throw new Error('the job was not added');
    await queries.one('jobs/add-revision', row.id, 1, 1, { ...job, ...names }, account.id);
    return readRevision(queries, row.id);
  });

/** Saves a draft; the first change after a release opens the next revision. */
export const saveDraft = (
  database: Database,
  account: Account,
  id: number,
  version: number,
  job: Job,
): Promise<Revision> =>
  database.transaction(async (queries) => {
    const newest = await lockNewest(queries, id, version);
    const next = newest.version + 1;
    if (newest.state === 'released')
      await queries.one('jobs/add-revision', id, newest.revision + 1, next, job, account.id);
    else await queries.one('jobs/save-draft', id, newest.revision, next, job, account.id);
    await queries.one('jobs/renumber', id, job.number);
    return readRevision(queries, id);
  });

/** Freezes the draft with the works as it is now. A job that cannot be planned, or breaks a hard rule, is not released. */
export const release = (database: Database, account: Account, id: number, version: number): Promise<Revision> =>
  database.transaction(async (queries) => {
    const newest = await lockNewest(queries, id, version);
    if (newest.state === 'released') throw new ProblemError(409, 'This revision is released already');
    const works = await currentWorks(queries);
    const planned = plan(newest.body, works);
    if (!planned.ok) throw invalid(planned.issues.map((issue) => ({ path: issue.path, message: issueText(issue) })));
    const hard = checkRoute(newest.body, planned.plan, works).filter(({ weight }) => weight === 'hard');
    if (hard.length > 0) throw invalid(hard.map((finding) => ({ path: finding.path, message: findingText(finding) })));
    await queries.one('jobs/release', id, newest.revision, newest.version + 1, works, account.id);
    return readRevision(queries, id);
  });
