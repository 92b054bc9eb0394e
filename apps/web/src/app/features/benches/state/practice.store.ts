import { computed } from '@angular/core';
import { type ExerciseGrade, type Figure, EXERCISES, makeExercise, markRow, marksOf } from '@druckerei/core';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import { kept } from '../../../ui/kept';

/** What was reached in an exercise on this computer. */
interface Reached {
  /** Times that it was checked to the end, and the best share of marks, by kind. */
  readonly best: Readonly<Record<string, { readonly times: number; readonly best: number }>>;
}

interface PracticeState {
  readonly kind: string;
  readonly seed: number;
  readonly grade: ExerciseGrade;
  readonly answers: Readonly<Record<string, number | undefined>>;
  /** Rows whose formula was asked for, and whether the solution was. */
  readonly hints: readonly string[];
  readonly checked: boolean;
  readonly solved: boolean;
}
const nothing = { answers: {}, hints: [], checked: false, solved: false } as const;
const initial: PracticeState = { kind: EXERCISES[0]?.id ?? '', seed: 1, grade: 1, ...nothing };

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
  withMethods((store, reached = kept<Reached>('practice', { best: {} })) => ({
    reached: computed(() => reached().best),
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
      const { times = 0, best = 0 } = reached().best[store.kind()] ?? {};
      const now = { times: times + 1, best: Math.max(best, store.marks()) };
      reached.set({ best: { ...reached().best, [store.kind()]: now } });
    },
    solve: () => patchState(store, { solved: true, checked: true }),
  })),
);
