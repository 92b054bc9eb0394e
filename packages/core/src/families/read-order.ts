import { isCalendarDay, numberText, wordOf } from '../kernel/index.js';
import { isoSize } from '../paper/index.js';
import type { FoldKind } from '../job/index.js';
import type { Stock, Works } from '../works/index.js';
import { FAMILY_RULES } from './family-rules.js';
import type { AskedFamily } from './answers.js';
import { stocksFor } from './offers.js';

/** What a line of text says of an order, as far as it could be understood. */
export interface ReadOrder {
  readonly family?: AskedFamily;
  readonly quantity?: number;
  readonly widthMm?: number;
  readonly heightMm?: number;
  readonly pages?: number;
  readonly colours?: { readonly front: number; readonly back: number };
  readonly stock?: string;
  readonly coverStock?: string;
  readonly fold?: FoldKind;
  readonly title?: string;
  readonly customer?: string;
  /** ISO 8601 date. */
  readonly due?: string;
  /** What was understood, each with the words that said it. */
  readonly understood: readonly { readonly words: string; readonly as: string }[];
  /** Words that nothing was made of. */
  readonly left: readonly string[];
}

type Found = Omit<ReadOrder, 'understood' | 'left'>;

/** Names of products as people say them, in either language; the longer ones first. */
const PRODUCTS: readonly (readonly [RegExp, AskedFamily])[] = [
  [/\b(?:case[- ]bound|hard ?(?:cover|back)) ?(?:books?)?\b/i, 'case-bound'],
  [/\b(?:festeinb[aä]nde?|deckenb[aä]nde?)(?![\p{L}])/iu, 'case-bound'],
  [/\b(?:perfect[- ]bound|paperback)s? ?(?:books?)?\b/i, 'perfect-bound'],
  [/\b(?:klebegebundene?n?|klebebindung|taschenbuch|taschenbücher)(?: (?:buch|bücher))?(?![\p{L}])/iu, 'perfect-bound'],
  [/\b(?:saddle[- ]stitched|wire[- ]stitched) ?(?:booklets?|brochures?|programmes?|magazines?)?\b/i, 'saddle-stitched'],
  [/\b(?:booklet|brochure|programme|magazine)s?\b/i, 'saddle-stitched'],
  [/\b(?:broschüre|programmheft|heft|magazin|zeitschrift)(?:e|en|n)?(?![\p{L}])/iu, 'saddle-stitched'],
  [/\bbooks?\b/i, 'perfect-bound'],
  [/\b(?:buch|bücher)(?![\p{L}])/iu, 'perfect-bound'],
  [/\b(?:shipping|corrugated) ?(?:case|box|boxe)s?\b/i, 'corrugated-case'],
  [/\b(?:versandkarton|wellpappkarton|wellpappschachtel)(?:s|n)?\b/i, 'corrugated-case'],
  [/\b(?:carton|folding box|folding boxe)s?\b/i, 'carton'],
  [/\bfaltschachteln?\b/i, 'carton'],
  [/\b(?:label|sticker)s?\b/i, 'labels'],
  [/\b(?:etikette?n?|aufkleber)\b/i, 'labels'],
  [/\b(?:envelope|packet)s?\b/i, 'envelope'],
  [/\b(?:briefumschlag|briefumschläge|kuverts?|briefhüllen?)(?![\p{L}])/iu, 'envelope'],
  [/\b(?:ticket|voucher)s?\b/i, 'numbered'],
  [/\b(?:eintrittskarte|gutschein)(?:e|n)?\b/i, 'numbered'],
  [/\b(?:letterhead|invitation)s?\b/i, 'stationery'],
  [/\b(?:briefb[oö]gen|briefpapiere?|einladung(?:en)?)(?![\p{L}])/iu, 'stationery'],
  [/\b(?:leaflet|folder|map)s?\b/i, 'folded'],
  [/\b(?:faltblatt|faltblätter|falzprospekte?|landkarten?|wanderkarten?|stadtpl[aä]ne?)(?![\p{L}])/iu, 'folded'],
  [/\b(?:poster|postcard|card|flyer)s?\b/i, 'flat'],
  [/\b(?:plakate?|postkarten?|karten?|handzettel)\b/i, 'flat'],
];

const FOLDS: readonly (readonly [RegExp, FoldKind])[] = [
  [/\bletter[- ]fold(?:ed)?\b|\bwickelfalz\b/i, 'letter'],
  [/\b(?:accordion|zig-?zag)[- ]?(?:fold(?:ed)?)?\b|\b(?:leporello(?:falz)?|zickzackfalz)\b/i, 'accordion'],
  [/\bgate[- ]fold(?:ed)?\b|\b(?:altarfalz|fensterfalz)\b/i, 'gate'],
];

