import * as z from 'zod';
import { line } from './text.js';
import { SINGLE_FILMS, SINGLE_STATES } from '@druckerei/core';

const code = z
  .string()
  .trim()
  .regex(/^[A-Za-z0-9][A-Za-z0-9-]{0,39}$/, { error: 'id' });
const mm = z.number().min(50).max(1_000);

/** One order of one book, as it is entered. */
export const singleOrderSchema = z
  .strictObject({
    id: code.describe('code on block and cover'),
    title: line(120).min(1),
    widthMm: mm,
    heightMm: mm,
    pages: z.int().min(4).max(2_000),
    stock: line(60).min(1).describe('paper in words, so that shades stay apart'),
    film: z.enum(SINGLE_FILMS),
    due: z.iso.date(),
  })
  .meta({ id: 'SingleOrder' });

export const singleSchema = singleOrderSchema
  .extend({ version: z.int(), state: z.enum(SINGLE_STATES), changedBy: z.string(), changedAt: z.iso.datetime() })
  .meta({ id: 'SingleBook' });
export type SingleBook = z.output<typeof singleSchema>;

export const newSinglesSchema = z
  .strictObject({ orders: z.array(singleOrderSchema).min(1).max(500) })
  .meta({ id: 'NewSingleBooks' });

/** Books, as they were seen, that go on to a state together: a batch that was printed, or copies that were looked over. */
export const singlesMoveSchema = z
  .strictObject({
    books: z
      .array(z.strictObject({ id: code, version: z.int().min(1) }))
      .min(1)
      .max(500),
    state: z.enum(SINGLE_STATES).exclude(['kitted']),
  })
  .meta({ id: 'SingleBooksMove' });

/** Codes of a cover and a block, as they were read. */
export const kitSchema = z.strictObject({ cover: line(60), block: line(60) }).meta({ id: 'Kit' });
