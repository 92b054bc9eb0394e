import { DESK_KINDS } from '@druckerei/core';
import * as z from 'zod';
import { helpSchema } from './floor.js';

const id = z.int().min(1).max(2_147_483_647);

/** What somebody has said of a matter of the desk. */
export const deskNoteSchema = z
  .strictObject({
    key: z.string().min(1).max(200),
    /** Done: it comes again tomorrow if it still stands. Open: what was said before is taken back. */
    state: z.enum(['done', 'put off', 'given', 'open']),
    /** Day on which it comes again; for what is put off. */
    until: z.iso.date({ error: () => $localize`write a day like 2026-12-24` }).optional(),
    /** Account that it is given to. */
    to: id.optional(),
  })
  .refine(({ state, until }) => state !== 'put off' || until !== undefined, {
    path: ['until'],
    error: () => $localize`say until which day`,
  })
  .refine(({ state, to }) => state !== 'given' || to !== undefined, {
    path: ['to'],
    error: () => $localize`say to whom`,
  })
  .meta({ id: 'DeskNote' });
export type DeskNote = z.output<typeof deskNoteSchema>;

export const deskSchema = z
  .strictObject({
    matters: z.array(
      z.strictObject({
        key: z.string(),
        kind: z.enum(DESK_KINDS),
        job: z.strictObject({ id: z.int(), number: z.string(), title: z.string(), customer: z.string() }).nullable(),
        step: z.string().nullable(),
        machine: z.string().nullable(),
        of: z.string(),
        by: z.iso.datetime().nullable(),
        costs: z.number(),
        expected: z.number().nullable(),
        wanted: z.number().nullable(),
        count: z.int().nullable(),
        minutes: z.int().nullable(),
        day: z.string().nullable(),
        help: helpSchema.nullable(),
        note: z
          .strictObject({
            state: z.enum(['done', 'put off', 'given']),
            until: z.string().nullable(),
            to: z.string().nullable(),
            /** Whether it is given to whoever asks. */
            mine: z.boolean(),
            by: z.string(),
          })
          .nullable(),
      }),
    ),
    people: z.array(z.strictObject({ id: z.int(), name: z.string() })),
    /** Today by the wall of the works. */
    today: z.string(),
    timeZone: z.string().nullable(),
    /** Jobs whose stations or counts are not reckoned yet; the next look goes on. */
    waiting: z.int(),
  })
  .meta({ id: 'Desk' });
export type Desk = z.output<typeof deskSchema>;
export type DeskLine = Desk['matters'][number];
