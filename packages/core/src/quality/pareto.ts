import { group } from '../kernel/index.js';

/** One bar: what it stands for, how much of it there is, and what share it and all larger ones make. */
export interface ParetoBar<Row> {
  readonly name: string;
  readonly count: number;
  readonly share: number;
  readonly upTo: number;
  /** What it is made of, as it came. */
  readonly rows: readonly Row[];
}

/** Counts added up by a name, the largest first; of equal ones by their names. Source: identity (sums). */
export function pareto<Row extends { readonly count: number }>(
  rows: readonly Row[],
  by: (row: Row) => string,
): ParetoBar<Row>[] {
  const groups = new Map<string, Row[]>();
  for (const row of rows) group(groups, by(row), row);
  const sums = [...groups].map(([name, of]) => ({
    name,
    rows: of,
    count: of.reduce((sum, { count }) => sum + count, 0),
  }));
  const all = sums.reduce((sum, { count }) => sum + count, 0);
  let upTo = 0;
  return sums
    .sort((a, b) => b.count - a.count || a.name.localeCompare(b.name))
    .map((bar) => {
      upTo += bar.count;
      return { ...bar, share: all > 0 ? bar.count / all : 0, upTo: all > 0 ? upTo / all : 0 };
    });
}
