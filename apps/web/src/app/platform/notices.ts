import { Injectable, Injector, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { createActionGroup, props } from '@ngrx/store';
import { concatMap } from 'rxjs';

export const NoticeActions = createActionGroup({ source: 'Notices', events: { Say: props<{ text: string }>() } });

/** Shows notices at the foot of the page, one after another. */
@Injectable()
export class NoticeEffects {
  private readonly actions = inject(Actions);
  private readonly injector = inject(Injector);

  readonly show = createEffect(
    () =>
      this.actions.pipe(
        ofType(NoticeActions.say),
        concatMap(async ({ text }) => {
          const { MatSnackBar } = await import('@angular/material/snack-bar');
          this.injector.get(MatSnackBar).open(text, 'Close', { duration: 8000 });
        }),
      ),
    { dispatch: false },
  );
}
