import { computed, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Job } from '@druckerei/core';
import type { JobColumn, JobRow, Revision } from '@druckerei/contract';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import { EMPTY, type Observable, Subject, catchError, map, switchMap, tap, timer } from 'rxjs';
import { Api } from '../../platform/api';
import { failureOf } from '../../platform/problem';

type Request =
  { readonly kind: 'loading' } | { readonly kind: 'loaded' } | { readonly kind: 'failed'; readonly message: string };

interface JobsState {
  readonly request: Request;
  readonly rows: readonly JobRow[];
  /** Jobs in all that the search finds. */
  readonly total: number;
  readonly search: string;
  readonly sort: { readonly by?: JobColumn; readonly order?: 'asc' | 'desc' };
}

const initial: JobsState = { request: { kind: 'loading' }, rows: [], total: 0, search: '', sort: {} };

/** Rows of a page. */
const PAGE = 100;
/** Milliseconds without a key before a search is sent. */
const TYPING_MS = 200;

/** The list of jobs, page by page as the server finds and sorts them, and the ways to begin one. */
export const JobsStore = signalStore(
  withState(initial),
  withComputed(({ rows, total }) => ({
    /** How many there are that are not shown yet. */
    more: computed(() => total() - rows().length),
  })),
  withMethods((store, api = inject(Api)) => {
    const asked = new Subject<{ skip: number; after: number }>();
    asked
      .pipe(
        // What is typed waits for the next key; only the last question counts.
        switchMap(({ skip, after }) =>
          timer(after).pipe(
            switchMap(() => api.jobs({ search: store.search().trim(), ...store.sort(), skip, limit: PAGE })),
            map((page) => ({ ...page, skip })),
            catchError((error: unknown) => {
              patchState(store, { request: { kind: 'failed', message: failureOf(error).text } });
              return EMPTY;
            }),
          ),
        ),
        takeUntilDestroyed(),
      )
      .subscribe(({ rows, total, skip }) =>
        patchState(store, {
          rows: skip === 0 ? rows : [...store.rows(), ...rows],
          total,
          request: { kind: 'loaded' },
        }),
      );
    const ask = (skip = 0, after = 0): void => {
      patchState(store, { request: { kind: 'loading' } });
      asked.next({ skip, after });
    };
    return {
      load: () => ask(),
      showMore: () => ask(store.rows().length),
      find(search: string): void {
        patchState(store, { search });
        ask(0, TYPING_MS);
      },
      sortBy(by: JobColumn | undefined, order: 'asc' | 'desc' | undefined): void {
        patchState(store, { sort: by && order ? { by, order } : {} });
        ask();
      },
      create: (job: Job): Observable<Revision> =>
        api.createJob(job).pipe(tap(() => patchState(store, { request: { kind: 'loading' } }))),
      copy: (id: number, names: { number: string; title: string }): Observable<Revision> => api.copyJob(id, names),
    };
  }),
);
