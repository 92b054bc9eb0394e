import type { KnownItem, SupplyPrice } from '@druckerei/core';
import { readNumber } from '../../../ui/format';

/** A price while it is typed. */
export interface PriceRow {
  readonly item: string;
  readonly price: string;
  readonly per: SupplyPrice['per'];
  readonly measure: SupplyPrice['measure'];
  readonly from: string;
  readonly validFrom: string;
  readonly validUntil: string;
}

export const NO_PRICE: PriceRow = {
  item: '',
  price: '',
  per: 1,
  measure: 'unit',
  from: '',
  validFrom: '',
  validUntil: '',
};

/** A price as it stands in its row. @param say writes a number. */
export const rowOf = (price: SupplyPrice, items: readonly KnownItem[], say: (value: number) => string): PriceRow => ({
  item: items.find(({ key }) => key === price.item)?.name ?? price.item,
  price: say(price.price),
  per: price.per,
  measure: price.measure,
  from: price.from === undefined ? '' : say(price.from),
  validFrom: price.validFrom ?? '',
  validUntil: price.validUntil ?? '',
});

/** The key of a thing that is told by its name or its key. */
export const keyIn = (items: readonly KnownItem[], asked: string): string | undefined =>
  items.find(({ key, name }) => name.toLowerCase() === asked.toLowerCase() || key === asked)?.key;

/** Prices out of what is typed, or what is wrong with it in words. A thing may be told by its name or its key. */
export function pricesOf(
  rows: readonly PriceRow[],
  items: readonly KnownItem[],
): { readonly prices: SupplyPrice[] } | { readonly wrong: string } {
  const prices: SupplyPrice[] = [];
  for (const [i, { item, price, from, per, measure, validFrom, validUntil }] of rows.entries()) {
    const at = $localize`Price ${i + 1}`;
    const asked = item.trim();
    const known = keyIn(items, asked);
    // What is of a job that is no more keeps its key.
    const key = known ?? (asked.includes('/') ? asked : undefined);
    if (key === undefined)
      return {
        wrong: $localize`${at}\: “${asked}” is nothing that the works buys. Choose it from the list that comes as you type.`,
      };
    const [each, least] = [readNumber(price), from.trim() === '' ? undefined : readNumber(from)];
    if (each === undefined || each < 0) return { wrong: $localize`${at}\: a price is a number, like 97 or 1.25.` };
    if (from.trim() !== '' && (least === undefined || least < 0))
      return { wrong: $localize`${at}\: “from” is a quantity, like 500; empty where it holds from the first.` };
    const odd = [validFrom, validUntil].find((day) => day !== '' && !/^\d{4}-\d\d-\d\d$/.test(day));
    if (odd !== undefined) return { wrong: $localize`${at}\: “${odd}” is no day; write it like 2026-12-31.` };
    if (validFrom !== '' && validUntil !== '' && validUntil < validFrom)
      return { wrong: $localize`${at}\: it ends before it begins.` };
    prices.push({
      item: key,
      price: each,
      per,
      measure,
      ...(least === undefined ? {} : { from: least }),
      ...(validFrom === '' ? {} : { validFrom }),
      ...(validUntil === '' ? {} : { validUntil }),
    });
  }
  return { prices };
}
