import { computed } from '@angular/core';
import { patchState, signalStore, withComputed, withMethods, withState } from '@ngrx/signals';

/** What the lower part of the page shows: the bench of what is chosen, or a room about the whole job. */
export const ROOMS = [
  'bench',
  'best',
  'quantities',
  'what if',
  'schools',
  'artwork',
  'paper',
  'balance',
  'cost',
  'buying',
  'revisions',
] as const;
export type Room = (typeof ROOMS)[number];
/** Rooms that are about what it costs. */
export const PRICED_ROOMS: readonly Room[] = ['best', 'quantities', 'what if', 'cost'];

interface JobViewState {
  /** Step whose bench is open; null is the order itself. */
  readonly step: string | null;
  readonly room: Room;
  /** Figures opened one out of another; the last is on show. Empty, the working is not wanted. */
  readonly trail: readonly string[];
}

const initial: JobViewState = { step: null, room: 'bench', trail: [] };

/** What is open on the job page. */
export const JobView = signalStore(
  withState(initial),
  withComputed(({ trail }) => ({ working: computed(() => trail().length > 0) })),
  withMethods((store) => ({
    choose: (step: string | null) => patchState(store, { step, room: 'bench' }),
    show: (room: Room) => patchState(store, { room }),
    /** Opens a figure's working from anywhere. */
    openFigure: (id: string) => patchState(store, { trail: [id] }),
    /** Opens an input of the figure on show. */
    openInput: (id: string) => patchState(store, ({ trail }) => ({ trail: [...trail, id] })),
    /** Goes back to a figure of the trail. */
    backTo: (at: number) => patchState(store, ({ trail }) => ({ trail: trail.slice(0, at + 1) })),
    /** Puts the working away. */
    closeWorking: () => patchState(store, { trail: [] }),
  })),
);
