import { computed, effect, inject } from '@angular/core';
import { type SumValues, type Works, SUMS, readTyped, reckonSum, resultsOf, sumOf } from '@druckerei/core';
import { patchState, signalStore, withComputed, withHooks, withMethods, withState } from '@ngrx/signals';
import { kept } from '../../../ui/kept';
import { WORKS_AT_HAND } from './works-at-hand';

/** A sum as it was reckoned before. */
export interface PastSum {
  readonly sum: string;
  readonly values: SumValues;
}

const MOST_KEPT = 20;
interface ReckonerState {
  readonly sum: string;
  readonly values: SumValues;
  /** What is typed in words. */
  readonly line: string;
  /** The works whose norms count; undefined where it cannot be read: those that ship count then. */
  readonly works: Works | undefined;
}
const initial: ReckonerState = { sum: SUMS[0]?.id ?? '', values: {}, line: '', works: undefined };

/** A sum of the trade: which one, what is typed, what it comes to, and what was reckoned before on this computer. */
export const ReckonerStore = signalStore(
  withState(initial),
  withComputed(({ sum, values, line, works }) => {
    const of = computed(() => sumOf(sum()) ?? SUMS[0]);
    const answer = computed(() => {
      const now = of();
      return now && reckonSum(now, values(), works());
    });
    return {
      of,
      answer,
      results: computed(() => {
        const now = answer();
        return now ? resultsOf(now) : [];
      }),
      /** What the line was not understood to say; undefined where no sum is known by it. */
      unread: computed(() => (line().trim() === '' ? [] : readTyped(line())?.unread)),
    };
  }),
  withMethods((store, past = kept<{ sums: readonly PastSum[] }>('reckoner', { sums: [] })) => ({
    past: computed(() => past().sums),
    choose(sum: string, values: SumValues = {}): void {
      patchState(store, { sum, values, line: '' });
    },
    set(field: string, value: number | string | undefined): void {
      patchState(store, { values: { ...store.values(), [field]: value } });
    },
    /** Reads a line as it is typed, and shows the sum that it is understood as. */
    read(line: string): void {
      const read = readTyped(line);
      patchState(store, { line, ...(read ? { sum: read.sum.id, values: read.values } : {}) });
    },
    /** Keeps the sum that stands there, once: what has no result is not worth keeping. */
    keep(): void {
      const { sum, values } = { sum: store.sum(), values: store.values() };
      if (store.results().length === 0 || Object.keys(values).length === 0) return;
      const text = JSON.stringify([sum, values]);
      const others = past().sums.filter((one) => JSON.stringify([one.sum, one.values]) !== text);
      past.set({ sums: [{ sum, values }, ...others].slice(0, MOST_KEPT) });
    },
    forget: () => past.set({ sums: [] }),
  })),
  withHooks((store, ask = inject(WORKS_AT_HAND)) => ({
    onInit: () => {
      // Only a sum by norms wants the works: it is a large file.
      const first = effect(() => {
        if (store.answer()?.byNorms !== true) return;
        first.destroy();
        ask().then(
          (works) => patchState(store, { works }),
          // Without network it reckons by what ships, and says so.
          () => undefined,
        );
      });
    },
  })),
);
