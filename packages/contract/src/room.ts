import * as z from 'zod';
import { ACCOUNT_ENTRIES } from './account.js';
import { MOST_PIECES, STATION_ENTRIES, entryAnswerSchema, sentEntrySchema, stepId } from './book.js';
import { line, lines } from './text.js';
import { type RoomEvent, CARRIER_KINDS, INSPECTED, CARRIER_STATES, SCAN_FAULTS } from '@druckerei/core';

const id = stepId;
const carrier = line(240).min(1);
const ink = line(40).min(1);
const channel = z.number().min(-160).max(160);
const lab = z.strictObject({ l: z.number().min(0).max(100), a: channel, b: channel });
const MOST_KG = 100_000;

/** Something that happened to a job in the plate room, ink room, at the press or at a station. */
export const roomEntrySchema = z
  .discriminatedUnion('kind', [
    ...STATION_ENTRIES,
    ...ACCOUNT_ENTRIES,
    z.strictObject({
      kind: z.literal('artwork'),
      component: id,
      approved: z.boolean(),
      sent: z.boolean().optional().describe('not approved yet: a proof is at the customer'),
      note: lines(300).optional(),
    }),
    z.strictObject({
      kind: z.literal('carrier'),
      carrier,
      state: z.enum(CARRIER_STATES).exclude(['inspected', 'wanted']),
      place: line(80).optional(),
      reason: line(300).optional().describe('why it is let go before the count is safe'),
      from: z
        .strictObject({ job: line(40).min(1), used: z.number().min(0) })
        .optional()
        .describe('kept by an earlier job; what it has run is filled in by the server'),
    }),
    z.strictObject({
      kind: z.literal('inspection'),
      carrier,
      faults: z.array(line(60).min(1)).max(20),
      note: lines(300).optional(),
    }),
    z.strictObject({
      kind: z.literal('trial'),
      ink,
      aim: lab,
      measured: lab,
      tolerance: z.number().positive().max(50),
      accepted: z.boolean(),
      note: lines(300).optional(),
    }),
    z.strictObject({
      kind: z.literal('ink'),
      ink,
      move: z.enum(['issued', 'returned']),
      kg: z.number().positive().max(MOST_KG),
    }),
    z.strictObject({ kind: z.literal('press-start'), step: id }),
    z.strictObject({ kind: z.literal('first-sheet'), step: id, kept: line(80).optional() }),
    z.strictObject({ kind: z.literal('count'), step: id, good: z.int().min(0).max(MOST_PIECES) }),
    z.strictObject({
      kind: z.literal('reader-stop'),
      step: id,
      place: z.int().min(1).max(200),
      fault: z.enum(SCAN_FAULTS),
      read: line(40),
    }),
    z.strictObject({ kind: z.literal('take-back'), record: z.int().min(1) }),
    z.strictObject({ kind: z.literal('strike'), record: z.int().min(1), why: line(200).min(1) }),
  ])
  .meta({ id: 'PressRoomEntry' });

/** The same, and what the book adds: entries that are held for explaining, and what was decided of them. */
export const roomEventSchema = z
  .union([
    roomEntrySchema,
    z.strictObject({ kind: z.literal('held'), entry: roomEntrySchema, refused: z.array(z.string()) }),
    z.strictObject({
      kind: z.literal('settled'),
      record: z.int().min(1),
      taken: z.boolean(),
      why: line(300).min(1),
    }),
  ])
  .meta({ id: 'PressRoomEvent' });

/** Entries of a job from a device, in the order that they were made in. */
export const sentEntriesSchema = z
  .strictObject({
    device: line(60).min(1),
    seen: z
      .int()
      .min(0)
      .max(2_147_483_647)
      .describe('last entry of the job that the device has: later ones are answered'),
    entries: z.array(sentEntrySchema(roomEntrySchema)).min(1).max(500),
  })
  .meta({ id: 'SentEntries' });
export type SentEntries = z.output<typeof sentEntriesSchema>;

const moment = z.iso.datetime({ offset: true, local: true });
/** What was counted at a station of a job. */
export const countLine = z.strictObject({
  job: line(40).min(1).describe('number of the job'),
  station: line(120).min(1).describe('its id, its name, or the machine where that has one station of the job alone'),
  at: moment.describe('when it was counted; by the clock of the works where no offset is told'),
  good: z.int().min(0).max(MOST_PIECES),
  spoiled: z.int().min(0).max(MOST_PIECES).describe('process units'),
  reason: line(80).min(1).optional(),
  begun: moment.optional().describe('when the run began that ended then'),
});
/** Lines of a list that are entered at once. */
export const MOST_COUNTED = 5_000;

/** Counts of a list, made at several stations of several jobs. */
export const countLinesSchema = z
  .strictObject({
    device: line(60).min(1).describe('where the list comes from'),
    lines: z.array(countLine).min(1).max(MOST_COUNTED),
  })
  .meta({ id: 'CountLines' });
export type CountLines = z.output<typeof countLinesSchema>;
/** Entries that were made of them; those that the book knew before, and those that are held for explaining. */
export const countedLinesSchema = z
  .strictObject({ entered: z.int(), known: z.int(), held: z.int() })
  .meta({ id: 'CountedLines' });
