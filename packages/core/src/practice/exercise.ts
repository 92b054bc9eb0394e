import { type Figure, error, evaluate, own, roundAs, type Issue } from '../kernel/index.js';
import { type SumAnswer, type SumValues, reckonSum, sumOf } from '../reckoner/index.js';
import { Draw } from './draw.js';
import { EXERCISES } from './exercises.js';
import type { ExerciseKind, WrongWay } from './kinds.js';

/** How much is given: every row is named; the results are; only the last one is. */
export const GRADES = [1, 2, 3] as const;
export type ExerciseGrade = (typeof GRADES)[number];

/** A docket to be reckoned: what is told, and the rows that the learner fills. */
export interface Exercise {
  readonly kind: ExerciseKind;
  readonly seed: number;
  readonly grade: ExerciseGrade;
  readonly values: SumValues;
  /** Rows in the order of the working. */
  readonly rows: readonly Figure[];
  /** Everything that rows are reckoned from. */
  readonly figures: Readonly<Record<string, Figure>>;
}

/** A row as it was filled: right by core's value, right by the learner's own rows before it, the usual wrong way, or wrong. */
export type Mark =
  | { readonly kind: 'right' }
  | { readonly kind: 'by-own-rows' }
  | { readonly kind: 'wrong-way'; readonly way: WrongWay }
  | { readonly kind: 'wrong' };

/** Seeds that are tried before an exercise is given up; what is drawn may fit on no sheet. */
const MOST_TRIES = 100;
/** Exercises by their ids. */
const byId = new Map(EXERCISES.map((kind) => [kind.id, kind]));

/** Rows that are asked for, in the order of the working. */
function rowsOf(
  { rows }: ExerciseKind,
  { figures, shown }: Pick<SumAnswer, 'figures' | 'shown'>,
  grade: ExerciseGrade,
): readonly Figure[] {
  const all = Object.values(figures).filter(({ id, formula }) =>
    rows ? rows.includes(id) : formula !== undefined || shown.includes(id),
  );
  const results = rows ? all : all.filter(({ id }) => shown.includes(id));
  if (grade === 3) return results.slice(-1);
  return grade === 2 ? results : all;
}

/**
 * The exercise of a kind and a seed, the same for everybody. What is drawn and cannot be reckoned (a page larger than its sheet) is drawn
 * anew from the next seed of its own. Issues: `practice.kind`, `practice.none`.
 */
export function makeExercise(
  id: string,
  seed: number,
  grade: ExerciseGrade,
): { readonly ok: true; readonly value: Exercise } | { readonly ok: false; readonly issues: readonly Issue[] } {
  const kind = byId.get(id);
  const sum = kind && sumOf(kind.sum);
  if (!kind || !sum) return { ok: false, issues: [error('practice.kind', 'kind', { kind: id })] };
  for (let i = 0; i < MOST_TRIES; i++) {
    const values = kind.draw(new Draw(seed + i * 7_919));
    const { figures, shown, issues } = reckonSum(sum, values);
    if (issues.length > 0) continue;
    const rows = rowsOf(kind, { figures, shown }, grade);
    return { ok: true, value: { kind, seed, grade, values, rows, figures } };
  }
  return { ok: false, issues: [error('practice.none', 'seed', { seed })] };
}

/** Whether an answer is a value: to the digits that the workshop says, or within the share that the kind allows. */
function same(answer: number, { value, unit }: Pick<Figure, 'value' | 'unit'>, within: number): boolean {
  if (!Number.isFinite(answer)) return false;
  if (Math.abs(answer - value) <= within * Math.abs(value) + 1e-9) return true;
  return roundAs(answer, unit) === roundAs(value, unit) || answer === roundAs(value, unit);
}

/** What a formula comes to over the learner's own rows, where they have filled them, else over what is so. */
const over = (
  { inputs }: Pick<Figure, 'inputs'>,
  formula: string,
  figures: Exercise['figures'],
  answers: Readonly<Record<string, number | undefined>>,
): number =>
  evaluate(formula, (name) => {
    const id = own(inputs, name) ?? '';
    return own(answers, id) ?? own(figures, id)?.value ?? NaN;
  });

/** What is said of a row. @param answers what the learner has filled, by the ids of the rows. */
export function markRow(
  { kind, figures }: Exercise,
  row: Figure,
  answers: Readonly<Record<string, number | undefined>>,
): Mark | undefined {
  const answer = own(answers, row.id);
  if (answer === undefined) return undefined;
  if (same(answer, row, kind.within)) return { kind: 'right' };
  const { formula, unit } = row;
  if (formula === undefined) return { kind: 'wrong' };
  const by = (text: string, of: typeof answers): boolean =>
    same(answer, { value: over(row, text, figures, of), unit }, kind.within);
  if (by(formula, answers)) return { kind: 'by-own-rows' };
  const found = kind.wrong.find(([id, wrong]) => id === row.id && (by(wrong, answers) || by(wrong, {})));
  return found ? { kind: 'wrong-way', way: found[2] } : { kind: 'wrong' };
}

/** Share of the marks that were got: a row is a mark, also one that is right by the learner's own rows. */
export function marksOf(exercise: Exercise, answers: Readonly<Record<string, number | undefined>>): number {
  const right = exercise.rows.filter((row) =>
    ['right', 'by-own-rows'].includes(markRow(exercise, row, answers)?.kind ?? ''),
  );
  return right.length / Math.max(1, exercise.rows.length);
}
