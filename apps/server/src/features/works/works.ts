import { type Works, baseId, checkFolding, isWithin, limitsInWords, normById } from '@druckerei/core';
import { type Account, type NormChange, type NormHistoryEntry, issueText } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { lockKind } from '../changes/changes.js';

/** The works with the norms in force now. */
export async function currentWorks(queries: Queries): Promise<Works> {
  const row = await queries.one<{ answered: string }>('works/current');
  if (!row) throw new Error('the works has not been set up');
  return JSON.parse(row.answered) as Works;
}

interface HistoryRow {
  norm: string;
  value_before: number;
  value_after: number;
  reason: string;
  changed_by: string;
  changed_at: Date;
}

const historyEntry = (row: HistoryRow): NormHistoryEntry => ({
  norm: row.norm,
  before: row.value_before,
  after: row.value_after,
  reason: row.reason,
  by: row.changed_by,
  at: row.changed_at.toISOString(),
});

/** Sets a norm where nobody has changed it since it was seen: one at a time for a norm, whether it has been changed before or not. */
const changeNorm = (database: Database, id: string, change: NormChange, account: Pick<Account, 'id'>): Promise<Works> =>
  database.transaction(async (queries) => {
    await lockKind(queries, 'norm');
    const works = await currentWorks(queries);
    const norm = normById(works, id);
    if (!norm) throw notFound('This norm');
    // What is told for a machine or a run begins at what stands for all.
    const house = works.norms[baseId(norm.id)]?.value ?? norm.value;
    if (!isWithin(norm, change.value))
      throw invalid([{ path: 'value', message: `${norm.name} goes ${limitsInWords(norm)}` }]);
    const last = await queries.one<{ id: string; value_after: number }>('works/last-change', norm.id);
    const before = last?.value_after ?? house;
    if (before !== change.expected || Number(last?.id ?? 0) > change.seen)
      throw new ProblemError(409, 'Somebody else has changed this norm', {
        detail: `It is ${before} now, you saw ${change.expected}.`,
      });
    await queries.one('works/set-norm', norm.id, change.value);
    await queries.one('works/add-norm-change', norm.id, before, change.value, change.reason, account.id);
    return currentWorks(queries);
  });

export const worksHandlers = (
  database: Database,
  changed: () => void,
): Pick<Handlers, 'works' | 'normHistory' | 'changeNorm' | 'addFold' | 'dropFold'> => ({
  works: () => currentWorks(database),

  normHistory: async ({ query }) =>
    (await database.many<HistoryRow>('works/norm-history', query.norm ?? null)).map(historyEntry),

  changeNorm: async ({ params, body, account }) => {
    const now = await changeNorm(database, params.norm, body, account);
    changed();
    return now;
  },

  addFold: ({ body: { name, ...folding }, account }) =>
    database.transaction(async (queries) => {
      const wrong = checkFolding(folding, name, '');
      if (wrong.length > 0) throw invalid(wrong.map((issue) => ({ path: 'folds', message: issueText(issue) })));
      await queries.one('works/add-fold', name, folding, account.id);
      return currentWorks(queries);
    }),

  dropFold: async ({ params }) => {
    if (!(await database.one('works/drop-fold', params.name))) throw notFound('These folds');
    return currentWorks(database);
  },
});
