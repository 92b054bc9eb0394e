import { type Job, type Ranking, type WayTarget, type Ways, type Works, rankWays } from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import { patchState, signalStore, withComputed, withHooks, withMethods, withProps, withState } from '@ngrx/signals';
import { computed } from '@angular/core';
import { askWays } from './ways.client';

type Search =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly share: number }
  | { readonly kind: 'stopped' }
  | { readonly kind: 'failed'; readonly message: string }
  | { readonly kind: 'done' };

interface WaysState {
  readonly search: Search;
  readonly found: Ways | null;
  readonly ranking: Ranking;
  /** Rows on show; the rest is one click away, never left out. */
  readonly shown: number;
}

export const ROWS = 15;
const initial: WaysState = { search: { kind: 'idle' }, found: null, ranking: 'cost', shown: ROWS };

/** The ways to run one part of the open job, found in a worker. */
export const WaysStore = signalStore(
  withState(initial),
  withProps(() => ({ running: { stop: (): void => undefined } })),
  withComputed(({ found, ranking, shown }) => {
    const ranked = computed(() => rankWays(found()?.ways ?? [], ranking()));
    return { ranked, rows: computed(() => ranked().slice(0, shown())) };
  }),
  withMethods((store) => ({
    find(job: Job, works: Works, target: WayTarget): void {
      store.running.stop();
      patchState(store, { search: { kind: 'running', share: 0 }, shown: ROWS });
      const fail = (message: string): void => patchState(store, { search: { kind: 'failed', message }, found: null });
      store.running.stop = askWays(
        { job, works, target },
        (answer) => {
          if (answer.kind === 'progress') patchState(store, { search: { kind: 'running', share: answer.share } });
          else if (answer.outcome.ok) patchState(store, { search: { kind: 'done' }, found: answer.outcome.value });
          else fail(answer.outcome.issues.map(issueText).join(' '));
        },
        () => fail($localize`The search broke off. Change the job or open this view again to search anew.`),
      );
    },
    stop(): void {
      store.running.stop();
      patchState(store, { search: { kind: 'stopped' } });
    },
    rank: (ranking: Ranking) => patchState(store, { ranking, shown: ROWS }),
    more: () => patchState(store, ({ shown }) => ({ shown: shown + ROWS })),
  })),
  withHooks({ onDestroy: ({ running }) => running.stop() }),
);
