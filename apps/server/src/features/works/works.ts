import { type Works, type WorksSettings, baseId, checkFolding, table, toldSettings } from '@druckerei/core';
import { type Account, type NormChange, type NormChanges, type NormHistoryEntry, issueText } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import type { Bench } from '../jobs/bench.js';
import { lockKind, noteChange } from '../changes/changes.js';
import { normEffect, settable } from './norm-effect.js';

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

/** Sets a norm where nobody has changed it since it was seen. @param at path of the change in what was sent. */
async function setNorm(
  queries: Queries,
  id: string,
  change: NormChange,
  account: Pick<Account, 'id'>,
  at = '',
): Promise<void> {
  const works = await currentWorks(queries);
  const norm = settable(works, id, change.value, at);
  // What is told for a machine or a run stands on what stands for all.
  const base = baseId(norm.id);
  const without = (base === norm.id ? undefined : works.norms[base]?.value) ?? norm.value;
  const before = works.norms[norm.id]?.value ?? without;
  const last = await queries.one<{ id: string }>('works/last-change', norm.id);
  if (before !== change.expected || Number(last?.id ?? 0) > change.seen)
    throw new ProblemError(409, 'Somebody else has changed this norm', {
      detail: `${norm.subject}: ${norm.name} is ${before} now, you saw ${change.expected}.`,
    });
  if (change.value === null) await queries.one('works/drop-norm', norm.id);
  else await queries.one('works/set-norm', norm.id, change.value);
  await queries.one('works/add-norm-change', norm.id, before, change.value ?? without, change.reason, account.id);
}

/** Sets norms, all or none, one writer at a time. */
const changeNorms = (
  database: Database,
  { changes, seen, reason }: NormChanges,
  account: Pick<Account, 'id'>,
  at: (i: number) => string = (i) => `changes[${i}].`,
): Promise<Works> =>
  database.transaction(async (queries) => {
    await lockKind(queries, 'norm');
    for (const [i, { norm, ...change }] of changes.entries())
      await setNorm(queries, norm, { ...change, seen, reason }, account, at(i));
    return currentWorks(queries);
  });

/** Sets what the works says of itself, where nobody has changed it since it was seen; every field changed is kept with who did it. */
const changeSettings = (
  database: Database,
  { settings, seen }: { settings: WorksSettings; seen: WorksSettings },
  account: Pick<Account, 'id'>,
): Promise<Works> =>
  database.transaction(async (queries) => {
    await lockKind(queries, 'works');
    const row = await queries.one<{ body: Works }>('works/get');
    if (!row) throw new Error('the works has not been set up');
    const { body } = row;
    const [now, before, after] = [toldSettings(body), toldSettings(seen), toldSettings(settings)];
    const others = [...new Set([...now.keys(), ...before.keys()])].find(
      (field) => now.get(field) !== before.get(field),
    );
    if (others !== undefined)
      throw new ProblemError(409, 'Somebody else has changed the settings of the works', {
        detail: `${others} is “${now.get(others) ?? ''}” now, you saw “${before.get(others) ?? ''}”. Load the page anew.`,
      });
    for (const field of new Set([...now.keys(), ...after.keys()])) {
      const change = { before: now.get(field) ?? null, after: after.get(field) ?? null };
      if (change.before !== change.after) await noteChange(queries, { kind: 'works', subject: field }, change, account);
    }
    const { machines, stocks, inks } = body;
    await queries.one('works/put', { ...table(after), machines, stocks, inks });
    return currentWorks(queries);
  });

export const worksHandlers = (
  bench: Bench,
  changed: () => void,
): Pick<
  Handlers,
  'works' | 'changeSettings' | 'normHistory' | 'changeNorm' | 'changeNorms' | 'normEffect' | 'addFold' | 'dropFold'
> => {
  const { database } = bench;
  return {
    works: () => currentWorks(database),

    changeSettings: async ({ body, account }) => {
      const now = await changeSettings(database, body, account);
      changed();
      return now;
    },

    normHistory: async ({ query }) =>
      (await database.many<HistoryRow>('works/norm-history', query.norm ?? null)).map(historyEntry),

    changeNorm: async ({ params, body, account }) => {
      const { seen, reason, ...change } = body;
      const one = { changes: [{ norm: params.norm, ...change }], seen, reason };
      const now = await changeNorms(database, one, account, () => '');
      changed();
      return now;
    },

    changeNorms: async ({ body, account }) => {
      const now = await changeNorms(database, body, account);
      changed();
      return now;
    },

    normEffect: async ({ body }) => normEffect(bench, await currentWorks(database), body),

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
  };
};
