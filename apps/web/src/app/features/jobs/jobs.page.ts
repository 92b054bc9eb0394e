import {
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  type OnDestroy,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
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
import { selectMay } from '../../platform/session.state';
import { count, dateText, timeText } from '../../ui/format';
import { kept } from '../../ui/kept';
import { ProductPicture } from '../../ui/product-picture';
import { StatusMark } from '../../ui/status-mark';
import type { CopyJobDialog } from './copy-job.dialog';
import { JobsSeveral } from './jobs-several';
import { JobsSift } from './jobs-sift';
import { JobsStore } from './jobs.store';
import type { NewJobDialog, NewJobFrom } from './new-job.dialog';
import { WordPipe } from '../../ui/word';

/** Columns that may be put away; number and title stay. */
const CHOOSABLE = ['customer', 'quantity', 'due', 'status', 'changedAt'] as const;

@Component({
  selector: 'dk-jobs-page',
  imports: [
    JobsSeveral,
    JobsSift,
    MatButtonModule,
    MatCheckboxModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatProgressBarModule,
    MatSortModule,
    MatTableModule,
    MatTooltipModule,
    ProductPicture,
    RouterLink,
    StatusMark,
    WordPipe,
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
  protected readonly mayEdit = inject(Store).selectSignal(selectMay('plan'));
  private readonly hidden = kept<{ readonly columns: readonly string[] }>('jobs-hidden', { columns: [] });
  protected readonly shown = computed(() => CHOOSABLE.filter((column) => !this.hidden().columns.includes(column)));
  protected readonly columns = computed(() => [
    'tick',
    'picture',
    'number',
    'title',
    ...this.shown(),
    ...(this.mayEdit() ? ['copy'] : []),
  ]);
  protected readonly format = { count, dateText, timeText };
  private readonly searchField = viewChild<ElementRef<HTMLInputElement>>('search');
  private readonly takeBack = inject(Commands).offerPage([
    { id: 'search', name: $localize`Search jobs`, key: '/', run: () => this.searchField()?.nativeElement.focus() },
    { id: 'new', name: $localize`New job`, key: 'n', run: () => void this.newJob() },
  ]);

  private readonly ids = signal<ReadonlySet<number>>(new Set());
  /** Rows in sight that are ticked. */
  protected readonly ticked = computed(() => this.jobs.rows().filter(({ id }) => this.ids().has(id)));
  protected readonly allTicked = computed(
    () => this.ticked().length > 0 && this.ticked().length === this.jobs.rows().length,
  );
  protected isTicked(id: number): boolean {
    return this.ids().has(id);
  }
  protected tick(id: number, yes: boolean): void {
    this.ids.update((ids) => (yes ? new Set([...ids, id]) : new Set([...ids].filter((one) => one !== id))));
  }
  protected tickAll(yes: boolean): void {
    this.ids.set(yes ? new Set(this.jobs.rows().map(({ id }) => id)) : new Set());
  }
  protected tickNone(): void {
    this.tickAll(false);
  }

  /** An order in words that a job is to begin from. */
  readonly order = input<string>();

  constructor() {
    this.jobs.load();
    effect(() => {
      const order = this.order();
      if (order) untracked(() => void this.newJob(order));
    });
  }

  protected toggleColumn(column: string): void {
    this.hidden.update(({ columns }) => ({
      columns: columns.includes(column) ? columns.filter((one) => one !== column) : [...columns, column],
    }));
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

  /** @param line the order that it begins from, in words. */
  protected async newJob(line = ''): Promise<void> {
    if (!this.mayEdit()) return;
    const { NewJobDialog: Dialog } = await import('./new-job.dialog');
    this.open(
      this.dialog
        .open<NewJobDialog, NewJobFrom, Revision>(Dialog, {
          data: { jobs: this.jobs, line },
          width: '880px',
          maxWidth: '96vw',
        })
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
