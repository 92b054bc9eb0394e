import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { Offer } from '@druckerei/contract';
import { Api } from '../../platform/api';
import { offerNumber } from '../../platform/next-number';
import { failureOf } from '../../platform/problem';
import { DateBox } from '../../ui/date-box';
import { count, money } from '../../ui/format';

/** An offer that was taken: which quantity, and the number and day of the job that comes of it. */
@Component({
  selector: 'dk-take-dialog',
  imports: [
    DateBox,
    MatButtonModule,
    MatDialogModule,
    MatFormFieldModule,
    MatInputModule,
    MatSelectModule,
    ReactiveFormsModule,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>{{ offer.number }} was taken</h2>
    <form [formGroup]="form" (ngSubmit)="send()">
      <mat-dialog-content>
        <mat-form-field>
          <mat-label i18n>Quantity</mat-label>
          <mat-select formControlName="line">
            @for (line of offer.lines; track line.quantity; let i = $index) {
              <mat-option i18n [value]="i"
                >{{ count(line.quantity) }} at {{ money(line.price) }} {{ offer.currency }}</mat-option
              >
            }
          </mat-select>
        </mat-form-field>
        <mat-form-field>
          <mat-label i18n>Number of the job</mat-label>
          <input matInput formControlName="number" cdkFocusInitial maxlength="40" />
        </mat-form-field>
        <dk-date
          i18n-label
          label="Due"
          [value]="form.controls.due.value"
          (picked)="form.controls.due.setValue($event)"
        />
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
      gap: 10px;
      padding-top: 6px;
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
  `,
})
export class TakeDialog {
  protected readonly offer = inject<Offer>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<TakeDialog, number>>(MatDialogRef);
  private readonly api = inject(Api);
  protected readonly count = count;
  protected readonly money = money;
  protected readonly failed = signal('');
  protected readonly form = inject(FormBuilder).nonNullable.group({
    line: 0,
    number: ['', Validators.required],
    due: '',
  });

  constructor() {
    offerNumber(this.form.controls.number);
  }

  protected send(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const { line, number, due } = this.form.getRawValue();
    this.api
      .takeOffer(this.offer.id, { version: this.offer.version, line, number, ...(due === '' ? {} : { due }) })
      .subscribe({
        next: ({ job }) => this.dialog.close(job ?? undefined),
        error: (error: unknown) => this.failed.set(failureOf(error).text),
      });
  }
}
