import { type Job, wordOf } from '@druckerei/core';
import { type FieldError, fieldErrors } from './field-errors.js';
import { jobSchema } from './job-file.js';

export type ParsedJob =
  { readonly ok: true; readonly job: Job } | { readonly ok: false; readonly errors: readonly FieldError[] };

/** Reads a job file's text. Anything that is no JSON, or no job, gives fields with messages, never an exception. */
export function parseJobFile(text: string): ParsedJob {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return {
      ok: false,
      errors: [
        {
          path: '',
          message: $localize`This is no JSON: ${error instanceof Error ? error.message : wordOf('unreadable')}`,
        },
      ],
    };
  }
  const parsed = jobSchema.safeParse(value, { reportInput: true });
  return parsed.success ? { ok: true, job: parsed.data } : { ok: false, errors: fieldErrors(parsed.error) };
}
