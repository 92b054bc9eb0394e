import {
  type Issue,
  type KeptInk,
  type Works,
  checkInk,
  checkMachine,
  checkStock,
  checkSupply,
  inUse,
  wordOf,
} from '@druckerei/core';
import { type Account, type ItemChanges, type Items, issueText } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { ProblemError, invalid } from '../../http/problem.js';

const KINDS = [
  ['machine', 'machines'],
  ['stock', 'stocks'],
  ['ink', 'inks'],
  ['supply', 'supplies'],
] as const;

/** The items of a works with some of them changed, or others behind them. */
function merged<T extends { readonly id: string }>(before: readonly T[], changed: readonly T[]): readonly T[] {
  const told = new Map(changed.map((one) => [one.id, one]));
  const known = new Set(before.map(({ id }) => id));
  return [...before.map((one) => told.get(one.id) ?? one), ...changed.filter(({ id }) => !known.has(id))];
}

const told = (issues: readonly Issue[], at: string): { path: string; message: string }[] =>
  issues.map((issue) => ({ path: `${at}.${issue.path}`, message: issueText(issue) }));

/** Items that are called alike cannot be told apart in a list; those that are retired stand in none. */
function twice(
  all: readonly { readonly id: string; readonly name: string; readonly retired?: boolean | undefined }[],
): ReadonlySet<string> {
  const named = new Map<string, string[]>();
  for (const { id, name } of inUse(all)) {
    const key = name.trim().toLowerCase();
    named.set(key, [...(named.get(key) ?? []), id]);
  }
  return new Set([...named.values()].filter((ids) => ids.length > 1).flat());
}

/** What is wrong with some items, each by itself and beside the others of its kind. */
function wrongItems<T extends Items[keyof Items][number]>(
  at: keyof Items,
  items: readonly T[],
  all: readonly T[],
  check: (item: T) => readonly Issue[],
): { path: string; message: string }[] {
  const alike = twice(all);
  return items.flatMap((one, i) => [
    ...told(check(one), `${at}[${i}]`),
    ...(alike.has(one.id)
      ? [{ path: `${at}[${i}].name`, message: $localize`Another one has this name. Call it something else.` }]
      : []),
  ]);
}

/** The works as it would be with items of it changed. Errors: 422 where one of them cannot be planned on. */
export function worksWithItems(works: Works, { machines, stocks, inks, supplies }: Items): Works {
  const after = {
    ...works,
    machines: merged(works.machines, machines),
    stocks: merged(works.stocks, stocks),
    // Those of the works as it is now have ids.
    inks: merged((works.inks ?? []) as readonly KeptInk[], inks),
    supplies: merged(works.supplies ?? [], supplies),
  };
  const wrong = [
    ...wrongItems('machines', machines, after.machines, checkMachine),
    ...wrongItems('stocks', stocks, after.stocks, checkStock),
    ...wrongItems('inks', inks, after.inks, checkInk),
    ...wrongItems('supplies', supplies, after.supplies, checkSupply),
    ...machines.flatMap(({ id, process }, i) => {
      const before = works.machines.find((one) => one.id === id);
      return before && before.process !== process
        ? [
            {
              path: `machines[${i}].process`,
              message: $localize`This machine is a ${wordOf(before.process)}\: enter another machine, and retire this one.`,
            },
          ]
        : [];
    }),
  ];
  if (wrong.length > 0) throw invalid(wrong);
  return after;
}

/** Writes items of the works, all or none, where nobody has changed one since it was seen; what was is kept. */
export async function changeItems(
  queries: Queries,
  works: Works,
  changes: ItemChanges,
  account: Pick<Account, 'id'>,
): Promise<void> {
  worksWithItems(works, changes);
  for (const [kind, list] of KINDS) {
    const items = changes[list];
    if (items.length === 0) continue;
    const unseen = await queries.one<{ name: string; changed_by: string }>(
      'works/unseen-item',
      kind,
      items.map(({ id }) => id),
      changes.seen,
    );
    if (unseen)
      throw new ProblemError(409, $localize`${unseen.changed_by} has changed this meanwhile`, {
        detail: $localize`“${unseen.name}” was changed since you looked. Look at what stands, then send yours once more.`,
      });
    await queries.one('works/note-items', kind, items, account.id);
    await queries.one('works/put-items', kind, items);
  }
}
