import type { GangPattern, GangRequest } from './gang.js';

/**
 * The gang as a mixed-integer program in LP format: which patterns to make forms of, and how many sheets of each, so
 * that every quantity is met at least cost. A form's cost falls due when a single sheet runs.
 * Source: literature, Gilmore and Gomory 1961 (patterns), fixed charge per pattern; LP format as general solvers read it.
 */
export function gangModel(request: GangRequest, patterns: readonly GangPattern[]): string {
  const { items, mostForms, formCost, sheetCost } = request;
  const most = Math.max(...items.map(({ quantity }) => quantity));
  const ids = patterns.map((_, p) => p);
  // A form never runs more than what its least wanted item asks for at one up.
  const limit = (p: number): number =>
    Math.max(
      ...items.map(({ quantity }, i) =>
        (patterns[p]?.counts[i] ?? 0) > 0 ? Math.ceil(quantity / (patterns[p]?.counts[i] ?? 1)) : 0,
      ),
    );
  const sum = (terms: readonly string[]): string => (terms.length > 0 ? terms.join(' + ') : '0 x0');
  const lines = [
    'Minimize',
    ` cost: ${sum(ids.flatMap((p) => [`${formCost} z${p}`, `${sheetCost} x${p}`]))}`,
    'Subject To',
    ...items.map(
      ({ quantity }, i) =>
        ` q${i}: ${sum(ids.filter((p) => (patterns[p]?.counts[i] ?? 0) > 0).map((p) => `${patterns[p]?.counts[i] ?? 0} x${p}`))} >= ${quantity}`,
    ),
    ...ids.map((p) => ` m${p}: x${p} - ${Math.min(most, limit(p))} z${p} <= 0`),
    ` forms: ${sum(ids.map((p) => `z${p}`))} <= ${mostForms}`,
    'Bounds',
    ...ids.map((p) => ` 0 <= x${p} <= ${Math.min(most, limit(p))}`),
    'General',
    ` ${ids.map((p) => `x${p}`).join(' ')}`,
    'Binary',
    ` ${ids.map((p) => `z${p}`).join(' ')}`,
    'End',
  ];
  return lines.join('\n');
}
