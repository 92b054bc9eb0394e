import { type Norm, type Works, isWithin, limitsInWords, normById, table, wordOf } from '@druckerei/core';
import type { NormEffect } from '@druckerei/contract';
import { invalid, notFound } from '../../http/problem.js';
import type { Bench } from '../jobs/bench.js';
import { readRevision } from '../jobs/revisions.js';

/** Jobs that are planned at once: some hundred milliseconds each for the longest. */
const AT_ONCE = 20;

/** A norm that may have a value, or none of the works' own; refused where there is no such norm, or beyond its limits. @param at path of it in what was sent. */
export function settable(works: Works, id: string, value: number | null, at = ''): Norm {
  const norm = normById(works, id);
  if (!norm) throw notFound(at === '' ? $localize`This norm` : $localize`The norm ${id}`);
  if (value !== null && !isWithin(norm, value))
    throw invalid([{ path: `${at}value`, message: $localize`${wordOf(norm.name)} goes ${limitsInWords(norm)}` }]);
  return norm;
}

/** The works as it would be with norms changed; refused as the change itself would be. */
export function worksWith(works: Works, changes: readonly { norm: string; value: number }[]): Works {
  const norms = new Map(Object.entries(works.norms));
  for (const [i, { norm: id, value }] of changes.entries()) {
    const norm = settable(works, id, value, `changes[${i}].`);
    norms.set(norm.id, { value, source: { label: 'set by user' } });
  }
  return { ...works, norms: table(norms) };
}

/**
 * What another works would do to the next drafts in hand: those whose sheets or cost change, or that could no longer be planned.
 * Nothing is kept. @param works of today. @param after as it would be. @param skip drafts that were told before.
 */
export async function normEffect(
  { database, workshop }: Bench,
  works: Works,
  after: Works,
  skip: number,
): Promise<NormEffect> {
  const rows = await database.many<{ id: number; total: number }>('jobs/drafts', skip, AT_ONCE);
  const jobs = await Promise.all(rows.map(async ({ id }) => ({ id, job: (await readRevision(database, id)).job })));
  const changed = await workshop.run('normEffect', { jobs, before: works, after });
  return { total: rows[0]?.total ?? skip, planned: rows.length, changed };
}
