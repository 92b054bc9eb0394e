import { computed, inject } from '@angular/core';
import {
  type Norm,
  type NormGroup,
  type Source,
  type Works,
  isPrice,
  normCatalogue,
  normsOfGroup,
} from '@druckerei/core';
import type { NormChanges, NormHistoryEntry } from '@druckerei/contract';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';
import { type Observable, forkJoin, map, tap } from 'rxjs';
import { Api } from '../../platform/api';
import { failureOf } from '../../platform/problem';
import { holdsWords } from '../../ui/search';

type Request =
  { readonly kind: 'loading' } | { readonly kind: 'loaded' } | { readonly kind: 'failed'; readonly message: string };

interface NormsState {
  readonly request: Request;
  readonly works: Works | null;
  readonly history: readonly NormHistoryEntry[];
  readonly group: NormGroup;
  readonly search: string;
}

const initial: NormsState = { request: { kind: 'loading' }, works: null, history: [], group: 'spoilage', search: '' };

/** One norm as it stands: its value in force, and whether somebody set it. */
export interface NormRow {
  readonly norm: Norm;
  readonly value: number;
  readonly source: Source;
  readonly changed: boolean;
}

function rowOf(norm: Norm, works: Works): NormRow {
  const set = works.norms[norm.id];
  return {
    norm,
    value: set?.value ?? norm.value,
    source: set?.source ?? norm.source,
    changed: set !== undefined,
  };
}

/** The norms of the works, and their history. */
export const NormsStore = signalStore(
  withState(initial),
  withComputed(({ works, group, search }) => ({
    rows: computed((): NormRow[] => {
      const now = works();
      if (!now) return [];
      const holds = holdsWords(search());
      const asked =
        search().trim() === ''
          ? normsOfGroup(now, group())
          : [...normCatalogue(now).values()].filter((norm) => holds(`${norm.subject} ${norm.name}`));
      return asked.filter((norm) => !now.pricesHidden || !isPrice(now, norm)).map((norm) => rowOf(norm, now));
    }),
  })),
  withMethods((store, api = inject(Api)) => ({
    load(): void {
      forkJoin({ works: api.works(), history: api.normHistory() }).subscribe({
        next: (loaded) => patchState(store, { ...loaded, request: { kind: 'loaded' } }),
        error: (error: unknown) => patchState(store, { request: { kind: 'failed', message: failureOf(error).text } }),
      });
    },
    choose: (group: NormGroup) => patchState(store, { group, search: '' }),
    find: (search: string) => patchState(store, { search }),
    /** What stands now, where somebody else was faster. */
    refresh: (): Observable<void> =>
      forkJoin({ works: api.works(), history: api.normHistory() }).pipe(
        tap((loaded) => patchState(store, loaded)),
        map(() => undefined),
      ),
    change: (id: string, change: { value: number | null; expected: number; reason: string }): Observable<void> =>
      api.changeNorm(id, { ...change, seen: store.works()?.mark ?? 0 }).pipe(
        tap((works) => patchState(store, { works })),
        tap(() => api.normHistory().subscribe((history) => patchState(store, { history }))),
        map(() => undefined),
      ),
    /** Sets several, all or none. */
    changeAll: (changes: NormChanges['changes'], reason: string): Observable<void> =>
      api.changeNorms({ changes, reason, seen: store.works()?.mark ?? 0 }).pipe(
        tap((works) => patchState(store, { works })),
        tap(() => api.normHistory().subscribe((history) => patchState(store, { history }))),
        map(() => undefined),
      ),
  })),
);
