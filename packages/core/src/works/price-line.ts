import { type Issue, columnsOf, error } from '../kernel/index.js';
import { readAmount, readSheetSize } from './read-cells.js';
import type { SheetSize } from './works.js';

/** What a column of a price list may tell, as people call it. */
export const PRICE_COLUMNS = {
  name: $localize`Paper`,
  gsm: $localize`Weight, g/m²`,
  bulk: $localize`Bulk, cm³/g`,
  caliper: $localize`Caliper, µm or mm`,
  coated: $localize`Coated, yes or no`,
  size: $localize`Sheet size`,
  grain: $localize`Grain, long or short`,
  roll: $localize`Roll width, mm`,
  price: $localize`Price`,
  currency: $localize`Currency`,
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

/** Which columns a heading tells. */
export const guessColumns = (headings: readonly string[]): Partial<Record<PriceColumn, number>> =>
  columnsOf(headings, HEADINGS);

/** Signs of money that stand in cells, with the currency that they are. */
const SIGNS: Readonly<Record<string, string>> = { '€': 'EUR', $: 'USD', '£': 'GBP', '¥': 'JPY' };
const CURRENCY_IN = /[€$£¥]|\b[A-Z]{3}\b/;

const YES = /^(y|yes|j|ja|true|1|x|coated|gestrichen|silk|matt|gloss|glänzend)/i;
const NO = /^(n|no|nein|false|0|uncoated|ungestrichen|offset|natur)/i;
const LONG = /^(l|lg|long|sb|schmalbahn)/i;
const SHORT = /^(s|sg|short|bb|breitbahn)/i;

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
export interface PriceLine {
  readonly name: string;
  readonly gsm: number;
  readonly bulk?: number;
  readonly coated?: boolean;
  readonly sheet?: SheetSize;
  readonly rollMm?: number;
  readonly perKg?: number;
}

/** Reads lines by a key: each cell by its column, what is wrong with it told by the name of the column. */
export class LineReader {
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

  read(currency: string): PriceLine | undefined {
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
