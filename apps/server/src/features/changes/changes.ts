import type { ItemKind } from '@druckerei/core';
import type { Account, Change, ChangeKind } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { ProblemError } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';

type Value = Change['before'];

/** One thing of a kind. */
export interface Subject {
  readonly kind: ChangeKind;
  readonly subject: string;
}

/** Holds everybody else who would change something of a kind until the transaction ends. */
export const lockKind = (
  queries: Queries,
  kind: ChangeKind | ItemKind | 'norm' | 'account' | 'customer' | 'order' | 'supplier' | 'floor' | 'holding',
): Promise<unknown> => queries.one('changes/lock-kind', kind);

/** The last change of a kind: whoever writes says which one they had seen. */
export const markOf = async (queries: Queries, kind: ChangeKind): Promise<number> =>
  (await queries.one<{ mark: number }>('changes/mark', kind))?.mark ?? 0;

/** Refuses to write over a change that the writer has not seen. @param words what stands, out of its value now. */
export async function refuseUnseen(
  queries: Queries,
  { kind, subject }: Subject,
  seen: number,
  words: (now: Value) => string,
): Promise<void> {
  const last = await queries.one<{ id: number; after: Value; changed_by: string }>('changes/last', kind, subject);
  if (last && last.id > seen)
    throw new ProblemError(409, $localize`${last.changed_by} has changed this meanwhile`, {
      detail: words(last.after),
    });
}

export const noteChange = (
  queries: Queries,
  { kind, subject }: Subject,
  { before, after }: { before: Value; after: Value },
  account: Pick<Account, 'id'>,
): Promise<unknown> =>
  queries.one('changes/add', kind, subject, JSON.stringify(before), JSON.stringify(after), account.id);

interface HistoryRow {
  subject: string;
  before: Value;
  after: Value;
  changed_by: string;
  changed_at: Date;
}

export const changesHandlers = (database: Database): Pick<Handlers, 'changes'> => ({
  changes: async ({ query }) =>
    (
      await database.many<HistoryRow & Record<string, unknown>>('changes/history', query.kind, query.subject ?? null)
    ).map(({ changed_by, changed_at, ...change }) => ({ ...change, by: changed_by, at: changed_at.toISOString() })),
});
