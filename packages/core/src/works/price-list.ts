import { type Issue, error } from '../kernel/index.js';
import { checkStock } from './check-stock.js';
import type { SheetSize, Stock, Works } from './works.js';

/** What a column of a price list may tell, as people call it. */
export const PRICE_COLUMNS = {
  name: 'Paper',
  gsm: 'Weight, g/m²',
  bulk: 'Bulk, cm³/g',
  caliper: 'Caliper, µm or mm',
  coated: 'Coated, yes or no',
  size: 'Sheet size',
  grain: 'Grain, long or short',
  roll: 'Roll width, mm',
  price: 'Price',
  currency: 'Currency',
} as const;
/** One of them. */
export type PriceColumn = keyof typeof PRICE_COLUMNS;

/** What a price of a list is for. */
export const PRICED_PER = ['kg', '100 kg', 't', '1000 sheets', 'm2'] as const;
/** One of them. */
export type PricedPer = (typeof PRICED_PER)[number];

/** How a price list is to be read. */
export interface PriceListKey {
  /** Place of each column, from 0. */
  readonly columns: Partial<Readonly<Record<PriceColumn, number>>>;
  readonly decimal: '.' | ',';
  readonly per: PricedPer;
  /** Where the list does not say: bulk in cm3/g, whether it is coated, the side that the grain runs along. */
  readonly bulk: number;
  readonly coated: boolean;
  readonly grain: 'long' | 'short';
}

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

/** Headings as price lists write them, English and German. */
const HEADINGS: Readonly<Record<PriceColumn, RegExp>> = {
  gsm: /g\/?m|gsm|gramm|weight|gewicht/i,
  bulk: /bulk|volum/i,
  caliper: /caliper|thick|dicke|stärke|µm|micron/i,
  coated: /coat|gestrichen|surface|oberfl/i,
  size: /size|format|sheet|bogen/i,
  grain: /grain|lauf|faser/i,
  roll: /roll|reel|rolle/i,
  currency: /currency|währung|curr/i,
  price: /price|preis|eur|€|cost/i,
  name: /name|paper|papier|grade|sorte|quality|bezeichnung|article|artikel/i,
};

/** Which columns a heading tells, as far as its words do; the first that fits, each once. */
export function guessColumns(headings: readonly string[]): Partial<Record<PriceColumn, number>> {
  const taken = new Set<number>();
  const columns: Partial<Record<PriceColumn, number>> = {};
  for (const column of Object.keys(HEADINGS) as PriceColumn[]) {
    const at = headings.findIndex((heading, i) => !taken.has(i) && HEADINGS[column].test(heading));
    if (at < 0) continue;
    taken.add(at);
    columns[column] = at;
  }
  return columns;
}

/** The decimal sign that most figures of a list are written with. */
export function guessDecimal(rows: readonly (readonly string[])[]): '.' | ',' {
  const ends = (sign: string): number =>
    rows.flat().filter((cell) => new RegExp(`^[^A-Za-z]*\\d\\${sign}\\d{1,2}[^\\d]*$`).test(cell)).length;
  return ends(',') > ends('.') ? ',' : '.';
}

