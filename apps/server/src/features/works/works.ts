import { type Works, type WorksSettings, checkFolding, table, toldSettings } from '@druckerei/core';
import {
  type Account,
  type ItemChanges,
  type ItemVersion,
  type NormChanges,
  type NormHistoryEntry,
  issueText,
} from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { JsonText } from '../../http/json-text.js';
import { ProblemError, invalid, notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { unchanged } from '../../http/unchanged.js';
import type { Bench } from '../jobs/bench.js';
import { lockKind, noteChange } from '../changes/changes.js';
import { changeItems, worksWithItems } from './change-items.js';
import { changeNorms } from './change-norms.js';
import { normEffect, worksWith } from './norm-effect.js';
import { seesPrices } from './sees-prices.js';

/** The works with the norms in force now, as the database has put it together. */
async function worksText(queries: Queries): Promise<string> {
  const row = await queries.one<{ answered: string }>('works/current');
  if (!row) throw new Error('the works has not been set up');
  return row.answered;
}
/** The same to be worked with. */
export const currentWorks = async (queries: Queries): Promise<Works> => JSON.parse(await worksText(queries)) as Works;

interface HistoryRow {
  norm: string;
  value_before: number;
  value_after: number;
  reason: string;
  changed_by: string;
  changed_at: Date;
}

interface VersionRow {
  before: ItemVersion['before'];
  after: ItemVersion['after'];
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

/** Sets norms, one writer at a time. */
const setNorms = (
  database: Database,
  changes: NormChanges,
  account: Pick<Account, 'id'>,
  at?: (i: number) => string,
): Promise<Works> =>
  database.transaction(async (queries) => {
    await lockKind(queries, 'norm');
    await changeNorms(queries, await currentWorks(queries), changes, account, at);
    return currentWorks(queries);
  });

/** Writes machines and stocks with prices of theirs, all or none, one writer at a time. */
const setItems = (database: Database, changes: ItemChanges, account: Pick<Account, 'id'>): Promise<Works> =>
  database.transaction(async (queries) => {
    await lockKind(queries, 'norm');
    await lockKind(queries, 'machine');
    await changeItems(queries, await currentWorks(queries), changes, account);
    const { norms, reason, normsSeen: seen } = changes;
    if (norms.length > 0)
      await changeNorms(
        queries,
        await currentWorks(queries),
        { changes: norms, reason, seen },
        account,
        (i) => `norms[${i}].`,
      );
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
      throw new ProblemError(409, $localize`Somebody else has changed the settings of the works`, {
        detail: $localize`${others} is “${now.get(others) ?? ''}” now, you saw “${before.get(others) ?? ''}”. Load the page anew.`,
      });
    for (const field of new Set([...now.keys(), ...after.keys()])) {
      const change = { before: now.get(field) ?? null, after: after.get(field) ?? null };
      if (change.before !== change.after) await noteChange(queries, { kind: 'works', subject: field }, change, account);
    }
    await queries.one('works/put', table(after));
    return currentWorks(queries);
  });

export const worksHandlers = (
  bench: Bench,
  changed: () => void,
): Pick<
  Handlers,
  | 'works'
  | 'changeSettings'
  | 'normHistory'
  | 'changeNorm'
  | 'changeNorms'
  | 'normEffect'
  | 'changeItems'
  | 'itemEffect'
  | 'itemVersions'
  | 'addFold'
  | 'dropFold'
> => {
  const { database } = bench;
  return {
    works: async ({ account, request, response }) => {
      const row = await database.one<{ mark: string }>('works/mark');
      // Who sees no prices is told another works.
      const mark = `${row?.mark ?? ''}${seesPrices(account) ? '' : 'n'}`;
      return unchanged(request, response, mark) ? undefined : new JsonText([await worksText(database)]);
    },

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
      const now = await setNorms(database, one, account, () => '');
      changed();
      return now;
    },

    changeNorms: async ({ body, account }) => {
      const now = await setNorms(database, body, account);
      changed();
      return now;
    },

    normEffect: async ({ body: { changes, skip } }) => {
      const works = await currentWorks(database);
      return normEffect(bench, works, worksWith(works, changes), skip);
    },

    changeItems: async ({ body, account }) => {
      const now = await setItems(database, body, account);
      changed();
      return now;
    },

    itemVersions: async ({ query: { kind, id } }) =>
      (await database.many<VersionRow & Record<string, unknown>>('changes/history', kind, id)).map(
        ({ before, after, changed_by: by, changed_at: at }) => ({ before, after, by, at: at.toISOString() }),
      ),

    itemEffect: async ({ body: { skip, ...items } }) => {
      const works = await currentWorks(database);
      return normEffect(bench, works, worksWithItems(works, items), skip);
    },

    addFold: ({ body: { name, ...folding }, account }) =>
      database.transaction(async (queries) => {
        const wrong = checkFolding(folding, name, '');
        if (wrong.length > 0) throw invalid(wrong.map((issue) => ({ path: 'folds', message: issueText(issue) })));
        await queries.one('works/add-fold', name, folding, account.id);
        return currentWorks(queries);
      }),

    dropFold: async ({ params }) => {
      if (!(await database.one('works/drop-fold', params.name))) throw notFound($localize`These folds`);
      return currentWorks(database);
    },
  };
};
