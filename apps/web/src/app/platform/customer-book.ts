import { type Signal, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { CustomerRow } from '@druckerei/contract';
import { catchError, debounceTime, map, of, startWith, switchMap } from 'rxjs';
import { Api } from './api';

/** Milliseconds without a key before customers are looked for, and how many are offered. */
const TYPING_MS = 150;
const OFFERED = 12;

/** Customers of the works whose name holds what is typed, those that are not retired. To be called where one may inject. */
export function customerBook(typed: Signal<string>): Signal<readonly CustomerRow[]> {
  const api = inject(Api);
  return toSignal(
    toObservable(typed).pipe(
      debounceTime(TYPING_MS),
      switchMap((search) =>
        api.customers({ search: search.trim(), limit: OFFERED }).pipe(
          map(({ rows }) => rows.filter(({ retired }) => !retired)),
          // A field without suggestions is a field.
          catchError(() => of([])),
        ),
      ),
      startWith([]),
    ),
    { requireSync: true },
  );
}
