import * as z from 'zod';

/** Kinds of things whose changes are kept as they happen. */
export const CHANGE_KINDS = ['reservation', 'destination', 'single-book', 'job', 'works'] as const;
export type ChangeKind = (typeof CHANGE_KINDS)[number];

/** The last change that a writer has seen, as the answer before told it; what was changed after it is not written over. */
export const markSchema = z.int().min(0).max(2_147_483_647);

export const changesQuery = z.object({
  kind: z.enum(CHANGE_KINDS),
  subject: z.string().max(300).optional(),
});

/** One change of a reservation (of a job and a key), the days to a destination, the state of a single book, or a setting of the works. */
export const changeSchema = z
  .strictObject({
    subject: z.string(),
    before: z.union([z.string(), z.number()]).nullable(),
    after: z.union([z.string(), z.number()]).nullable(),
    by: z.string(),
    at: z.iso.datetime(),
  })
  .meta({ id: 'Change' });
export type Change = z.output<typeof changeSchema>;
