import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MAT_DIALOG_DATA, MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import {
  type AskedFamily,
  type Closure,
  type CoverWork,
  type FoldKind,
  type Question,
  type SpineKind,
  type StructureId,
  COVER_WORKS,
  FAMILY_RULES,
  FOLDS_OF,
  FOLD_KINDS,
  OFFERED_SIZES,
  STRUCTURES,
  figureOf,
  isoSize,
  plan,
  pressesFor,
  startJob,
  stocksFor,
  pressUnit,
  numberText,
} from '@druckerei/core';
import { type Revision, issueText } from '@druckerei/contract';
import { Api } from '../../platform/api';
import { FOLD_NAMES } from '../../ui/fold-names';
import { quantity } from '../../ui/format';
import { STRUCTURE_NAMES } from '../../ui/structure-names';
import { failureOf } from '../../platform/problem';
import type { JobsStore } from './jobs.store';

const COVER_NAMES: Readonly<Record<CoverWork, string>> = { none: 'Nothing', varnish: 'Varnish', film: 'Film' };
const MEASURE = [Validators.min(1), Validators.max(5000)];
/** What the two measures of a family are called. */
const MEASURES: Partial<Readonly<Record<AskedFamily, readonly [string, string]>>> = {
  labels: ['Width across the web', 'Height along it'],
  'paper-roll': ['Width of the roll', 'Repeat of the design'],
  numbered: ['Width', 'Height'],
  stationery: ['Width', 'Height'],
  wallet: ['Panel width', 'Thickness inside'],
  envelope: ['Width', 'Thickness of what goes in'],
};
const OPENING = ['Length, inside', 'Width, inside'] as const;

/** Sections by their pages: 12 sections of 16 pages, or 32 + 4 pages. */
function inSections(pages: readonly number[]): string {
  const [first] = pages;
  if (pages.length > 1 && pages.every((one) => one === first)) return `${pages.length} sections of ${first} pages`;
  return `Sections of ${pages.join(' + ')} pages`;
}

/** The usual answers of a family as the fields of the form. */
function usualAnswers(family: AskedFamily) {
  const { widthMm, heightMm, die: _die, ...usual } = FAMILY_RULES[family].usual;
  const size = OFFERED_SIZES.find((name) => isoSize(name)?.widthMm === widthMm && isoSize(name)?.heightMm === heightMm);
  return {
    ...usual,
    ...(size ? { size } : {}),
    ...(widthMm === undefined || heightMm === undefined ? {} : { lengthMm: widthMm, breadthMm: heightMm }),
  };
}

/** The few questions of a family, with sensible answers given. */
@Component({
  selector: 'dk-new-job-dialog',
  imports: [
    ReactiveFormsModule,
    MatButtonModule,
    MatCheckboxModule,
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
  protected readonly families = (Object.keys(FAMILY_RULES) as AskedFamily[]).map((id) => ({
    id,
    name: FAMILY_RULES[id].name,
  }));
  protected readonly structures = STRUCTURES.map((id) => ({ id, name: STRUCTURE_NAMES[id] }));
  protected readonly covers = COVER_WORKS.map((id) => ({ id, name: COVER_NAMES[id] }));
  protected readonly folds = FOLD_KINDS.map((id) => ({ id, name: FOLD_NAMES[id] }));
  protected readonly rule = computed(() => FAMILY_RULES[this.family()]);
  /** Presses of the family's kind: sheets, cut-offs, repeats of a cylinder, cases, or without plates. */
  protected readonly presses = computed(() => {
    const works = this.works();
    return works ? pressesFor(this.rule().press, works) : [];
  });
  /** Stocks that come in sheets, or on rolls for the webs. */
  protected readonly stocks = computed(() => {
    const works = this.works();
    return works ? stocksFor(this.rule().press, works) : [];
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
    fold: this.fb.control<FoldKind>('letter'),
    cover: this.fb.control<CoverWork>('none'),
    foil: false,
    emboss: false,
    twoUp: false,
    perPack: [50, [Validators.min(1), Validators.max(1e6)]],
    rollM: [5, [Validators.min(0.1), Validators.max(10_000)]],
    spine: this.fb.control<SpineKind>('milled'),
    closure: this.fb.control<Closure>('gum'),
    raised: this.fb.control<'plate' | 'powder'>('plate'),
    structure: this.fb.control<StructureId>('straight-tuck'),
    lengthMm: [85, MEASURE],
    breadthMm: [60, MEASURE],
    depthMm: [130, MEASURE],
  });
  private readonly answers = toSignal(this.form.valueChanges);
  protected readonly family = computed((): AskedFamily => this.answers()?.family ?? 'folded');
  protected readonly bound = computed(() => this.rule().asks.includes('coverStock'));
  protected readonly measures = computed(() => MEASURES[this.family()] ?? OPENING);
  protected asks(question: Question): boolean {
    return this.rule().asks.includes(question);
  }

  private readonly job = computed(() => {
    const works = this.works();
    this.answers();
    const { family, size, structure, lengthMm, breadthMm, depthMm, ...answers } = this.form.getRawValue();
    const sheet = this.asks('measures') ? { widthMm: lengthMm, heightMm: breadthMm } : isoSize(size);
    const die = { kind: 'structure', structure, depthMm } as const;
    const folds = FOLDS_OF[answers.fold];
    const asked = { ...answers, folds, die };
    return works && sheet
      ? {
          works,
          ...startJob(family, { ...asked, ...sheet }, works),
        }
      : undefined;
  });

  /** What the plan would come to, or why it cannot be planned, while the questions are answered. */
  protected readonly outlook = computed(() => {
    const made = this.job();
    const asked = this.form.controls;
    if (!made || [asked.quantity, asked.lengthMm, asked.breadthMm, asked.depthMm].some(({ invalid }) => invalid))
      return { ok: false, text: '' };
    if (made.issues.length > 0) return { ok: false, text: [...new Set(made.issues.map(issueText))].join(' ') };
    const outcome = plan(made.job, made.works);
    if (!outcome.ok) return { ok: false, text: outcome.issues.map(issueText).join(' ') };
    const sheets = Object.values(outcome.value.totals.pressSheets).reduce((a, b) => a + b, 0);
    const split = made.job.components.flatMap(({ kind, pages }) => (kind === 'section' ? (pages ?? []) : []));
    const sections = this.bound() && split.length > 0 ? `${inSections(split)}. ` : '';
    const carriers = figureOf(outcome.value, 'total.plates');
    const [first] = Object.values(outcome.value.layouts);
    const unit = first && pressUnit(first) !== 'sheet' ? `${pressUnit(first)}s` : 'press sheets';
    return {
      ok: true,
      text: `${sections}${numberText(sheets)} ${unit}, ${quantity(carriers?.value ?? 0, carriers?.unit ?? 'plates', 'metric')}, ${made.job.route.length} stations.`,
    };
  });

  constructor() {
    this.form.controls.family.valueChanges
      .pipe(takeUntilDestroyed())
      .subscribe((family) => this.form.patchValue(usualAnswers(family)));
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
