import * as z from 'zod';
import { revisionSchema } from './jobs.js';

const fieldError = z.strictObject({ path: z.string(), message: z.string() });
/** RFC 9457 problem details; `errors` names fields, `current` is the other version of a refused save. */
export const problemSchema = z
  .looseObject({
    type: z.string(),
    title: z.string(),
    status: z.int(),
    detail: z.string().optional(),
    errors: z.array(fieldError).optional(),
    current: revisionSchema.optional(),
  })
  .meta({ id: 'Problem' });
export type Problem = z.output<typeof problemSchema>;

/** What a restore brought. */
export const restoredSchema = z
  .strictObject({ made: z.iso.datetime(), jobs: z.int(), rows: z.int() })
  .meta({ id: 'Restored' });
export type Restored = z.output<typeof restoredSchema>;
