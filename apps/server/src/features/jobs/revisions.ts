import type { JobListQuery, Revision } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { patternsOf } from '../../db/patterns.js';
import { JsonText } from '../../http/json-text.js';
import { notFound } from '../../http/problem.js';

interface Answered {
  readonly answer: string;
}

/** Most rows of a page that asks for no number. */
const PAGE = 200;

/** A page of the jobs that hold every word of the search and are of the status, family, customer and due date told, as it is answered, and how many there are. */
export async function listJobs(
  queries: Queries,
  { search = '', by = 'changedAt', order, skip = 0, limit = PAGE, ...only }: JobListQuery,
): Promise<{ rows: JsonText; total: number }> {
  const patterns = patternsOf(search);
  const descending = order === 'desc' || (by === 'changedAt' && order !== 'asc');
  type Page = Answered & { total: number };
  // All of them, last changed first, are in an index.
  const page =
    patterns.length === 0 && Object.keys(only).length === 0 && by === 'changedAt' && descending
      ? await queries.one<Page>('jobs/list-all', skip, limit)
      : await queries.one<Page>('jobs/list-by', patterns, skip, limit, by, descending, only);
  if (!page) throw new Error('the list was not answered');
  return { rows: new JsonText([page.answer]), total: page.total };
}

/**
 * One revision of a job, or the newest, as it is answered; a draft comes with the works as it is now, a released one with its own.
 *
 * @param apart leaves the works of a draft out, for who holds it.
 */
export async function revisionAnswer(
  queries: Queries,
  id: number,
  revision?: number,
  apart = false,
): Promise<JsonText> {
  const row = await queries.one<Answered & Record<string, unknown>>('jobs/revision', id, revision ?? null, apart);
  if (!row) throw notFound(revision === undefined ? $localize`This job` : $localize`This revision`);
  return new JsonText([row.answer]);
}

/** The same to be worked with. */
export const readRevision = async (queries: Queries, id: number, revision?: number): Promise<Revision> =>
  JSON.parse((await revisionAnswer(queries, id, revision)).text) as Revision;

/** The plan that a revision was released with, deflated; undefined for a draft, and for what was released before plans were kept. */
export async function keptPlan(queries: Queries, id: number, revision: number): Promise<Uint8Array | undefined> {
  const row = await queries.one<{ plan: Buffer }>('jobs/released-plan', id, revision);
  return row?.plan;
}
