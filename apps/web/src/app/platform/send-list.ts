import { type HttpClient, HttpErrorResponse, HttpEventType } from '@angular/common/http';
import { JSON_LINES } from '@druckerei/contract/plain';
import type { ListWay } from '../ui/list-outcome';
import { type Observable, catchError, concatMap, of, throwError } from 'rxjs';

/** How far a list is that was sent, and at the end what it was answered with. */
export type ListSent<T> = ListWay | { readonly answer: T };

type Line<T> = ListSent<T> | { readonly problem: unknown };

/** Entries in one piece of what is sent. */
const TOGETHER = 1_000;

/** The body without its list, and its entries, each a line. */
function linesOf(head: object, entries: readonly unknown[]): Blob {
  const pieces = [`${JSON.stringify(head)}\n`];
  for (let at = 0; at < entries.length; at += TOGETHER)
    pieces.push(
      entries
        .slice(at, at + TOGETHER)
        .map((entry) => `${JSON.stringify(entry)}\n`)
        .join(''),
    );
  return new Blob(pieces, { type: JSON_LINES });
}

/** The last whole line of what has come in. */
const lastLine = <T>(text: string): Line<T> | undefined => {
  const line = text.slice(0, text.lastIndexOf('\n')).split('\n').at(-1) ?? '';
  return line === '' ? undefined : (JSON.parse(line) as Line<T>);
};

const problemOf = (error: unknown, url: string): HttpErrorResponse => {
  const status =
    typeof error === 'object' && error !== null && 'status' in error && typeof error.status === 'number'
      ? error.status
      : 500;
  return new HttpErrorResponse({ error, status, url });
};

/** A refusal comes as text where lines are asked for. */
function asJson(error: unknown): unknown {
  if (!(error instanceof HttpErrorResponse) || typeof error.error !== 'string') return error;
  try {
    const body: unknown = JSON.parse(error.error);
    const { status, headers, url } = error;
    return new HttpErrorResponse({ error: body, status, headers, ...(url === null ? {} : { url }) });
  } catch {
    return error;
  }
}

/** Sends a list that may be long, and tells how far it is. Who leaves stops it. @param head what is sent beside the list */
export const sendList = <T>(
  http: HttpClient,
  url: string,
  head: object,
  entries: readonly unknown[],
): Observable<ListSent<T>> =>
  http
    .post(url, linesOf(head, entries), {
      headers: { 'Content-Type': JSON_LINES, Accept: JSON_LINES },
      observe: 'events',
      reportProgress: true,
      responseType: 'text',
    })
    .pipe(
      concatMap((event): Observable<ListSent<T>> => {
        if (event.type === HttpEventType.Sent) return of({ doing: 'sending', done: 0, of: entries.length });
        if (event.type === HttpEventType.Response) {
          // A list that was through before anybody could be told on the way is answered as ever.
          if (event.headers.get('Content-Type') !== JSON_LINES)
            return of({ answer: JSON.parse(event.body ?? '') as T });
          const line = lastLine<T>(event.body ?? '');
          if (line && 'answer' in line) return of(line);
          return throwError(() => problemOf(line && 'problem' in line ? line.problem : undefined, url));
        }
        const line =
          event.type === HttpEventType.DownloadProgress && 'partialText' in event && event.partialText
            ? lastLine<T>(event.partialText)
            : undefined;
        return line && 'doing' in line ? of(line) : of();
      }),
      catchError((error: unknown) => throwError(() => asJson(error))),
    );
