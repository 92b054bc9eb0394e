import { BASIS_SHEETS, ENVELOPES, isoSize } from '../paper/index.js';
import { inchToMm, own, spokenLocale, table, wordOf } from '../kernel/index.js';
import { germanNumbers, germanRead } from './in-german.js';
import { type Sum, type SumField, type SumValues, MOST_CHARACTERS } from './sum.js';
import { SUMS, sumOf } from './sums.js';
import { CONVERSION_NAMES } from './sums/convert-sums.js';

/** What was understood of a typed line: the sum, what goes into it, and words that nothing was made of. */
export interface Understood {
  readonly sum: Sum;
  readonly values: SumValues;
  readonly unread: readonly string[];
}

/** Words of a unit: the unit of core, and how many of it are one. */
const UNITS: readonly (readonly [words: readonly string[], unit: string, factor: number])[] = [
  [['mm', 'millimetre', 'millimetres', 'millimeter', 'millimeters'], 'mm', 1],
  [['cm', 'centimetre', 'centimetres'], 'mm', 10],
  [['in', 'inch', 'inches'], 'mm', inchToMm(1)],
  [['um', 'micron', 'microns', 'mic', 'my'], 'um', 1],
  [['thou', 'mil', 'mils', 'caliper-points'], 'um', inchToMm(1)],
  [['gsm', 'g/m2', 'g/m²', 'g/qm'], 'g/m2', 1],
  [['lb', 'lbs', 'pound', 'pounds', '#'], 'lb', 1],
  [['kg', 'kilo', 'kilos'], 'kg', 1],
  [['g', 'gram', 'grams'], 'g', 1],
  [['m', 'metre', 'metres', 'meter', 'meters'], 'm', 1],
  [['ft', 'feet', 'foot'], 'm', 0.3048],
  [['m/min'], 'm/min', 1],
  [['h', 'hour', 'hours'], 'h', 1],
  [['%', 'percent'], '%', 1],
  [['m3', 'm³'], 'm3', 1],
  [['k', 'kelvin', 'degrees', '°c'], 'K', 1],
  [['cm3/g', 'cm³/g'], 'cm3/g', 1],
  [['pp', 'pages', 'page', 'p'], 'pages', 1],
  [['sheets/h', 'sph', '/h'], 'sheets/h', 1],
  [['n/mm'], 'N/mm', 1],
];
const unitOf = (word: string): { readonly unit: string; readonly factor: number } | undefined => {
  const found = UNITS.find(([words]) => words.includes(word));
  return found && { unit: found[1], factor: found[2] };
};

/** A number with its unit as it stands in the line. */
interface Item {
  readonly text: string;
  readonly value: number;
  /** Empty where nobody said one. */
  readonly unit: string;
}

const NUMBER = String.raw`-?\d+(?:[.,]\d+)?`;
const isGerman = (): boolean => spokenLocale() === 'de-DE';
/** 12,500 as people write thousands, also with a narrow blank; a comma with other than three digits behind it is a decimal one. */
const plainNumbers = (text: string): string =>
  isGerman()
    ? germanNumbers(text)
    : text.replace(/(?<![\d.,])\d{1,3}(?:[,\u00a0\u202f]\d{3})+(?!\d)/g, (found) => found.replace(/\D/g, ''));
const numberOf = (text: string): number => Number(text.replace(',', '.'));

const sizeNamed = (name: string): { readonly widthMm: number; readonly heightMm: number } | undefined =>
  isoSize(name.toUpperCase()) ?? own(ENVELOPES, name.toUpperCase());

