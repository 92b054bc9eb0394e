import { computed, inject } from '@angular/core';
import { type ExerciseGrade, type Figure, EXERCISES, makeExercise, markRow, marksOf } from '@druckerei/core';
import type { Reached } from '@druckerei/contract';
import { patchState, signalStore, withComputed, withHooks, withMethods, withState } from '@ngrx/signals';
import type { Observable } from 'rxjs';
import { failureOf } from '../../../platform/problem';
import { PracticeApi } from './practice.api';

interface PracticeState {
  readonly kind: string;
  readonly seed: number;
  readonly grade: ExerciseGrade;
  readonly answers: Readonly<Record<string, number | undefined>>;
  /** Rows whose formula was asked for, and whether the solution was. */
  readonly hints: readonly string[];
  readonly checked: boolean;
  readonly solved: boolean;
  /** What whoever is signed in has reached, by kind. */
  readonly reached: readonly Reached[];
  /** Why their results cannot be read or kept; empty where they are. */
  readonly unkept: string;
}
const nothing = { answers: {}, hints: [], checked: false, solved: false } as const;
const initial: PracticeState = { kind: EXERCISES[0]?.id ?? '', seed: 1, grade: 1, ...nothing, reached: [], unkept: '' };

/** An exercise on the table: what is drawn, what the learner has filled, what is said of it, and what was reached before. */
export const PracticeStore = signalStore(
  withState(initial),
  withComputed(({ kind, seed, grade, answers, checked }) => {
    const made = computed(() => makeExercise(kind(), seed(), grade()));
    const exercise = computed(() => {
      const now = made();
      return now.ok ? now.value : undefined;
    });
    return {
      made,
      exercise,
      /** Rows with what is said of them once they were checked. */
      rows: computed(() => {
        const now = exercise();
        return (now?.rows ?? []).map((row: Figure) => ({
          row,
          mark: now && checked() ? markRow(now, row, answers()) : undefined,
        }));
      }),
      marks: computed(() => {
        const now = exercise();
        return now ? marksOf(now, answers()) : 0;
      }),
      filled: computed(() => (exercise()?.rows ?? []).every(({ id }) => answers()[id] !== undefined)),
    };
  }),
  withMethods((store) => ({
    /** Takes what was reached, or why it did not come. */
    follow(asked: Observable<readonly Reached[]>): void {
      asked.subscribe({
        next: (reached) => patchState(store, { reached, unkept: '' }),
        error: (error: unknown) => patchState(store, { unkept: failureOf(error).text }),
      });
    },
  })),
  withMethods((store, api = inject(PracticeApi)) => ({
    open(kind: string, seed: number, grade: ExerciseGrade): void {
      patchState(store, { kind, seed, grade, ...nothing });
    },
    fill(row: string, value: number | undefined): void {
      patchState(store, { answers: { ...store.answers(), [row]: value }, checked: false });
    },
    hint(row: string): void {
      patchState(store, { hints: [...store.hints(), row] });
    },
    /** Says what is right; an exercise that is filled without its solution counts. */
    check(): void {
      patchState(store, { checked: true });
      if (!store.filled() || store.solved()) return;
      const answers = Object.entries(store.answers()).flatMap(([row, value]) =>
        value === undefined ? [] : [{ row, value }],
      );
      store.follow(api.fill({ kind: store.kind(), seed: store.seed(), grade: store.grade(), answers }));
    },
    solve: () => patchState(store, { solved: true, checked: true }),
  })),
  withHooks((store, api = inject(PracticeApi)) => ({ onInit: () => store.follow(api.reached()) })),
);
