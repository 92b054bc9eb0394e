import { computed, inject } from '@angular/core';
import { type KeptInk, type Works, normById } from '@druckerei/core';
import type { ItemChanges, Items } from '@druckerei/contract';
import { patchState, signalStore, withComputed, withHooks, withMethods, withState } from '@ngrx/signals';
import { type Observable, map, tap } from 'rxjs';
import { Api } from '../../platform/api';
import { whenChanged } from '../../platform/live';
import { failureOf } from '../../platform/problem';

type Request =
  { readonly kind: 'loading' } | { readonly kind: 'loaded' } | { readonly kind: 'failed'; readonly message: string };

const initial: { readonly request: Request; readonly works: Works | null } = {
  request: { kind: 'loading' },
  works: null,
};

export const NO_ITEMS: Items = { machines: [], stocks: [], inks: [], supplies: [] };

/** What is entered: items as a whole, norms by their id; a value of null gives a norm back. */
export interface Entered extends Partial<Items> {
  readonly norms?: Readonly<Record<string, number | null>>;
  readonly reason?: string;
}

/** The machines and papers of the works, looked at and changed. */
export const WorksStore = signalStore(
  withState(initial),
  withComputed(({ works }) => ({
    machines: computed(() => works()?.machines ?? []),
    stocks: computed(() => works()?.stocks ?? []),
    // Those of the works as it is now have ids.
    inks: computed(() => (works()?.inks ?? []) as readonly KeptInk[]),
    supplies: computed(() => works()?.supplies ?? []),
    currency: computed(() => works()?.currency ?? ''),
  })),
  withMethods((store, api = inject(Api)) => {
    /** What stands now, where somebody else was faster. */
    const refresh = (): Observable<void> =>
      api.works().pipe(
        tap((works) => patchState(store, { works })),
        map(() => undefined),
      );
    return {
      load(): void {
        patchState(store, { request: { kind: 'loading' } });
        api.works().subscribe({
          next: (works) => patchState(store, { works, request: { kind: 'loaded' } }),
          error: (error: unknown) => patchState(store, { request: { kind: 'failed', message: failureOf(error).text } }),
        });
      },
      know: (works: Works) => patchState(store, { works }),
      refresh,
      /** What others have made of it, where nothing is typed that was made of what stood before. */
      follow: (): void => whenChanged(['works'], () => refresh().subscribe({ error: () => undefined })),
      /** Enters them, all or none. */
      enter({ norms = {}, reason = '', ...entered }: Entered): Observable<void> {
        const items = { ...NO_ITEMS, ...entered };
        const works = store.works();
        const now = works && {
          ...works,
          machines: [...works.machines, ...items.machines],
          stocks: [...works.stocks, ...items.stocks],
        };
        const changes: ItemChanges = {
          ...items,
          norms: Object.entries(norms).map(([norm, value]) => ({
            norm,
            value,
            expected: (now && (now.norms[norm]?.value ?? normById(now, norm)?.value)) ?? 0,
          })),
          seen: works?.itemsMark ?? 0,
          normsSeen: works?.mark ?? 0,
          reason,
        };
        return api.changeItems(changes).pipe(
          tap((after) => patchState(store, { works: after })),
          map(() => undefined),
        );
      },
    };
  }),
  withHooks({ onInit: (store) => store.load() }),
);
