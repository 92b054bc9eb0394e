import type { SumValues } from '../reckoner/index.js';
import type { Draw } from './draw.js';

/** What is learned in which order. */
export const LESSONS = [
  'paper',
  'layout',
  'plates',
  'ink',
  'register',
  'spoilage',
  'finishing',
  'schedule',
  'counting',
] as const;
export type Lesson = (typeof LESSONS)[number];

/** The usual ways to go wrong; the words are in contract. */
export const WRONG_WAYS = [
  'percent-of-net',
  'no-setup',
  'setup-spoils-too',
  'rounded-down',
  'leaf-is-two-pages',
  'no-cover',
  'one-cover',
  'diameter-for-radius',
  'core-is-paper',
  'ring-by-difference',
  'ream-is-500',
  'millimetres-are-no-metres',
  'bulk-divides',
  'outermost-stands-still',
  'two-sides',
  'no-trim',
  'coverage-forgotten',
  'film-for-all',
  'rated-speed',
  'setup-hours-forgotten',
  'first-counts-too',
  'lines-added',
  'joint-forgotten',
  'turn-in-forgotten',
  'boards-forgotten',
  'creases-forgotten',
  'samples-forgotten',
  'left-over-forgotten',
  'not-a-metre',
  'one-mark',
  'splice-for-each-roll',
  'part-counts-as-full',
  'one-piece',
  'parts-of-hundred',
  'trims-forgotten',
  'one-cut-too-many',
  'one-lift',
  'turned-prints-twice',
  'one-side',
  'first-version-too',
  'second-still-runs',
  'not-there-yet',
  'weights-forgotten',
] as const;
export type WrongWay = (typeof WRONG_WAYS)[number];

/** A kind of exercise: a sum, what is drawn for it, how exactly it is answered, and how people go wrong. */
export interface ExerciseKind {
  readonly id: string;
  readonly lesson: Lesson;
  /** Sum of the reckoner that answers it. */
  readonly sum: string;
  readonly draw: (draw: Draw) => SumValues;
  /** Rows that are asked for, where not every figure of the sum can be reckoned on paper. */
  readonly rows?: readonly string[];
  /** Share of the value that a row may be off; 0 for what is counted. */
  readonly within: number;
  /** Row, wrong formula over the names of the right one, and which way that is. */
  readonly wrong: readonly (readonly [row: string, formula: string, way: WrongWay])[];
}
