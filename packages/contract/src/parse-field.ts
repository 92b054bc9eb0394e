import type { FieldPath, Job } from '@druckerei/core';
import * as z from 'zod';
import { type FieldError, fieldErrors, pathOf } from './field-errors.js';
import { jobSchema } from './job-file.js';

interface Part {
  readonly schema: z.ZodType;
  readonly value: unknown;
}

const unwrapped = (schema: z.ZodType): z.ZodType =>
  schema instanceof z.ZodOptional ? unwrapped(schema.unwrap() as z.ZodType) : schema;

/** One level down: a member of an object, or an element of a list; undefined where the schema has no such part. */
function within({ schema, value }: Part, key: string | number): Part | undefined {
  const whole = unwrapped(schema);
  if (typeof value !== 'object' || value === null) return undefined;
  const inner = (value as Readonly<Record<string | number, unknown>>)[key];
  if (whole instanceof z.ZodObject && Object.hasOwn(whole.shape, key))
    return { schema: whole.shape[key] as z.ZodType, value: inner };
  return whole instanceof z.ZodArray && typeof key === 'number'
    ? { schema: whole.element as z.ZodType, value: inner }
    : undefined;
}

/** Levels that are gone down: to a component, a step, an order, so that what it says about its own fields is asked. */
const DEEPEST = 2;

/** What the schema says of one field of a job. Only the part that the field lies in is read: it is asked at every keystroke. */
export function fieldErrorAt(job: Job, path: FieldPath): FieldError | undefined {
  let part: Part = { schema: jobSchema, value: job };
  let depth = 0;
  for (const key of path.slice(0, DEEPEST)) {
    const inner = within(part, key);
    if (!inner || (depth > 0 && typeof key !== 'number')) break;
    part = inner;
    depth++;
  }
  const parsed = part.schema.safeParse(part.value, { reportInput: true });
  const key = pathOf(path);
  return parsed.success
    ? undefined
    : fieldErrors(parsed.error, path.slice(0, depth)).find((error) => error.path === key);
}
