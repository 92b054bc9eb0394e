import * as z from 'zod';
import { MOST_MARGIN } from '@druckerei/core';
import { jobSchema, policySchema } from './job-file.js';
import { statusSchema } from './jobs.js';
import { localeSchema } from './known-places.js';
import { line, lines } from './text.js';

const version = z.int().min(1);
const page = {
  search: line(120).optional(),
  skip: z.coerce.number().int().min(0).max(1_000_000).optional(),
  limit: z.coerce.number().int().min(1).max(500).optional(),
};

/** Where a customer is delivered to. */
export const placeSchema = z
  .strictObject({
    name: line(80).refine((name) => name !== '', { error: () => $localize`every place wants a name` }),
    address: lines(400).optional(),
    transitDays: z.int().min(0).max(60).optional().describe('days on the way'),
  })
  .meta({ id: 'DeliveryPlace' });
export type DeliveryPlace = z.output<typeof placeSchema>;

/** Places of a customer, and customers that are entered at once. */
export const MOST_PLACES = 50;
export const MOST_LISTED = 2_000;

/** A customer of the works. */
export const customerSchema = z
  .strictObject({
    name: line(120).min(1).describe('as jobs name them'),
    also: z.array(line(120).min(1)).max(20).optional().describe('names that older jobs have for them'),
    reference: line(40).optional().describe('their number in the books'),
    places: z.array(placeSchema).max(MOST_PLACES).optional(),
    policy: policySchema.optional().describe('what may be delivered of their orders, where they say so once for all'),
    weight: z.number().min(0.1).max(10).optional().describe('how much a day late with them counts, 1 where absent'),
    artwork: lines(2_000).optional().describe('what their artwork keeps to'),
    note: lines(2_000).optional(),
    locale: localeSchema.optional().describe('language and place of what they are sent'),
    retired: z.boolean().optional(),
  })
  .meta({ id: 'Customer' });
export type Customer = z.output<typeof customerSchema>;
export const customerChangeSchema = z
  .strictObject({ version, customer: customerSchema })
  .meta({ id: 'CustomerChange' });

/** Customers out of a list: all of them, or none. */
export const severalCustomersSchema = z
  .strictObject({ customers: z.array(customerSchema).min(1).max(MOST_LISTED) })
  .meta({ id: 'SeveralCustomers' });
export const enteredCustomersSchema = z.strictObject({ ids: z.array(z.int()) }).meta({ id: 'EnteredCustomers' });
export type EnteredCustomers = z.output<typeof enteredCustomersSchema>;

export const keptCustomerSchema = z
  .strictObject({
    id: z.int(),
    version,
    customer: customerSchema,
    changedBy: z.string(),
    changedAt: z.iso.datetime(),
  })
  .meta({ id: 'KeptCustomer' });
export type KeptCustomer = z.output<typeof keptCustomerSchema>;

export const customersQuery = z.object(page);
export type CustomersQuery = z.output<typeof customersQuery>;
export const customerRowSchema = z
  .strictObject({
    id: z.int(),
    name: z.string(),
    reference: z.string().nullable(),
    places: z.int(),
    jobs: z.int(),
    lastJob: z.iso.datetime().nullable(),
    policy: policySchema.nullable(),
    artwork: z.string().nullable(),
    retired: z.boolean(),
  })
  .meta({ id: 'CustomerRow' });
export type CustomerRow = z.output<typeof customerRowSchema>;

/** What became of a job: what a repeat order wants to know. */
export const pastJobSchema = z
  .strictObject({
    id: z.int(),
    number: z.string(),
    title: z.string(),
    quantity: z.number(),
    due: z.string().nullable(),
    status: statusSchema,
    revision: z.int().describe('the newest'),
    released: z.int().nullable().describe('the newest that was released'),
    changedAt: z.iso.datetime(),
    order: z.string().nullable().describe('number of the order that it is of'),
    carriers: z.int().describe('kept carriers'),
    counted: z.number().nullable().describe('good pieces at its last stations together, once they have been counted'),
    stops: z.int().describe('trials, take-backs and stops on record'),
  })
  .meta({ id: 'PastJob' });
export type PastJob = z.output<typeof pastJobSchema>;

/** What a customer asked for at once: several jobs, on a day, to a place. */
export const orderSchema = z
  .strictObject({
    number: line(40).min(1),
    reference: line(60).optional().describe('their own number for it'),
    due: z.iso.date().optional(),
    place: line(80).optional().describe('one of the places of the customer'),
    note: lines(2_000).optional(),
    jobs: z.array(z.int().min(1)).max(200),
  })
  .meta({ id: 'CustomerOrder' });
export type CustomerOrder = z.output<typeof orderSchema>;
export const orderChangeSchema = z.strictObject({ version, order: orderSchema }).meta({ id: 'OrderChange' });
export const keptOrderSchema = z
  .strictObject({ id: z.int(), version, order: orderSchema, changedBy: z.string(), changedAt: z.iso.datetime() })
  .meta({ id: 'KeptOrder' });
export type KeptOrder = z.output<typeof keptOrderSchema>;

const share = z.number().min(0).max(MOST_MARGIN);
const OFFER_STATES = ['open', 'taken', 'declined'] as const;

/** Jobs at several quantities, each as it would be run, to be offered to their customer. */
export const newOfferSchema = z
  .strictObject({
    number: line(40).min(1),
    margin: share.describe('share of the price that is earned'),
    until: z.iso.date().describe('the last day that it holds'),
    note: lines(2_000).optional(),
    jobs: z.array(jobSchema).min(1).max(12),
  })
  .meta({ id: 'NewOffer' });
export type NewOffer = z.output<typeof newOfferSchema>;

export const offerLineSchema = z
  .strictObject({ quantity: z.number(), cost: z.number(), price: z.number(), perThousand: z.number() })
  .meta({ id: 'OfferLine' });
export type OfferLine = z.output<typeof offerLineSchema>;

export const offerSchema = z
  .strictObject({
    id: z.int(),
    version,
    number: z.string(),
    title: z.string(),
    customer: z.string(),
    currency: z.string(),
    margin: share,
    until: z.iso.date(),
    note: z.string().optional(),
    lines: z.array(offerLineSchema),
    state: z.enum(OFFER_STATES),
    job: z.int().nullable().describe('the job that came of it'),
    madeBy: z.string(),
    madeAt: z.iso.datetime(),
  })
  .meta({ id: 'Offer' });
export type Offer = z.output<typeof offerSchema>;
export const offersQuery = z.object(page);
export const offerStateSchema = z
  .strictObject({ version, state: z.enum(OFFER_STATES).exclude(['taken']) })
  .meta({ id: 'OfferState' });
/** A line of an offer that the customer has taken: it becomes a job. */
export const offerTakeSchema = z
  .strictObject({
    version,
    line: z.int().min(0).max(11),
    number: line(40).min(1),
    due: z.iso.date().optional(),
  })
  .meta({ id: 'OfferTake' });
export type OfferTake = z.output<typeof offerTakeSchema>;
