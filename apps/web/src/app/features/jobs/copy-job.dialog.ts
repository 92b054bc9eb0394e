import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import type { JobRow, Revision } from '@druckerei/contract';
import { offerNumber } from '../../platform/next-number';
import { failureOf } from '../../platform/problem';
import { DateBox } from '../../ui/date-box';
import { count } from '../../ui/format';
import type { JobsStore } from './jobs.store';
import { NumberValue } from '../../ui/number-value';

/** A job begun as another is: asks what differs, which usually is the number, how many, and when they are due. */
@Component({
  selector: 'dk-copy-job-dialog',
  imports: [
    DateBox,
    MatButtonModule,
    MatDialogModule,
    MatFormFieldModule,
    MatInputModule,
    NumberValue,
    ReactiveFormsModule,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Copy {{ row.number }} to a new job</h2>
    <form [formGroup]="form" (ngSubmit)="copy()">
      <mat-dialog-content>
        <p i18n class="quiet">Route, presses, inks and layouts are taken over. What changes?</p>
        <mat-form-field>
          <mat-label i18n>Number</mat-label>
          <input matInput formControlName="number" cdkFocusInitial maxlength="40" />
        </mat-form-field>
        <mat-form-field>
          <mat-label i18n>Quantity</mat-label>
          <input matInput dkNumber formControlName="quantity" />
          <mat-hint i18n>{{ row.number }} is of {{ pieces }}</mat-hint>
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
        <mat-form-field class="customer">
          <mat-label i18n>Customer</mat-label><input matInput formControlName="customer" maxlength="120" />
        </mat-form-field>
        @if (failed(); as message) {
          <p role="alert">{{ message }}</p>
        }
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button i18n matButton type="button" mat-dialog-close>Leave it</button>
        <button i18n matButton="filled" type="submit">Copy</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    mat-dialog-content {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 10px 16px;
    }
    p,
    .customer {
      grid-column: 1 / -1;
    }
    p {
      margin: 0;
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
  `,
})
export class CopyJobDialog {
  private readonly data = inject<{ row: JobRow; jobs: InstanceType<typeof JobsStore> }>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<CopyJobDialog, Revision>>(MatDialogRef);
  protected readonly row = this.data.row;
  protected readonly pieces = count(this.row.quantity);
  protected readonly failed = signal<string | undefined>(undefined);
  protected readonly form = inject(FormBuilder).nonNullable.group({
    number: ['', Validators.required],
    quantity: [this.row.quantity, [Validators.required, Validators.min(1), Validators.max(1e9)]],
    // A copy is due on another day, which nobody knows yet.
    due: '',
    title: [this.row.title, Validators.required],
    customer: this.row.customer,
  });

  constructor() {
    offerNumber(this.form.controls.number);
  }

  protected copy(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const { due, ...told } = this.form.getRawValue();
    this.data.jobs.copy(this.row.id, { ...told, due: due === '' ? null : due }).subscribe({
      next: (revision) => this.dialog.close(revision),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}
