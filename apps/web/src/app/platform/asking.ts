import { signal } from '@angular/core';
import type { Observable } from 'rxjs';
import { failureOf } from './problem';

/** Asks the server, and keeps why it could not be done until something else is asked. */
export class Asking {
  readonly failed = signal('');

  ask<T>(call: Observable<T>, taken: (answer: T) => void): void {
    this.failed.set('');
    call.subscribe({ next: taken, error: (error: unknown) => this.failed.set(failureOf(error).text) });
  }
}
