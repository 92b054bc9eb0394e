import { wallClock } from '@druckerei/core';
import { known } from './text.js';

// What the platform's Intl knows. Source: standard, ECMA-402 with ISO 4217, BCP 47 and the IANA time zones.

/** Codes of the currencies that are known, ISO 4217. */
export const CURRENCIES: ReadonlySet<string> = new Set(Intl.supportedValuesOf('currency'));

/** Whether a tag of BCP 47 names a language that dates can be written in. */
export function isLocale(tag: string): boolean {
  try {
    return Intl.DateTimeFormat.supportedLocalesOf([tag]).length > 0;
  } catch {
    return false;
  }
}

/** Language and place, BCP 47. */
export const localeSchema = known(
  isLocale,
  () => $localize`no language and place are known by this; write it like en-GB`,
);

/** Whether a time zone of this IANA name is known. */
export function isTimeZone(name: string): boolean {
  try {
    return new Intl.DateTimeFormat('en', { timeZone: name }).resolvedOptions().timeZone !== '';
  } catch {
    return false;
  }
}

/** The day in a time zone, ISO 8601. @param timeZone IANA name; the machine's where absent. */
export const dayIn = (at: Date, timeZone?: string): string => wallClock(at.getTime(), timeZone).slice(0, 10);
