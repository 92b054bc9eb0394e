import { computed, inject } from '@angular/core';
import { type SingleOrder, type SingleState, batchOrders } from '@druckerei/core';
import type { SingleBook } from '@druckerei/contract';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import type { Observable } from 'rxjs';
import { Api } from '../../../platform/api';
import { failureOf } from '../../../platform/problem';

interface SinglesState {
  readonly books: readonly SingleBook[];
  readonly busy: boolean;
  /** Why the last thing was not done. */
  readonly problem: string;
}

const initial: SinglesState = { books: [], busy: false, problem: '' };

/** The order book of single books, and what happens to them on their way. */
export const SinglesStore = signalStore(
  withState(initial),
  withComputed(({ books }) => ({
    /** What is to be printed: batches of one format, paper and film. */
    batches: computed(() => batchOrders(books().filter(({ state }) => state === 'open'))),
    /** What is on its way, and what is done. */
    printed: computed(() => books().filter(({ state }) => state !== 'open')),
  })),
  withMethods((store, api = inject(Api)) => {
    const ask = (call: Observable<SingleBook[]>, taken: () => void = () => undefined): void => {
      patchState(store, { busy: true, problem: '' });
      call.subscribe({
        next: (books) => {
          patchState(store, { books, busy: false });
          taken();
        },
        error: (error: unknown) => patchState(store, { busy: false, problem: failureOf(error).text }),
      });
    };
    return {
      load: () => ask(api.singles()),
      /** @param taken what to do once they are in the book; what was typed stays until then. */
      add: (orders: readonly SingleOrder[], taken: () => void) => ask(api.addSingles(orders), taken),
      move: (codes: readonly string[], state: Exclude<SingleState, 'kitted'>) => ask(api.moveSingles(codes, state)),
      kit: (cover: string, block: string, taken: () => void) => ask(api.kitSingle(cover, block), taken),
    };
  }),
);
