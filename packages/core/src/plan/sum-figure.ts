import { type Entry, type Group, addedUp } from '../kernel/index.js';

/** Adds figures up under a new field. */
export function sumFigure(at: Group, field: string, name: string, unit: string, parts: readonly Entry[]): Entry {
  const { rule, inputs } = addedUp(parts, name, unit);
  return at.reckon(field, rule, inputs);
}
