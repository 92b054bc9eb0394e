import { signal } from '@angular/core';
import type { Topic } from '@druckerei/contract';
import type { Observable } from 'rxjs';
import { changerOf, whenChanged } from './live';
import { failureOf } from './problem';

/** Something that is written while somebody else may write it too: what a dialog says when it is not taken. */
export class Contested {
  /** Why it was not taken. */
  readonly failed = signal('');
  /** Why it was not taken where somebody else was faster: what stands is shown beside what was typed. */
  readonly changed = signal('');

  /** @param refresh looks at what stands. */
  constructor(private readonly refresh: () => Observable<void>) {}

  refuse(why: string): void {
    this.changed.set('');
    this.failed.set(why);
  }

  /** Sends it; sent once more after somebody was faster, it is known to be written over what stands. */
  send(call: Observable<void>, taken: () => void): void {
    this.refuse('');
    call.subscribe({
      next: taken,
      error: (error: unknown) => {
        const { status, text } = failureOf(error);
        if (status === 409) this.look(text);
        else this.failed.set(text);
      },
    });
  }

  /**
   * Looks at what stands whenever somebody else changes it; what is typed stays, and is told where what it was made of is no more. To
   * be called where one may inject. @param stands what stands of it, in letters. @param kept whether something is typed.
   */
  follow(topics: readonly Topic[], stands: () => string, kept: () => boolean): void {
    whenChanged(topics, (message) => {
      const before = stands();
      this.refresh().subscribe({
        next: () => {
          if (kept() && stands() !== before)
            this.changed.set($localize`${changerOf(message)} has changed this meanwhile`);
        },
        // What cannot be looked at now is looked at when it is sent.
        error: () => undefined,
      });
    });
  }

  private look(why: string): void {
    this.refresh().subscribe({
      next: () => this.changed.set(why),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}