/** A number with thousands apart by comma, point, space or apostrophe; k stands for a thousand. */
const NUMBER = String.raw`(\d{1,3}(?:[ ,.'’\u00a0\u202f]\d{3})+|\d+)(k)?`;
const numberOf = (digits: string, k: string | undefined): number =>
  Number(digits.replace(/\D/g, '')) * (k === undefined ? 1 : 1000);

/** Surfaces as they stand in names of stocks, in either language. */
const SURFACES = [
  ['silk', 'seidenmatt', 'halbmatt'],
  ['gloss', 'glänzend'],
  ['matt'],
  ['offset'],
  ['uncoated', 'ungestrichen', 'naturpapier'],
  ['board', 'karton'],
  ['wove', 'schreibpapier'],
  ['label', 'etikettenpapier'],
] as const;
const GSM = String.raw`(\d{2,3})(?: ?(?:gsm|g\/m2|g\/m²|g)(?![a-z]))?`;
const SURFACE = `(${SURFACES.flat().join('|')})(?: coated)?`;

/** The stock of a grammage, of the surface told where one is; undefined where the works has none. */
function stockOf(stocks: readonly Stock[], gsm: string | undefined, surface: string | undefined): Stock | undefined {
  const typed = surface?.toLowerCase();
  const alike = SURFACES.find((words) => words.some((word) => word === typed)) ?? [];
  const named = ({ name }: Stock): boolean =>
    typed === undefined || alike.some((word) => name.toLowerCase().includes(word));
  return stocks.find((stock) => stock.gsm === Number(gsm) && named(stock));
}

/** Words that say nothing by themselves. */
const LITTLE = new Set([
  ...['of', 'on', 'with', 'and', 'the', 'a', 'an', 'text', 'in', 'at', 'size', 'paper', 'from'],
  ...['von', 'auf', 'mit', 'und', 'der', 'die', 'das', 'ein', 'eine', 'inhalt', 'bei', 'format', 'papier', 'aus'],
]);

/** What a match means: the answers that it gives, and the same in words. */
interface Meaning {
  readonly as: string;
  readonly gives: Found;
}

/** Reads one thing after another out of a text; what is read is taken out of it. */
class Reader {
  private rest: string;
  found: Found = {};
  readonly understood: { words: string; as: string }[] = [];

  constructor(text: string) {
    this.rest = text;
  }

  /** Takes the first match out of the text. @param read undefined leaves it where it is. */
  take(pattern: RegExp, read: (match: RegExpExecArray) => Meaning | undefined): boolean {
    const match = pattern.exec(this.rest);
    const meaning = match ? read(match) : undefined;
    if (!match || !meaning) return false;
    this.found = { ...this.found, ...meaning.gives };
    this.understood.push({ words: match[0].trim(), as: meaning.as });
    this.rest = `${this.rest.slice(0, match.index)} | ${this.rest.slice(match.index + match[0].length)}`;
    return true;
  }

  left(): string[] {
    const words = (part: string): string[] => part.split(/\s+/).filter((word) => /[\p{L}\p{N}]/u.test(word));
    return this.rest
      .split('|')
      .map(words)
      .filter((part) => part.some((word) => !LITTLE.has(word.toLowerCase())))
      .map((part) => part.join(' '));
  }
}

function readProduct(reader: Reader): void {
  PRODUCTS.some(([pattern, family]) =>
    reader.take(pattern, () => ({ as: FAMILY_RULES[family].name, gives: { family } })),
  );
  FOLDS.some(([pattern, fold]) =>
    reader.take(pattern, () => ({ as: $localize`${wordOf(fold)} fold`, gives: { fold } })),
  );
}

/** A grammage with its surface, before or behind it; of a cover the grammage alone as well. */
function readStock(reader: Reader, stocks: readonly Stock[], field: 'stock' | 'coverStock'): void {
  const before = field === 'stock' ? String.raw`\b` : String.raw`\b(?:cover|umschlag):? (?:of |in |on |aus )?`;
  const noSize = String.raw`(?![\d\/x×p])`;
  const read = (gsm: string | undefined, surface?: string): Meaning | undefined => {
    const stock = stockOf(stocks, gsm, surface);
    return stock && { as: `${field === 'stock' ? '' : $localize`cover: `}${stock.name}`, gives: { [field]: stock.id } };
  };
  const patterns: readonly (readonly [string, (match: RegExpExecArray) => Meaning | undefined])[] = [
    [`${SURFACE} ${GSM}${noSize}`, ([, surface, gsm]) => read(gsm, surface)],
    [String.raw`${GSM} ${SURFACE}\b`, ([, gsm, surface]) => read(gsm, surface)],
    ...(field === 'coverStock' ? ([[`${GSM}${noSize}`, ([, gsm]: RegExpExecArray) => read(gsm)]] as const) : []),
  ];
  patterns.some(([pattern, meaning]) => reader.take(new RegExp(`${before}${pattern}`, 'i'), meaning));
}

