import { computed, inject } from '@angular/core';
import type { Job, StationDrawing } from '@druckerei/core';
import type { CopyJob, JobColumn, JobListQuery, JobRow, Revision } from '@druckerei/contract';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import { EMPTY, type Observable, catchError, concatMap, from, tap } from 'rxjs';
import { Api } from '../../platform/api';
import { whenChanged } from '../../platform/live';
import { pages, partsOf } from '../../platform/pages';

type Request =
  { readonly kind: 'loading' } | { readonly kind: 'loaded' } | { readonly kind: 'failed'; readonly message: string };

interface JobsState {
  readonly request: Request;
  readonly rows: readonly JobRow[];
  /** Jobs in all that the search finds. */
  readonly total: number;
  readonly search: string;
  readonly sort: { readonly by?: JobColumn; readonly order?: 'asc' | 'desc' };
  /** What else the jobs are. */
  readonly only: JobFilter;
  /** Products of the jobs in sight, drawn; those that came yet. */
  readonly pictures: ReadonlyMap<number, StationDrawing>;
}

/** Status, family, customer, press and due date that jobs are sifted by; what is not told does not matter. */
export type JobFilter = Pick<JobListQuery, 'status' | 'family' | 'customer' | 'press' | 'dueBy'>;

const initial: JobsState = {
  request: { kind: 'loading' },
  rows: [],
  total: 0,
  search: '',
  sort: {},
  only: {},
  pictures: new Map(),
};

/** The list of jobs, page by page as the server finds and sorts them, and the ways to begin one. */
export const JobsStore = signalStore(
  withState(initial),
  withComputed(({ rows, total, search, only }) => ({
    /** How many there are that are not shown yet. */
    more: computed(() => total() - rows().length),
    /** Customers of the jobs in sight, by name. */
    customers: computed(() => [...new Set(rows().map(({ customer }) => customer))].filter(Boolean).sort()),
    sifted: computed(() => search() !== '' || Object.values(only()).some((one) => one !== undefined && one !== '')),
  })),
  withMethods((store, api = inject(Api)) => {
    /** A list without pictures is a list: that they cannot be had is not told. */
    const draw = (rows: readonly JobRow[]): void => {
      from(partsOf({ skip: 0, limit: rows.length }))
        .pipe(
          concatMap(({ skip, limit }) => api.pictures(rows.slice(skip, skip + limit).map(({ id }) => id))),
          catchError(() => EMPTY),
        )
        .subscribe((drawn) => patchState(store, { pictures: new Map([...store.pictures(), ...drawn]) }));
    };
    const list = pages<JobRow>({
      ask: (part) => api.jobs({ search: store.search().trim(), ...store.only(), ...store.sort(), ...part }),
      shown: store.rows,
      took: (page, fresh) => {
        patchState(store, { ...page, request: { kind: 'loaded' } });
        draw(fresh);
      },
      failed: (message) => patchState(store, { request: { kind: 'failed', message } }),
    });
    whenChanged(['jobs'], list.again);
    const ask = (put: () => void = list.first): void => {
      patchState(store, { request: { kind: 'loading' } });
      put();
    };
    return {
      load: () => ask(),
      showMore: () => ask(list.more),
      find(search: string): void {
        patchState(store, { search });
        ask(list.typed);
      },
      sift(only: JobFilter): void {
        patchState(store, { only: { ...store.only(), ...only } });
        ask();
      },
      showAll(): void {
        patchState(store, { only: {}, search: '', sort: {} });
        ask();
      },
      /** What is open, the earliest due first. */
      whatFirst(): void {
        patchState(store, { only: { status: 'draft' }, sort: { by: 'due', order: 'asc' } });
        ask();
      },
      sortBy(by: JobColumn | undefined, order: 'asc' | 'desc' | undefined): void {
        patchState(store, { sort: by && order ? { by, order } : {} });
        ask();
      },
      create: (job: Job): Observable<Revision> =>
        api.createJob(job).pipe(tap(() => patchState(store, { request: { kind: 'loading' } }))),
      copy: (id: number, changes: CopyJob): Observable<Revision> => api.copyJob(id, changes),
    };
  }),
);
