import { Injectable, inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { concatLatestFrom } from '@ngrx/operators';
import { type Action, Store } from '@ngrx/store';
import {
  type Observable,
  EMPTY,
  catchError,
  concat,
  concatMap,
  debounceTime,
  delay,
  exhaustMap,
  filter,
  fromEvent,
  map,
  merge,
  of,
  switchMap,
} from 'rxjs';
import { diffJobs } from '@druckerei/core';
import { Api } from '../../../platform/api';
import { NoticeActions } from '../../../platform/notices';
import { failureOf } from '../../../platform/problem';
import { selectMay } from '../../../platform/session.state';
import { JobActions, jobFeature } from './job.state';
import { LocalDrafts } from './local-drafts';

/** Long enough to let a number be typed to its end. */
const REST_MS = 600;
const RETRY_MS = 5_000;

const NOT_KEPT = $localize`The storage of this browser is full: what you type is not kept on this computer until the server has it. Stay on this page.`;

@Injectable()
export class JobEffects {
  private readonly actions = inject(Actions);
  private readonly store = inject(Store);
  private readonly api = inject(Api);
  private readonly drafts = inject(LocalDrafts);
  /** Whether this computer keeps what is typed; told once when it no longer does. */
  private kept = true;
  private readonly state = () => this.store.select(jobFeature.selectJobState);

  readonly load = createEffect(() =>
    this.actions.pipe(
      ofType(JobActions.open, JobActions.lookAgain),
      switchMap(({ id, revision }) =>
        this.api.job(id, revision).pipe(
          switchMap(async (loaded) =>
            JobActions.loaded({ revision: loaded, local: revision === undefined ? await this.drafts.find(id) : null }),
          ),
          catchError((error: unknown) => of(JobActions.notLoaded({ message: failureOf(error).text }))),
        ),
      ),
    ),
  );

  readonly keepLocal = createEffect(() =>
    this.actions.pipe(
      ofType(
        JobActions.edit,
        JobActions.type,
        JobActions.undo,
        JobActions.redo,
        JobActions.saved,
        JobActions.takeTheirs,
        JobActions.keepMine,
        JobActions.released,
      ),
      concatLatestFrom(this.state),
      concatMap(([, { revision, base, commands, cursor, pending, edit, savedEdit }]): Observable<Action> => {
        if (!revision || !base) return EMPTY;
        const unsaved = edit !== savedEdit;
        const before = this.kept;
        this.kept = true;
        if (!unsaved && Object.keys(pending).length === 0) this.drafts.forget(revision.id);
        else
          this.kept = this.drafts.keep(revision.id, {
            version: revision.version,
            base,
            commands,
            cursor,
            pending,
            unsaved,
          });
        return this.kept || !before ? EMPTY : of(NoticeActions.say({ text: NOT_KEPT }));
      }),
    ),
  );

  readonly save = createEffect(() =>
    merge(
      this.actions.pipe(ofType(JobActions.edit, JobActions.undo, JobActions.redo), debounceTime(REST_MS)),
      this.actions.pipe(ofType(JobActions.saveNow, JobActions.keepMine, JobActions.loaded, JobActions.saved)),
      this.actions.pipe(
        ofType(JobActions.notSaved),
        filter(({ retry }) => retry),
        delay(RETRY_MS),
      ),
      fromEvent(window, 'online'),
    ).pipe(
      concatLatestFrom(() => [
        this.state(),
        this.store.select(jobFeature.selectJob),
        this.store.select(selectMay('plan')),
      ]),
      concatMap(([, { revision, edit, savedEdit, save }, job, mayEdit]): Observable<Action> => {
        if (!revision || !job || !mayEdit || edit === savedEdit || save.kind === 'conflict' || save.kind === 'saving')
          return EMPTY;
        const call = this.api.saveDraft(revision.id, revision.version, job).pipe(
          map((saved): Action => JobActions.saved({ revision: saved, edit })),
          catchError((error: unknown): Observable<Action> => {
            const { status, text, problem } = failureOf(error);
            const theirs = problem?.current;
            // An answer that was lost on the way: what stands there is what was sent from here.
            if (theirs?.version === revision.version + 1 && diffJobs(theirs.job, job).length === 0)
              return of(JobActions.saved({ revision: theirs, edit }));
            return of(
              theirs
                ? JobActions.refused({ theirs })
                : JobActions.notSaved({ message: text, retry: status === 0 || status >= 500 }),
            );
          }),
        );
        return concat(of(JobActions.saving()), call);
      }),
    ),
  );

  readonly release = createEffect(() =>
    this.actions.pipe(
      ofType(JobActions.release),
      concatLatestFrom(this.state),
      exhaustMap(([, { revision }]) => {
        if (!revision) return EMPTY;
        return this.api.release(revision).pipe(
          concatMap((released) =>
            of(
              JobActions.released({ revision: released }),
              NoticeActions.say({ text: $localize`Revision ${released.revision} is released and frozen.` }),
            ),
          ),
          catchError((error: unknown) => {
            const { text, problem } = failureOf(error);
            const theirs = problem?.current;
            if (!theirs) return of(NoticeActions.say({ text }));
            // The same draft with the works of today: it is shown with them, and released if it still holds.
            return theirs.version === revision.version
              ? of(JobActions.loaded({ revision: theirs, local: null }), NoticeActions.say({ text }))
              : of(JobActions.refused({ theirs }));
          }),
        );
      }),
    ),
  );
}
