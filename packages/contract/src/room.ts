import * as z from 'zod';
import { line, lines } from './text.js';
import { type RoomEvent, CARRIER_KINDS, CARRIER_STATES, SCAN_FAULTS } from '@druckerei/core';

const id = z.string().regex(/^[a-z0-9][a-z0-9-]{0,39}$/, { error: 'id' });
const carrier = z.string().min(1).max(240);
const ink = line(40).min(1);
const channel = z.number().min(-160).max(160);
const lab = z.strictObject({ l: z.number().min(0).max(100), a: channel, b: channel });
const MOST_KG = 100_000;
const MOST_PIECES = 1_000_000_000;

/** Something that happened to a job in the plate room, ink room or at the press. */
export const roomEventSchema = z
  .discriminatedUnion('kind', [
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
        .strictObject({ job: z.string().min(1).max(40), used: z.number().min(0) })
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
  ])
  .meta({ id: 'PressRoomEvent' });

/** An event, and the last record of the job that its author saw: what was recorded of the same thing since is not written over. */
export const enterEventSchema = z
  .strictObject({ event: roomEventSchema, seen: z.int().min(0).max(2_147_483_647) })
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
    records: z.array(z.strictObject({ id: z.int(), at: z.iso.datetime(), by: z.string(), event: roomEventSchema })),
    kept: z.array(keptCarrierSchema),
  })
  .meta({ id: 'PressRoom' });
export type PressRoom = z.output<typeof roomSchema>;