export type CountedLines = z.output<typeof countedLinesSchema>;

/** What was decided of an entry that was held. */
export const settleSchema = z.strictObject({ taken: z.boolean(), why: line(300).min(1) }).meta({ id: 'SettleEntry' });

/** An event, and the last record of the job that its author saw: what was recorded of the same thing since is not written over. */
export const enterEventSchema = z
  .strictObject({ event: roomEntrySchema, seen: z.int().min(0).max(2_147_483_647) })
  .meta({ id: 'EnterEvent' });

/** Holds the schema and core's type together. */
type Mutable<T> = T extends number | string | boolean | null | undefined
  ? T
  : { -readonly [K in keyof T]: Mutable<T[K]> };
export const schemaIsEvent: (event: z.output<typeof roomEventSchema>) => RoomEvent = (event) => event;
export const eventIsSchema: (event: Mutable<RoomEvent>) => z.output<typeof roomEventSchema> = (event) => event;

/** A carrier that an earlier job left in the store. */
export const keptCarrierSchema = z
  .strictObject({
    key: z.string(),
    jobId: z.int(),
    job: z.string(),
    title: z.string(),
    carrier: z.string(),
    name: z.string(),
    kind: z.enum(CARRIER_KINDS),
    ink: z.string().nullable(),
    owner: z.enum(['house', 'customer']),
    place: z.string().nullable(),
    used: z.number(),
    life: z.number(),
    since: z.iso.datetime(),
  })
  .meta({ id: 'KeptCarrier' });
export type KeptCarrier = z.output<typeof keptCarrierSchema>;

/** The press room of a job: its records, oldest first, and what the store keeps that the job wants. */
export const roomSchema = z
  .strictObject({
    records: z.array(
      z.strictObject({
        id: z.int(),
        at: z.iso.datetime().describe('when it happened'),
        by: z.string(),
        entered: z.iso.datetime().optional().describe('when it was entered, where that is later'),
        device: z.string().optional(),
        event: roomEventSchema,
      }),
    ),
    kept: z.array(keptCarrierSchema),
  })
  .meta({ id: 'PressRoom' });
export type PressRoom = z.output<typeof roomSchema>;

const open = z.looseObject({});
/** All that the gates, the book and the forecast of a job ask: a card of core. */
export const roomCardSchema = z
  .strictObject({
    edition: z.int(),
    components: z.array(open),
    inks: z.array(z.string()),
    carriers: z.array(open),
    steps: z.array(open),
    target: z.number(),
    accountable: z
      .strictObject({
        faceValue: z.number(),
        remake: z.enum(['same', 'new']),
        inspect: z.enum(INSPECTED).optional(),
        pile: z.number(),
      })
      .optional(),
    sampling: open,
    forecast: open,
  })
  .meta({ id: 'RoomCard' });

/** Most rows of a list that are answered. */
export const MOST_SHEET_ROWS = 2_000;

/** The sheet of a station, to be shown beside its tally. */
export const stationSheetSchema = z
  .strictObject({
    figures: z.array(z.strictObject({ name: z.string(), text: z.string() })),
    remarks: z.array(z.string()),
    tables: z.array(
      z.strictObject({
        title: z.string(),
        heads: z.array(z.string()),
        rows: z.array(z.array(z.string())).max(MOST_SHEET_ROWS),
        more: z.int().min(0).describe('rows that are in the document alone'),
      }),
    ),
    drawings: z.array(z.string()).describe('titles, in the order that they are asked for in'),
  })
  .meta({ id: 'StationSheet' });
export type StationSheetAnswer = z.output<typeof stationSheetSchema>;

/** The book of a job, as a station works with it. */
export const jobBookSchema = z
  .strictObject({
    job: z.strictObject({
      id: z.int(),
      number: z.string(),
      title: z.string(),
      customer: z.string(),
      due: z.string().nullable(),
      revision: z.int(),
      quantity: z.number(),
    }),
    card: roomCardSchema.nullable().describe('null where the job cannot be planned as it stands'),
    records: roomSchema.shape.records,
  })
  .meta({ id: 'JobBook' });
export type JobBook = z.output<typeof jobBookSchema>;

/** What became of entries, and all of the job that came behind what the device had. */
export const sentAnswerSchema = z
  .strictObject({ entries: z.array(entryAnswerSchema), records: roomSchema.shape.records })
  .meta({ id: 'SentAnswer' });
export type SentAnswer = z.output<typeof sentAnswerSchema>;

/** A station at work, or with entries that are held. */
export const stationLineSchema = z
  .strictObject({
    job: z.strictObject({ id: z.int(), number: z.string(), title: z.string() }),
    step: z.string(),
    name: z.string(),
    machine: z.string().nullable(),
    phase: z.enum(['waiting', 'set-up', 'ready', 'running', 'stopped', 'closed']),
    since: z.iso.datetime().nullable(),
    good: z.number(),
    wanted: z.number(),
    unit: z.string(),
    spoiled: z.number(),
    difference: z.number().describe('pieces that nobody has told; 0 where it balances'),
    held: z.int(),
    by: z.string(),
    last: z.iso.datetime(),
  })
  .meta({ id: 'StationLine' });
export type StationLine = z.output<typeof stationLineSchema>;
