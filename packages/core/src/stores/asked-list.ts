import { type DayFirst, type Issue, bareName, columnsOf, error, readDay } from '../kernel/index.js';
import { type SupplyPrice, PRICE_COUNTS, readAmount } from '../works/index.js';
import type { KnownItem } from './known-items.js';

/** What a list of a supplier's prices may tell, and what its columns are called. */
export const ASKED_COLUMNS = {
  item: $localize`What they sell`,
  price: $localize`Price`,
  per: $localize`For how many`,
  from: $localize`From how many on`,
  first: $localize`Holds from`,
  last: $localize`Holds until`,
} as const;
/** One of them. */
export type AskedColumn = keyof typeof ASKED_COLUMNS;

/** How such a list is to be read. */
export interface AskedListKey {
  /** Place of each column, from 0. */
  readonly columns: Partial<Readonly<Record<AskedColumn, number>>>;
  readonly decimal: '.' | ',';
  readonly dates: DayFirst;
  /** What a price is for where no column says it. */
  readonly per: Pick<SupplyPrice, 'per' | 'measure'>;
  /** Currency of the works. */
  readonly currency: string;
}

/** Headings as suppliers write them, English and German; the first that fits, each once. */
const HEADINGS: Readonly<Record<AskedColumn, RegExp>> = {
  last: /until|\bto\b|expires|bis|ende/i,
  first: /valid|holds|since|gültig|ab datum|beginn/i,
  from: /^from|minimum|min\b|quantity|scale|staffel|menge|^ab\b/i,
  per: /^(for|per|unit)\b|einheit|^pro\b|^je\b|preiseinheit/i,
  price: /price|preis|eur|€|cost/i,
  item: /item|article|artikel|what|name|paper|papier|grade|sorte|bezeichnung|product/i,
};

/** Which columns a heading tells. */
export const guessAskedColumns = (headings: readonly string[]): Partial<Record<AskedColumn, number>> =>
  columnsOf(headings, HEADINGS);

/** One of what jobs count, where no number stands before it. */
const ONE_OF = /^(each|piece|pcs?\b|unit|sheet|roll|metre|meter|m\d?$|box|pack|stück|bogen|rolle|karton)/;

/** What a price is for, out of “100 kg”, “1.000 sheets”, “t” or “each”; undefined where it is neither. */
export function perOf(cell: string): Pick<SupplyPrice, 'per' | 'measure'> | undefined {
  const text = cell.trim().toLowerCase();
  if (/^(t|to|tonnes?|tons?)$/.test(text)) return { per: 1000, measure: 'kg' };
  const [, digits = '', word = ''] = /^([\d.,'’\s\u00a0\u202f]*)(.*)$/.exec(text) ?? [];
  const bare = digits.replaceAll(/\D/g, '');
  const per = PRICE_COUNTS.find((one) => String(one) === (bare === '' ? '1' : bare));
  const isUnit = bare === '' ? ONE_OF.test(word) : !/\d/.test(word);
  const measure = /^(kg|kilo\w*)\.?$/.test(word) ? 'kg' : isUnit ? 'unit' : undefined;
  return per === undefined || measure === undefined ? undefined : { per, measure };
}

/** Things by what a list may call them: their key, their name, a paper without “every size”. */
function byName(items: readonly KnownItem[]): ReadonlyMap<string, string> {
  const names = new Map<string, string>();
  for (const { key, name } of items)
    for (const one of [key, bareName(name), bareName(name.replace(/, every size$/, ''))])
      if (!names.has(one)) names.set(one, key);
  return names;
}

/** A line of such a list: a price, or what is wrong with it. */
export type AskedLine = { readonly price: SupplyPrice } | { readonly issues: readonly Issue[] };

/**
 * Reads a list of a supplier's prices, line by line; empty lines are left out. @param rows lines without their heading.
 * @param first number of the first of them. Issues: `list.cell-missing`, `list.unknown-item`, `list.not-a-number`,
 * `list.other-currency`, `list.per-unknown`, `list.date`, `list.ends-before`. Source: common practice, no source.
 */
export function readAskedPrices(
  rows: readonly (readonly string[])[],
  key: AskedListKey,
  items: readonly KnownItem[],
  first = 2,
): (AskedLine & { readonly line: number })[] {
  const names = byName(items);
  return rows.flatMap((row, i) =>
    row.every((cell) => cell.trim() === '') ? [] : [{ ...readLine(row, key, names), line: first + i }],
  );
}

const MONEY = /[€$£¥]|\b[A-Z]{3}\b/g;
const SIGNS: Readonly<Record<string, string>> = { '€': 'EUR', $: 'USD', '£': 'GBP', '¥': 'JPY' };

function readLine(
  row: readonly string[],
  { columns, decimal, dates, per, currency }: AskedListKey,
  names: ReadonlyMap<string, string>,
): AskedLine {
  const issues: Issue[] = [];
  const cellOf = (column: AskedColumn): string => row[columns[column] ?? -1]?.trim() ?? '';
  const told = (column: AskedColumn) => ({ column: ASKED_COLUMNS[column], cell: cellOf(column) });
  const refuse = (code: Issue['code'], column: AskedColumn, params: Readonly<Record<string, string>>): void => {
    issues.push(error(code, column, params));
  };
  /** What a cell says, told where it says nothing that can be taken. */
  const read = <T>(column: AskedColumn, value: T | undefined, code: Issue['code']): T | undefined => {
    if (value === undefined) refuse(code, column, told(column));
    return value;
  };
  const figure = (column: AskedColumn, text: string): number | undefined => {
    const value = readAmount(text, decimal);
    return read(column, value !== undefined && value >= 0 ? value : undefined, 'list.not-a-number');
  };
  const day = (column: AskedColumn): string | undefined => {
    const text = cellOf(column);
    const found = text === '' ? undefined : readDay(text, dates);
    if (text !== '' && found === undefined) refuse('list.date', column, { text });
    return found;
  };
  for (const column of ['item', 'price'] as const)
    if (cellOf(column) === '') refuse('list.cell-missing', column, { column: ASKED_COLUMNS[column] });

  const [name, money, forMany, from] = [cellOf('item'), cellOf('price'), cellOf('per'), cellOf('from')];
  const item =
    name === '' ? undefined : read('item', names.get(name) ?? names.get(bareName(name)), 'list.unknown-item');
  const [sign] = money.match(MONEY) ?? [];
  const asked = sign === undefined ? currency : (SIGNS[sign] ?? sign);
  if (asked !== currency) refuse('list.other-currency', 'price', { ...told('price'), told: asked, currency });
  const price = money === '' ? undefined : figure('price', money.replaceAll(MONEY, '').trim());
  const what = forMany === '' ? per : read('per', perOf(forMany), 'list.per-unknown');
  const least = from === '' ? undefined : figure('from', from.replaceAll(/\p{L}+\.?/gu, '').trim());
  const [validFrom, validUntil] = [day('first'), day('last')];
  if (validFrom !== undefined && validUntil !== undefined && validUntil < validFrom)
    refuse('list.ends-before', 'last', { first: validFrom, last: validUntil });
  if (issues.length > 0 || item === undefined || price === undefined || what === undefined) return { issues };
  return {
    price: {
      ...{ item, price, per: what.per, measure: what.measure },
      ...(least === undefined ? {} : { from: least }),
      ...(validFrom === undefined ? {} : { validFrom }),
      ...(validUntil === undefined ? {} : { validUntil }),
    },
  };
}
