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
  Object.fromEntries(list.map((member, i) => [hasId(member) ? member.id : String(i), member]));

/**
 * Fields that differ between two values of the same shape, in the order of the fields; members of lists are told apart
 * by their ids. Equal values give an empty list.
 */
export function diffJobs(before: unknown, after: unknown, path = ''): FieldChange[] {
  if (Object.is(before, after)) return [];
  const [a, b] = [Array.isArray(before) ? keyed(before) : before, Array.isArray(after) ? keyed(after) : after];
  if (!isObject(a) || !isObject(b)) return [{ path, before, after }];
  const names = [...new Set([...Object.keys(a), ...Object.keys(b)])];
  return names.flatMap((name) => diffJobs(a[name], b[name], path === '' ? name : `${path}.${name}`));
}
