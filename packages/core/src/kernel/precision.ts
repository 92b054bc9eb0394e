import type { Figure } from './figure.js';
import { numberText } from './number-text.js';
import { spokenLocale, wordOf } from './words.js';
import { own } from './table.js';

/**
 * How exactly a kind of figure is said. `given` is said as it was typed; `cut` is what somebody sets a knife, a board or a
 * case to; `reckoned` is the rest.
 */
export type FigureKind = 'given' | 'cut' | 'reckoned';

/** Steps of rounding: the step up to each magnitude, the last without end. */
type Steps = readonly (readonly [upTo: number, step: number])[];

const FINE: Steps = [
  [10, 0.01],
  [100, 0.1],
  [Infinity, 1],
];
/** A fold or a glue flap is set to a tenth, a sheet to half a millimetre. */
const LENGTH: Steps = [
  [1, 0.01],
  [100, 0.1],
  [Infinity, 0.5],
];
const CUT: Steps = [[Infinity, 0.5]];
const WHOLE: Steps = [[Infinity, 1]];
const HUNDREDTHS: Steps = [[Infinity, 0.01]];
/** Unit prices are quoted to a hundredth of a cent, sums in cents, large sums in whole units. */
const MONEY: Steps = [
  [1, 0.0001],
  [1000, 0.01],
  [Infinity, 1],
];
const RATE: Steps = [
  [10, 0.1],
  [Infinity, 1],
];

/** Steps by unit. Source: common practice, no source. */
const STEPS: Readonly<Record<string, Steps>> = {
  mm: LENGTH,
  um: RATE,
  // A letter scale, a bench scale, a floor scale, a pallet scale.
  kg: [
    [1, 0.001],
    [30, 0.01],
    [300, 0.1],
    [Infinity, 1],
  ],
  g: [
    [10, 0.01],
    [1000, 0.1],
    [Infinity, 1],
  ],
  kN: WHOLE,
  N: WHOLE,
  m: [
    [10, 0.01],
    [1000, 0.1],
    [Infinity, 1],
  ],
  m2: [
    [1, 0.0001],
    [100, 0.01],
    [Infinity, 1],
  ],
  mm2: WHOLE,
  share: [[Infinity, 0.0001]],
  'g/m2': HUNDREDTHS,
  'cm3/g': HUNDREDTHS,
  'g/cm3': HUNDREDTHS,
};

const CURRENCY = /^[A-Z]{3}$/;
const PRICE = /^[A-Z]{3}\//;
const PER_TIME = /\/(h|min|s)$/;
const TIMES = new Set(['h', 'min']);

function stepsOf(unit: string, kind: FigureKind): Steps {
  if (kind === 'cut' && unit === 'mm') return CUT;
  const known = own(STEPS, unit);
  if (known) return known;
  if (CURRENCY.test(unit)) return MONEY;
  if (PRICE.test(unit)) return HUNDREDTHS;
  return PER_TIME.test(unit) ? RATE : FINE;
}

/** Last parts of the ids of what somebody cuts to. */
const CUTS = new Set([
  'strip',
  'boardWidth',
  'boardHeight',
  'clothWidth',
  'clothHeight',
  'coverWidth',
  'coverHeight',
  'filmWidth',
  'filmHeight',
  'stripWidth',
  'mill',
]);

/** How exactly a figure is said. */
export function kindOf({ id, formula, source }: Pick<Figure, 'id' | 'formula' | 'source'>): FigureKind {
  if (formula === undefined && source.label !== 'identity') return 'given';
  return CUTS.has(id.slice(id.lastIndexOf('.') + 1)) ? 'cut' : 'reckoned';
}

/** Digits that a given value is said with, however it came to be written. */
const GIVEN_DIGITS = 6;

/**
 * A value rounded as the workshop says it, in its own unit; a half goes away from nought. The value itself stays as it is.
 * Source: common practice, no source.
 */
