import { numberText, unitText } from '@druckerei/core';

/** How somebody writes numbers and dates, whom a paper goes to; its words are in the language that is spoken when it is made. */
export interface Tongue {
  /** @param least decimals in any case @param most decimals at most */
  readonly number: (value: number, least?: number, most?: number) => string;
  /** @param day ISO 8601 */
  readonly day: (day: string) => string;
  /** @param wall day and hour on the clock of the works, `2026-12-01 14:05` */
  readonly moment: (wall: string) => string;
  /** At most three decimals, as kilograms are weighed. */
  readonly quantity: (value: number, unit: string) => string;
}

/** Dates of ISO 8601, as papers of a works write them that says no place. */
const AS_TOLD: Pick<Tongue, 'day' | 'moment'> = { day: (day) => day, moment: (wall) => wall };

const writer = (locale: string, options: Intl.DateTimeFormatOptions): ((at: string) => string) => {
  const format = new Intl.DateTimeFormat(locale, { ...options, timeZone: 'UTC' });
  return (at) => format.format(new Date(at));
};
function datesOf(locale: string): Pick<Tongue, 'day' | 'moment'> {
  const moment = writer(locale, { dateStyle: 'medium', timeStyle: 'short' });
  return { day: writer(locale, { dateStyle: 'long' }), moment: (wall) => moment(`${wall.replace(' ', 'T')}:00Z`) };
}

/** @param locale BCP 47; where nothing is told as papers always were, with dates of ISO 8601 */
export function tongueOf(locale: string | undefined): Tongue {
  const number = (value: number, least = 0, most = least): string => numberText(value, most, least, locale);
  const quantity = (value: number, unit: string): string => `${number(value, 0, 3)} ${unitText(unit, value)}`;
  return { number, quantity, ...(locale === undefined ? AS_TOLD : datesOf(locale)) };
}
