import * as z from 'zod';
import { INCIDENTS, LEVELS, MOST_PHOTO_BYTES, READINGS } from '@druckerei/core';
import { line, lines } from './text.js';

export const stepId = z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/, { error: 'id' });
export const MOST_PIECES = 1_000_000_000;
const count = z.int().min(0).max(MOST_PIECES);
/** What was counted: one at least. */
const some = count.min(1);
/** Materials are named by the flow of the job. */
const material = line(200).min(1).optional();
const pile = line(120).min(1);
const reason = line(80).min(1);
const sheet = z.int().min(0).max(MOST_PIECES).optional();
export const hash = z.string().regex(/^[0-9a-f]{64}$/, { error: () => $localize`a SHA-256 has 64 hexadecimal digits` });

/** What somebody enters at a station. */
export const STATION_ENTRIES = [
  z.strictObject({ kind: z.literal('taken-in'), step: stepId, material, count: some, pile: pile.optional() }),
  z.strictObject({ kind: z.literal('setup-begun'), step: stepId }),
  z.strictObject({ kind: z.literal('setup-done'), step: stepId }),
  z.strictObject({ kind: z.literal('run-begun'), step: stepId }),
  z.strictObject({ kind: z.literal('stopped'), step: stepId, reason }),
  z.strictObject({ kind: z.literal('resumed'), step: stepId }),
  z.strictObject({ kind: z.literal('good'), step: stepId, count: some, pile: pile.optional() }),
  z.strictObject({
    kind: z.literal('spoiled'),
    step: stepId,
    count: some.describe('process units: what goes through the machine once'),
    reason,
    during: z.enum(['set-up', 'run']),
  }),
  z.strictObject({ kind: z.literal('samples'), step: stepId, count: some }),
  z.strictObject({ kind: z.literal('left-over'), step: stepId, material, count: some }),
  z.strictObject({
    kind: z.literal('reading'),
    step: stepId,
    of: z.enum(READINGS),
    name: line(60).optional().describe('ink, mark or place that it is of'),
    value: z.number().min(-1e6).max(1e6),
    sheet,
    source: line(60).min(1).optional().describe('instrument that read it'),
  }),
  z.strictObject({ kind: z.literal('fault'), step: stepId, fault: reason, sheet, note: lines(300).optional() }),
  z.strictObject({
    kind: z.literal('incident'),
    step: stepId,
    what: z.enum(INCIDENTS),
    lost: count.describe('process units'),
    carrier: line(240).min(1).optional(),
  }),
  z.strictObject({ kind: z.literal('check'), step: stepId, check: line(120).min(1), passed: z.boolean() }),
  z.strictObject({
    kind: z.literal('inspected'),
    step: stepId,
    lot: some,
    sample: some,
    faulty: count,
    aql: z.number().min(0).max(100).describe('acceptance quality limit, per cent'),
    level: z.enum(LEVELS),
    pile: pile.optional(),
    mended: z.boolean().optional(),
  }),
  z.strictObject({ kind: z.literal('sorted'), step: stepId, faulty: count }),
  z.strictObject({ kind: z.literal('handed-on'), step: stepId, pile, count: some }),
  z.strictObject({
    kind: z.literal('difference'),
    step: stepId,
    pieces: z.number().min(-MOST_PIECES).max(MOST_PIECES).describe('above 0 where more came in than is told'),
    reason,
  }),
  z.strictObject({ kind: z.literal('step-closed'), step: stepId }),
  z.strictObject({ kind: z.literal('step-opened'), step: stepId, reason }),
  z.strictObject({ kind: z.literal('note'), step: stepId, text: lines(600).min(1) }),
  z.strictObject({
    kind: z.literal('photo'),
    step: stepId,
    sha256: hash.describe('of the picture, which is sent beside its entry'),
    note: lines(300).optional(),
  }),
] as const;

/** An entry as a device sends it: made there, with a name of its own, so that sending it again does no harm. */
export const sentEntrySchema = <Event extends z.ZodType>(event: Event) =>
  z.strictObject({
    uid: z.uuid(),
    at: z.iso.datetime().describe('when it happened'),
    late: z.boolean().describe('it waited on the device: what a gate refuses now is held for explaining'),
    event,
    picture: z
      .base64()
      .max(Math.ceil(MOST_PHOTO_BYTES / 3) * 4, {
        error: () => $localize`a photograph has ${MOST_PHOTO_BYTES / 1000} kB at most: take it smaller`,
      })
      .optional()
      .describe('of a photograph: JPEG'),
  });

/** What became of an entry: entered now, known already, held for explaining, or refused. */
const ENTRY_OUTCOMES = ['entered', 'known', 'held', 'refused'] as const;
export const entryAnswerSchema = z
  .strictObject({
    uid: z.string(),
    outcome: z.enum(ENTRY_OUTCOMES),
    id: z.int().nullable().describe('its number in the book; null where it was refused'),
    errors: z.array(z.strictObject({ path: z.string(), message: z.string() })),
  })
  .meta({ id: 'EntryAnswer' });
export type EntryAnswer = z.output<typeof entryAnswerSchema>;

/** Where a chain does not hold, and what the book ends with. */
export const bookCheckSchema = z
  .strictObject({
    entries: z.int(),
    head: z.strictObject({ id: z.int(), sha256: z.string() }).nullable(),
    faults: z.array(z.strictObject({ id: z.int(), fault: z.enum(['link', 'hash', 'text']) })),
    milliseconds: z.number(),
    asked: z
      .strictObject({ sha256: z.string(), entry: z.strictObject({ id: z.int(), at: z.iso.datetime() }).nullable() })
      .nullable()
      .describe('whether a hash that somebody has on paper stands in the book'),
  })
  .meta({ id: 'BookCheck' });
export type BookCheck = z.output<typeof bookCheckSchema>;
export const bookCheckQuery = z.object({ hash: hash.optional() });

/** A tag or a number as it was scanned or typed. */
export const scanQuery = z.object({ code: line(200).min(1) });
export const scannedSchema = z
  .strictObject({
    job: z.strictObject({ id: z.int(), number: z.string(), title: z.string() }),
    step: z.string().nullable().describe('station that the pile goes to; null where only the job is known'),
    pile: z.string().nullable(),
    count: z.int().nullable(),
    material: z.string().nullable(),
  })
  .meta({ id: 'Scanned' });
export type Scanned = z.output<typeof scannedSchema>;
