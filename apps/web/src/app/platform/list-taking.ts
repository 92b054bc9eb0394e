import { signal } from '@angular/core';
import type { Observable, Subscription } from 'rxjs';
import type { ListWay, Taking } from '../ui/list-outcome';
import { failureOf, refusedLines } from './problem';
import type { ListSent } from './send-list';

/** What is said of a list at its end. */
interface Words<T> {
  readonly taken: (answer: T) => string;
  /** Where it was stopped. */
  readonly stopped: string;
}

/** Takes a list: how far it is, what came of it, or why none of it was taken, told by its lines. */
export class ListTaking<T> implements Taking {
  readonly way = signal<ListWay | undefined>(undefined);
  readonly said = signal('');
  readonly failed = signal('');
  private under: Subscription | undefined;

  constructor(private readonly words: Words<T>) {}

  /** @param listed lines that the entries are of @param then done once it is taken */
  take(sent: Observable<ListSent<T>>, listed: readonly { readonly line: number }[], then: () => void): void {
    this.said.set('');
    this.failed.set('');
    this.way.set({ doing: 'sending', done: 0, of: listed.length });
    this.under = sent.subscribe({
      next: (one) => {
        if ('doing' in one) {
          this.way.set(one);
          return;
        }
        this.way.set(undefined);
        this.said.set(this.words.taken(one.answer));
        then();
      },
      error: (error: unknown) => {
        this.way.set(undefined);
        const { text, problem } = failureOf(error);
        const lines = refusedLines(problem, (at) => listed[at]?.line);
        this.failed.set(lines === '' ? text : $localize`Nothing was taken. ${lines}`);
      },
    });
  }

  stop(): void {
    this.under?.unsubscribe();
    this.way.set(undefined);
    this.said.set(this.words.stopped);
  }
}
