import { type Issue, error } from '../kernel/index.js';
import { type Fold, type FoldDirection, type FoldScheme, FOLD_DIRECTIONS } from './fold-scheme.js';
import { impose } from './impose.js';

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
  if (parts.length === 0 || parts.length > MOST_FOLDS) return { folds: [], wrong: $localize`${parts.length} folds` };
  return { folds: read.flatMap((fold) => fold ?? []) };
}

/** The list that `readFolds` reads. */
export const foldsText = (folds: readonly Fold[]): string =>
  folds
    .map(({ kind, direction, under, at }) =>
      [
        kind === 'slit' ? 'slit ' : '',
        under ? direction.replace('over', 'under') : direction,
        at === undefined ? '' : $localize` at ${at}`,
      ].join(''),
    )
    .join('; ');

/** Folds of a house's own: pages across and up on each side of the sheet, and the list that {@link readFolds} reads. */
export interface OwnFolding {
  readonly columns: number;
  readonly rows: number;
  /** `right over left at 3; top under bottom`, first to last. */
  readonly folds: string;
}

/** A list of folds as a scheme. */
export const ownScheme = ({ columns, rows, folds }: OwnFolding): FoldScheme => ({
  id: `own ${columns} x ${rows}: ${folds}`,
  name: $localize`Own folds`,
  columns,
  rows,
  folds: readFolds(folds).folds,
});

/**
 * What is wrong with folds of a house's own, told by folding them. Issues: `fold.unreadable` and those of folding.
 * @param name that the issues speak of. @param path of the folding.
 */
export function checkFolding(folding: OwnFolding, name: string, path: string): readonly Issue[] {
  const { wrong } = readFolds(folding.folds);
  if (wrong !== undefined) return [error('fold.unreadable', `${path}.folds`, { component: name, wrong })];
  return impose(ownScheme(folding), 1, path).issues;
}