/** A figure out of a cell; undefined where it is none. Other signs than the decimal one may part thousands. */
export function readAmount(cell: string, decimal: '.' | ','): number | undefined {
  const bare = cell.replaceAll(/[\s\u00a0\u202f'’]/g, '');
  const other = decimal === '.' ? ',' : '.';
  const thousands = new RegExp(`^-?\\d{1,3}(\\${other}\\d{3})+(\\${decimal}\\d+)?$`);
  const plain = new RegExp(`^-?\\d+(\\${decimal}\\d+)?$`);
  if (!thousands.test(bare) && !plain.test(bare)) return undefined;
  return Number(bare.replaceAll(other, '').replace(decimal, '.'));
}

/** Signs of money that stand in cells, with the currency that they are. */
const SIGNS: Readonly<Record<string, string>> = { '€': 'EUR', $: 'USD', '£': 'GBP', '¥': 'JPY' };
const CURRENCY_IN = /[€$£¥]|\b[A-Z]{3}\b/;

const YES = /^(y|yes|j|ja|true|1|x|coated|gestrichen|silk|matt|gloss|glänzend)/i;
const NO = /^(n|no|nein|false|0|uncoated|ungestrichen|offset|natur)/i;
const LONG = /^(l|lg|long|sb|schmalbahn)/i;
const SHORT = /^(s|sg|short|bb|breitbahn)/i;

/** Sides under this are centimetres. Source: common practice, no source. */
const MOST_CM = 200;

/** Sides of a sheet out of a cell, millimetres, the longer one first; undefined where there are none. */
export function readSheetSize(cell: string, decimal: '.' | ','): readonly [number, number] | undefined {
  const found = /^([\d.,]+)\s*(?:mm|cm)?\s*[x×*]\s*([\d.,]+)\s*(mm|cm)?/i.exec(cell.trim());
  if (!found) return undefined;
  const [a, b] = [readAmount(found[1] ?? '', decimal), readAmount(found[2] ?? '', decimal)];
  if (a === undefined || b === undefined || a <= 0 || b <= 0) return undefined;
  const unit = found[3]?.toLowerCase() ?? (Math.max(a, b) < MOST_CM ? 'cm' : 'mm');
  const mm = [a, b].map((side) => Math.round(side * (unit === 'cm' ? 100 : 10)) / 10).sort((one, other) => other - one);
  return [mm[0] ?? 0, mm[1] ?? 0];
}

/** Calipers under this are millimetres, not micrometres. Source: common practice, no source. */
const MOST_CALIPER_MM = 15;

const MM_PER_M = 1000;
const G_PER_KG = 1000;

/** The price of a kilogram; undefined where it is told for sheets that the line does not. Source: identity of the weights. */
function perKg(
  price: number,
  per: PricedPer,
  gsm: number,
  size: readonly [number, number] | undefined,
): number | undefined {
  const m2 = size && (size[0] / MM_PER_M) * (size[1] / MM_PER_M);
  switch (per) {
    case 'kg':
      return price;
    case '100 kg':
      return price / 100;
    case 't':
      return price / 1000;
    case 'm2':
      return price / (gsm / G_PER_KG);
    case '1000 sheets':
      return m2 === undefined ? undefined : price / ((1000 * m2 * gsm) / G_PER_KG);
  }
}

/** What one line tells. */
interface Told {
  readonly name: string;
  readonly gsm: number;
  readonly bulk?: number;
  readonly coated?: boolean;
  readonly sheet?: SheetSize;
  readonly rollMm?: number;
  readonly perKg?: number;
}

/** Reads lines by a key: each cell by its column, what is wrong with it told by the name of the column. */
class LineReader {
  readonly issues: Issue[] = [];
  constructor(
    private readonly row: readonly string[],
    private readonly key: PriceListKey,
  ) {}

  cell(column: PriceColumn): string {
    const at = this.key.columns[column];
    return at === undefined ? '' : (this.row[at] ?? '').trim();
  }
  wrong(column: PriceColumn, code: Issue['code'], params: Readonly<Record<string, string | number>> = {}): void {
    this.issues.push(
      error(code, column, { column: PRICE_COLUMNS[column], cell: this.cell(column).slice(0, 40), ...params }),
    );
  }
  amount(column: PriceColumn, text = this.cell(column)): number | undefined {
    if (text === '') return undefined;
    const read = readAmount(text, this.key.decimal);
    if (read === undefined || read <= 0) this.wrong(column, 'list.not-a-number');
    return read;
  }
  word<T>(column: PriceColumn, choices: readonly (readonly [RegExp, T])[], otherwise: T): T {
    const text = this.cell(column);
    if (text === '') return otherwise;
    const found = choices.find(([pattern]) => pattern.test(text));
    if (!found) this.wrong(column, 'list.word-unknown');
    return found ? found[1] : otherwise;
  }

  price(currency: string): number | undefined {
    const text = this.cell('price');
    for (const [column, said] of [
      ['currency', this.cell('currency')],
      ['price', text],
    ] as const) {
      const sign = CURRENCY_IN.exec(said)?.[0];
      if (sign !== undefined && (SIGNS[sign] ?? sign) !== currency) {
        this.wrong(column, 'list.other-currency', { told: SIGNS[sign] ?? sign, currency });
        return undefined;
      }
    }
    return this.amount('price', text.replace(CURRENCY_IN, '').trim());
  }

  read(currency: string): Told | undefined {
    const name = this.cell('name');
    if (name === '') this.wrong('name', 'list.cell-missing');
    const gsm = this.amount(
      'gsm',
      this.cell('gsm')
        .replace(/g(\/?m[2²]|sm)?$/i, '')
        .trim(),
    );
    if (this.cell('gsm') === '') this.wrong('gsm', 'list.cell-missing');
    const caliper = this.amount('caliper');
    const um = caliper !== undefined && caliper < MOST_CALIPER_MM ? caliper * MM_PER_M : caliper;
    const bulk = this.amount('bulk') ?? (um !== undefined && gsm ? um / gsm : undefined);
    const coated = this.word<boolean | undefined>(
      'coated',
      [
        [NO, false],
        [YES, true],
      ],
      undefined,
    );
    const grain = this.word(
      'grain',
      [
        [LONG, 'long' as const],
        [SHORT, 'short' as const],
      ],
      this.key.grain,
    );
    const size = readSheetSize(this.cell('size'), this.key.decimal);
    if (this.cell('size') !== '' && !size) this.wrong('size', 'list.no-size');
    const rollMm = this.amount('roll', this.cell('roll').replace(/mm$/i, '').trim());
    if (!size && rollMm === undefined && this.issues.length === 0) this.wrong('size', 'list.no-size');
    const price = this.price(currency);
    const kg = price === undefined || gsm === undefined ? undefined : perKg(price, this.key.per, gsm, size);
    if (price !== undefined && gsm !== undefined && kg === undefined) this.wrong('price', 'list.price-of-no-sheet');
    if (this.issues.length > 0 || gsm === undefined) return undefined;
    return {
      name,
      gsm,
      ...(bulk === undefined ? {} : { bulk }),
      ...(coated === undefined ? {} : { coated }),
      ...(size ? { sheet: { widthMm: size[0], heightMm: size[1], grain: grain === 'long' ? 'width' : 'height' } } : {}),
      ...(rollMm === undefined ? {} : { rollMm }),
      ...(kg === undefined ? {} : { perKg: kg }),
    };
  }
}

/** How a paper is known again in another list: by what it is called and weighs. */
const keyOf = (paper: Pick<Stock, 'name' | 'gsm'>): string => fullName(paper).toLowerCase();

/** A paper's name with its weight, so that those of one sort can be told apart. */
const fullName = ({ name, gsm }: Pick<Stock, 'name' | 'gsm'>): string =>
  new RegExp(`(^|[^\\d.,])${String(gsm).replace('.', '[.,]')}([^\\d]|$)`).test(name)
    ? name.trim()
    : `${name.trim()} ${gsm} g`;

/** An id out of a name that is not taken yet. */
export function idOf(name: string, taken: ReadonlySet<string>): string {
  const plain = name
    .normalize('NFKD')
    .replaceAll(/\p{M}/gu, '')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-+|-+$/g, '');
  const base = plain.slice(0, 50).replace(/-+$/, '') || 'item';
  for (let n = 1; ; n++) {
    const id = n === 1 ? base : `${base}-${n}`;
    if (!taken.has(id)) return id;
  }
}

const sameSheet = (one: SheetSize, other: SheetSize): boolean =>
  one.widthMm === other.widthMm && one.heightMm === other.heightMm && one.grain === other.grain;

/** A paper with what a line tells of it. */
function grown(stock: Stock, { bulk = stock.bulk, coated = stock.coated, sheet, rollMm }: Told): Stock {
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
