import type { Mm } from '../kernel/index.js';

/** Films of a single book's cover. */
export const SINGLE_FILMS = ['matt', 'gloss', 'none'] as const;
/** One of the films. */
export type SingleFilm = (typeof SINGLE_FILMS)[number];

/** One order of one book, printed singly. */
export interface SingleOrder {
  readonly id: string;
  readonly title: string;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly pages: number;
  readonly stock: string;
  readonly film: SingleFilm;
  /** ISO 8601 date. */
  readonly due: string;
}

/** Where a single book is: ordered, its cover and block printed, both matched, looked over. */
export const SINGLE_STATES = ['open', 'printed', 'kitted', 'checked'] as const;
/** Where a single book stands, from its order to its box. */
export type SingleState = (typeof SINGLE_STATES)[number];

/** Whether a book goes from one state to another: one step on, or back to be made again. */
export const mayBecome = (now: SingleState, next: SingleState): boolean =>
  next === 'open' ? now !== 'open' : SINGLE_STATES.indexOf(next) === SINGLE_STATES.indexOf(now) + 1;

/** Orders that run one after another without a change at the machines. */
export interface Batch<T extends SingleOrder = SingleOrder> {
  readonly key: string;
  readonly orders: readonly T[];
  readonly leaves: number;
}

/** Batches by format, paper and film, each by due date; the batch with the earliest due date first. Source: handbook chapter 2, family 15. */
export function batchOrders<T extends SingleOrder>(orders: readonly T[]): readonly Batch<T>[] {
  const groups = new Map<string, T[]>();
  for (const order of orders) {
    const key = `${order.widthMm} × ${order.heightMm} mm, ${order.stock}, ${order.film}`;
    groups.set(key, [...(groups.get(key) ?? []), order]);
  }
  const dueFirst = (a: { due: string }, b: { due: string }): number => a.due.localeCompare(b.due);
  return [...groups]
    .map(([key, list]) => {
      const sorted = [...list].sort(dueFirst);
      return { key, orders: sorted, leaves: sorted.reduce((sum, { pages }) => sum + Math.ceil(pages / 2), 0) };
    })
    .sort((a, b) => dueFirst(a.orders[0] ?? { due: '' }, b.orders[0] ?? { due: '' }));
}

/** Whether covers and blocks belong together, or the first that do not and how. */
export type KitResult =
  | { readonly ok: true }
  | { readonly ok: false; readonly fault: 'no cover' | 'no block' | 'not the same'; readonly at: number };

/** Whether the stacks of covers and blocks, read code by code, belong together; stops at the first that does not. */
export function checkKits(blocks: readonly string[], covers: readonly string[]): KitResult {
  for (let at = 0; at < Math.max(blocks.length, covers.length); at++) {
    if (blocks[at] === undefined) return { ok: false, fault: 'no block', at };
    if (covers[at] === undefined) return { ok: false, fault: 'no cover', at };
    if (blocks[at] !== covers[at]) return { ok: false, fault: 'not the same', at };
  }
  return { ok: true };
}

/** People at the final check so that it keeps up: books an hour x seconds a book / 3600. Source: handbook chapter 7 "Hand work". */
export const checkersFor = (booksPerHour: number, secondsPerBook: number): number =>
  Math.ceil((booksPerHour * secondsPerBook) / 3600 - 1e-9);
