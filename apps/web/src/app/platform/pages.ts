import { DestroyRef, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  EMPTY,
  type Observable,
  Subject,
  catchError,
  concatMap,
  firstValueFrom,
  from,
  map,
  reduce,
  switchMap,
  timer,
} from 'rxjs';
import { canShowAll } from '../ui/whole-lists';
import { failureOf } from './problem';

/** Rows of a page, and most that the server hands out at once. */
const PAGE = 100;
const MOST = 500;
/** Milliseconds without a key before a search is sent, and after which a key is the first of a search: that one is sent at once. */
const TYPING_MS = 25;
const FIRST_MS = 250;

interface Page<Row> {
  readonly rows: readonly Row[];
  readonly total: number;
}
const NOTHING = { rows: [], total: 0 };
interface Part {
  readonly skip: number;
  readonly limit: number;
}

/** A list that the server finds page by page: where it is asked, what is shown of it, and where it goes. */
interface PagedList<Row> {
  readonly ask: (part: Part) => Observable<Page<Row>>;
  readonly shown: () => readonly Row[];
  /** @param page all that is shown now @param fresh the rows that came */
  readonly took: (page: Page<Row>, fresh: readonly Row[]) => void;
  readonly failed: (message: string) => void;
}

/** A part in as many as the server hands out. */
export const partsOf = ({ skip, limit }: Part): Part[] =>
  Array.from({ length: Math.ceil(limit / MOST) }, (_, i) => ({
    skip: skip + i * MOST,
    limit: Math.min(MOST, limit - i * MOST),
  }));

/** Asks for a list page by page: only the last question counts, and what is typed fast waits for the next key. To be made where one may inject. */
export function pages<Row>({ ask, shown, took, failed }: PagedList<Row>) {
  const asked = new Subject<Part & { readonly after: number }>();
  /** Whether the last that was asked for came. */
  const came = new Subject<boolean>();
  let known = 0;
  let lastKey = -Infinity;
  const whole = (part: Part): Observable<Page<Row>> =>
    part.limit <= MOST
      ? ask(part)
      : from(partsOf(part)).pipe(
          concatMap(ask),
          reduce((before: Page<Row>, { rows, total }) => ({ rows: [...before.rows, ...rows], total }), NOTHING),
        );
  asked
    .pipe(
      switchMap(({ skip, limit, after }) =>
        timer(after).pipe(
          switchMap(() => whole({ skip, limit })),
          map((page) => ({ ...page, skip })),
          catchError((error: unknown) => {
            failed(failureOf(error).text);
            came.next(false);
            return EMPTY;
          }),
        ),
      ),
      takeUntilDestroyed(),
    )
    .subscribe(({ rows, total, skip }) => {
      known = total;
      took({ rows: skip === 0 ? rows : [...shown(), ...rows], total }, rows);
      came.next(rows.length > 0);
    });
  inject(DestroyRef).onDestroy(() => came.complete());
  const next = (limit: number): void => asked.next({ skip: shown().length, limit, after: 0 });
  canShowAll(async () => {
    for (let goesOn = true; goesOn && shown().length < known;) {
      const answer = firstValueFrom(came, { defaultValue: false });
      next(MOST);
      goesOn = await answer;
    }
  });
  return {
    first: () => asked.next({ skip: 0, limit: PAGE, after: 0 }),
    typed: () => {
      const isFirst = performance.now() - lastKey > FIRST_MS;
      lastKey = performance.now();
      asked.next({ skip: 0, limit: PAGE, after: isFirst ? 0 : TYPING_MS });
    },
    more: () => next(PAGE),
    /** As many as are shown, anew. */
    again: () => asked.next({ skip: 0, limit: Math.max(PAGE, shown().length), after: 0 }),
  };
}
