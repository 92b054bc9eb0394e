import { type Exercise, type ExerciseGrade, makeExercise } from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import { exerciseSheetPdf } from '@druckerei/formats';
import { ProblemError } from '../http/problem.js';

/** A sheet of exercises of a kind, with numbers one after another. */
interface SheetAsked {
  readonly kind: string;
  readonly seed: number;
  readonly grade: ExerciseGrade;
  readonly count: number;
  readonly answers: boolean;
  readonly works: string;
  readonly at: Date;
}

/** The sheet as PDF. Issues: 404 where there is no such kind, 422 where an exercise cannot be made. */
export function exerciseSheet({ kind, seed, grade, count, ...sheet }: SheetAsked): Promise<Buffer> {
  const exercises = Array.from({ length: count }, (_, i): Exercise => {
    const made = makeExercise(kind, seed + i, grade);
    if (made.ok) return made.value;
    const unknown = made.issues.some(({ code }) => code === 'practice.kind');
    throw new ProblemError(unknown ? 404 : 422, made.issues.map(issueText).join(' '));
  });
  return exerciseSheetPdf({ ...sheet, exercises });
}
