import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import {
  type Family,
  type StructureId,
  OFFERED_SIZES,
  STRUCTURES,
  isoSize,
  newJob,
  plan,
  sectionPages,
  webOf,
} from '@druckerei/core';
import { type Revision, issueText } from '@druckerei/contract';
import { Api } from '../../platform/api';
import { STRUCTURE_NAMES } from '../../ui/structure-names';
import { failureOf } from '../../platform/problem';
import type { JobsStore } from './jobs.store';

/** Families that begin with questions; a gang begins at its bench. */
type AskedFamily = Exclude<Family, 'gang'>;
const FAMILY_NAMES: Readonly<Record<AskedFamily, string>> = {
  folded: 'Folded leaflet or map',
  'saddle-stitched': 'Saddle-stitched booklet',
  carton: 'Folding carton',
  'web-leaflet': 'Leaflet on the web',
  labels: 'Labels on rolls',
};
/** What goes through the press. */
const UNIT: Readonly<Record<AskedFamily, string>> = {
  folded: 'press sheets',
  'saddle-stitched': 'press sheets',
  carton: 'press sheets',
  'web-leaflet': 'cut-offs',
  labels: 'repeats',
};
const MEASURE = [Validators.min(1), Validators.max(5000)];
/** Paper, press and measures that a family usually begins with. */
const USUAL: Readonly<Record<AskedFamily, { stock: string; press: string; size?: 'A4' | 'A5' }>> = {
  folded: { stock: 'silk-115', press: 'b1-perfector' },
  'saddle-stitched': { stock: 'silk-115', press: 'b1-perfector' },
  carton: { stock: 'board-300', press: 'b1-perfector' },
  'web-leaflet': { stock: 'web-silk-80', press: 'heatset-web', size: 'A5' },
  labels: { stock: 'label-80', press: 'narrow-web' },
};

/** The few questions of a family, with sensible answers given. */
@Component({
  selector: 'dk-new-job-dialog',
  imports: [ReactiveFormsModule, MatButtonModule, MatDialogModule, MatFormFieldModule, MatInputModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './new-job.dialog.html',
  styleUrl: './new-job.dialog.scss',
})
export class NewJobDialog {
  private readonly jobs = inject<InstanceType<typeof JobsStore>>(MAT_DIALOG_DATA);
  private readonly dialog = inject<MatDialogRef<NewJobDialog, Revision>>(MatDialogRef);
  protected readonly works = toSignal(inject(Api).works());
  protected readonly families = (Object.keys(FAMILY_NAMES) as AskedFamily[]).map((id) => ({
    id,
    name: FAMILY_NAMES[id],
  }));
  protected readonly structures = STRUCTURES.map((id) => ({ id, name: STRUCTURE_NAMES[id] }));
  /** Presses of the family's kind: sheets, cut-offs, or repeats of a cylinder. */
  protected readonly presses = computed(() => {
    const family = this.family();
    return (this.works()?.machines ?? []).filter((machine) => {
      const web = machine.press && webOf(machine);
      if (!machine.press) return false;
      if (family === 'web-leaflet') return web?.cutOffMm !== undefined;
      return family === 'labels' ? web?.cylinderTeeth !== undefined : !web;
    });
  });
  /** Stocks that come in sheets, or on rolls for the webs. */
  protected readonly stocks = computed(() => {
    const onRolls = this.family() === 'web-leaflet' || this.family() === 'labels';
    return (this.works()?.stocks ?? []).filter(({ sheets }) => (sheets.length === 0) === onRolls);
  });
  protected readonly sizes = OFFERED_SIZES;
  protected readonly failed = signal<string | undefined>(undefined);
  private readonly fb = inject(FormBuilder).nonNullable;
  protected readonly form = this.fb.group({
    family: this.fb.control<AskedFamily>('folded'),
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
    structure: this.fb.control<StructureId>('straight-tuck'),
    lengthMm: [85, MEASURE],
    breadthMm: [60, MEASURE],
    depthMm: [130, MEASURE],
  });
  private readonly answers = toSignal(this.form.valueChanges);
  protected readonly family = computed((): AskedFamily => this.answers()?.family ?? 'folded');
  protected readonly bound = computed(() => this.family() === 'saddle-stitched');
  protected readonly paged = computed(() => this.bound() || this.family() === 'web-leaflet');
  /** Measures are asked for by themselves where no named size stands for them. */
  protected readonly measured = computed(() => this.family() === 'carton' || this.family() === 'labels');

  private readonly job = computed(() => {
    const works = this.works();
    this.answers();
    const { family, size, structure, lengthMm, breadthMm, depthMm, ...answers } = this.form.getRawValue();
    const sheet = this.measured() ? { widthMm: lengthMm, heightMm: breadthMm } : isoSize(size);
    const die = { kind: 'structure', structure, depthMm } as const;
    return works && sheet ? { works, job: newJob(family, { ...answers, ...sheet, die }, works) } : undefined;
  });

  /** What the plan would come to, or why it cannot be planned, while the questions are answered. */
  protected readonly outlook = computed(() => {
    const made = this.job();
    const asked = this.form.controls;
    if (!made || [asked.quantity, asked.lengthMm, asked.breadthMm, asked.depthMm].some(({ invalid }) => invalid))
      return { ok: false, text: '' };
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
      text: `${sections}${sheets.toLocaleString('en-GB')} ${UNIT[this.family()]}, ${outcome.plan.totals.plates} plates.`,
    };
  });

  constructor() {
    this.form.controls.family.valueChanges
      .pipe(takeUntilDestroyed())
      .subscribe((family) => this.form.patchValue(USUAL[family]));
  }

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
