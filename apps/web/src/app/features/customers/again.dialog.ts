import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { roomState } from '@druckerei/core';
import type { KeptCarrier, PastJob } from '@druckerei/contract';
import { EMPTY, catchError, map } from 'rxjs';
import { Api } from '../../platform/api';
import { offerNumber } from '../../platform/next-number';
import { failureOf } from '../../platform/problem';
import { DateBox } from '../../ui/date-box';
import { count, timeText } from '../../ui/format';
import { WordPipe } from '../../ui/word';
import { NumberValue } from '../../ui/number-value';

/** A job that is ordered again: what is kept of the last time and what happened then, and what differs this time. */
@Component({
  selector: 'dk-again-dialog',
  imports: [
    DateBox,
    MatButtonModule,
    MatDialogModule,
    MatFormFieldModule,
    MatInputModule,
    NumberValue,
    ReactiveFormsModule,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Order {{ past.number }} again</h2>
    <form [formGroup]="form" (ngSubmit)="send()">
      <mat-dialog-content>
        <section i18n-aria-label aria-label="The last time">
          <p>
            <ng-container i18n
              >Taken over from revision {{ past.revision
              }}{{
                past.released === past.revision ? (', released' | word) : (', never released as it stands' | word)
              }}.
            </ng-container>
            @if (past.counted !== null) {
              <ng-container i18n>
                Counted then: {{ count(past.counted) }} good of {{ count(past.quantity) }}.
              </ng-container>
            }
          </p>
          @for (carrier of carriers(); track carrier.key) {
            <p i18n>Kept: {{ carrier.name }}{{ carrier.place ? (', at ' | word) + carrier.place : '' }}</p>
          } @empty {
            <p i18n class="quiet">Nothing is kept for it: carriers are made anew.</p>
          }
          @for (line of remarks(); track $index) {
            <p class="quiet">{{ line }}</p>
          }
        </section>
        <mat-form-field>
          <mat-label i18n>Number</mat-label>
          <input matInput formControlName="number" cdkFocusInitial maxlength="40" />
        </mat-form-field>
        <mat-form-field>
          <mat-label i18n>Quantity</mat-label>
          <input matInput dkNumber formControlName="quantity" />
        </mat-form-field>
        <dk-date
          i18n-label
          label="Due"
          [value]="form.controls.due.value"
          (picked)="form.controls.due.setValue($event)"
        />
        <mat-form-field>
          <mat-label i18n>Title</mat-label><input matInput formControlName="title" maxlength="120" />
        </mat-form-field>
        @if (failed(); as message) {
          <p role="alert">{{ message }}</p>
        }
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button i18n matButton type="button" mat-dialog-close>Leave it</button>
        <button i18n matButton="filled" type="submit">Make the job</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    mat-dialog-content {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 10px 16px;
    }
    section,
    mat-dialog-content > p {
      grid-column: 1 / -1;
      margin: 0;
    }
    section p {
      margin: 2px 0;
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
  `,
})
export class AgainDialog {
  protected readonly past = inject<PastJob>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<AgainDialog, number>>(MatDialogRef);
  private readonly api = inject(Api);
  protected readonly count = count;
  protected readonly failed = signal('');
  protected readonly carriers = signal<readonly KeptCarrier[]>([]);
  /** What people wrote when they counted. */
  protected readonly remarks = signal<readonly string[]>([]);
  protected readonly form = inject(FormBuilder).nonNullable.group({
    number: ['', Validators.required],
    quantity: [this.past.quantity, [Validators.required, Validators.min(1), Validators.max(1e9)]],
    due: '',
    title: [this.past.title, Validators.required],
  });

  constructor() {
    offerNumber(this.form.controls.number);
    this.api
      .keptCarriers()
      .pipe(
        map((all) => all.filter(({ jobId }) => jobId === this.past.id)),
        catchError(() => EMPTY),
      )
      .subscribe((kept) => this.carriers.set(kept));
    this.api
      .room(this.past.id)
      .pipe(catchError(() => EMPTY))
      .subscribe(({ records }) => {
        const counts = [...roomState(records).counts];
        this.remarks.set(
          counts.map(
            ([step, { good, record }]) =>
              $localize`${step}\: ${count(good)} good, ${record.by}, ${timeText(record.at)}`,
          ),
        );
      });
  }

  protected send(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const { due, ...told } = this.form.getRawValue();
    this.api.copyJob(this.past.id, { ...told, due: due === '' ? null : due }).subscribe({
      next: ({ id }) => this.dialog.close(id),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}
