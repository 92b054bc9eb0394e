import type { ScanFault } from '@druckerei/core';

/** What a section reader stops for, and what the bindery does then. */
export const SCAN_WORDS: Readonly<Record<ScanFault, string>> = {
  missing: $localize`A section is missing. Look at the feeder of this place: a double-fed or empty pocket.`,
  doubled: $localize`A section came twice. Look at the feeder before: two were drawn at once.`,
  wrong: $localize`A section of another place. The pile in this feeder was loaded wrong.`,
  turned: $localize`A section lies upside down. Turn the pile in this feeder.`,
  foreign: $localize`A code that this book does not have. A section of another job is in the feeder.`,
};

/** Codes as a reader gives them; one that is followed by ! came upside down. */
export const readScan = (word: string): { code: string; upright: boolean } => ({
  code: word.replace(/!$/, ''),
  upright: !word.endsWith('!'),
});
