/** What people read, and how those of their place write dates and numbers, by name in their own language; and in what papers come to whoever is there. */
export const LOCALES: readonly { readonly id: string; readonly name: string; readonly sent: string }[] = [
  { id: 'en-GB', name: 'English, 31 Dec 2026, week from Monday', sent: $localize`English, 31 December 2026` },
  { id: 'en-US', name: 'English, Dec 31, 2026, week from Sunday', sent: $localize`English, December 31, 2026` },
  { id: 'de-DE', name: 'Deutsch, 31. Dez. 2026, Woche ab Montag', sent: $localize`German, 31. Dezember 2026` },
  {
    id: 'fr-FR',
    name: 'English, 31 déc. 2026, semaine du lundi',
    sent: $localize`English, dates and numbers as in France`,
  },
  {
    id: 'sv-SE',
    name: 'English, 31 dec. 2026, vecka från måndag',
    sent: $localize`English, dates and numbers as in Sweden`,
  },
];

const ownLocale = (): string => Intl.DateTimeFormat.supportedLocalesOf([navigator.language])[0] ?? 'en-GB';

let told: string | null = null;
/** The locale whose dates are written here: that of the person, else of the works, else the browser's own. */
export const chosenLocale = (): string => told ?? ownLocale();

/** Takes the locale of who is signed in, before a page writes a date; null for the browser's own. */
export const useLocale = (locale: string | null): void => {
  told = locale;
};
