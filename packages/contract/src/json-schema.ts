import * as z from 'zod';
import { jobSchema } from './job-file.js';

/** The job file as JSON Schema (2020-12), published in docs/job-file.schema.json. */
export const jobFileSchema = (): unknown => z.toJSONSchema(jobSchema, { io: 'input', target: 'draft-2020-12' });
