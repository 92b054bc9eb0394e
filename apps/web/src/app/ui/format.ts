import { money, numberText, spokenLocale, unitText, wordOf } from '@druckerei/core/kernel';
import { chosenLocale } from './locale';

export const count = (value: number, digits = 0): string => numberText(value, digits);
/** So many of something: “1 paper”, “2,000 papers”. */
export const many = (value: number, one: string, more = `${one}s`): string =>
  `${count(value)} ${wordOf(value === 1 ? one : more)}`;

export { money, unitText };

export const percent = (share: number): string => `${count(share * 100, 4)} %`;

/** Thousands by points, `1.200`, and by nothing else: a single point is a decimal sign that somebody is used to. */
const POINTED = /^-?[1-9]\d{0,2}(\.\d{3})+(,|$)/;
/** A number typed in the language of the page, as the machine reads it. */
function plainNumber(text: string): string {
  if (spokenLocale() === 'en-GB') return text.replace(/,/g, '');
  return (POINTED.test(text) || text.includes(',') ? text.replace(/\./g, '') : text).replace(',', '.');
}

/** Reads a number as people type it: thousands may be apart. Undefined where it is none. */
export function readNumber(text: string): number | undefined {
  const plain = plainNumber(text.replace(/\s/g, '').replace(/%$/, ''));
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
