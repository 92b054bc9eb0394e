import * as z from 'zod';

/** Control characters and halves of characters: no file, drawing or database holds them as they are. */
const UNPRINTABLE = /[\p{Cc}\p{Cs}\u2028\u2029]/u;
/** The same, where the text may have lines. */
const UNPRINTABLE_IN_LINES = /(?![\n\r\t])[\p{Cc}\p{Cs}]/u;

/** Text in one line, at most so long. */
export const line = (max: number) =>
  z
    .string()
    .trim()
    .max(max)
    .refine((text) => !UNPRINTABLE.test(text), {
      error: () => $localize`line breaks and control characters cannot be kept here`,
    });

/** Text that may go over several lines, at most so long. */
export const lines = (max: number) =>
  z
    .string()
    .trim()
    .max(max)
    .refine((text) => !UNPRINTABLE_IN_LINES.test(text), { error: () => $localize`control characters cannot be kept` });

/** Text that has to be known somewhere. @param error what is said where it is not */
export const known = (isKnown: (value: string) => boolean, error: () => string) =>
  z.string().refine(isKnown, { error });

/** What a machine, a stock, an ink or a supply of a works is known by. */
export const itemId = z.string().regex(/^[a-z0-9][a-z0-9-]{0,59}$/, {
  error: () => $localize`an id has small letters, digits and hyphens, sixty at most`,
});
