import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { type Job, type SheetSize, type Works, isPlatelessPress, webOf, inUse } from '@druckerei/core';
import { outlookOf } from '../state/outlook';
import { NumberValue } from '../../../ui/number-value';

/** What a bench does not know of a job: who wants it, and where and on what it is printed. */
export interface JobAnswers {
  readonly number: string;
  readonly title: string;
  readonly customer: string;
  readonly quantity: number;
  readonly stock: string;
  readonly press: string;
  readonly sheet: SheetSize;
}

export interface MakeJobData {
  readonly works: Works;
  /** Whether a quantity is asked for: items bring their own. */
  readonly asksQuantity: boolean;
  readonly make: (answers: JobAnswers, works: Works) => Job;
}

/** Makes a job of what a bench has found; planned while the questions are answered, so that it is sound when made. */
@Component({
  selector: 'dk-make-job-dialog',
  imports: [
    NumberValue,
    ReactiveFormsModule,
    MatButtonModule,
    MatDialogModule,
    MatFormFieldModule,
    MatInputModule,
    MatSelectModule,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 i18n mat-dialog-title>Make a job of it</h2>
    <form [formGroup]="form" (ngSubmit)="create()">
      <mat-dialog-content>
        <div class="fields">
          <mat-form-field>
            <mat-label i18n>Number</mat-label><input matInput formControlName="number" cdkFocusInitial />
            <mat-error i18n>A job has a number, at most 40 characters</mat-error>
          </mat-form-field>
          <mat-form-field>
            <mat-label i18n>Title</mat-label><input matInput formControlName="title" />
            <mat-error i18n>A job has a title, at most 120 characters</mat-error>
          </mat-form-field>
          <mat-form-field
            ><mat-label i18n>Customer</mat-label><input matInput formControlName="customer"
          /></mat-form-field>
          @if (data.asksQuantity) {
            <mat-form-field>
              <mat-label i18n>Quantity</mat-label><input matInput dkNumber formControlName="quantity" />
              <mat-error i18n>From 1 to 1,000,000,000</mat-error>
            </mat-form-field>
          }
          <mat-form-field>
            <mat-label i18n>Stock</mat-label>
            <mat-select formControlName="stock">
              @for (stock of stocks; track stock.id) {
                <mat-option [value]="stock.id">{{ stock.name }}</mat-option>
              }
            </mat-select>
          </mat-form-field>
          <mat-form-field>
            <mat-label i18n>Press</mat-label>
            <mat-select formControlName="press">
              @for (press of presses; track press.id) {
                <mat-option [value]="press.id">{{ press.name }}</mat-option>
              }
            </mat-select>
          </mat-form-field>
        </div>
        <p [class.wrong]="!outlook().ok" aria-live="polite">{{ outlook().text }}</p>
      </mat-dialog-content>
      <mat-dialog-actions align="end">
        <button i18n matButton type="button" mat-dialog-close>Leave it</button>
        <button i18n matButton="filled" type="submit">Create job</button>
      </mat-dialog-actions>
    </form>
  `,
  styles: `
    .fields {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 12px;
      margin-top: 8px;
    }
    p {
      min-height: 20px;
      margin: 16px 0 0;
    }
    .wrong {
      color: var(--mat-sys-error);
    }
  `,
})
export class MakeJobDialog {
  protected readonly data = inject<MakeJobData>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<MakeJobDialog, Job>>(MatDialogRef);
  private readonly fb = inject(FormBuilder).nonNullable;
  protected readonly stocks = inUse(this.data.works.stocks).filter(({ sheets }) => sheets.length > 0);
  protected readonly presses = inUse(this.data.works.machines).filter(
    (machine) => machine.press && !webOf(machine) && !isPlatelessPress(this.data.works, machine.id),
  );
  protected readonly form = this.fb.group({
    number: ['', [Validators.required, Validators.maxLength(40)]],
    title: ['', [Validators.required, Validators.maxLength(120)]],
    customer: '',
    quantity: [5000, [Validators.min(1), Validators.max(1e9)]],
    stock: this.stocks.find(({ gsm }) => gsm >= 250)?.id ?? this.stocks[0]?.id ?? '',
    press: this.presses[0]?.id ?? '',
  });
  private readonly answers = toSignal(this.form.valueChanges);

  /** The job as it would be, on the largest sheet of the stock that the press takes. */
  private readonly job = computed(() => {
    this.answers();
    const answers = this.form.getRawValue();
    const { works, make } = this.data;
    const most = works.machines.find(({ id }) => id === answers.press)?.press?.maxSheetMm ?? [0, 0];
    const sheets = works.stocks.find(({ id }) => id === answers.stock)?.sheets ?? [];
    const [sheet] = sheets
      .filter(({ widthMm, heightMm }) => widthMm <= most[0] && heightMm <= most[1])
      .sort((a, b) => b.widthMm * b.heightMm - a.widthMm * a.heightMm);
    return sheet && make({ ...answers, sheet }, works);
  });
  protected readonly outlook = computed(() => {
    const job = this.job();
    return job
      ? outlookOf(job, this.data.works)
      : { ok: false, text: $localize`The stock has no sheet that this press takes.` };
  });

  protected create(): void {
    this.form.markAllAsTouched();
    const job = this.job();
    if (this.form.valid && job && this.outlook().ok) this.dialog.close(job);
  }
}
