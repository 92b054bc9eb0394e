import { Injectable, effect, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { LiveMessage, Topic } from '@druckerei/contract';
import { Store } from '@ngrx/store';
import { type Observable, Subject, filter, throttleTime } from 'rxjs';
import { LiveLine } from './live-line';
import { sessionFeature } from './session.state';
import { Tab } from './tab';

/** Milliseconds in which a burst of changes is told once more at most: the first of them at once. */
const BURST_MS = 1_000;

/** What others change while somebody is signed in: other people, and other tabs. */
@Injectable({ providedIn: 'root' })
export class Live {
  private readonly tab = inject(Tab);
  private readonly heard = new Subject<LiveMessage>();

  constructor() {
    const account = inject(Store).selectSignal(sessionFeature.selectAccount);
    effect((onCleanup) => {
      if (account() === undefined) return;
      const line = new LiveLine((message) => this.hear(message));
      onCleanup(() => line.close());
    });
  }

  private hear(message: LiveMessage): void {
    // What this tab has changed it knows.
    if (message.tab !== this.tab.id) this.heard.next(message);
  }

  /** @param job whose changes are asked for; those of every job where none is told. */
  on(topics: readonly Topic[], job?: () => number | undefined): Observable<LiveMessage> {
    return this.heard.pipe(
      filter(
        (message) =>
          message.topic === 'all' ||
          (topics.includes(message.topic) && (job === undefined || message.job === undefined || message.job === job())),
      ),
      throttleTime(BURST_MS, undefined, { leading: true, trailing: true }),
    );
  }
}

/** Has something done whenever others change something, until whoever asks is gone. To be called where one may inject. */
export function whenChanged(
  topics: readonly Topic[],
  look: (message: LiveMessage) => void,
  job?: () => number | undefined,
): void {
  inject(Live).on(topics, job).pipe(takeUntilDestroyed()).subscribe(look);
}

/** Who has changed it, as a sentence begins. */
export const changerOf = ({ by }: Pick<LiveMessage, 'by'>): string => (by === '' ? $localize`Somebody` : by);