export function roundAs(value: number, unit: string, kind: FigureKind = 'reckoned'): number {
  if (!Number.isFinite(value) || Number.isInteger(value)) return value;
  if (kind === 'given') return Number(value.toPrecision(GIVEN_DIGITS));
  const size = Math.abs(value);
  const step = stepsOf(unit, kind).find(([upTo]) => size < upTo)?.[1] ?? 1;
  // Twelve digits take off what the division leaves, so that 18.45 is not 18.449999.
  const steps = Math.round(Number((size / step).toPrecision(12)));
  return Math.sign(value) * Number((steps * step).toPrecision(12));
}

/** Hours as people say them: 2 h 25 min, 40 min; parts of a minute only where there is less than ten. */
export function hoursText(hours: number): string {
  const minutes = Math.abs(hours) * 60;
  const sign = hours < 0 ? '-' : '';
  if (minutes > 0 && minutes < 10) return `${sign}${numberText(minutes, 1)} min`;
  const whole = Math.round(minutes);
  const [h, min] = [Math.floor(whole / 60), whole % 60];
  if (h === 0) return whole === 0 ? '0 h' : `${sign}${min} min`;
  return `${sign}${numberText(h)} h${min === 0 ? '' : ` ${min} min`}`;
}

/** Most decimals that any step leaves. */
const MOST_DECIMALS = 6;

/** A value as the workshop says it, without its unit; hours and minutes with theirs. Shares are said in per cent. */
export function sayNumber(value: number, unit: string, kind: FigureKind = 'reckoned'): string {
  if (TIMES.has(unit)) return hoursText(unit === 'h' ? value : value / 60);
  if (unit === 'share') return numberText(roundAs(value, unit, kind) * 100, 4);
  const said = roundAs(value, unit, kind);
  const cents = CURRENCY.test(unit) && !Number.isInteger(said) ? 2 : 0;
  return numberText(said, MOST_DECIMALS, cents);
}

const SYMBOLS: Readonly<Record<string, string>> = {
  um: 'µm',
  m2: 'm²',
  mm2: 'mm²',
  'g/m2': 'g/m²',
  'cm3/g': 'cm³/g',
  'g/cm3': 'g/cm³',
};
const UNCHANGED = new Set(['h', 'g', 'kg', 'mm', 'm', 'min', 's', 'in', 'ft', 'lb', 'thou']);
/** Called alike of one and of several. */
const ALIKE = new Set(['faulty', 'lines/cm']);

/** Where English does more than put an s behind a unit. */
const PLURALS = new Map([
  ['copy', 'copies'],
  ['box', 'boxes'],
  ['pass', 'passes'],
  ['person', 'people'],
]);
const SINGULARS = new Map([...PLURALS].map(([one, several]) => [several, one]));
const singularOf = (unit: string): string => SINGULARS.get(unit) ?? (PLURALS.has(unit) ? unit : unit.replace(/s$/, ''));
/** The unit of several, as it is kept: what somebody has called a part of a job has no plural that we know, but in English. */
export function severalOf(unit: string): string {
  const one = singularOf(unit);
  const several = PLURALS.get(one) ?? `${one}s`;
  return spokenLocale() === 'en-GB' || wordOf(several) !== several ? several : unit;
}

/** What a unit is told by or for, `sheets` and `h`: said as it stands. */
const partText = (part: string): string => own(SYMBOLS, part) ?? (UNCHANGED.has(part) ? part : wordOf(part));

/** A unit beside a number: sheet, sheets, copies, sheets/h; symbols stay as they are. */
export const unitText = (unit: string, value: number): string => {
  const symbol = own(SYMBOLS, unit);
  if (symbol !== undefined) return symbol;
  if (ALIKE.has(unit)) return wordOf(unit);
  if (unit.includes('/')) return unit.split('/').map(partText).join('/');
  if (UNCHANGED.has(unit) || !/^[a-z -]+$/.test(unit)) return unit;
  return wordOf(value === 1 ? singularOf(unit) : severalOf(unit));
};

/** A value with its unit as the workshop says it. */
export function sayQuantity(value: number, unit: string, kind: FigureKind = 'reckoned'): string {
  const number = sayNumber(value, unit, kind);
  if (TIMES.has(unit)) return number;
  if (unit === 'share') return `${number} %`;
  return `${number} ${unitText(unit, roundAs(value, unit, kind))}`;
}
