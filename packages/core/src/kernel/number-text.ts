import { spokenLocale } from './words.js';

const formats = new Map<string, Intl.NumberFormat>();

/** Making a format takes some twenty times as long as using it. */
function formatOf(locale: string, most: number, least: number, useGrouping = true): Intl.NumberFormat {
  const key = `${locale} ${most} ${least} ${useGrouping}`;
  const before = formats.get(key);
  if (before) return before;
  const made = new Intl.NumberFormat(locale, {
    minimumFractionDigits: least,
    maximumFractionDigits: Math.max(most, least),
    useGrouping,
  });
  formats.set(key, made);
  return made;
}

/**
 * A number as the trade writes it: thousands apart, never a nil below nil. @param most decimals at most.
 * @param least decimals in any case. @param locale whose way of writing it is, BCP 47; that of the language spoken.
 */
export function numberText(value: number, most = 3, least = 0, locale = spokenLocale()): string {
  const text = formatOf(locale, most, least).format(value);
  return value < 0 && !/[1-9∞]/.test(text) ? text.slice(1) : text;
}

/** The same with its thousands together, as sizes are written: `1020.5`. @param most decimals at most. */
export const sizeNumber = (value: number, most: number): string =>
  formatOf(spokenLocale(), most, 0, false).format(value === 0 ? 0 : value);

/** An amount of money without its currency: `1,234.50`. */
export const money = (value: number): string => numberText(value, 2, 2);
