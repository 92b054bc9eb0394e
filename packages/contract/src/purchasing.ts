import * as z from 'zod';
import { MOST_JOBS_OF_LINE, PRICE_COUNTS, PRICE_MEASURES } from '@druckerei/core';
import { amount, itemKey, storePlace } from './amounts.js';
import { localeSchema } from './known-places.js';
import { otherItemSchema, paperItemSchema } from './stores.js';
import { line, lines } from './text.js';

const version = z.int().min(1);
const page = {
  search: line(120).optional(),
  skip: z.coerce.number().int().min(0).max(1_000_000).optional(),
  limit: z.coerce.number().int().min(1).max(500).optional(),
};
/** Prices of one supplier. */
export const MOST_PRICES = 2_000;
const money = z.number().min(0).max(1_000_000_000);
const above = amount.refine((value) => value > 0, { error: () => $localize`must be more than 0` });

/** What a supplier asks for one thing, from a quantity on, between two days. */
export const supplyPriceSchema = z
  .strictObject({
    item: itemKey.describe('key of the need that it serves, or paper/ and the id of a paper in every size'),
    price: money.describe('for so many of the measure, in the currency of the works'),
    per: z.literal([...PRICE_COUNTS], { error: 'a price is for 1, 100 or 1000' }),
    measure: z.enum(PRICE_MEASURES).describe('the unit that jobs need it in, or the kilogram'),
    from: amount.optional().describe('from how much of the measure on it holds'),
    validFrom: z.iso.date().optional(),
    validUntil: z.iso.date().optional(),
  })
  .refine(
    ({ validFrom, validUntil }) => validFrom === undefined || validUntil === undefined || validFrom <= validUntil,
    {
      path: ['validUntil'],
      error: () => $localize`a price ends on the day that it begins or later`,
    },
  )
  .meta({ id: 'SupplyPrice' });

export const supplierSchema = z
  .strictObject({
    name: line(120).min(1),
    reference: line(40).optional().describe('number of the works with them'),
    address: lines(400).optional(),
    leadDays: z.int().min(0).max(365).optional().describe('days from an order to its delivery'),
    note: lines(2_000).optional(),
    locale: localeSchema.optional().describe('language and place of what they are sent'),
    retired: z.boolean().optional(),
    prices: z.array(supplyPriceSchema).max(MOST_PRICES).optional(),
  })
  .meta({ id: 'Supplier' });
export type Supplier = z.output<typeof supplierSchema>;
export const supplierChangeSchema = z
  .strictObject({ version, supplier: supplierSchema })
  .meta({ id: 'SupplierChange' });
export const keptSupplierSchema = z
  .strictObject({
    id: z.int(),
    version,
    supplier: supplierSchema,
    changedBy: z.string(),
    changedAt: z.iso.datetime(),
  })
  .meta({ id: 'KeptSupplier' });
export type KeptSupplier = z.output<typeof keptSupplierSchema>;
export const suppliersQuery = z.object(page);

/** One thing of an order to a supplier, and for whom. */
export const purchaseLineSchema = z
  .strictObject({
    key: itemKey,
    paper: paperItemSchema.optional(),
    other: otherItemSchema.optional().describe('what it is where it is no paper'),
    quantity: above,
    price: money.optional().describe('for all of it, where it has been agreed'),
    jobs: z
      .array(z.strictObject({ job: z.int().min(1), quantity: above }))
      .max(MOST_JOBS_OF_LINE)
      .describe('what of it each job is to have; none where it is for the store'),
  })
  .refine(({ paper, other }) => (paper === undefined) !== (other === undefined), {
    path: ['paper'],
    error: () => $localize`A line is of a paper or of something else: tell one of them`,
  });
export type PurchaseLine = z.output<typeof purchaseLineSchema>;

export const purchaseSchema = z
  .strictObject({
    number: line(40).min(1),
    supplier: z.int().min(1),
    expected: z.iso.date().describe('the day on which it is to come'),
    note: lines(2_000).optional(),
    lines: z.array(purchaseLineSchema).min(1).max(300),
  })
  .meta({ id: 'Purchase' });
export type PurchaseOrder = z.output<typeof purchaseSchema>;
export const purchaseChangeSchema = z
  .strictObject({ version, purchase: purchaseSchema })
  .meta({ id: 'PurchaseChange' });

/** A draft is not sent yet; what is closed has come, or will not come any more; what is withdrawn never came. */
export const PURCHASE_STATES = ['draft', 'sent', 'closed', 'withdrawn'] as const;
export type PurchaseState = (typeof PURCHASE_STATES)[number];
export const purchaseStateSchema = z
  .strictObject({
    version,
    state: z.enum(PURCHASE_STATES).exclude(['draft']),
    reason: lines(300).optional().describe('why it ends before all has come'),
  })
  .meta({ id: 'PurchaseStateChange' });

/** What has come of an order. */
export const newReceiptSchema = z
  .strictObject({
    version,
    note: line(120).optional().describe('number of the delivery note'),
    lines: z
      .array(
        z.strictObject({
          line: z.int().min(0).max(299).describe('place of the line in the order, from 0'),
          quantity: above,
          place: storePlace,
        }),
      )
      .min(1)
      .max(300),
  })
  .meta({ id: 'NewReceipt' });
export type NewReceipt = z.output<typeof newReceiptSchema>;

export const keptPurchaseSchema = z
  .strictObject({
    id: z.int(),
    version,
    number: z.string(),
    supplier: z.int(),
    supplierName: z.string(),
    state: z.enum(PURCHASE_STATES),
    reason: z.string().nullable(),
    expected: z.iso.date(),
    note: z.string().nullable(),
    lines: z.array(
      z.strictObject({
        key: z.string(),
        name: z.string(),
        unit: z.string(),
        paper: paperItemSchema.optional(),
        other: otherItemSchema.optional(),
        quantity: z.number(),
        price: z.number().nullable().describe('null where none is agreed, or whoever asks may not see it'),
        received: z.number(),
        jobs: z.array(z.strictObject({ job: z.int(), number: z.string(), quantity: z.number() })),
      }),
    ),
    total: z.number().nullable().describe('of the lines whose price is agreed; null for whoever may not see it'),
    receipts: z.array(
      z.strictObject({
        at: z.iso.datetime(),
        by: z.string(),
        note: z.string().nullable(),
        lines: z.array(z.strictObject({ line: z.int(), quantity: z.number(), place: z.string() })),
      }),
    ),
    madeAt: z.iso.datetime(),
    changedBy: z.string(),
    changedAt: z.iso.datetime(),
  })
  .meta({ id: 'KeptPurchase' });
export type KeptPurchase = z.output<typeof keptPurchaseSchema>;
export const purchasesQuery = z.object({
  ...page,
  open: z.enum(['true']).optional().describe('drafts and sent alone'),
});
export type PurchasesQuery = z.output<typeof purchasesQuery>;
