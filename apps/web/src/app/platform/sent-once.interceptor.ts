import { HttpErrorResponse, type HttpInterceptorFn, HttpResponse } from '@angular/common/http';
import { tap } from 'rxjs';

export const HEADER = 'Idempotency-Key';

/** Keys of what was sent and has not been answered: the same sent again after a lost answer is the same to the server. */
const open = new Map<string, string>();

/** Random, also where a works without TLS has no more of the browser's cryptography. */
export const newKey = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(16)), (byte) => byte.toString(16).padStart(2, '0')).join('');

/** Everything new carries a key of its own, kept until the server has answered. A file carries none: what it does is done once by itself. */
export const sentOnceInterceptor: HttpInterceptorFn = (request, next) => {
  if (
    request.method !== 'POST' ||
    request.url.endsWith('/api/session') ||
    // Entries of the book have names of their own.
    request.url.endsWith('/book') ||
    request.body instanceof Blob ||
    request.headers.has(HEADER)
  )
    return next(request);
  const what = `${request.urlWithParams} ${JSON.stringify(request.body)}`;
  const key = open.get(what) ?? newKey();
  open.set(what, key);
  return next(request.clone({ setHeaders: { [HEADER]: key } })).pipe(
    tap({
      next: (event) => {
        if (event instanceof HttpResponse) open.delete(what);
      },
      error: (error: unknown) => {
        // Answered, if with a refusal: what is sent next is something new. No answer, or a server that is away, is none.
        if (error instanceof HttpErrorResponse && error.status > 0 && error.status !== 503) open.delete(what);
      },
    }),
  );
};
