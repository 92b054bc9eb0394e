import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import { Actions, ROOT_EFFECTS_INIT, createEffect, ofType } from '@ngrx/effects';
import { catchError, exhaustMap, map, of, tap } from 'rxjs';
import { Api } from './api';
import { failureOf } from './problem';
import { SessionActions } from './session.state';

@Injectable()
export class SessionEffects {
  private readonly actions = inject(Actions);
  private readonly api = inject(Api);
  private readonly router = inject(Router);

  readonly find = createEffect(() =>
    this.actions.pipe(
      ofType(ROOT_EFFECTS_INIT),
      exhaustMap(() =>
        this.api.session().pipe(
          map((found) => SessionActions.found(found)),
          catchError(() => of(SessionActions.found({ account: null, demo: false }))),
        ),
      ),
    ),
  );

  readonly signIn = createEffect(() =>
    this.actions.pipe(
      ofType(SessionActions.signIn),
      exhaustMap(({ login, password, to }) =>
        this.api.signIn(login, password).pipe(
          map(({ account }) => SessionActions.signedIn({ account, to })),
          catchError((error: unknown) => of(SessionActions.refused({ message: failureOf(error).text }))),
        ),
      ),
    ),
  );

  readonly enter = createEffect(
    () =>
      this.actions.pipe(
        ofType(SessionActions.signedIn),
        tap(({ to }) => void this.router.navigateByUrl(to)),
      ),
    { dispatch: false },
  );

  readonly signOut = createEffect(() =>
    this.actions.pipe(
      ofType(SessionActions.signOut),
      exhaustMap(() =>
        this.api.signOut().pipe(
          map(() => SessionActions.signedOut()),
          catchError(() => of(SessionActions.signedOut())),
        ),
      ),
    ),
  );

  readonly leave = createEffect(
    () =>
      this.actions.pipe(
        ofType(SessionActions.signedOut),
        tap(
          () =>
            void this.router.navigate(['/sign-in'], {
              queryParams: this.router.url.startsWith('/sign-in') ? {} : { to: this.router.url },
            }),
        ),
        // The old page's CSRF token ended with its session: ask for a new one.
        exhaustMap(() => this.api.session().pipe(catchError(() => of(null)))),
      ),
    { dispatch: false },
  );
}
