import type { Issue } from '../kernel/index.js';
import { checkStock } from './check-stock.js';
import { idOf } from './item-id.js';
import { type PriceLine, type PriceListKey, LineReader } from './price-line.js';
import type { SheetSize, Stock, Works } from './works.js';

/** A line that cannot be taken, counted from 1, with the column that it is about. */
export interface WrongLine {
  readonly line: number;
  readonly issue: Issue;
}

/** What a price list comes to: papers as they would stand, their prices a kilogram, and the lines that cannot be taken. */
export interface PriceList {
  readonly stocks: readonly Stock[];
  readonly prices: readonly { readonly stock: string; readonly perKg: number }[];
  readonly wrong: readonly WrongLine[];
  /** Papers whose lines have different prices a kilogram: the highest is taken. */
  readonly differing: readonly string[];
}

/** How a paper is known again in another list: by what it is called and weighs. */
const keyOf = (paper: Pick<Stock, 'name' | 'gsm'>): string => fullName(paper).toLowerCase();

/** A paper's name with its weight, so that those of one sort can be told apart. */
const fullName = ({ name, gsm }: Pick<Stock, 'name' | 'gsm'>): string =>
  new RegExp(`(^|[^\\d.,])${String(gsm).replace('.', '[.,]')}([^\\d]|$)`).test(name)
    ? name.trim()
    : `${name.trim()} ${gsm} g`;

const sameSheet = (one: SheetSize, other: SheetSize): boolean =>
  one.widthMm === other.widthMm && one.heightMm === other.heightMm && one.grain === other.grain;

/** A paper with what a line tells of it. */
function grown(stock: Stock, { bulk = stock.bulk, coated = stock.coated, sheet, rollMm }: PriceLine): Stock {
  const rolls = stock.rollWidthsMm ?? [];
  return {
    ...stock,
    bulk,
    coated,
    sheets: sheet && !stock.sheets.some((one) => sameSheet(one, sheet)) ? [...stock.sheets, sheet] : stock.sheets,
    ...(rollMm === undefined || rolls.includes(rollMm)
      ? {}
      : { rollWidthsMm: [...rolls, rollMm].sort((a, b) => a - b) }),
  };
}

/** Prices of a kilogram closer than this are the same. */
const SAME_PRICE = 0.005;

/**
 * Reads a price list into papers and prices of a kilogram. Lines of one name and weight are one paper, which comes in all their
 * sizes; a paper that the works has is known again by name and weight, and keeps its id and what the list does not say.
 * @param rows lines without their heading. @param first number of the first of them, for what is told. Issues: `list.*`, `works.*`.
 */
export function readPriceList(
  rows: readonly (readonly string[])[],
  key: PriceListKey,
  works: Works,
  first = 2,
): PriceList {
  const known = new Map(works.stocks.map((stock) => [keyOf(stock), stock]));
  const taken = new Set(works.stocks.map(({ id }) => id));
  const found = new Map<string, { stock: Stock; line: number; perKg?: number; differs: boolean }>();
  const wrong: WrongLine[] = [];
  for (const [i, row] of rows.entries()) {
    if (row.every((cell) => cell.trim() === '')) continue;
    const line = first + i;
    const reader = new LineReader(row, key);
    const told = reader.read(works.currency);
    wrong.push(...reader.issues.map((issue) => ({ line, issue })));
    if (!told) continue;
    const at = keyOf(told);
    const before = found.get(at);
    const begun = before?.stock ?? known.get(at);
    const stock = grown(
      begun ?? {
        id: idOf(fullName(told), taken),
        name: fullName(told),
        gsm: told.gsm,
        bulk: key.bulk,
        coated: key.coated,
        sheets: [],
      },
      told,
    );
    const bad = checkStock(stock);
    wrong.push(...bad.map((issue) => ({ line, issue })));
    if (bad.length > 0) continue;
    taken.add(stock.id);
    const prices = [before?.perKg, told.perKg].filter((price) => price !== undefined);
    found.set(at, {
      stock,
      line,
      ...(prices.length > 0 ? { perKg: Math.max(...prices) } : {}),
      differs: before?.differs === true || Math.max(...prices) - Math.min(...prices) > SAME_PRICE,
    });
  }
  const all = [...found.values()];
  return {
    stocks: all.map(({ stock }) => stock),
    prices: all.flatMap(({ stock, perKg: price }) =>
      price === undefined ? [] : [{ stock: stock.id, perKg: Math.round(price * 1e4) / 1e4 }],
    ),
    wrong,
    differing: all.filter(({ differs }) => differs).map(({ stock }) => stock.name),
  };
}
