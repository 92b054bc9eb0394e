import { HttpClient, type HttpErrorResponse } from '@angular/common/http';
import { Injectable, inject } from '@angular/core';
import type { Works } from '@druckerei/core';
import { type Observable, catchError, map, of, throwError } from 'rxjs';

interface Held {
  readonly mark: string;
  readonly works: Works;
}

/** The works as it was answered last: where nothing has changed since, the server says just that, and the same object is taken. */
@Injectable({ providedIn: 'root' })
export class HeldWorks {
  private readonly http = inject(HttpClient);
  private held: Held | undefined;

  works(): Observable<Works> {
    const held = this.held;
    return this.http
      .get<Works>('/api/works', {
        observe: 'response',
        ...(held ? { headers: { 'If-None-Match': held.mark } } : {}),
      })
      .pipe(
        map(({ body, headers }) => {
          if (body === null) throw new Error('the works was not answered');
          const mark = headers.get('ETag');
          this.held = mark === null ? undefined : { mark, works: body };
          return body;
        }),
        catchError((error: HttpErrorResponse) =>
          held && error.status === 304 ? of(held.works) : throwError(() => error),
        ),
      );
  }
}
