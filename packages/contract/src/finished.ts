import * as z from 'zod';
import { markSchema } from './changes.js';
import { line } from './text.js';

const MOST = 100_000_000;
const pieces = z.int().min(1).max(MOST);
const day = z.iso.date();

const lot = z.strictObject({
  id: z.int(),
  version: z.int(),
  job: z.int(),
  number: z.string(),
  title: z.string(),
  customer: z.string(),
  pieces: z.int().min(0),
  place: z.string(),
  pieceG: z.number().describe('grams of one piece'),
  perPallet: z.number().nullable(),
  receivedBy: z.string(),
  receivedAt: z.iso.datetime(),
});

const calledOff = z.strictObject({
  id: z.int(),
  lot: z.int(),
  number: z.string(),
  title: z.string(),
  pieces,
  destination: z.string(),
  transitDays: z.int(),
  due: day.nullable(),
  pieceG: z.number(),
  perPallet: z.number().nullable(),
  calledBy: z.string(),
  calledAt: z.iso.datetime(),
});

/** Finished goods on hand, what was called off them last, and how long the roads are. */
export const finishedSchema = z
  .strictObject({
    mark: markSchema.describe('last change of a destination'),
    lots: z.array(lot),
    callOffs: z.array(calledOff),
    destinations: z.array(z.strictObject({ name: z.string(), days: z.int() })),
  })
  .meta({ id: 'Finished' });
export type Finished = z.output<typeof finishedSchema>;

/** Pieces of a job into the stock; `meant` where it is known that they are more than its plan can give. */
export const newFinishedSchema = z
  .strictObject({
    job: z.int().min(1).max(2_147_483_647),
    pieces,
    place: line(80),
    meant: z.boolean().optional(),
  })
  .meta({ id: 'NewFinished' });

/** Pieces that leave a lot; `expected` is what the caller saw on hand. The days are kept for the destination. */
export const callOffSchema = z
  .strictObject({
    pieces,
    expected: z.int().min(0).max(MOST),
    version: z.int().min(1),
    seen: markSchema.describe('mark of the finished goods that the caller saw'),
    destination: line(80).min(1),
    transitDays: z.int().min(0).max(365),
    due: day.optional(),
  })
  .meta({ id: 'CallOff' });
