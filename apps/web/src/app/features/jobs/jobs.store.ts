import { computed, inject } from '@angular/core';
import type { Job } from '@druckerei/core';
import type { JobRow, Revision } from '@druckerei/contract';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import { type Observable, tap } from 'rxjs';
import { Api } from '../../platform/api';
import { failureOf } from '../../platform/problem';

type Request =
  { readonly kind: 'loading' } | { readonly kind: 'loaded' } | { readonly kind: 'failed'; readonly message: string };

interface JobsState {
  readonly request: Request;
  readonly rows: readonly JobRow[];
  readonly search: string;
}

const initial: JobsState = { request: { kind: 'loading' }, rows: [], search: '' };

/** The list of jobs, and the ways to begin one. */
export const JobsStore = signalStore(
  withState(initial),
  withComputed(({ rows, search }) => ({
    /** Rows that hold every word of the search, in any column. */
    found: computed(() => {
      const words = search().toLowerCase().split(/\s+/).filter(Boolean);
      return rows().filter((row) => {
        const text = [row.number, row.title, row.customer, row.family, row.status].join(' ').toLowerCase();
        return words.every((word) => text.includes(word));
      });
    }),
  })),
  withMethods((store, api = inject(Api)) => ({
    load(): void {
      api.jobs().subscribe({
        next: (rows) => patchState(store, { rows, request: { kind: 'loaded' } }),
        error: (error: unknown) => patchState(store, { request: { kind: 'failed', message: failureOf(error).text } }),
      });
    },
    find(search: string): void {
      patchState(store, { search });
    },
    create: (job: Job): Observable<Revision> =>
      api.createJob(job).pipe(tap(() => patchState(store, { request: { kind: 'loading' } }))),
    copy: (id: number, names: { number: string; title: string }): Observable<Revision> => api.copyJob(id, names),
  })),
);
