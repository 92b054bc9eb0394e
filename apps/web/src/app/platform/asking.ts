import { computed, signal } from '@angular/core';
import type { Observable } from 'rxjs';
import { type Failure, failureOf } from './problem';

/** Asks the server, and keeps why it could not be done until something else is asked. */
export class Asking {
  private readonly failure = signal<Failure | undefined>(undefined);
  readonly failed = computed(() => this.failure()?.text ?? '');
  /** What is wrong with one field of what was sent. */
  readonly failedAt = (path: string): string =>
    this.failure()?.problem?.errors?.find((one) => one.path === path)?.message ?? '';

  ask<T>(call: Observable<T>, taken: (answer: T) => void): void {
    this.failure.set(undefined);
    call.subscribe({ next: taken, error: (error: unknown) => this.failure.set(failureOf(error)) });
  }
}
