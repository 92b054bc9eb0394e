import { type PaperItem, type Works, isPaperKey, paperKey } from '@druckerei/core';
import type { NewHolding } from '@druckerei/contract';

export const stockIds = ({ stocks }: Works): ReadonlySet<string> => new Set(stocks.map(({ id }) => id));

/** Refuses a paper that the works does not have, and parts of a sheet. @param stocks of the works @param at where it is told. */
export function refuseOdd(
  { paper, quantity }: { readonly paper?: PaperItem | undefined; readonly quantity: number },
  stocks: ReadonlySet<string>,
  at = '',
): { path: string; message: string }[] {
  if (!paper) return [];
  const unknown = stocks.has(paper.stock)
    ? []
    : [{ path: `${at}paper.stock`, message: $localize`The works has no stock ${paper.stock}. Choose another.` }];
  return [...unknown, ...refuseParts(paperKey(paper), quantity, `${at}quantity`)];
}
/** Refuses a key that is not of the kind of what it is of. @param at where it is told. */
export const refuseOtherKey = (other: NewHolding['other'], at = ''): { path: string; message: string }[] =>
  other && !other.key.startsWith(`${other.kind}/`)
    ? [{ path: `${at}other.key`, message: $localize`The key of something of this kind begins with ${other.kind}/.` }]
    : [];
/** Refuses parts of what is counted whole. */
export const refuseParts = (key: string, quantity: number, path: string): { path: string; message: string }[] =>
  isPaperKey(key) && !Number.isInteger(quantity)
    ? [{ path, message: $localize`${quantity} is no whole number: sheets and rolls are counted whole.` }]
    : [];
