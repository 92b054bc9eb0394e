import {
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  type OnDestroy,
  computed,
  inject,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatDialog } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSortModule, type Sort } from '@angular/material/sort';
import { MatTableModule } from '@angular/material/table';
import { MatTooltipModule } from '@angular/material/tooltip';
import { Router, RouterLink } from '@angular/router';
import type { JobRow, Revision } from '@druckerei/contract';
import { JOB_COLUMNS } from '@druckerei/contract/plain';
import { Store } from '@ngrx/store';
import type { Observable } from 'rxjs';
import { Commands } from '../../platform/commands';
import { sessionFeature } from '../../platform/session.state';
import { count, dateText, timeText } from '../../ui/format';
import { StatusMark } from '../../ui/status-mark';
import type { CopyJobDialog } from './copy-job.dialog';
import { JobsStore } from './jobs.store';
import type { NewJobDialog } from './new-job.dialog';

@Component({
  selector: 'dk-jobs-page',
  imports: [
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatProgressBarModule,
    MatSortModule,
    MatTableModule,
    MatTooltipModule,
    RouterLink,
    StatusMark,
  ],
  providers: [JobsStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './jobs.page.html',
  styleUrl: './jobs.page.scss',
})
export class JobsPage implements OnDestroy {
  protected readonly jobs = inject(JobsStore);
  private readonly dialog = inject(MatDialog);
  private readonly router = inject(Router);
  protected readonly mayEdit = inject(Store).selectSignal(sessionFeature.selectMayEdit);
  protected readonly columns = computed(() => [
    'number',
    'title',
    'customer',
    'quantity',
    'due',
    'status',
    'changedAt',
    ...(this.mayEdit() ? ['copy'] : []),
  ]);
  protected readonly format = { count, dateText, timeText };
  private readonly searchField = viewChild<ElementRef<HTMLInputElement>>('search');
  private readonly takeBack = inject(Commands).offerPage([
    { id: 'search', name: 'Search jobs', key: '/', run: () => this.searchField()?.nativeElement.focus() },
    { id: 'new', name: 'New job', key: 'n', run: () => void this.newJob() },
  ]);

  constructor() {
    this.jobs.load();
  }

  protected sortBy({ active, direction }: Sort): void {
    this.jobs.sortBy(
      JOB_COLUMNS.find((column) => column === active),
      direction || undefined,
    );
  }

  ngOnDestroy(): void {
    this.takeBack();
  }

  protected async newJob(): Promise<void> {
    if (!this.mayEdit()) return;
    const { NewJobDialog: Dialog } = await import('./new-job.dialog');
    this.open(
      this.dialog
        .open<NewJobDialog, JobsPage['jobs'], Revision>(Dialog, { data: this.jobs, width: '640px' })
        .afterClosed(),
    );
  }

  protected async copy(row: JobRow): Promise<void> {
    const { CopyJobDialog: Dialog } = await import('./copy-job.dialog');
    this.open(
      this.dialog
        .open<CopyJobDialog, unknown, Revision>(Dialog, { data: { row, jobs: this.jobs }, width: '460px' })
        .afterClosed(),
    );
  }

  private open(made: Observable<Revision | undefined>): void {
    made.subscribe((revision) => {
      if (revision) void this.router.navigate(['/jobs', revision.id]);
    });
  }
}
