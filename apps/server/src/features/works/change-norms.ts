import { type NormValue, type Works, baseId, wordOf } from '@druckerei/core';
import type { Account, NormChanges } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { ProblemError } from '../../http/problem.js';
import { settable } from './norm-effect.js';

/** What one norm was and becomes; `value` null gives it back. */
interface Set {
  readonly norm: string;
  readonly value: number | null;
  readonly before: number;
  readonly after: number;
}

/** Works out one change on what stands. Errors: 409 where it is not what its writer saw, 422 at `at` where it may not be. */
function changeOf(
  works: Works,
  norms: ReadonlyMap<string, NormValue | undefined>,
  { norm: id, value, expected }: NormChanges['changes'][number],
  at: string,
): Set {
  const norm = settable(works, id, value, at);
  // What is told for a machine or a run stands on what stands for all.
  const base = baseId(norm.id);
  const without = (base === norm.id ? undefined : norms.get(base)?.value) ?? norm.value;
  const before = norms.get(norm.id)?.value ?? without;
  if (before !== expected)
    throw new ProblemError(409, $localize`Somebody else has changed this norm`, {
      detail: $localize`${wordOf(norm.subject)}\: ${wordOf(norm.name)} is ${before} now, you saw ${expected}.`,
    });
  return { norm: norm.id, value, before, after: value ?? without };
}

/**
 * Sets norms of a works, all or none, where nobody has changed one since it was seen. The caller holds the lock of norms.
 * @param at path of a change in what was sent.
 */
export async function changeNorms(
  queries: Queries,
  works: Works,
  { changes, seen, reason }: NormChanges,
  account: Pick<Account, 'id'>,
  at: (i: number) => string = (i) => `changes[${i}].`,
): Promise<void> {
  const norms = new Map<string, NormValue | undefined>(Object.entries(works.norms));
  const set = changes.map((change, i) => {
    const one = changeOf(works, norms, change, at(i));
    norms.set(one.norm, one.value === null ? undefined : { value: one.value, source: { label: 'set by user' } });
    return one;
  });
  const unseen = await queries.one<{ norm: string }>(
    'works/unseen-norm',
    set.map(({ norm }) => norm),
    seen,
  );
  if (unseen) {
    const { before } = set.find(({ norm }) => norm === unseen.norm) ?? { before: '' };
    throw new ProblemError(409, $localize`Somebody else has changed this norm`, {
      detail: $localize`${unseen.norm} is ${before} now, and was changed since you looked.`,
    });
  }
  const told = set.filter(({ value }) => value !== null).map(({ norm, value }) => ({ id: norm, value }));
  const back = set.filter(({ value }) => value === null).map(({ norm }) => norm);
  if (told.length > 0) await queries.one('works/set-norms', told);
  if (back.length > 0) await queries.one('works/drop-norms', back);
  await queries.one(
    'works/add-norm-changes',
    set.map(({ norm, before, after }) => ({ norm, before, after })),
    reason,
    account.id,
  );
}
