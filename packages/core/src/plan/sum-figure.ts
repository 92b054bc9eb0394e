import type { FigureBook } from '../kernel/index.js';
import { table } from '../kernel/index.js';

/** Adds figures up under a new id. */
export const sumFigure = (
  book: FigureBook,
  id: string,
  name: string,
  unit: string,
  parts: readonly string[],
): number => {
  const inputs = table(parts.map((part, i) => [`n${i + 1}`, part]));
  const value = parts.reduce((sum, part) => sum + book.value(part), 0);
  book.reckon(id, name, value, unit, Object.keys(inputs).join(' + ') || '0', inputs);
  return value;
};
