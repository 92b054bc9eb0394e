import type { Job, Works } from '@druckerei/core';
import type { JobListQuery, JobRow, Revision, RevisionRow } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { notFound } from '../../http/problem.js';
import { currentWorks } from '../works/works.js';

interface ListRow {
  id: number;
  number: string;
  revision: number;
  state: 'draft' | 'released';
  changed_at: Date;
  changed_by: string;
  title: string;
  customer: string;
  family: string;
  due: string | null;
  quantity: number;
}

interface Row {
  revision: number;
  state: 'draft' | 'released';
  version: number;
  body: Job;
  works: Works | null;
  changed_at: Date;
  changed_by: string;
}

interface HistoryRow {
  revision: number;
  state: 'draft' | 'released';
  changed_at: Date;
  changed_by: string;
  released_at: Date | null;
  released_by: string | null;
}

/** Most rows of a page that asks for no number. */
const PAGE = 200;

/** Patterns of the words of a search; signs that mean something in a pattern stand for themselves. */
const patternsOf = (search: string): string[] =>
  search
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => `%${word.replaceAll(/[\\%_]/g, (sign) => `\\${sign}`)}%`);

/** A page of the jobs that hold every word of the search, and how many there are. */
export async function listJobs(
  queries: Queries,
  { search = '', by, order, skip = 0, limit = PAGE }: JobListQuery,
): Promise<{ rows: JobRow[]; total: number }> {
  const patterns = patternsOf(search);
  const asUsual = by === undefined || (by === 'changedAt' && order !== 'asc');
  type Found = ListRow & Record<string, unknown>;
  const page = (): Promise<Found[]> => {
    if (!asUsual) return queries.many<Found>('jobs/list-by', patterns, skip, limit, by, order === 'desc');
    // Without a search the index has the order.
    return patterns.length === 0
      ? queries.many<Found>('jobs/list-all', skip, limit)
      : queries.many<Found>('jobs/list', patterns, skip, limit);
  };
  const rows = await page();
  const counted =
    patterns.length === 0
      ? await queries.one<{ count: number }>('jobs/count-all')
      : await queries.one<{ count: number }>('jobs/count', patterns);
  return {
    total: counted?.count ?? 0,
    rows: rows.map(({ state, changed_at, changed_by, ...row }) => ({
      ...row,
      status: state === 'released' ? 'released' : row.revision > 1 ? 'changed' : 'draft',
      changedAt: changed_at.toISOString(),
      changedBy: changed_by,
    })),
  };
}

const historyEntry = (row: HistoryRow): RevisionRow => ({
  revision: row.revision,
  state: row.state,
  changedAt: row.changed_at.toISOString(),
  changedBy: row.changed_by,
  releasedAt: row.released_at?.toISOString() ?? null,
  releasedBy: row.released_by,
});

/** One revision of a job, or the newest; a draft comes with the works as it is now, a released one with its own. */
export async function readRevision(queries: Queries, id: number, revision?: number): Promise<Revision> {
  const row = await queries.one<Row>('jobs/revision', id, revision ?? null);
  if (!row) throw notFound(revision === undefined ? 'This job' : 'This revision');
  const works = row.works ?? (await currentWorks(queries));
  const revisions = (await queries.many<HistoryRow>('jobs/revisions', id)).map(historyEntry);
  return {
    id,
    revision: row.revision,
    state: row.state,
    version: row.version,
    changedAt: row.changed_at.toISOString(),
    changedBy: row.changed_by,
    job: row.body as Revision['job'],
    works: works as Revision['works'],
    revisions,
  };
}
