import type { Mm } from '../kernel/index.js';

/** One order of one book, printed singly. */
export interface SingleOrder {
  readonly id: string;
  readonly title: string;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly pages: number;
  readonly stock: string;
  readonly film: 'matt' | 'gloss' | 'none';
  /** ISO 8601 date. */
  readonly due: string;
}

/** Orders that run one after another without a change at the machines. */
export interface Batch {
  readonly key: string;
  readonly orders: readonly SingleOrder[];
  readonly leaves: number;
}

/** Batches by format, paper and film, each by due date; the batch with the earliest due date first. Source: handbook chapter 2, family 15. */
export function batchOrders(orders: readonly SingleOrder[]): readonly Batch[] {
  const groups = new Map<string, SingleOrder[]>();
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