function readPages(reader: Reader): void {
  reader.take(/\b(\d{1,3}) ?(?:pp|pages?|p|seiten?|s)\b|\b(\d{1,3})-(?:page|seitig)\b/i, ([, before, joined]) => {
    const pages = Number(before ?? joined);
    return { as: $localize`${pages} pages`, gives: { pages } };
  });
}

function readColours(reader: Reader): void {
  reader.take(/\b([1-6]) ?\/ ?([0-6])\b/, ([, front, back]) => ({
    as: $localize`${front} colours on the front, ${back} on the back`,
    gives: { colours: { front: Number(front), back: Number(back) } },
  }));
}

function readSize(reader: Reader): void {
  const named = reader.take(/\b([AB](?:10|\d))\b/i, ([, name = '']) => {
    const size = isoSize(name.toUpperCase());
    return size && { as: $localize`${name.toUpperCase()}\: ${size.widthMm} x ${size.heightMm} mm`, gives: size };
  });
  if (named) return;
  reader.take(/\b(\d{2,4}(?:[.,]\d)?) ?[x×] ?(\d{2,4}(?:[.,]\d)?)(?: ?mm)?\b/i, ([, width = '', height = '']) => {
    const [widthMm, heightMm] = [width, height].map((side) => Number(side.replace(',', '.')));
    if (widthMm === undefined || heightMm === undefined) return undefined;
    const size = { widthMm, heightMm };
    return { as: `${size.widthMm} x ${size.heightMm} mm`, gives: size };
  });
}

/** Most that an order counts. */
const MOST = 1e9;

/** A quantity that stands by itself, thousands apart or not; undefined where it is none that can be ordered. */
export function quantityIn(text: string): number | undefined {
  const [, digits, k] = new RegExp(`^${NUMBER}$`, 'i').exec(text) ?? [];
  const quantity = digits === undefined ? NaN : numberOf(digits, k);
  return quantity >= 1 && quantity <= MOST ? quantity : undefined;
}

/** No part of a date that there is not is a quantity. */
function readQuantity(reader: Reader): void {
  reader.take(
    new RegExp(String.raw`(?<!-)\b${NUMBER}(?: ?(?:copies|pieces|pcs|off|exemplare|stück))?\b(?!-\d)`, 'i'),
    ([, digits = '', k]) => {
      const quantity = numberOf(digits, k);
      return quantity < 1 || quantity > MOST
        ? undefined
        : { as: $localize`${numberText(quantity)} ordered`, gives: { quantity } };
    },
  );
}

function readWhose(reader: Reader): void {
  reader.take(/["“”]([^"“”]{1,120})["“”]/, ([, title = '']) => ({ as: $localize`title: ${title}`, gives: { title } }));
  const due = (day: string): Meaning | undefined =>
    isCalendarDay(day) ? { as: $localize`due ${day}`, gives: { due: day } } : undefined;
  reader.take(/\b(?:due|bis|termin) (\d{4}-\d{2}-\d{2})\b/i, ([, day = '']) => due(day));
  reader.take(/\b(?:bis|termin) (\d{1,2})\. ?(\d{1,2})\. ?(\d{4})\b/i, ([, day = '', month = '', year = '']) =>
    due(`${year}-${month.padStart(2, '0')}-${day.padStart(2, '0')}`),
  );
}

function readCustomer(reader: Reader): void {
  reader.take(
    /\b(?:for|für) (\p{Lu}[\p{L}'’-]*(?: (?:\p{Lu}[\p{L}'’-]*|of|and|&|und|für))*)/u,
    ([, customer = '']) => ({
      as: $localize`customer: ${customer}`,
      gives: { customer },
    }),
  );
}

/**
 * Reads an order out of a line as people write it: "3000 booklets A5 40pp 4/4 silk 115 cover 250". What could not be
 * understood is told, and nothing is guessed. Source: common practice, no source (how orders are written).
 */
export function readOrder(text: string, works: Works): ReadOrder {
  const reader = new Reader(text);
  // What is told in quotes or by name first; a bare number is the quantity, once all other numbers are taken.
  readWhose(reader);
  readProduct(reader);
  const stocks = stocksFor(FAMILY_RULES[reader.found.family ?? 'flat'].press, works);
  readStock(reader, stocks, 'coverStock');
  readPages(reader);
  readColours(reader);
  readSize(reader);
  readStock(reader, stocks, 'stock');
  readQuantity(reader);
  readCustomer(reader);
  return { ...reader.found, understood: reader.understood, left: reader.left() };
}
