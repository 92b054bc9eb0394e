import { computed, inject } from '@angular/core';
import { type Works, callOff, leavesBy } from '@druckerei/core';
import type { Finished, JobRow } from '@druckerei/contract';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import { type Observable, forkJoin, map, tap } from 'rxjs';
import { Api } from '../../platform/api';
import { whenChanged } from '../../platform/live';
import { failureOf } from '../../platform/problem';

interface FinishedState {
  readonly works: Works | null;
  readonly finished: Finished | null;
  readonly jobs: readonly JobRow[];
  /** Why nothing can be shown. */
  readonly failed: string;
}

const initial: FinishedState = { works: null, finished: null, jobs: [], failed: '' };

type Lot = Finished['lots'][number];
/** How a lot, or what was called off it, is packed. */
const packing = ({ pieceG, perPallet }: Pick<Lot, 'pieceG' | 'perPallet'>) => ({
  pieceG,
  ...(perPallet === null ? {} : { perPallet }),
});

/** Finished goods on hand, with what they load, and what was called off them. */
export const FinishedStore = signalStore(
  withState(initial),
  withComputed(({ finished, works }) => ({
    lots: computed(() => {
      const now = works();
      return now === null
        ? []
        : (finished()?.lots ?? []).map((lot) => ({ lot, load: callOff(lot.pieces, packing(lot), now) }));
    }),
    callOffs: computed(() => {
      const now = works();
      if (now === null) return [];
      return (finished()?.callOffs ?? []).map((one) => {
        const leaves = one.due === null ? undefined : leavesBy(one.due, one.transitDays);
        return {
          one,
          load: callOff(one.pieces, packing(one), now),
          leaves,
          late: leaves !== undefined && leaves < one.calledAt.slice(0, 10),
        };
      });
    }),
  })),
  withMethods((store, api = inject(Api)) => {
    const taken = (call: Observable<Finished>): Observable<void> =>
      call.pipe(
        tap((finished) => patchState(store, { finished })),
        map(() => undefined),
      );
    const refresh = (): Observable<void> => taken(api.finished());
    whenChanged(['finished', 'room'], () => refresh().subscribe({ error: () => undefined }));
    return {
      load(): void {
        forkJoin({
          works: api.works(),
          finished: api.finished(),
          jobs: api.jobs({ limit: 500 }).pipe(map(({ rows }) => rows)),
        }).subscribe({
          next: (loaded) => patchState(store, { ...loaded, failed: '' }),
          error: (error: unknown) => patchState(store, { failed: failureOf(error).text }),
        });
      },
      /** What stands now, where somebody else was faster. */
      refresh,
      add: (lot: { job: number; pieces: number; place: string; meant?: boolean }) => taken(api.addFinished(lot)),
      callOff: (lot: number, call: Parameters<Api['callOff']>[1]) => taken(api.callOff(lot, call)),
      /** What a call would load, before it is made. */
      loadOf: (lot: Lot, pieces: number) => {
        const works = store.works();
        return works === null ? undefined : callOff(pieces, packing(lot), works);
      },
    };
  }),
);
