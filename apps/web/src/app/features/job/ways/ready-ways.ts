import { HttpClient } from '@angular/common/http';
import { Injectable, type OnDestroy, inject, signal } from '@angular/core';
import type { Job } from '@druckerei/core';
import type { FloorPromise } from '@druckerei/contract';
import { type Observable, Subscription, catchError, concatMap, from, map, of } from 'rxjs';

/** A job as a way would run it. */
export interface WayJob {
  readonly way: string;
  readonly job: Job;
}

/** When a job would be ready in each of its ways; the floor is asked of one after another. */
@Injectable()
export class ReadyWays implements OnDestroy {
  private readonly http = inject(HttpClient);
  private asking = Subscription.EMPTY;
  /** By way; null where the floor cannot tell. */
  readonly told = signal<ReadonlyMap<string, FloorPromise | null>>(new Map());

  /** Asks of those that are not told yet; what was asked before and is not answered is let go. */
  ask(id: number, jobs: readonly WayJob[]): void {
    this.asking.unsubscribe();
    const told = this.told();
    this.asking = from(jobs.filter(({ way }) => !told.has(way)))
      .pipe(concatMap(({ way, job }) => this.promise(id, job).pipe(map((promise) => ({ way, promise })))))
      .subscribe(({ way, promise }) => {
        this.told.update((before) => new Map([...before, [way, promise]]));
      });
  }

  private promise(id: number, job: Job): Observable<FloorPromise | null> {
    return this.http.post<FloorPromise>(`/api/jobs/${id}/promise`, job).pipe(catchError(() => of(null)));
  }

  /** The job has changed. */
  forget(): void {
    this.asking.unsubscribe();
    this.told.set(new Map());
  }

  ngOnDestroy(): void {
    this.asking.unsubscribe();
  }
}
