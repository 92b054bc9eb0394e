import { computed, inject } from '@angular/core';
import { type JobNeeds, type Works, buyList, knownItems, stillNeeded } from '@druckerei/core';
import type { HeldList, Lot, Needs, NewHolding, Stores } from '@druckerei/contract';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import { EMPTY, type Observable, catchError, forkJoin, map, tap } from 'rxjs';
import { Api } from '../../platform/api';
import { whenChanged } from '../../platform/live';
import { pages } from '../../platform/pages';
import { failureOf } from '../../platform/problem';

type Request =
  { readonly kind: 'loading' } | { readonly kind: 'loaded' } | { readonly kind: 'failed'; readonly message: string };

interface StoresState {
  readonly request: Request;
  readonly works: Works | null;
  /** Lots on hand that the search finds, as many as are shown, and how many there are. */
  readonly lots: readonly Lot[];
  readonly total: number;
  readonly stores: Stores | null;
  readonly needs: Needs | null;
  readonly search: string;
  /** Jobs due after this are left out of what is to be bought; all where empty. */
  readonly until: string;
}

const initial: StoresState = {
  request: { kind: 'loading' },
  works: null,
  lots: [],
  total: 0,
  stores: null,
  needs: null,
  search: '',
  until: '',
};

/** What is on hand, what is reserved of it, and what all open jobs together have to buy. */
export const StoresStore = signalStore(
  withState(initial),
  withComputed(({ lots, total, needs, until }) => ({
    /** Lots that are not shown yet. */
    more: computed(() => total() - lots().length),
    jobs: computed(() => {
      const last = until();
      return (needs()?.jobs ?? []).filter(({ due }) => last === '' || due === null || due <= last);
    }),
  })),
  withComputed(({ jobs, needs, stores, works }) => ({
    lines: computed(() => {
      const [all, now] = [stores(), works()];
      if (!all || !now) return [];
      const wanted: JobNeeds[] = jobs().map(({ job, due, needs }) => ({ job, due, needs }));
      const numbers = new Map(jobs().map(({ job, number }) => [job, number]));
      return buyList(stillNeeded(wanted, all.drawn), all.holdings, all.reservations, all.onOrder, now).map((line) => ({
        ...line,
        numbers: line.jobs.map((job) => numbers.get(job) ?? String(job)),
      }));
    }),
    /** What the works may be sold. */
    items: computed(() => {
      const now = works();
      return now ? knownItems(now, needs()?.jobs.flatMap((job) => job.needs) ?? []) : [];
    }),
    unplanned: computed(() => jobs().filter(({ problems }) => problems.length > 0)),
  })),
  withMethods((store, api = inject(Api)) => {
    const list = pages<Lot>({
      ask: (part) => api.lots({ search: store.search().trim(), ...part }),
      shown: store.lots,
      took: ({ rows: lots, total }) => patchState(store, { lots, total, request: { kind: 'loaded' } }),
      failed: (message) => patchState(store, { request: { kind: 'failed', message } }),
    });
    const taken = (call: Observable<Stores>): Observable<void> =>
      call.pipe(
        tap((stores) => patchState(store, { stores })),
        tap(list.again),
        map(() => undefined),
      );
    const look = (): void => {
      list.again();
      forkJoin({ stores: api.stores(), needs: api.needs() })
        .pipe(catchError(() => EMPTY))
        .subscribe((now) => patchState(store, now));
    };
    whenChanged(['stores', 'jobs', 'room'], look);
    return {
      /** What stands now, after an order or a delivery. */
      look,
      load(): void {
        patchState(store, { request: { kind: 'loading' } });
        list.again();
        forkJoin({ works: api.works(), stores: api.stores(), needs: api.needs() }).subscribe({
          next: (loaded) => patchState(store, loaded),
          error: (error: unknown) => patchState(store, { request: { kind: 'failed', message: failureOf(error).text } }),
        });
      },
      find(search: string): void {
        patchState(store, { search });
        list.typed();
      },
      showMore: list.more,
      buyUntil: (until: string) => patchState(store, { until }),
      /** By a list; what stands then is looked at anew. */
      count: (list: HeldList) => api.countHoldings(list).pipe(tap((one) => 'answer' in one && look())),
      add: (lot: NewHolding) => taken(api.addHolding(lot)),
      change: (id: number, change: Parameters<Api['changeHolding']>[1]) => taken(api.changeHolding(id, change)),
      history: (id: number) => api.holdingHistory(id),
      /** What stands now, where somebody else was faster. */
      refresh: () => taken(api.stores()),
    };
  }),
);
