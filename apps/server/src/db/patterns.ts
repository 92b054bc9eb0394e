/** Patterns of the words of a search; signs that mean something in a pattern stand for themselves. */
export const patternsOf = (search: string): string[] =>
  search
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean)
    .map((word) => `%${word.replaceAll(/[\\%_]/g, (sign) => `\\${sign}`)}%`);
