import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { CustomerOrder, KeptCustomer, KeptOrder, PastJob } from '@druckerei/contract';
import { Api } from '../../platform/api';
import { failureOf } from '../../platform/problem';
import { DateBox } from '../../ui/date-box';
import { WordPipe } from '../../ui/word';

export interface OrderData {
  readonly customer: KeptCustomer;
  /** None where it is a new one. */
  readonly order: KeptOrder | undefined;
  /** Jobs that may be of it. */
  readonly jobs: readonly PastJob[];
}

/** What a customer asked for at once: its number, when, where to, and the jobs that it holds. */
@Component({
  selector: 'dk-order-dialog',
  imports: [
    DateBox,
    MatButtonModule,
    MatDialogModule,
    MatFormFieldModule,
    MatInputModule,
    MatSelectModule,
    ReactiveFormsModule,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 mat-dialog-title>{{ data.order ? ('Order ' | word) + data.order.order.number : ('An order' | word) }}</h2>
    <form [formGroup]="form" (ngSubmit)="send()">
      <mat-dialog-content>
        <mat-form-field>
          <mat-label i18n>Number of the order</mat-label>
          <input matInput formControlName="number" cdkFocusInitial maxlength="40" />
        </mat-form-field>
        <mat-form-field>
          <mat-label i18n>Their own number for it</mat-label>
          <input matInput formControlName="reference" maxlength="60" />
        </mat-form-field>
        <dk-date
          i18n-label
          label="Due"
          [value]="form.controls.due.value"
          (picked)="form.controls.due.setValue($event)"
        />
        <mat-form-field>
          <mat-label i18n>Delivered to</mat-label>
          <mat-select formControlName="place">
            <mat-option i18n value="">not told</mat-option>
            @for (one of data.customer.customer.places ?? []; track one.name) {
              <mat-option [value]="one.name">{{ one.name }}</mat-option>
            }
          </mat-select>
        </mat-form-field>
        <mat-form-field class="wide">
          <mat-label i18n>Jobs that it holds</mat-label>
          <mat-select formControlName="jobs" multiple>
            @for (job of data.jobs; track job.id) {
              <mat-option [value]="job.id">{{ job.number }} {{ job.title }}</mat-option>
            }
          </mat-select>
          <mat-hint i18n>Jobs of theirs that are of no other order.</mat-hint>
        </mat-form-field>
        <mat-form-field class="wide">
          <mat-label i18n>Note</mat-label>
          <textarea matInput formControlName="note" rows="2" maxlength="2000"></textarea>
        </mat-form-field>
        @if (failed(); as message) {
          <p role="alert">{{ message }}</p>
        }
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button i18n matButton type="button" mat-dialog-close>Leave it</button>
        <button matButton="filled" type="submit">{{ data.order ? ('Change it' | word) : ('Enter it' | word) }}</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    mat-dialog-content {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 10px 16px;
      padding-top: 6px;
    }
    .wide,
    p {
      grid-column: 1 / -1;
      margin: 0;
    }
    [role='alert'] {
      color: var(--mat-sys-error);
    }
  `,
})
export class OrderDialog {
  protected readonly data = inject<OrderData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<OrderDialog, boolean>>(MatDialogRef);
  private readonly api = inject(Api);
  protected readonly failed = signal('');
  private readonly stands = this.data.order?.order;
  protected readonly form = inject(FormBuilder).nonNullable.group({
    number: [this.stands?.number ?? '', Validators.required],
    reference: this.stands?.reference ?? '',
    due: this.stands?.due ?? '',
    place: this.stands?.place ?? '',
    note: this.stands?.note ?? '',
    jobs: [[...(this.stands?.jobs ?? [])]],
  });

  protected send(): void {
    this.form.markAllAsTouched();
    if (this.form.invalid) return;
    const { number, jobs, ...others } = this.form.getRawValue();
    const told = Object.fromEntries(Object.entries(others).filter(([, value]) => value !== ''));
    const order: CustomerOrder = { number, jobs, ...told };
    const { customer, order: before } = this.data;
    const call = before
      ? this.api.changeOrder(before.id, before.version, order)
      : this.api.addOrder(customer.id, order);
    call.subscribe({
      next: () => this.dialog.close(true),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}
