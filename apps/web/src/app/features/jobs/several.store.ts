import { Injectable, inject, signal } from '@angular/core';
import type { JobRow } from '@druckerei/contract';
import { type Observable, Subscription, catchError, concatMap, from, map, of, switchMap } from 'rxjs';
import { Api } from '../../platform/api';
import { failureOf } from '../../platform/problem';

/** What became of one of several jobs: done, or why not. */
export interface Done {
  readonly row: JobRow;
  readonly ok: boolean;
  readonly text: string;
}

/** Does the same to several jobs, one after another, so that one that is refused holds up none. */
@Injectable()
export class SeveralStore {
  private readonly api = inject(Api);
  private running = Subscription.EMPTY;
  /** What is under way, in words; nothing where nothing is. */
  readonly doing = signal('');
  readonly of = signal(0);
  readonly done = signal<readonly Done[]>([]);

  release(rows: readonly JobRow[], then: () => void): void {
    const release = (row: JobRow): Observable<string> =>
      this.api.job(row.id).pipe(
        switchMap((seen) => this.api.release(seen)),
        map(({ revision }) => $localize`revision ${revision} is released`),
      );
    this.each($localize`Releasing`, rows, release, then);
  }

  copy(rows: readonly JobRow[], then: () => void): void {
    const copy = (row: JobRow): Observable<string> =>
      this.api.nextNumber().pipe(
        switchMap((number) => this.api.copyJob(row.id, { number, title: row.title, due: null })),
        map(({ job }) => $localize`copied to ${job.number}`),
      );
    this.each($localize`Copying`, rows, copy, then);
  }

  /** Begins no further job; what is done stays done. */
  stop(): void {
    this.running.unsubscribe();
    this.doing.set('');
  }

  clear(): void {
    this.done.set([]);
  }

  private each(
    words: string,
    rows: readonly JobRow[],
    act: (row: JobRow) => Observable<string>,
    then: () => void,
  ): void {
    this.stop();
    this.done.set([]);
    this.of.set(rows.length);
    this.doing.set(words);
    this.running = from(rows)
      .pipe(
        concatMap((row) =>
          act(row).pipe(
            map((text): Done => ({ row, ok: true, text })),
            catchError((error: unknown) => of<Done>({ row, ok: false, text: failureOf(error).text })),
          ),
        ),
      )
      .subscribe({
        next: (one) => this.done.update((all) => [...all, one]),
        complete: () => {
          this.doing.set('');
          then();
        },
      });
  }
}
