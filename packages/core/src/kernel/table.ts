/**
 * A look-up by names and ids that people give, in which nothing is but what was put there: a name such as `constructor`
 * finds nothing of JavaScript's own.
 */
export function table<T>(entries: Iterable<readonly [string, T]> = []): Record<string, T> {
  const made = Object.create(null) as Record<string, T>;
  for (const [name, value] of entries) made[name] = value;
  return made;
}

/** A member of an object that came from outside, if it is its own. */
export const own = <T>(entries: Readonly<Record<string, T>> | undefined, name: string): T | undefined =>
  entries !== undefined && Object.hasOwn(entries, name) ? entries[name] : undefined;

/** Puts a value behind those that have its key already. */
export function group<Key, Value>(groups: Map<Key, Value[]>, key: Key, value: Value): void {
  const before = groups.get(key);
  if (before) before.push(value);
  else groups.set(key, [value]);
}
