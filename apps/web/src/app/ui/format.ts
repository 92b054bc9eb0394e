import { type FigureKind, numberText, own, sayQuantity, unitText } from '@druckerei/core/kernel';
import { chosenLocale } from './locale';
import { type MeasureSystem, measureOf } from './measure';

/** Decimals of what is read in inches and pounds; in metric core says how exactly a kind of figure is told. */
const DIGITS: Readonly<Record<string, number>> = { in: 3, thou: 2, ft: 2, lb: 2, 'ft/min': 0 };

/** Money to the hundredth, without its currency. */
export const money = (value: number): string => numberText(value, 2, 2);
export const count = (value: number, digits = 0): string => numberText(value, digits);
/** So many of something: “1 paper”, “2,000 papers”. */
export const many = (value: number, one: string, more = `${one}s`): string =>
  `${count(value)} ${value === 1 ? one : more}`;

export { unitText };

export const percent = (share: number): string => `${count(share * 100, 4)} %`;

/** A value with its unit, as exactly as the kind of figure is said. */
export function quantity(value: number, unit: string, system: MeasureSystem, kind: FigureKind = 'reckoned'): string {
  const measure = measureOf(unit, system);
  if (measure.unit === unit || unit === 'share') return sayQuantity(value, unit, kind);
  const shown = measure.show(value);
  return `${count(shown, own(DIGITS, measure.unit) ?? 2)} ${unitText(measure.unit, shown)}`;
}

/** A value in full, as its working shows it. */
export function fullQuantity(value: number, unit: string, system: MeasureSystem): string {
  const measure = measureOf(unit, system);
  const shown = measure.show(value);
  return `${count(shown, 4)} ${unitText(measure.unit, shown)}`;
}

/** Reads a number as people type it: thousands may be apart. Undefined where it is none. */
export function readNumber(text: string): number | undefined {
  const plain = text.replace(/[\s,]/g, '').replace(/%$/, '');
  if (plain === '') return undefined;
  const value = Number(plain);
  return Number.isFinite(value) ? value : undefined;
}

/** Writers of dates by the locale that was chosen: one is dear to make, and lists have hundreds of dates. */
const writer = (options: Intl.DateTimeFormatOptions): ((iso: string) => string) => {
  const made = new Map<string | undefined, Intl.DateTimeFormat>();
  return (iso) => {
    const locale = chosenLocale();
    const known = made.get(locale) ?? new Intl.DateTimeFormat(locale, options);
    made.set(locale, known);
    const at = new Date(iso);
    return Number.isNaN(at.getTime()) ? '' : known.format(at);
  };
};
const day = writer({ day: 'numeric', month: 'short', year: 'numeric' });
export const dateText = (iso: string | null | undefined): string => (iso ? day(iso) : '');
const month = writer({ month: 'long', year: 'numeric' });
/** A month like 2026-11. */
export const monthText = (iso: string): string => month(`${iso}-15T12:00:00Z`);
/** The time of day alone. */
export const hourText = writer({ hour: '2-digit', minute: '2-digit' });
export const timeText = writer({ day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });

/** Bytes of a file as people say them. */
export const sizeText = (bytes: number): string =>
  bytes < 1e6 ? `${count(Math.max(1, bytes / 1e3))} kB` : `${count(bytes / 1e6, 1)} MB`;
