import { type Figures, own, table } from '../kernel/index.js';

/** One field that differs between two versions of a job; `undefined` where the field is absent. */
export interface FieldChange {
  readonly path: string;
  readonly before: unknown;
  readonly after: unknown;
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const hasId = (value: unknown): value is { id: string } => isObject(value) && typeof value['id'] === 'string';

/** Lists whose members have ids are compared by id, so that an inserted step does not shift all later ones. */
const keyed = (list: readonly unknown[]): Record<string, unknown> =>
  table(list.map((member, i) => [hasId(member) ? member.id : String(i), member]));

/**
 * Fields that differ between two values of the same shape, in the order of the fields; members of lists are told apart
 * by their ids. Equal values give an empty list.
 */
export function diffJobs(before: unknown, after: unknown, path = ''): FieldChange[] {
  if (Object.is(before, after)) return [];
  const [a, b] = [Array.isArray(before) ? keyed(before) : before, Array.isArray(after) ? keyed(after) : after];
  if (!isObject(a) || !isObject(b)) return [{ path, before, after }];
  const names = [...new Set([...Object.keys(a), ...Object.keys(b)])];
  return names.flatMap((name) => diffJobs(own(a, name), own(b, name), path === '' ? name : `${path}.${name}`));
}

/** A figure that differs between two plans; `undefined` where a plan has no such figure. */
export interface FigureChange {
  readonly id: string;
  readonly name: string;
  readonly unit: string;
  readonly before: number | undefined;
  readonly after: number | undefined;
}

/** What two plans are compared by: the totals, and the press sheets of each component. All else is their working. */
const HEADLINE = /^total\.|^component\..+\.pressSheets$/;

/** Headline figures that differ between two plans, components before totals. */
export function diffFigures(before: Figures, after: Figures): FigureChange[] {
  const ids = [...new Set([...Object.keys(before), ...Object.keys(after)])].filter((id) => HEADLINE.test(id));
  return ids.flatMap((id) => {
    const [old, now] = [before[id], after[id]];
    const known = now ?? old;
    return known === undefined || old?.value === now?.value
      ? []
      : [{ id, name: known.name, unit: known.unit, before: old?.value, after: now?.value }];
  });
}
