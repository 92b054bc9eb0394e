import { type SingleOrder, type SingleState, inEveryTongue, mayBecome, wordOf } from '@druckerei/core';
import type { Account, SingleBook } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { ProblemError, invalid } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { noteChange } from '../changes/changes.js';

interface BookRow {
  code: string;
  version: number;
  body: Omit<SingleOrder, 'id'>;
  state: SingleState;
  changed_by: string;
  changed_at: Date;
}

const stateWords = inEveryTongue((): Readonly<Record<SingleState, string>> => ({
  open: $localize`not printed yet`,
  printed: 'printed',
  kitted: $localize`matched already`,
  checked: $localize`checked already`,
}));

const readBook = async (queries: Queries): Promise<SingleBook[]> =>
  (await queries.many<BookRow & Record<string, unknown>>('singles/all')).map(
    ({ code, version, body, state, changed_by, changed_at }) => ({
      id: code,
      version,
      ...body,
      state,
      changedBy: changed_by,
      changedAt: changed_at.toISOString(),
    }),
  );

/** Puts orders into the book, all or none. */
export const addSingles = (
  database: Database,
  account: Pick<Account, 'id'>,
  orders: readonly SingleOrder[],
): Promise<SingleBook[]> =>
  database.transaction(async (queries) => {
    const wrong: { path: string; message: string }[] = [];
    // In one order, whoever adds them: two lists of the same codes wait for each other, not for ever.
    const sorted = [...orders.entries()].sort(([, a], [, b]) => (a.id < b.id ? -1 : 1));
    for (const [i, { id, ...body }] of sorted)
      if (!(await queries.one('singles/add', id, body, body.due, account.id)))
        wrong.push({
          path: `orders[${i}].id`,
          message: $localize`${id} is in the book already. Give it a code of its own.`,
        });
    if (wrong.length > 0)
      throw new ProblemError(409, $localize`Some of these orders are in the book already`, { errors: wrong });
    return readBook(queries);
  });

/** A book, and its version as it was seen; whoever holds it in hand and reads its code has seen it as it is. */
interface SeenBook {
  readonly id: string;
  readonly version?: number;
}

/** Books go on to a state where each of them may. Issues: 409 where one is not as it was seen, 422 where it may not. */
const move = (
  database: Database,
  account: Pick<Account, 'id'>,
  books: readonly SeenBook[],
  state: SingleState,
  path: string,
): Promise<SingleBook[]> =>
  database.transaction(async (queries) => {
    const codes = [...new Set(books.map(({ id }) => id))];
    const rows = await queries.many<{ code: string; state: SingleState; version: number }>('singles/lock', codes);
    const now = new Map(rows.map((row) => [row.code, row]));
    const wrong = codes.flatMap((code) => {
      const before = now.get(code)?.state;
      if (before === undefined)
        return [{ path, message: $localize`The book has no order ${code}. Look at the code again.` }];
      if (mayBecome(before, state)) return [];
      return [
        { path, message: $localize`${code} is ${stateWords()[before]}\: it cannot become ${wordOf(state)} now.` },
      ];
    });
    const changed = books.flatMap(({ id, version }) => {
      const row = now.get(id);
      return row && version !== undefined && version !== row.version
        ? [$localize`${id} is ${stateWords()[row.state]}`]
        : [];
    });
    if (changed.length > 0)
      throw new ProblemError(409, $localize`Somebody else has moved these books`, { detail: `${changed.join(', ')}.` });
    if (wrong.length > 0) throw invalid(wrong);
    await queries.one('singles/move', codes, state, account.id);
    for (const { code, state: before } of rows)
      await noteChange(queries, { kind: 'single-book', subject: code }, { before, after: state }, account);
    return readBook(queries);
  });

export const singlesHandlers = (
  database: Database,
): Pick<Handlers, 'singles' | 'addSingles' | 'moveSingles' | 'kitSingle'> => ({
  singles: () => readBook(database),
  addSingles: ({ body, account }) => addSingles(database, account, body.orders),
  moveSingles: ({ body, account }) => move(database, account, body.books, body.state, 'books'),
  kitSingle: ({ body, account }) => {
    const [cover, block] = [body.cover.trim(), body.block.trim()];
    if (cover === '' || cover !== block)
      throw invalid([
        {
          path: 'cover',
          message: $localize`Cover ${cover || $localize`without a code`} and block ${block || $localize`without a code`} are not of one order. Stop, and sort the stack from here on.`,
        },
      ]);
    return move(database, account, [{ id: block }], 'kitted', 'block');
  },
});
