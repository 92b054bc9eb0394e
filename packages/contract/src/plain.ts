// What the first page of the web needs: a file without schemas, so that it is fetched without them.

/** Columns that the list of jobs is sorted by. */
export const JOB_COLUMNS = ['number', 'title', 'customer', 'quantity', 'due', 'status', 'changedAt'] as const;
export type JobColumn = (typeof JOB_COLUMNS)[number];

/** Title of the problem that something sent with a key is answered with while the first of it is under way. */
export const UNDER_WAY = 'This was sent before and is under way. Look whether it is there.';

/** Header by which a tab tells its name, so that it knows its own changes. */
export const TAB_HEADER = 'X-Tab';

/** Media type of lists that come a line of JSON each, and of what becomes of them. */
export const JSON_LINES = 'application/x-ndjson';
/** Entries of such a list. */
export const MOST_ENTRIES = 100_000;

/** Languages that are spoken: that of the sources, and those of the catalogue. */
export const SPOKEN = ['en', 'de'] as const;
export type Language = (typeof SPOKEN)[number];

/** The language that somebody with a locale is spoken to in. @param locale BCP 47; English where its language is not spoken */
export function languageOf(locale: string | undefined): Language {
  const language = locale === undefined ? undefined : new Intl.Locale(locale).language;
  return SPOKEN.find((known) => known === language) ?? 'en';
}
