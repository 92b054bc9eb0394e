import { numberText, own, unitText } from '@druckerei/core';
import { type LetterWords, LETTER_WORDS } from './words.js';

/** How somebody is written to: their words, their numbers and their dates. */
export interface Tongue {
  readonly words: LetterWords;
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

const wordsOf = (locale: string): LetterWords => LETTER_WORDS[new Intl.Locale(locale).language === 'de' ? 'de' : 'en'];

/**
 * How whoever has a locale is written to: by its language where there are words of it, by English otherwise; numbers and dates
 * are those of the locale in any case. @param locale BCP 47; where nothing is told as papers always were, with dates of ISO 8601
 */
export function tongueOf(locale: string | undefined): Tongue {
  const words = wordsOf(locale ?? 'en');
  const number = (value: number, least = 0, most = least): string => numberText(value, most, least, locale);
  const quantity = (value: number, unit: string): string => {
    const [one, several] = own(words.units, unit) ??
      own(words.units, `${unit}s`) ?? [unitText(unit, 1), unitText(unit, 2)];
    return `${number(value, 0, 3)} ${value === 1 ? one : several}`;
  };
  return { words, number, quantity, ...(locale === undefined ? AS_TOLD : datesOf(locale)) };
}
