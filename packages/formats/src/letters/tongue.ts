import { numberText, own, unitText } from '@druckerei/core';
import { type LetterLanguage, type LetterWords, LETTER_WORDS } from './words.js';

/** How somebody is written to: their words, their numbers and their dates. */
export interface Tongue {
  readonly language: LetterLanguage;
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

const languageOf = (locale: string): LetterLanguage => (new Intl.Locale(locale).language === 'de' ? 'de' : 'en');

/**
 * How whoever has a locale is written to: by its language where there are words of it, by English otherwise; numbers and dates
 * are those of the locale in any case. @param locale BCP 47; where nothing is told as papers always were, with dates of ISO 8601
 */
export function tongueOf(locale: string | undefined): Tongue {
  const language = locale === undefined ? 'en' : languageOf(locale);
  const words = LETTER_WORDS[language];
  const number = (value: number, least = 0, most = least): string =>
    locale === undefined
      ? numberText(value, most, least)
      : new Intl.NumberFormat(locale, { minimumFractionDigits: least, maximumFractionDigits: most }).format(value);
  const day = (iso: string): string =>
    locale === undefined
      ? iso
      : new Intl.DateTimeFormat(locale, { dateStyle: 'long', timeZone: 'UTC' }).format(new Date(`${iso}T00:00:00Z`));
  const moment = (wall: string): string =>
    locale === undefined
      ? wall
      : new Intl.DateTimeFormat(locale, { dateStyle: 'medium', timeStyle: 'short', timeZone: 'UTC' }).format(
          new Date(`${wall.replace(' ', 'T')}:00Z`),
        );
  const quantity = (value: number, unit: string): string => {
    const [one, several] = own(words.units, unit) ??
      own(words.units, `${unit}s`) ?? [unitText(unit, 1), unitText(unit, 2)];
    return `${number(value, 0, 3)} ${value === 1 ? one : several}`;
  };
  return { language, words, number, day, moment, quantity };
}