/** Named sizes as millimetres, signs as people type them as one. */
function normal(text: string): string {
  const small = plainNumbers(text.trim()).toLowerCase();
  return (isGerman() ? germanRead(small) : small)
    .replace(/[×*]/g, 'x')
    .replace(/[µμ]/g, 'u')
    .replaceAll('²', '2')
    .replaceAll('³', '3')
    .replace(/[“”"″]/g, ' in')
    .replace(/\b((?:sra|ra|[abc])\d{1,2}|dl)\b/g, (name) => {
      const size = sizeNamed(name);
      return size ? `${size.widthMm}x${size.heightMm}` : name;
    })
    .replace(/(\d)\s*x\s*(?=\d)/g, '$1x')
    .replace(/\s+/g, ' ');
}

const ITEM = new RegExp(
  String.raw`(${NUMBER})(?:x(${NUMBER}))?(?:\/(${NUMBER}))?\s*([a-zµ°%#²³][a-z0-9/²³]*|%|#|\/h)?`,
  'gi',
);
/** Numbers with their units, in order; two sides of a size one behind the other. */
function itemsOf(text: string): { readonly items: Item[]; readonly rest: string } {
  const items: Item[] = [];
  const rest = text.replace(ITEM, (whole: string, first: string, second?: string, third?: string, word?: string) => {
    const known = unitOf(word ?? '');
    const numbers = [first, second, third].filter((one) => one !== undefined);
    const side = numbers.length > 1 && (known === undefined || known.unit === 'um') ? 'mm' : '';
    for (const one of numbers) {
      const { unit, factor } = known ?? { unit: side, factor: 1 };
      items.push({ text: whole.trim(), value: numberOf(one) * factor, unit });
    }
    // A word that is no unit is one of the line's own.
    return known ? ' ' : ` ${word ?? ''} `;
  });
  return { items, rest };
}

/** What a field takes: its own unit; thickness in millimetres too; pages; bare numbers where it has no unit. */
function valueFor({ unit, id }: SumField, item: Item): number | undefined {
  if (unit === 'um' && item.unit === 'mm' && item.value <= 5) return item.value * 1000;
  if (id === 'pages' || item.unit === 'pages') return id === 'pages' && item.unit === 'pages' ? item.value : undefined;
  return item.unit === unit ? item.value : undefined;
}

/** Lays numbers into fields: those whose unit says where, then bare ones in the order of the fields that want something. */
function fill(sum: Sum, text: string): Understood {
  const { items, rest } = itemsOf(text);
  const values = table<number | string>();
  const left = new Set(items);
  const numbers = sum.fields.filter(({ kind }) => kind === 'number');
  for (const item of items) {
    if (item.unit === '') continue;
    const open = numbers.filter((one) => !(one.id in values) && valueFor(one, item) !== undefined);
    const field = open.find(({ usual }) => usual === undefined) ?? open[0];
    const value = field && valueFor(field, item);
    if (!field || value === undefined) continue;
    values[field.id] = Number(value.toPrecision(12));
    left.delete(item);
  }
  for (const item of [...left].filter(({ unit }) => unit === '')) {
    const field =
      numbers.find((one) => !(one.id in values) && one.usual === undefined) ??
      numbers.find((one) => !(one.id in values));
    if (!field) break;
    values[field.id] = item.value;
    left.delete(item);
  }
  const words = new Set(text.split(' '));
  for (const { id, kind, choices } of sum.fields.filter((one) => one.kind === 'choice')) {
    const chosen = choices.find(
      (choice) =>
        words.has(choice.toLowerCase()) ||
        words.has(wordOf(choice).toLowerCase()) ||
        (choice.includes(' ') && text.includes(choice.toLowerCase())),
    );
    if (kind === 'choice' && chosen !== undefined) values[id] = chosen;
  }
  const known = new Set([
    ...STOP,
    ...sum.words.flatMap((word) => word.split(' ')),
    ...Object.values(values).map((one) => String(one).toLowerCase()),
  ]);
  const unread = [
    ...rest.split(/[^\p{L}-]+/u).filter((word) => word !== '' && !known.has(word)),
    ...[...left].map((one) => one.text),
  ];
  return { sum, values, unread };
}
const STOP: readonly string[] =
  'in to of a an the on and with for at by is as wide high long out each reams ream paper copies pieces pcs off'.split(
    ' ',
  );

/** A line that has a shape of its own. */
type Reader = (text: string, typed: string) => Understood | undefined;

const of = (id: string, values: SumValues): Understood | undefined => {
  const sum = sumOf(id);
  return sum && { sum, values, unread: [] };
};
const GRADES = Object.keys(BASIS_SHEETS).join('|');

/** Units that a conversion is told in, by the words of people. */
const CONVERTED: readonly (readonly [string, string])[] = [
  ['mm|millimet(?:re|er)s?', 'mm'],
  ['in|inch(?:es)?', 'in'],
  ['m|met(?:re|er)s?', 'm'],
  ['ft|foot|feet', 'ft'],
  ['kg|kilos?', 'kg'],
  ['lbs?|pounds?', 'lb'],
  ['um|microns?', 'um'],
  ['thou|mils?', 'thou'],
  ['pts?|points?', 'pt'],
];
const convertedUnit = (word: string): string | undefined =>
  CONVERTED.find(([words]) => new RegExp(`^(?:${words})$`).test(word))?.[1];

const READERS: readonly Reader[] = [
  (text) => {
    const found = new RegExp(`^(${NUMBER}) ?([a-z]+) (?:in|to|as|into) ([a-z]+)$`).exec(text);
    const [from, to] = [convertedUnit(found?.[2] ?? ''), convertedUnit(found?.[3] ?? '')];
    const way = `${from ?? ''} to ${to ?? ''}`;
    return found && CONVERSION_NAMES.includes(way)
      ? of('convert', { value: numberOf(found[1] ?? ''), way })
      : undefined;
  },
  (text) => {
    const found = new RegExp(
      `^(${NUMBER}) ?(?:lbs?|#|pounds?) ?(${GRADES})(?: stock| paper)?(?: (?:in|to|as) (?:gsm|g/m2|grammage))?$`,
    ).exec(text);
    return found ? of('basis-to-gsm', { pounds: numberOf(found[1] ?? ''), grade: found[2] }) : undefined;
  },
  (text) => {
    const found = new RegExp(
      `^(${NUMBER}) ?(?:gsm|g/m2|g) (?:in|to|as) (?:lbs?|#|pounds?)? ?(?:of )?(${GRADES})(?: lbs?| pounds?)?$`,
    ).exec(text);
    return found ? of('gsm-to-basis', { gsm: numberOf(found[1] ?? ''), grade: found[2] }) : undefined;
  },
  (text) => {
    const system = /\bmod ?(11-2|97-10|97|11|10)\b|\bgs1\b/.exec(text);
    const digits = /^(?:check(?: characters?| digits?)?(?: of| for)? )?(\d[\d ]*\d|\d)(?= |$)/.exec(text);
    if (!digits || (!system && !text.startsWith('check'))) return undefined;
    const named = system?.[1]?.startsWith('97') ? 'MOD 97-10' : system?.[1]?.startsWith('11') ? 'MOD 11-2' : undefined;
    return of('check-character', {
      digits: digits[1]?.replaceAll(' ', ''),
      ...(system ? { system: named ?? 'GS1 mod 10' } : {}),
    });
  },
  (text, typed) => {
    const found = /^(\d+)\s*(?:x|pieces|copies|good|pcs|stück|exemplare|gute|:)?\s*,?\s+(\p{L}.*\d.*%.*)$/iu.exec(
      plainNumbers(typed.trim()),
    );
    return found ? of('press-sheets', { quantity: Number(found[1]), route: found[2] }) : undefined;
  },
  (text) => {
    const found = /^(\d+) pallets?(?: of (\d+) ?kg)? (?:on|in|into|for) (?:a |one )?(?:truck|lorry|container)s?$/.exec(
      text,
    );
    return found
      ? of('truck', { pallets: Number(found[1]), ...(found[2] ? { kg: Number(found[2]) } : {}) })
      : undefined;
  },
  (_, typed) => {
    const found =
      /^(?:mix|recipe|mischung|rezeptur)(?: of| von)?\s+(\d+(?:[.,]\d+)?)\s*kg\s*:?(?:\s+(?:of|aus))?\s+(\p{L}.*\d)\s*$/iu.exec(
        typed.trim(),
      );
    return found ? of('mix', { kg: numberOf(found[1] ?? ''), parts: found[2] }) : undefined;
  },
  (_, typed) => {
    const found =
      /^(?:order at )?(two stations|one machine|zwei stationen|eine maschine)\s*:?\s+(\p{L}.*\d)\s*$/iu.exec(
        typed.trim(),
      );
    const sum = /^(one|eine) /i.test(found?.[1] ?? '') ? 'one-machine' : 'two-stations';
    return found ? of(sum, { jobs: found[2] }) : undefined;
  },
  (text) => {
    const found = new RegExp(
      `^(\\d+) ?(?:x|copies of|copies|off)? ?(\\d+) ?(?:pp|pages|p) (${NUMBER})x(${NUMBER})(?: mm)? on (${NUMBER})x(${NUMBER})(?: mm)?$`,
    ).exec(text);
    const [, copies, pages, pieceWidth, pieceHeight, width, height] = (found ?? []).map((one) => numberOf(one));
    return found ? of('pages-on-sheet', { copies, pages, pieceWidth, pieceHeight, width, height }) : undefined;
  },
  (text) => {
    const found = new RegExp(
      `^(?:(\\d+) (?:x |copies |pieces |pcs )?)?(${NUMBER})x(${NUMBER})(?: mm)? (on|out of|from) (${NUMBER})x(${NUMBER})(?: mm)?(?: bleed (${NUMBER})(?: mm)?)?$`,
    ).exec(text);
    if (!found) return undefined;
    const [, wanted, pieceWidth = '', pieceHeight = '', way, width = '', height = '', bleed] = found;
    return of(way === 'on' ? 'n-up' : 'out-of-parent', {
      ...{ width: numberOf(width), height: numberOf(height) },
      ...{ pieceWidth: numberOf(pieceWidth), pieceHeight: numberOf(pieceHeight) },
      ...(wanted === undefined ? {} : { wanted: Number(wanted) }),
      ...(bleed === undefined || way !== 'on' ? {} : { bleed: numberOf(bleed) }),
    });
  },
];

/** Whether a line speaks of a word, whole. */
const speaksOf = (text: string, word: string): boolean =>
  new RegExp(String.raw`(?:^|[^\p{L}])${word}(?:$|[^\p{L}])`, 'u').test(text);

/**
 * Reads a line as people type it: `74 lb text in gsm`, `spine 240 pp 110 um`, `roll 1000/76 0.1 mm`, `2500 x 44pp A4 on B1`. Undefined
 * where no sum is known by it. Where German is spoken, German words and numbers are read as well: `Rücken 240 Seiten 110 µm`. Sizes by name are ISO 216 and 217; what is said without a unit goes to the fields in their order.
 */
export function readTyped(typed: string): Understood | undefined {
  if (typed.length > MOST_CHARACTERS) return undefined;
  const text = normal(typed);
  for (const reader of READERS) {
    const found = reader(text, typed);
    if (found) return found;
  }
  const called = SUMS.flatMap((sum) => {
    const words = sum.words.filter((word) => speaksOf(text, word));
    return words.length === 0
      ? []
      : [{ sum, at: Math.min(...words.map((word) => text.indexOf(word))), read: fill(sum, text) }];
  });
  const wanting = ({ read: { sum, values } }: (typeof called)[number]): number =>
    sum.fields.filter(({ id, usual }) => usual === undefined && values[id] === undefined).length;
  const [best] = called.sort(
    (a, b) => a.read.unread.length - b.read.unread.length || a.at - b.at || wanting(a) - wanting(b),
  );
  return best?.read;
}
