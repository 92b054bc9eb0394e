import * as z from 'zod';
import { markSchema } from './changes.js';
import { itemKey as key, amount as quantity, storePlace as place } from './amounts.js';
import { line, lines } from './text.js';
import { NEED_KINDS } from '@druckerei/core';

const positiveMm = z.number().min(10).max(10_000);

/** Paper as it lies in the store: sheets with the side that the grain runs along, or full rolls. */
export const paperItemSchema = z
  .strictObject({
    stock: z.string().min(1).max(60),
    widthMm: positiveMm,
    heightMm: positiveMm.optional().describe('absent for rolls'),
    grain: z.enum(['width', 'height']).optional().describe('side of a sheet that the grain runs along'),
  })
  .refine(({ heightMm, grain }) => (heightMm === undefined) === (grain === undefined), {
    path: ['grain'],
    error: () => $localize`A sheet has a height and a grain, a roll has neither`,
  });

/** Something of the store that is no paper, as the needs of jobs call it. */
export const otherItemSchema = z.strictObject({
  kind: z.enum(NEED_KINDS).exclude(['sheets', 'rolls']),
  name: line(200).min(1),
  unit: line(20).min(1).describe('what it is counted in'),
});
export type OtherItem = z.output<typeof otherItemSchema>;

export const holdingSchema = z
  .strictObject({
    id: z.int(),
    version: z.int(),
    key,
    paper: paperItemSchema.optional(),
    other: otherItemSchema.optional(),
    quantity: quantity.describe('in the unit that jobs need it in: sheets, full rolls, kg, pieces'),
    place: z.string(),
    changedBy: z.string(),
    changedAt: z.iso.datetime(),
  })
  .meta({ id: 'Holding' });

/** Which lots are wanted: those that hold every word, some at a time. */
export const lotsQuery = z.object({
  search: line(120).optional().describe('words of the paper, its size and where it lies'),
  skip: z.coerce.number().int().min(0).max(1_000_000).optional(),
  limit: z.coerce.number().int().min(1).max(500).optional(),
});
export type LotsQuery = z.output<typeof lotsQuery>;

/** A lot as it is listed: what it is in words and what it is counted in, what is free of all lots of it, and who has reserved of it. */
export const lotSchema = holdingSchema
  .extend({
    name: z.string(),
    unit: z.string(),
    free: z.number(),
    reserved: z.array(z.strictObject({ job: z.int(), number: z.string(), title: z.string(), quantity })),
  })
  .meta({ id: 'Lot' });
export type Lot = z.output<typeof lotSchema>;

export const storesSchema = z
  .strictObject({
    mark: markSchema.describe('last change of a reservation'),
    holdings: z.array(holdingSchema),
    reservations: z.array(
      z.strictObject({ job: z.int(), number: z.string(), title: z.string(), key, quantity, by: z.string() }),
    ),
    drawn: z
      .array(z.strictObject({ job: z.int(), key, quantity }))
      .describe('what jobs have taken in on the floor; it is on hand no more'),
    onOrder: z.array(
      z.strictObject({
        key,
        quantity,
        day: z.iso.date(),
        order: z.string(),
        jobs: z.array(z.strictObject({ job: z.int(), quantity })),
      }),
    ),
  })
  .meta({ id: 'Stores' });
export type Stores = z.output<typeof storesSchema>;

const reason = lines(300);

export const newHoldingSchema = z
  .strictObject({
    paper: paperItemSchema.optional(),
    other: otherItemSchema.extend({ key }).optional().describe('what it is where it is no paper'),
    quantity,
    place,
    reason,
  })
  .refine(({ paper, other }) => (paper === undefined) !== (other === undefined), {
    path: ['paper'],
    error: () => $localize`A lot is of a paper or of something else: tell one of them`,
  })
  .meta({ id: 'NewHolding' });
export type NewHolding = z.output<typeof newHoldingSchema>;

/** Lots of a list that is taken at once. */
export const MOST_HELD = 5_000;

/** What was counted of things: at a place, or wherever it lies. What is told of a thing at a place takes the place of all lots of it there. */
export const heldListSchema = z
  .strictObject({
    lots: z
      .array(
        z
          .strictObject({
            paper: paperItemSchema.optional(),
            other: otherItemSchema.extend({ key }).optional().describe('what it is where it is no paper'),
            quantity,
            place: place.optional().describe('absent where it is all that there is, wherever it lies'),
          })
          .refine(({ paper, other }) => (paper === undefined) !== (other === undefined), {
            path: ['paper'],
            error: () => $localize`A lot is of a paper or of something else: tell one of them`,
          }),
      )
      .min(1)
      .max(MOST_HELD),
    reason,
  })
  .meta({ id: 'HeldList' });
export type HeldList = z.output<typeof heldListSchema>;
/** How many lots came in, were counted otherwise than they stood, and stand as they did. */
export const countedListSchema = z
  .strictObject({ added: z.int(), changed: z.int(), same: z.int() })
  .meta({ id: 'CountedList' });
export type CountedList = z.output<typeof countedListSchema>;

/** A lot counted, moved or used; `expected` is the quantity that the editor saw, `version` the lot's. */
export const holdingChangeSchema = z
  .strictObject({ quantity, expected: quantity, version: z.int().min(1), place, reason })
  .meta({ id: 'HoldingChange' });

export const holdingHistorySchema = z
  .strictObject({
    before: quantity,
    after: quantity,
    placeBefore: z.string().nullable(),
    placeAfter: z.string().nullable(),
    reason: z.string(),
    by: z.string(),
    at: z.iso.datetime(),
  })
  .meta({ id: 'HoldingHistoryEntry' });
export type HoldingHistoryEntry = z.output<typeof holdingHistorySchema>;

/** What a job reserves of one thing; 0 lets it go. `seen` is the mark of the stores that the editor saw. */
export const reserveSchema = z.strictObject({ key, quantity, seen: markSchema }).meta({ id: 'Reserve' });

const need = z.strictObject({
  key,
  kind: z.enum(NEED_KINDS),
  name: z.string(),
  quantity: z.number(),
  unit: z.string(),
  figure: z.string().optional(),
  pack: z.number().positive(),
  paper: paperItemSchema.optional(),
  perPallet: z.number().optional(),
});

/** What every open job needs; jobs that cannot be planned with the reasons. */
export const needsSchema = z
  .strictObject({
    jobs: z.array(
      z.strictObject({
        job: z.int(),
        number: z.string(),
        title: z.string(),
        due: z.string().nullable(),
        needs: z.array(need),
        problems: z.array(z.string()),
      }),
    ),
  })
  .meta({ id: 'Needs' });
export type Needs = z.output<typeof needsSchema>;
