import * as z from 'zod';
import { NORM_GROUPS } from '@druckerei/core';
import { markSchema } from './changes.js';
import { lines } from './text.js';

export const normGroupSchema = z.enum(NORM_GROUPS);
const normValueSchema = z.number().nullable().describe('null: the works no longer sets it');
/** A norm changed by hand; `expected` is the value that the editor saw, so that nobody overwrites another's change unseen. */
export const normChangeSchema = z
  .strictObject({
    value: normValueSchema,
    expected: z.number(),
    seen: markSchema.describe('mark of the works that the editor saw'),
    reason: lines(300),
  })
  .meta({ id: 'NormChange' });
export type NormChange = z.output<typeof normChangeSchema>;
const normId = z.string().min(1).max(120);
/** Norms with their values and those that the editor saw, each once. */
export const normsSet = z
  .array(z.strictObject({ norm: normId, value: normValueSchema, expected: z.number() }))
  .refine((all) => new Set(all.map(({ norm }) => norm)).size === all.length, {
    error: () => $localize`a norm is named twice`,
  });
/** Several norms changed together, all or none; each once. */
export const normChangesSchema = z
  .strictObject({
    changes: normsSet.min(1).max(500),
    seen: markSchema.describe('mark of the works that the editor saw'),
    reason: lines(300),
  })
  .meta({ id: 'NormChanges' });
export type NormChanges = z.output<typeof normChangesSchema>;
/** What norms would do to the open jobs, asked for some jobs at a time. */
export const normEffectQuestion = z
  .strictObject({
    changes: z
      .array(z.strictObject({ norm: normId, value: z.number() }))
      .min(1)
      .max(500),
    skip: z.int().min(0).max(1_000_000),
  })
  .meta({ id: 'NormEffectQuestion' });
const comesTo = z
  .strictObject({ pressSheets: z.number(), cost: z.number() })
  .nullable()
  .describe('null where it cannot be planned');
export const normEffectSchema = z
  .strictObject({
    /** Drafts in hand, in all; those from `skip` on that were planned now. */
    total: z.int(),
    planned: z.int(),
    changed: z.array(
      z.strictObject({ job: z.int(), number: z.string(), title: z.string(), before: comesTo, after: comesTo }),
    ),
  })
  .meta({ id: 'NormEffect' });
export type NormEffect = z.output<typeof normEffectSchema>;
export const normHistorySchema = z
  .strictObject({
    norm: z.string(),
    before: z.number(),
    after: z.number(),
    reason: z.string(),
    by: z.string(),
    at: z.iso.datetime(),
  })
  .meta({ id: 'NormHistoryEntry' });
export type NormHistoryEntry = z.output<typeof normHistorySchema>;
