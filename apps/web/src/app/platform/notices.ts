import { Injectable, inject } from '@angular/core';
import { MatSnackBar } from '@angular/material/snack-bar';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { createActionGroup, props } from '@ngrx/store';
import { tap } from 'rxjs';

export const NoticeActions = createActionGroup({ source: 'Notices', events: { Say: props<{ text: string }>() } });

/** Shows notices at the foot of the page, one after another. Here from the start: they are wanted most while the server is away. */
@Injectable()
export class NoticeEffects {
  private readonly actions = inject(Actions);
  private readonly snackBar = inject(MatSnackBar);

  readonly show = createEffect(
    () =>
      this.actions.pipe(
        ofType(NoticeActions.say),
        tap(({ text }) => this.snackBar.open(text, $localize`Close`, { duration: 8000 })),
      ),
    { dispatch: false },
  );
}
