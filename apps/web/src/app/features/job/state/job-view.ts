import { patchState, signalStore, withMethods, withState } from '@ngrx/signals';

export type Panel = 'working' | 'schools' | 'paper' | 'balance' | 'cost' | 'buying' | 'revisions';

interface JobViewState {
  /** Step whose bench is open; null is the order itself. */
  readonly step: string | null;
  readonly panel: Panel;
  /** Figures opened one out of another; the last is on show. */
  readonly trail: readonly string[];
}

const initial: JobViewState = { step: null, panel: 'working', trail: [] };

/** What is open on the job page. */
export const JobView = signalStore(
  withState(initial),
  withMethods((store) => ({
    choose: (step: string | null) => patchState(store, { step }),
    show: (panel: Panel) => patchState(store, { panel }),
    /** Opens a figure's working from anywhere. */
    openFigure: (id: string) => patchState(store, { panel: 'working', trail: [id] }),
    /** Opens an input of the figure on show. */
    openInput: (id: string) => patchState(store, ({ trail }) => ({ trail: [...trail, id] })),
    /** Goes back to a figure of the trail. */
    backTo: (at: number) => patchState(store, ({ trail }) => ({ trail: trail.slice(0, at + 1) })),
  })),
);
