import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import type { Action } from '@ngrx/store';
import { Actions, ROOT_EFFECTS_INIT, createEffect, ofType } from '@ngrx/effects';
import {
  EMPTY,
  Subject,
  catchError,
  concat,
  exhaustMap,
  filter,
  finalize,
  map,
  merge,
  of,
  retry,
  switchMap,
  tap,
  timer,
} from 'rxjs';
import type { Account } from '@druckerei/contract';
import { idle } from '../ui/idle';
import { useLocale } from '../ui/locale';
import { speakAs } from './tongue-of-page';
import { Measures } from '../ui/measures';
import { Api } from './api';
import { HeldWorks } from './held-works';
import { failureOf } from './problem';
import { SessionActions } from './session.state';

/** Milliseconds before a server that did not answer is asked again. */
const AGAIN_MS = 2_000;
/** Milliseconds after which the works is fetched although the browser has had something to do all the time. */
const LATEST_MS = 4_000;

@Injectable()
export class SessionEffects {
  private readonly actions = inject(Actions);
  private readonly api = inject(Api);
  private readonly held = inject(HeldWorks);
  private readonly router = inject(Router);
  private readonly measures = inject(Measures);
  /** Dates and measures are written as the person chose, else as the works does. */
  private readonly writeAs = (account: Account | null): void => {
    const locale = account?.locale ?? account?.worksLocale ?? null;
    useLocale(locale);
    if (account) speakAs(locale);
    this.measures.useWorks(account?.worksMeasures);
  };

  readonly find = createEffect(() =>
    this.actions.pipe(
      ofType(ROOT_EFFECTS_INIT),
      exhaustMap(() => {
        // Whoever is signed in stays so while the server is away: nobody is sent to the sign-in page for it.
        const unanswered = new Subject<Action>();
        const found = this.api.session().pipe(
          retry({
            delay: () => {
              unanswered.next(SessionActions.unanswered());
              return timer(AGAIN_MS);
            },
          }),
          tap(({ account }) => this.writeAs(account)),
          map((answer): Action => SessionActions.found(answer)),
          finalize(() => unanswered.complete()),
        );
        return merge(unanswered, found);
      }),
    ),
  );

  readonly signIn = createEffect(() =>
    this.actions.pipe(
      ofType(SessionActions.signIn),
      exhaustMap(({ login, password, code, to }) =>
        this.api.signIn(login, password, code).pipe(
          tap(({ account }) => this.writeAs(account)),
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

  /** Whoever plans asks for the works on nearly every page: it is fetched once the first page stands. */
  readonly holdWorks = createEffect(
    () =>
      this.actions.pipe(
        ofType(SessionActions.found, SessionActions.signedIn),
        filter(({ account }) => account?.rights.includes('plan') === true),
        switchMap(() => concat(idle(LATEST_MS), this.held.works()).pipe(catchError(() => EMPTY))),
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
        tap(() => {
          // Whoever is there already knows where to come back to.
          const { url } = this.router;
          if (!url.startsWith('/sign-in')) void this.router.navigate(['/sign-in'], { queryParams: { to: url } });
        }),
        // The old page's CSRF token ended with its session: ask for a new one.
        exhaustMap(() => this.api.session().pipe(catchError(() => of(null)))),
      ),
    { dispatch: false },
  );
}
