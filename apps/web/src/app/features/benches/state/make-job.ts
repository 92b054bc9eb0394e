import { Injectable, inject } from '@angular/core';
import { MatDialog } from '@angular/material/dialog';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { filter, switchMap } from 'rxjs';
import type { Job } from '@druckerei/core';
import { Api } from '../../../platform/api';
import { NoticeActions } from '../../../platform/notices';
import { failureOf } from '../../../platform/problem';
import { type MakeJobData, MakeJobDialog } from '../ui/make-job.dialog';

/** Makes a job of what a bench holds, and opens it. */
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
      )
      .subscribe({
        next: ({ id }) => void this.router.navigate(['/jobs', id]),
        error: (error: unknown) => this.store.dispatch(NoticeActions.say({ text: failureOf(error).text })),
      });
  }
}
