import { DESTROYED_BY, ISSUED_OF } from '@druckerei/core';
import * as z from 'zod';
import { MOST_PIECES, stepId } from './book.js';
import { line } from './text.js';

const of = z.enum(ISSUED_OF);
const item = line(120).min(1);
const count = z.int().min(1).max(MOST_PIECES);
const person = line(80).min(1);
const place = line(80).min(1);
const bag = line(40).min(1);
const numbers = z.array(line(40).min(1)).max(500);

/** What is entered of accountable work beside what stations count. */
export const ACCOUNT_ENTRIES = [
  z.strictObject({
    kind: z.literal('issued'),
    of,
    item,
    count,
    to: person,
    place: place.optional(),
    step: stepId.optional(),
  }),
  z.strictObject({
    kind: z.literal('returned'),
    of,
    item,
    count,
    from: person,
    place: place.optional(),
    step: stepId.optional(),
  }),
  z.strictObject({ kind: z.literal('carried'), what: item, from: place, to: place }),
  z.strictObject({
    kind: z.literal('bagged'),
    step: stepId,
    bag,
    count: count.describe('process units of the station'),
    seal: line(40).min(1),
    place,
  }),
  z.strictObject({ kind: z.literal('recounted'), bag, count }),
  z.strictObject({
    kind: z.literal('destroyed'),
    bags: z.array(bag).min(1).max(200),
    how: z.enum(DESTROYED_BY),
    place,
  }),
  z.strictObject({ kind: z.literal('witnessed'), record: z.int().min(1).max(2_147_483_647) }),
  z.strictObject({ kind: z.literal('voided'), step: stepId, numbers: numbers.min(1), reason: line(80).min(1) }),
  z.strictObject({
    kind: z.literal('remade'),
    numbers: numbers.min(1),
    as: numbers.describe('numbers that take their place; none where they are made again as themselves'),
  }),
] as const;
