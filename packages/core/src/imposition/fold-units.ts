import type { Fold } from './fold-scheme.js';

/** Whether a fold lies along the columns: right over left and left over right do. */
const isAcross = ({ direction }: Fold): boolean => direction === 'right over left' || direction === 'left over right';

/**
 * What a folder does, unit by unit: folds that run the same way one after another are made in one unit, those across them
 * in the next. Slits are no folds. @returns how many folds each unit makes. Source: identity.
 */
export function foldUnits(folds: readonly Fold[]): number[] {
  const units: number[] = [];
  let before: boolean | undefined;
  for (const fold of folds.filter(({ kind }) => kind === 'fold')) {
    const across = isAcross(fold);
    if (across === before) units.push((units.pop() ?? 0) + 1);
    else units.push(1);
    before = across;
  }
  return units;
}
