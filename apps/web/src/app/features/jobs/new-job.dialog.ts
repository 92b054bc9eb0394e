import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { type Family, OFFERED_SIZES, isoSize, newJob, plan, sectionPages } from '@druckerei/core';
import { type Revision, issueText } from '@druckerei/contract';
import { Api } from '../../platform/api';
import { failureOf } from '../../platform/problem';
import type { JobsStore } from './jobs.store';

/** The few questions of a family, with sensible answers given. */
@Component({
  selector: 'dk-new-job-dialog',
  imports: [
    ReactiveFormsModule,
    MatButtonModule,
    MatButtonToggleModule,
    MatDialogModule,
    MatFormFieldModule,
    MatInputModule,
    MatSelectModule,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './new-job.dialog.html',
  styleUrl: './new-job.dialog.scss',
})
export class NewJobDialog {
  private readonly jobs = inject<InstanceType<typeof JobsStore>>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<NewJobDialog, Revision>>(MatDialogRef);
  protected readonly works = toSignal(inject(Api).works());
  protected readonly presses = computed(() => this.works()?.machines.filter(({ press }) => press) ?? []);
  protected readonly sizes = OFFERED_SIZES;
  protected readonly failed = signal<string | undefined>(undefined);
  private readonly fb = inject(FormBuilder).nonNullable;
  protected readonly form = this.fb.group({
    family: this.fb.control<Family>('folded'),
    number: ['', [Validators.required, Validators.maxLength(40)]],
    title: ['', [Validators.required, Validators.maxLength(120)]],
    customer: '',
    quantity: [5000, [Validators.required, Validators.min(1), Validators.max(1e9)]],
    size: this.fb.control<(typeof OFFERED_SIZES)[number]>('A4'),
    pages: [16, [Validators.min(4), Validators.max(512)]],
    stock: 'silk-115',
    coverStock: 'silk-170',
    press: 'b1-perfector',
    folds: [2, [Validators.min(0), Validators.max(8)]],
  });
  private readonly answers = toSignal(this.form.valueChanges);
  protected readonly bound = computed(() => this.answers()?.family === 'saddle-stitched');

  private readonly job = computed(() => {
    const works = this.works();
    this.answers();
    const { family, size, ...answers } = this.form.getRawValue();
    const sheet = isoSize(size);
    return works && sheet ? { works, job: newJob(family, { ...answers, ...sheet }, works) } : undefined;
  });

  /** What the plan would come to, or why it cannot be planned, while the questions are answered. */
  protected readonly outlook = computed(() => {
    const made = this.job();
    if (!made || this.form.controls.quantity.invalid) return { ok: false, text: '' };
    if (made.job.family === 'saddle-stitched' && made.job.components.length === 1)
      return { ok: false, text: 'The pages must be a multiple of 4.' };
    const outcome = plan(made.job, made.works);
    if (!outcome.ok) return { ok: false, text: outcome.issues.map(issueText).join(' ') };
    const sheets = Object.values(outcome.plan.totals.pressSheets).reduce((a, b) => a + b, 0);
    const stock = made.works.stocks.find(({ id }) => id === this.form.controls.stock.value);
    const sections =
      this.bound() && stock
        ? `Sections of ${sectionPages(this.form.controls.pages.value, stock.gsm).join(' + ')} pages. `
        : '';
    return {
      ok: true,
      text: `${sections}${sheets.toLocaleString('en-GB')} press sheets, ${outcome.plan.totals.plates} plates.`,
    };
  });

  protected create(): void {
    this.form.markAllAsTouched();
    const made = this.job();
    if (this.form.invalid || !made || !this.outlook().ok) return;
    this.jobs.create(made.job).subscribe({
      next: (revision) => this.dialog.close(revision),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}
