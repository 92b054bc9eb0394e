import { HttpErrorResponse, type HttpInterceptorFn } from '@angular/common/http';
import { inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { tap } from 'rxjs';
import { SessionActions } from './session.state';

/** A session that ended while somebody worked leads to the sign-in page; what was typed stays on this computer. */
export const signedOutInterceptor: HttpInterceptorFn = (request, next) => {
  const store = inject(Store);
  return next(request).pipe(
    tap({
      error: (error: unknown) => {
        if (error instanceof HttpErrorResponse && error.status === 401 && !request.url.endsWith('/api/session'))
          store.dispatch(SessionActions.signedOut());
      },
    }),
  );
};
