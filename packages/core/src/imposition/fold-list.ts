import { type Fold, type FoldDirection, FOLD_DIRECTIONS } from './fold-scheme.js';

/** Most folds of a list: more make a packet that no folder closes. */
const MOST_FOLDS = 12;
const WORDS = /^(slit )?(right|left|top|bottom) (over|under) (left|right|top|bottom)(?: at ([1-9]\d?))?$/;

function readFold(words: string): Fold | undefined {
  const [, slit, moving = '', way, onto = '', at] = WORDS.exec(words) ?? [];
  const direction = FOLD_DIRECTIONS.find((one): one is FoldDirection => one === `${moving} over ${onto}`);
  if (!direction) return undefined;
  return {
    kind: slit ? 'slit' : 'fold',
    direction,
    ...(way === 'under' ? { under: true } : {}),
    ...(at ? { at: Number(at) } : {}),
  };
}

/**
 * Folds as a works lists them, first to last: `right over left at 3; top under bottom; slit right over left`. A line is
 * told in columns from the left or rows from the bottom; the middle where none is. What cannot be read comes back as `wrong`.
 */
export function readFolds(text: string): { readonly folds: readonly Fold[]; readonly wrong?: string } {
  const parts = text
    .toLowerCase()
    .split(/[;\n]/)
    .map((part) => part.trim().replaceAll(/\s+/g, ' '))
    .filter((part) => part !== '');
  const read = parts.map(readFold);
  const wrong = parts.find((_, i) => read[i] === undefined);
  if (wrong !== undefined) return { folds: [], wrong };
  if (parts.length === 0 || parts.length > MOST_FOLDS) return { folds: [], wrong: `${parts.length} folds` };
  return { folds: read.flatMap((fold) => fold ?? []) };
}

/** The list that `readFolds` reads. */
export const foldsText = (folds: readonly Fold[]): string =>
  folds
    .map(({ kind, direction, under, at }) =>
      [
        kind === 'slit' ? 'slit ' : '',
        under ? direction.replace('over', 'under') : direction,
        at === undefined ? '' : ` at ${at}`,
      ].join(''),
    )
    .join('; ');
