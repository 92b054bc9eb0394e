import type { FieldPath, Job } from '@druckerei/core';
import type * as z from 'zod';
import { type FieldError, fieldErrors, pathOf } from './field-errors.js';
import { jobSchema } from './job-file.js';

interface Part {
  readonly schema: z.ZodType;
  readonly value: unknown;
}

/** What a part of the schema is made of, as Zod keeps it: told by its kind, so that no class of it has to come along. */
type Definition =
  | { readonly type: 'optional'; readonly innerType: z.ZodType }
  | { readonly type: 'object'; readonly shape: Readonly<Record<string | number, z.ZodType>> }
  | { readonly type: 'array'; readonly element: z.ZodType }
  | { readonly type: 'other' };

function definitionOf(schema: z.ZodType): Exclude<Definition, { readonly type: 'optional' }> {
  const definition = schema.def as unknown as Definition;
  return definition.type === 'optional' ? definitionOf(definition.innerType) : definition;
}

/** One level down: a member of an object, or an element of a list; undefined where the schema has no such part. */
function within({ schema, value }: Part, key: string | number): Part | undefined {
  if (typeof value !== 'object' || value === null) return undefined;
  const whole = definitionOf(schema);
  const inner = (value as Readonly<Record<string | number, unknown>>)[key];
  const part =
    whole.type === 'object' && Object.hasOwn(whole.shape, key)
      ? whole.shape[key]
      : whole.type === 'array' && typeof key === 'number'
        ? whole.element
        : undefined;
  return part && { schema: part, value: inner };
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
