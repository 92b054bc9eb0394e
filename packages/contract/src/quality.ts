import { READINGS } from '@druckerei/core';
import * as z from 'zod';

export const qualityQuery = z.object({ days: z.coerce.number().int().min(1).max(730).optional() });

const jobLine = z.strictObject({ id: z.int(), number: z.string(), title: z.string() });
const station = {
  job: jobLine,
  step: z.string(),
  title: z.string(),
  machine: z.string().nullable(),
};

/** Readings of one thing at one station of a job, in their order. */
export const readingSeriesSchema = z
  .strictObject({
    ...station,
    of: z.enum(READINGS),
    name: z.string().describe('ink, mark or place; empty where nobody said which'),
    source: z.string().nullable().describe('instrument that read it'),
    tolerance: z
      .strictObject({ lower: z.number().nullable(), upper: z.number().nullable() })
      .nullable()
      .describe('of the customer, by the norms of the works'),
    points: z.array(
      z.strictObject({ entry: z.int(), at: z.iso.datetime(), sheet: z.int().nullable(), value: z.number() }),
    ),
  })
  .meta({ id: 'ReadingSeries' });
export type ReadingSeries = z.output<typeof readingSeriesSchema>;

export const readingsSchema = z
  .strictObject({
    days: z.int(),
    /** The last first. */
    series: z.array(readingSeriesSchema),
    /** What closed runs spoiled, oldest first. */
    runs: z.array(
      z.strictObject({
        ...station,
        closed: z.iso.datetime(),
        found: z.number(),
        of: z.number().describe('process units'),
        faults: z.int().describe('faults that were seen there'),
      }),
    ),
    /** Lots that were looked at, oldest first. */
    lots: z.array(
      z.strictObject({ ...station, at: z.iso.datetime(), found: z.int(), of: z.int().describe('pieces looked at') }),
    ),
    /** Jobs of these days that are not looked at: too many. */
    left: z.int(),
  })
  .meta({ id: 'Readings' });
export type Readings = z.output<typeof readingsSchema>;

/** Something that was spoiled or seen, with where it stands in the book. */
export const faultLineSchema = z
  .strictObject({
    ...station,
    entry: z.int(),
    at: z.iso.datetime(),
    station: z.string().describe('kind of station'),
    stock: z.string(),
    shift: z.string(),
    reason: z.string(),
    count: z.number().describe('process units spoiled; 1 for a fault that was seen'),
    unit: z.string(),
  })
  .meta({ id: 'FaultLine' });
export type FaultLine = z.output<typeof faultLineSchema>;
export const faultsSchema = z
  .strictObject({ days: z.int(), lines: z.array(faultLineSchema), left: z.int() })
  .meta({ id: 'Faults' });
export type Faults = z.output<typeof faultsSchema>;
