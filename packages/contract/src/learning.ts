import { DIFFERS, LEARNED } from '@druckerei/core';
import * as z from 'zod';
import { markSchema } from './changes.js';
import { lines } from './text.js';

const normId = z.string().min(1).max(120);
const entryId = z.int().min(1).max(2_147_483_647);
const jobLine = z.strictObject({ id: z.int(), number: z.string(), title: z.string() });

/** What one run says of a norm. */
const evidenceSchema = z.strictObject({
  entry: z.int().describe('entry of the book that closed the station'),
  job: z.int(),
  number: z.string(),
  step: z.string(),
  title: z.string(),
  machine: z.string().nullable(),
  closed: z.iso.datetime(),
  value: z.number().describe('what the norm would have had to be for this run'),
  amount: z.number().describe('process units, set-ups, or hours'),
  weight: z.number().describe('what of it counts'),
});

/** What the log proposes for a norm; nothing is changed by it. */
export const normProposalSchema = z
  .strictObject({
    norm: normId,
    kind: z.enum(LEARNED),
    subject: z.string(),
    name: z.string(),
    unit: z.string(),
    now: z.number(),
    value: z.number(),
    low: z.number().describe('with high: where it lies nine times of ten'),
    high: z.number(),
    weight: z.number().describe('what the norm counts for beside the log'),
    logged: z.number().describe('what the log counts for'),
    upTo: z.int().describe('last entry that it goes by'),
    evidence: z.array(evidenceSchema),
  })
  .meta({ id: 'NormProposal' });
export type NormProposalLine = z.output<typeof normProposalSchema>;

/** What was decided of a proposal. */
const decidedSchema = z.strictObject({
  norm: z.string(),
  taken: z.boolean(),
  before: z.number(),
  value: z.number(),
  reason: z.string(),
  by: z.string(),
  at: z.iso.datetime(),
});

export const learningSchema = z
  .strictObject({
    /** Mark of the works that the proposals were made in. */
    seen: markSchema,
    /** Stations that are through, in all. */
    closed: z.int(),
    /** Jobs whose stations are not read out of the book yet; the next look goes on. */
    waiting: z.int(),
    proposals: z.array(normProposalSchema),
    /** Newest first. */
    decided: z.array(decidedSchema),
  })
  .meta({ id: 'Learning' });
export type Learning = z.output<typeof learningSchema>;

/** Proposals taken or refused, all or none. */
export const decisionsSchema = z
  .strictObject({
    decisions: z
      .array(
        z.strictObject({
          norm: normId,
          taken: z.boolean(),
          value: z.number().describe('proposed value that was seen'),
          upTo: entryId.describe('last entry that it went by'),
        }),
      )
      .min(1)
      .max(500)
      .refine((all) => new Set(all.map(({ norm }) => norm)).size === all.length, {
        error: () => $localize`a norm is named twice`,
      }),
    seen: markSchema.describe('mark of the works that was seen'),
    reason: lines(300),
  })
  .meta({ id: 'NormDecisions' });
export type NormDecisions = z.output<typeof decisionsSchema>;

const sums = z.strictObject({ sheets: z.number(), hours: z.number(), cost: z.number() });

/** Planned and happened: of one job. */
export const happenedJobSchema = z
  .strictObject({
    job: jobLine.extend({ customer: z.string(), due: z.string().nullable() }),
    /** Stations that are through. */
    closed: z.int(),
    last: z.iso.datetime().describe('when the last of them was closed'),
    /** Days after it was due; below 0 before it; null while it is not finished, or where nothing says when. */
    late: z.int().nullable(),
    planned: sums,
    happened: sums,
    /** The largest first. */
    differences: z.array(
      z.strictObject({
        step: z.string(),
        title: z.string(),
        machine: z.string().nullable(),
        what: z.enum(DIFFERS),
        unit: z.string(),
        planned: z.number(),
        happened: z.number(),
        cost: z.number(),
        reasons: z.array(z.tuple([z.string(), z.number()])),
      }),
    ),
  })
  .meta({ id: 'HappenedJob' });
export type HappenedJob = z.output<typeof happenedJobSchema>;

export const happenedQuery = z.object({
  month: z
    .string()
    .regex(/^\d{4}-(0[1-9]|1[0-2])$/, { error: () => $localize`a month like 2026-11` })
    .optional(),
});
/** Planned and happened: what was closed in a month. */
export const happenedSchema = z
  .strictObject({
    month: z.string().describe('the last one that anything was closed in, where none was asked for'),
    /** Months in which stations were closed, newest first. */
    months: z.array(z.string()),
    currency: z.string(),
    /** Jobs whose stations are not read out of the book yet; the next look goes on. */
    waiting: z.int(),
    jobs: z.array(happenedJobSchema),
  })
  .meta({ id: 'Happened' });
export type Happened = z.output<typeof happenedSchema>;
