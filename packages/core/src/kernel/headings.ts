/** Which columns the headings of a table tell, as far as their words do: for each the first that fits, each heading once. */
export function columnsOf<T extends string>(
  headings: readonly string[],
  words: Readonly<Record<T, RegExp>>,
): Partial<Record<T, number>> {
  const taken = new Set<number>();
  const columns: Partial<Record<T, number>> = {};
  for (const column of Object.keys(words) as T[]) {
    const at = headings.findIndex((heading, i) => !taken.has(i) && words[column].test(heading));
    if (at < 0) continue;
    taken.add(at);
    columns[column] = at;
  }
  return columns;
}
