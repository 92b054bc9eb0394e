import { computed, inject } from '@angular/core';
import { type SingleOrder, type SingleState, batchOrders } from '@druckerei/core';
import type { SingleBook } from '@druckerei/contract';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import type { Observable } from 'rxjs';
import { Api } from '../../../platform/api';
import { whenChanged } from '../../../platform/live';
import { failureOf } from '../../../platform/problem';

interface SinglesState {
  readonly books: readonly SingleBook[];
  readonly busy: boolean;
  /** Why the last thing was not done. */
  readonly problem: string;
}

const initial: SinglesState = { books: [], busy: false, problem: '' };

const nothing = (): void => undefined;

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
    const look = (): void => {
      api.singles().subscribe({ next: (books) => patchState(store, { books }), error: nothing });
    };
    whenChanged(['singles'], look);
    const ask = (call: Observable<SingleBook[]>, taken: () => void = () => undefined): void => {
      patchState(store, { busy: true, problem: '' });
      call.subscribe({
        next: (books) => {
          patchState(store, { books, busy: false });
          taken();
        },
        error: (error: unknown) => {
          const { status, text } = failureOf(error);
          patchState(store, { busy: false, problem: text });
          // Somebody else was faster: what stands now is shown beside the reason.
          if (status === 409) look();
        },
      });
    };
    return {
      load: () => ask(api.singles()),
      /** @param taken what to do once they are in the book; what was typed stays until then. */
      add: (orders: readonly SingleOrder[], taken: () => void) => ask(api.addSingles(orders), taken),
      /** Books as they are shown here; where one of them is not so any more, what stands is shown. */
      move: (books: readonly SingleBook[], state: Exclude<SingleState, 'kitted'>) => ask(api.moveSingles(books, state)),
      kit: (cover: string, block: string, taken: () => void) => ask(api.kitSingle(cover, block), taken),
    };
  }),
);
