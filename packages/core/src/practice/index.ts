export { type Exercise, type ExerciseGrade, type Mark, GRADES, makeExercise, markRow, marksOf } from './exercise.js';
export * from './shift/index.js';
export { EXERCISES } from './exercises.js';
export { type ExerciseKind, type Lesson, type WrongWay, LESSONS, WRONG_WAYS } from './kinds.js';
