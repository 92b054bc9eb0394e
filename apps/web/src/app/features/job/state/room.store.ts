import { computed, inject } from '@angular/core';
import { type RoomContext, type RoomEvent, forecastCount, listCarriers, refuse, roomState } from '@druckerei/core';
import { type PressRoom, issueText } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { patchState, signalStore, withComputed, withMethods, withProps, withState } from '@ngrx/signals';
import { type Observable, concatMap, from, last } from 'rxjs';
import { Api } from '../../../platform/api';
import { failureOf } from '../../../platform/problem';
import { sessionFeature } from '../../../platform/session.state';
import { JobEditor } from './job-editor';

/** Where an entry is made: at the step itself, or at the bench of carriers or inks. */
export type EntryPlace = 'step' | 'bench';
const AT_STEP: readonly RoomEvent['kind'][] = ['press-start', 'first-sheet', 'count'];
export const placeOf = ({ kind }: RoomEvent): EntryPlace => (AT_STEP.includes(kind) ? 'step' : 'bench');

interface RoomStoreState {
  readonly room: PressRoom;
  readonly busy: boolean;
  /** Why the last entry was not taken. */
  readonly problem: string;
  readonly problemAt: EntryPlace;
}

const initial: RoomStoreState = { room: { records: [], kept: [] }, busy: false, problem: '', problemAt: 'bench' };

/** The press room of the open job: what has been recorded, what it comes to, and every way to add to it. */
export const RoomStore = signalStore(
  withState(initial),
  withProps(() => ({ api: inject(Api), editor: inject(JobEditor), session: inject(Store) })),
  withComputed(({ room, editor, session }) => {
    const state = computed(() => roomState(room().records));
    const context = computed((): RoomContext | undefined => {
      const [job, plan, works] = [editor.job(), editor.plan(), editor.works()];
      return job && plan && works ? { job, plan, works, state: state() } : undefined;
    });
    return {
      state,
      context,
      mayRecord: session.selectSignal(sessionFeature.selectMayRecord),
      carriers: computed(() => {
        const all = context();
        return all ? listCarriers(all.job, all.plan, all.works) : [];
      }),
      forecast: computed(() => {
        const all = context();
        return all && forecastCount(all.job, all.plan, all.works, all.state);
      }),
    };
  }),
  withMethods((store) => {
    const take = (answer: Observable<PressRoom>, problemAt: EntryPlace): void => {
      patchState(store, { busy: true, problem: '', problemAt });
      answer.subscribe({
        next: (room) => patchState(store, { room, busy: false }),
        error: (error: unknown) => patchState(store, { busy: false, problem: failureOf(error).text }),
      });
    };
    const jobId = (): number => store.editor.revision()?.id ?? 0;
    return {
      load: (id: number) => take(store.api.room(id), 'bench'),
      enter: (event: RoomEvent) => take(store.api.enterEvent(jobId(), event), placeOf(event)),
      /** Enters one after another; the first that is refused stops the rest. */
      enterAll(events: readonly RoomEvent[]): void {
        const [first] = events;
        if (!first) return;
        take(
          from(events).pipe(
            concatMap((event) => store.api.enterEvent(jobId(), event)),
            last(),
          ),
          placeOf(first),
        );
      },
      takeBack(): void {
        const last = store.state().last;
        if (last) take(store.api.enterEvent(jobId(), { kind: 'take-back', record: last.id }), placeOf(last.event));
      },
      /** What would keep an event from being taken, in words. */
      gates(event: RoomEvent): string[] {
        const context = store.context();
        return context ? refuse(context, event).map(issueText) : [];
      },
    };
  }),
);
