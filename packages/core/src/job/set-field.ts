/** Way to a field of a job: names of fields and places in lists. */
export type FieldPath = readonly (string | number)[];

/** A copy of a value with one field set; an undefined value takes the field away. */
export function setField(value: unknown, path: FieldPath, next: unknown): unknown {
  const [head, ...rest] = path;
  if (head === undefined) return next;
  if (Array.isArray(value))
    return value.map((member: unknown, i) => (i === head ? setField(member, rest, next) : member));
  const object = (typeof value === 'object' && value !== null ? value : {}) as Record<string, unknown>;
  const set = setField(object[head], rest, next);
  if (set !== undefined) return { ...object, [head]: set };
  const { [String(head)]: _gone, ...left } = object;
  return left;
}

/** The value at a path of a job, or of anything like one; undefined where the path leads nowhere. */
export const valueAtPath = (value: unknown, path: FieldPath): unknown =>
  path.reduce<unknown>(
    (at, part) => (typeof at === 'object' && at !== null ? (at as Record<string | number, unknown>)[part] : undefined),
    value,
  );
