import { inEveryTongue, numberText, wordOf } from '@druckerei/core';
import type * as z from 'zod';

/** One wrong field: where, and what is wrong with it in words of the trade. */
export interface FieldError {
  readonly path: string;
  readonly message: string;
}

function joined(sum: string, part: PropertyKey): string {
  if (typeof part === 'number') return `${sum}[${part}]`;
  const name = String(part);
  if (!/^[a-z]\w*$/i.test(name)) return `${sum}["${name}"]`;
  return sum === '' ? name : `${sum}.${name}`;
}

/** `['route', 3, 'running']` as `route[3].running`; `['norms', 'spoil.cut.setup']` as `norms["spoil.cut.setup"]`. */
export const pathOf = (path: readonly PropertyKey[]): string => path.reduce<string>(joined, '');

/** What the trade calls the fields that are most often wrong. */
const fieldNames = inEveryTongue((): Readonly<Record<string, string>> => ({
  running: $localize`Running spoilage`,
  setup: $localize`Set-up`,
  quantity: $localize`Order quantity`,
  plannedOvers: $localize`Planned overs`,
  yield: $localize`Yield`,
  widthMm: $localize`Width`,
  heightMm: $localize`Height`,
  pages: $localize`Pages`,
  coverage: $localize`Ink coverage`,
  samples: $localize`Samples`,
  folds: $localize`Folds`,
  perPack: $localize`Pieces in a pack`,
  hours: $localize`Drying hours`,
  due: $localize`Due date`,
  usage: $localize`Usage`,
  over: $localize`Overs`,
  under: $localize`Unders`,
  url: $localize`Address`,
}));

/** What the trade calls a field, by the last name of its path: `workStyle` is "Work style". */
export const fieldName = (path: readonly PropertyKey[]): string => {
  const last = [...path].reverse().find((part) => typeof part === 'string') ?? 'value';
  const words = last.replace(/([a-z])([A-Z])/g, (_, end: string, start: string) => `${end} ${start.toLowerCase()}`);
  return fieldNames()[last] ?? words.charAt(0).toUpperCase() + words.slice(1);
};

const number = (value: unknown): string =>
  typeof value === 'number' || typeof value === 'bigint' ? numberText(Number(value)) : String(value);

function wording(issue: z.core.$ZodIssue): string {
  const name = fieldName(issue.path);
  const isShare = issue.path.at(-1) === 'running';
  switch (issue.code) {
    case 'too_big':
      if (isShare) return $localize`Running spoilage is a share below 100 %`;
      if (issue.origin === 'string') return $localize`${name}\: at most ${number(issue.maximum)} characters`;
      if (issue.origin === 'array') return $localize`${name}\: at most ${number(issue.maximum)} entries`;
      return $localize`${name} must be ${issue.inclusive ? $localize`at most` : wordOf('below')} ${number(issue.maximum)}`;
    case 'too_small':
      if (isShare) return $localize`Running spoilage cannot be negative`;
      if (issue.origin === 'string') return $localize`${name} is empty`;
      if (issue.origin === 'array') return $localize`${name}\: at least ${number(issue.minimum)} wanted`;
      return $localize`${name} must be ${issue.inclusive ? $localize`at least` : wordOf('above')} ${number(issue.minimum)}`;
    case 'invalid_type':
      return issue.input === undefined
        ? $localize`${name} is missing`
        : $localize`${name} must be a ${issue.expected === 'int' ? $localize`whole number` : issue.expected}`;
    case 'unrecognized_keys':
      return $localize`Unknown field ${issue.keys.join(', ')}`;
    case 'invalid_value':
      if (issue.path.length === 1 && issue.path[0] === 'version' && Number(issue.input) > Number(issue.values[0]))
        return $localize`This file has version ${String(issue.input)}, this Druckerei reads ${issue.values.map(String).join(', ')}\: bring it up to date`;
      return $localize`${name} must be one of: ${issue.values.map(String).join(', ')}`;
    case 'invalid_format':
      return issue.format === 'regex'
        ? $localize`${name} takes small letters, digits and hyphens, at most 40`
        : $localize`${name} is not a valid ${issue.format}`;
    default:
      return `${name}: ${issue.message}`;
  }
}

/**
 * A Zod error as fields with messages that say what is wrong and what the limits are.
 * @param within where what was read lies in its file.
 */
export const fieldErrors = (error: z.ZodError, within: readonly PropertyKey[] = []): FieldError[] =>
  error.issues.map((issue) => {
    const path = [...within, ...issue.path];
    return { path: pathOf(path), message: wording({ ...issue, path }) };
  });
