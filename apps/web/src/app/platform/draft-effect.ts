import { computed, signal } from '@angular/core';
import type { NormEffect } from '@druckerei/contract';
import { type Observable, type Subscription, EMPTY, expand } from 'rxjs';
import { count } from '../ui/format';
import { failureOf } from './problem';

/** What a change of the works would do to the drafts in hand: planned some at a time, watched and stopped. */
export class DraftEffect {
  private looking: Subscription | undefined;
  /** How far it is; undefined while it does not look. */
  readonly look = signal<{ readonly done: number; readonly total: number } | undefined>(undefined);
  /** Jobs that would come to something else, of those looked at; undefined before it is asked. */
  readonly jobs = signal<NormEffect['changed'] | undefined>(undefined);
  readonly failed = signal('');
  /** Share of the drafts looked at, in words. */
  readonly progress = computed(() => {
    const look = this.look();
    return look ? $localize`${count(look.done)} of ${look.total === 0 ? '…' : count(look.total)} drafts planned` : '';
  });

  /** @param ask the next drafts behind those looked at. @param done called when all are looked at. */
  start(ask: (skip: number) => Observable<NormEffect>, done: () => void = () => undefined): void {
    this.stop();
    this.jobs.set([]);
    this.failed.set('');
    this.look.set({ done: 0, total: 0 });
    let seen = 0;
    this.looking = ask(0)
      .pipe(
        expand(({ total, planned }) => {
          seen += planned;
          return planned > 0 && seen < total ? ask(seen) : EMPTY;
        }),
      )
      .subscribe({
        next: ({ total, planned, changed }) => {
          this.look.set({ done: seen + planned, total });
          this.jobs.update((all = []) => [...all, ...changed]);
        },
        error: (error: unknown) => {
          this.look.set(undefined);
          this.failed.set(failureOf(error).text);
        },
        complete: () => {
          this.look.set(undefined);
          done();
        },
      });
  }

  stop(): void {
    this.looking?.unsubscribe();
    this.look.set(undefined);
  }

  forget(): void {
    this.stop();
    this.jobs.set(undefined);
    this.failed.set('');
  }
}
