import { Injectable, inject } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { filter, map, switchMap } from 'rxjs';
import type { Job } from '@druckerei/core';
import { Api } from '../../../platform/api';
import { NoticeActions } from '../../../platform/notices';
import { failureOf } from '../../../platform/problem';
import { type MakeJobData, MakeJobDialog } from '../parts/make-job.dialog';
import { type TakeIntoData, TakeIntoJobDialog } from '../parts/take-into-job.dialog';

/** Makes a job of what a bench holds, or takes it into one, and opens it. */
@Injectable({ providedIn: 'root' })
export class MakeJob {
  private readonly api = inject(Api);
  private readonly dialog = inject(MatDialog);
  private readonly router = inject(Router);
  private readonly store = inject(Store);

  start(data: Omit<MakeJobData, 'works'>): void {
    this.api
      .works()
      .pipe(
        switchMap((works) =>
          this.dialog
            .open<MakeJobDialog, MakeJobData, Job>(MakeJobDialog, { data: { ...data, works }, width: '620px' })
            .afterClosed(),
        ),
        filter((job) => job !== undefined),
        switchMap((job) => this.api.createJob(job)),
        map(({ id }) => id),
      )
      .subscribe(this.opening);
  }

  takeInto(data: Omit<TakeIntoData, 'works'>): void {
    this.api
      .works()
      .pipe(
        switchMap((works) =>
          this.dialog
            .open<TakeIntoJobDialog, TakeIntoData, number>(TakeIntoJobDialog, {
              data: { ...data, works },
              width: '560px',
            })
            .afterClosed(),
        ),
        filter((id) => id !== undefined),
      )
      .subscribe(this.opening);
  }

  /** Opens the job of the id that comes, or says why there is none. */
  private readonly opening = {
    next: (id: number) => void this.router.navigate(['/jobs', id]),
    error: (error: unknown) => this.store.dispatch(NoticeActions.say({ text: failureOf(error).text })),
  };
}
