import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { EMPTY, type Observable, Subject, catchError, map, switchMap, timer } from 'rxjs';
import { failureOf } from './problem';

/** Rows of a page. */
const PAGE = 100;
/** Milliseconds without a key before a search is sent. */
const TYPING_MS = 25;

interface Page<Row> {
  readonly rows: readonly Row[];
  readonly total: number;
}

/** A list that the server finds page by page: where it is asked, what is shown of it, and where it goes. */
interface PagedList<Row> {
  readonly ask: (part: { readonly skip: number; readonly limit: number }) => Observable<Page<Row>>;
  readonly shown: () => readonly Row[];
  /** @param page all that is shown now @param fresh the rows that came */
  readonly took: (page: Page<Row>, fresh: readonly Row[]) => void;
  readonly failed: (message: string) => void;
}

/** Asks for a list page by page: only the last question counts, and what is typed waits for the next key. To be made where one may inject. */
export function pages<Row>({ ask, shown, took, failed }: PagedList<Row>) {
  const asked = new Subject<{ skip: number; limit: number; after: number }>();
  asked
    .pipe(
      switchMap(({ skip, limit, after }) =>
        timer(after).pipe(
          switchMap(() => ask({ skip, limit })),
          map((page) => ({ ...page, skip })),
          catchError((error: unknown) => {
            failed(failureOf(error).text);
            return EMPTY;
          }),
        ),
      ),
      takeUntilDestroyed(),
    )
    .subscribe(({ rows, total, skip }) => took({ rows: skip === 0 ? rows : [...shown(), ...rows], total }, rows));
  return {
    first: () => asked.next({ skip: 0, limit: PAGE, after: 0 }),
    typed: () => asked.next({ skip: 0, limit: PAGE, after: TYPING_MS }),
    more: () => asked.next({ skip: shown().length, limit: PAGE, after: 0 }),
    /** As many as are shown, anew. */
    again: () => asked.next({ skip: 0, limit: Math.max(PAGE, shown().length), after: 0 }),
  };
}
