import { computed, effect, inject, untracked } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  type RoomCard,
  type RoomContext,
  type RoomEntry,
  type RoomEvent,
  ROOM_KEYS,
  error,
  isOwnStation,
  listCarriers,
  refuse,
  roomCard,
  roomState,
  stationKey,
} from '@druckerei/core';
import { type PressRoom, issueText } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { patchState, signalStore, withComputed, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import {
  EMPTY,
  type Observable,
  Subject,
  catchError,
  concatMap,
  defer,
  filter,
  finalize,
  from,
  of,
  switchMap,
  tap,
} from 'rxjs';
import { Api } from '../../../platform/api';
import { whenChanged } from '../../../platform/live';
import { RoomOutbox } from '../../../platform/room-outbox';
import { failureOf } from '../../../platform/problem';
import { selectMay, selectOwnStations } from '../../../platform/session.state';
import { keepForecaster } from './forecast.client';
import type { ForecastAnswer } from './forecast.messages';
import { JobEditor } from '../state/job-editor';

/** Where an entry is made: at the step itself, or at the bench of carriers or inks. */
export type EntryPlace = 'step' | 'bench';
export const placeOf = (event: RoomEvent): EntryPlace => ('step' in event ? 'step' : 'bench');

interface RoomStoreState {
  readonly room: PressRoom;
  readonly busy: boolean;
  /** Why the last entry was not taken. */
  readonly problem: string;
  readonly problemAt: EntryPlace;
  /** What the counts so far will come to, drawn in a worker; of the job before the last change until that is drawn. */
  readonly forecast: ForecastAnswer;
  /** The forecast is of the job as it stands. */
  readonly forecastIsNow: boolean;
}

const initial: RoomStoreState = {
  room: { records: [], kept: [] },
  busy: false,
  problem: '',
  problemAt: 'bench',
  forecast: undefined,
  forecastIsNow: false,
};

/** The press room of the open job: what has been recorded, what it comes to, and every way to add to it. */
export const RoomStore = signalStore(
  withState(initial),
  withProps(() => ({
    api: inject(Api),
    outbox: inject(RoomOutbox),
    editor: inject(JobEditor),
    session: inject(Store),
  })),
  withComputed(({ room, editor, session }) => {
    const state = computed(() => roomState(room().records));
    const card = computed((): RoomCard | undefined => {
      const [job, plan, works] = [editor.job(), editor.plan(), editor.works()];
      const made = job && plan && works ? roomCard(job, plan, works) : undefined;
      return made?.ok ? made.value : undefined;
    });
    const context = computed((): RoomContext | undefined => {
      const known = card();
      return known && { card: known, state: state() };
    });
    const mayRecord = session.selectSignal(selectMay('record'));
    const own = session.selectSignal(selectOwnStations);
    const mayEnterIn = (keys: readonly string[]): boolean => mayRecord() && isOwnStation(own(), keys);
    return {
      state,
      context,
      mayRecord,
      /** Steps of the job that whoever is signed in enters at. */
      ownSteps: computed(
        () => new Set((card()?.steps ?? []).filter((step) => mayEnterIn([stationKey(step)])).map(({ id }) => id)),
      ),
      /** The plate room, or presses that plates go to. */
      mayPlates: computed(() =>
        mayEnterIn([ROOM_KEYS.plates, ...(card()?.steps ?? []).filter(({ press }) => press).map(stationKey)]),
      ),
      mayInks: computed(() => mayEnterIn([ROOM_KEYS.inks])),
      carriers: computed(() => {
        const [job, plan, works] = [editor.job(), editor.plan(), editor.works()];
        return job && plan && works ? listCarriers(job, plan, works) : [];
      }),
    };
  }),
  withComputed(({ forecast, forecastIsNow, outbox, editor }) => ({
    /** Entries of this job that the server does not have yet. */
    waiting: computed(() => outbox.waiting().filter(({ job }) => job === editor.revision()?.id)),
    /** All is counted and enough: carriers may be let go without a reason. */
    countIsSafe: computed(() => {
      const found = forecast();
      return forecastIsNow() && found?.ok === true && !found.value.hold;
    }),
  })),
  withMethods((store) => {
    /** Calls one after another, however fast they are asked for: an older answer never overwrites a newer one. */
    const calls = new Subject<Observable<PressRoom>>();
    calls
      .pipe(
        concatMap((call) => call),
        takeUntilDestroyed(),
      )
      .subscribe((room) => patchState(store, { room }));
    const ask = (calling: () => Observable<PressRoom>, problemAt: EntryPlace, taken: () => void): void =>
      calls.next(
        defer(() => {
          patchState(store, { busy: true, problem: '', problemAt });
          return calling();
        }).pipe(
          tap({ complete: taken }),
          catchError((error: unknown) => {
            const { status, text } = failureOf(error);
            patchState(store, { problem: text });
            // Somebody else was faster: what stands now is shown beside what was typed.
            return status === 409 ? store.api.room(jobId()).pipe(catchError(() => EMPTY)) : EMPTY;
          }),
          finalize(() => patchState(store, { busy: false })),
        ),
      );
    /** The last record that is shown here. */
    const seen = (): number => store.room().records.at(-1)?.id ?? 0;
    /** Sends an entry; where the server is away it waits on this computer, and the room stays as it is. */
    const send = (id: number, event: RoomEntry): Observable<PressRoom> =>
      store.outbox.send(id, event, seen()).pipe(concatMap((sent) => ('room' in sent ? of(sent.room) : EMPTY)));
    store.outbox.answers
      .pipe(
        filter(({ job }) => job === jobId()),
        switchMap(({ job, room }) => (room ? of(room) : store.api.room(job).pipe(catchError(() => EMPTY)))),
        takeUntilDestroyed(),
      )
      .subscribe((room) => patchState(store, { room }));
    const jobId = (): number => store.editor.revision()?.id ?? 0;
    whenChanged(['room'], () => calls.next(store.api.room(jobId()).pipe(catchError(() => EMPTY))), jobId);
    const none = (): void => undefined;
    const enterAll = (events: readonly RoomEntry[], taken = none): void => {
      const [first] = events;
      const id = jobId();
      if (first) ask(() => from(events).pipe(concatMap((event) => send(id, event))), placeOf(first), taken);
    };
    return {
      load: (id: number) => ask(() => store.api.room(id), 'bench', none),
      /** Enters one after another; the first that is refused stops the rest. */
      enterAll,
      /** @param taken what to do once it is on record; what was typed stays until then. */
      enter: (event: RoomEntry, taken = none) => enterAll([event], taken),
      takeBack(): void {
        const last = store.state().last;
        const id = jobId();
        if (last) ask(() => send(id, { kind: 'take-back', record: last.id }), placeOf(last.event), none);
      },
      /** Sends an entry that was refused later once more, knowing what stands. */
      sendAgain: (key: string) => store.outbox.again(key, seen()),
      leaveOut: (key: string) => store.outbox.drop(key),
      /** What would keep an event from being taken, in words. */
      gates(event: RoomEntry): string[] {
        const context = store.context();
        return context ? refuse(context, event).map(issueText) : [];
      },
    };
  }),
  withHooks((store) => {
    const forecaster = keepForecaster(
      (forecast) => patchState(store, { forecast, forecastIsNow: true }),
      () => {
        const why = $localize`the forecast could not be drawn`;
        patchState(store, {
          forecast: { ok: false, issues: [error('plan.failed', '', { why })] },
          forecastIsNow: false,
        });
      },
    );
    return {
      onInit: () =>
        effect(() => {
          // Without counts nothing is asked of the job: it may change as fast as somebody types.
          const all = store.state().counts.size > 0 ? store.context() : undefined;
          untracked(() => {
            if (all) {
              patchState(store, { forecastIsNow: false });
              forecaster.ask({ basis: all.card.forecast, state: all.state });
            } else {
              // What is on its way was drawn of counts that are no more.
              forecaster.end();
              patchState(store, { forecast: undefined, forecastIsNow: false });
            }
          });
        }),
      onDestroy: () => forecaster.end(),
    };
  }),
);
