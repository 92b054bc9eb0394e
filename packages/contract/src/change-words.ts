import {
  type FieldChange,
  type Norm,
  type Works,
  normById,
  normInWords,
  numberText,
  withinSentence,
  wordOf,
} from '@druckerei/core';
import { fieldName } from './field-errors.js';

/** One field that differs, in words. */
export interface ChangeWords {
  readonly name: string;
  readonly before: string;
  readonly after: string;
}

const SHARES = new Set(['running', 'coverage', 'share']);

function valueInWords(value: unknown, field: string): string {
  if (value === undefined) return wordOf('none');
  if (typeof value === 'number') return SHARES.has(field) ? `${numberText(value * 100, 4)} %` : numberText(value, 4);
  if (typeof value === 'string') return value;
  const isNamed = typeof value === 'object' && value !== null && 'name' in value && typeof value.name === 'string';
  return isNamed ? String(value.name) : JSON.stringify(value);
}

/** A norm's override: the number itself in a job, with its source in a works. */
function normValue(norm: Norm, value: unknown): string {
  const number = typeof value === 'object' ? (value as { value?: unknown } | null)?.value : value;
  return typeof number === 'number' ? normInWords(norm, number) : wordOf('none');
}

/**
 * A change between two versions of a job or of the norms of its works, for people: `route.fold.running` 0.01 to 0.02 is
 * "fold, Running spoilage" 1 % to 2 %.
 */
export function changeInWords({ path, before, after }: FieldChange, works: Works): ChangeWords {
  const id = /^(?:works\.)?norms\.(.+?)(?:\.value)?$/.exec(path)?.[1];
  const norm = id === undefined ? undefined : normById(works, id);
  if (norm)
    return {
      name: `${norm.subject}: ${withinSentence(norm.name)}${path.startsWith('works.') ? '' : $localize`, in this job`}`,
      before: normValue(norm, before),
      after: normValue(norm, after),
    };
  const parts = path.split('.');
  const field = [...parts].reverse().find((part) => !/^\d+$/.test(part)) ?? path;
  const owner = parts[0] === 'route' || parts[0] === 'components' ? parts[1] : undefined;
  return {
    name:
      owner === undefined || owner === field ? fieldName([field]) : `${owner}, ${withinSentence(fieldName([field]))}`,
    before: valueInWords(before, field),
    after: valueInWords(after, field),
  };
}
