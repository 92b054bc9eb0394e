import { signal } from '@angular/core';
import type { Observable } from 'rxjs';
import { failureOf } from './problem';

/** What a page asked the server for: the last answer stands while it asks again, and when it fails. */
export class Asked<Answer extends object> {
  readonly answer = signal<Answer | undefined>(undefined);
  /** It is under way, or the server has more to read. */
  readonly busy = signal(false);
  readonly failed = signal('');

  /** @param taken what else to do with the answer. */
  ask(call: Observable<Answer>, taken: (answer: Answer) => void = () => undefined): void {
    this.busy.set(true);
    call.subscribe({
      next: (answer) => {
        this.answer.set(answer);
        this.busy.set('waiting' in answer && answer.waiting !== 0);
        this.failed.set('');
        taken(answer);
      },
      error: (error: unknown) => {
        this.busy.set(false);
        this.failed.set(failureOf(error).text);
      },
    });
  }
}
