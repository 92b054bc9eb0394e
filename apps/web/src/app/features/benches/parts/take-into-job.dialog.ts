import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { Family, Job, JobPart, Works } from '@druckerei/core';
import type { JobRow, Revision } from '@druckerei/contract';
import { type Observable, catchError, debounceTime, map, of, switchMap } from 'rxjs';
import { Api } from '../../../platform/api';
import { failureOf } from '../../../platform/problem';
import { outlookOf } from '../state/outlook';

/** What a bench found, and which parts of a job can have it. */
export interface TakeIntoData {
  readonly works: Works;
  /** What is taken in, such as `this blank`. */
  readonly what: string;
  /** Only jobs of this family; any where absent. */
  readonly family?: Family;
  readonly parts: (job: Job) => readonly JobPart[];
  readonly take: (job: Job, part: string) => Job;
}

const LISTED = 20;
/** Pause in typing after which is asked. */
const TYPING_MS = 150;

/** Puts what a bench found into a draft: which one, into which part, and what the job comes to then. */
@Component({
  selector: 'dk-take-into-job-dialog',
  imports: [
    MatAutocompleteModule,
    MatButtonModule,
    MatDialogModule,
    MatFormFieldModule,
    MatInputModule,
    MatSelectModule,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Take {{ data.what }} into a job</h2>
    <mat-dialog-content>
      <mat-form-field>
        <mat-label i18n>Draft, by number, title or customer</mat-label>
        <input
          matInput
          #search
          cdkFocusInitial
          [matAutocomplete]="drafts"
          [value]="text()"
          (input)="text.set(search.value)"
        />
        <mat-autocomplete
          #drafts
          autoActiveFirstOption
          [displayWith]="nameOf"
          (optionSelected)="choose($event.option.value)"
        >
          @for (row of rows(); track row.id) {
            <mat-option [value]="row">{{ nameOf(row) }}</mat-option>
          }
        </mat-autocomplete>
      </mat-form-field>
      @if (draft(); as d) {
        @if (parts().length > 0) {
          <mat-form-field>
            <mat-label i18n>Into</mat-label>
            <mat-select [value]="part()" (selectionChange)="chosen.set($event.value)">
              @for (one of parts(); track one.id) {
                <mat-option [value]="one.id">{{ one.name }}</mat-option>
              }
            </mat-select>
          </mat-form-field>
          @if (before(); as b) {
            <p i18n>{{ d.job.number }} now: {{ b.text }}</p>
          }
          @if (after(); as a) {
            <p i18n [class.wrong]="!a.ok" aria-live="polite" data-test="after">With {{ data.what }}: {{ a.text }}</p>
          }
        } @else {
          <p i18n class="wrong" role="alert">
            {{ d.job.number }} has no part that takes {{ data.what }}. Choose another job.
          </p>
        }
      }
      @if (failed(); as message) {
        <p class="wrong" role="alert">{{ message }}</p>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end">
      <button i18n matButton mat-dialog-close>Leave it</button>
      <button i18n matButton="filled" [disabled]="!after()?.ok" (click)="take()">Take it in</button>
    </mat-dialog-actions>
  `,
  styles: `
    mat-dialog-content {
      padding-top: 8px !important;
    }
    mat-form-field {
      width: 100%;
      margin-top: 8px;
    }
    .wrong {
      color: var(--mat-sys-error);
    }
  `,
})
export class TakeIntoJobDialog {
  protected readonly data = inject<TakeIntoData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<TakeIntoJobDialog, number>>(MatDialogRef);
  private readonly api = inject(Api);
  protected readonly text = signal('');
  protected readonly draft = signal<Revision | undefined>(undefined);
  protected readonly chosen = signal<string | undefined>(undefined);
  protected readonly failed = signal('');

  protected readonly rows = toSignal(
    toObservable(this.text).pipe(
      debounceTime(TYPING_MS),
      switchMap((search) => this.find(search)),
    ),
    { initialValue: [] },
  );

  protected readonly parts = computed(() => {
    const draft = this.draft();
    return draft ? this.data.parts(draft.job) : [];
  });
  protected readonly part = computed(() => this.chosen() ?? this.parts()[0]?.id);
  private readonly taken = computed(() => {
    const [draft, part] = [this.draft(), this.part()];
    return draft && part !== undefined ? this.data.take(draft.job, part) : undefined;
  });
  protected readonly before = computed(() => {
    const draft = this.draft();
    return draft && outlookOf(draft.job, this.data.works);
  });
  protected readonly after = computed(() => {
    const taken = this.taken();
    return taken && outlookOf(taken, this.data.works);
  });

  private find(search: string): Observable<readonly JobRow[]> {
    const { family } = this.data;
    return this.api.jobs({ search, status: 'draft', limit: LISTED, ...(family && { family }) }).pipe(
      map(({ rows }) => rows),
      catchError((error: unknown) => {
        this.failed.set(failureOf(error).text);
        return of([]);
      }),
    );
  }

  protected readonly nameOf = (row: JobRow | ''): string => (row === '' ? '' : `${row.number} ${row.title}`);

  protected choose(row: JobRow): void {
    this.draft.set(undefined);
    this.chosen.set(undefined);
    this.failed.set('');
    this.api.job(row.id).subscribe({
      next: (draft) => this.draft.set(draft),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }

  protected take(): void {
    const [draft, job] = [this.draft(), this.taken()];
    if (!draft || !job) return;
    this.api.saveDraft(draft.id, draft.version, job).subscribe({
      next: ({ id }) => this.dialog.close(id),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}
