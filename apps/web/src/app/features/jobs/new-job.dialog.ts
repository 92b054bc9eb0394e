import { ChangeDetectionStrategy, Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { FormBuilder, ReactiveFormsModule, Validators } from '@angular/forms';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
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
  isoSize,
  own,
  plan,
  pressesFor,
  type Job,
  type Works,
  type ReadOrder,
  productPicture,
  readOrder,
  startJob,
  stocksFor,
  withColours,
} from '@druckerei/core';
import { type Revision, bestWords, issueText } from '@druckerei/contract';
import { Api } from '../../platform/api';
import { customerBook } from '../../platform/customer-book';
import { bestRun } from '../../platform/best-client';
import { FOLD_NAMES } from '../../ui/fold-names';
import { DateBox } from '../../ui/date-box';
import { LayoutView } from '../../ui/layout-view';
import { ProductPicture } from '../../ui/product-picture';
import { STRUCTURE_NAMES } from '../../ui/structure-names';
import { offerNumber } from '../../platform/next-number';
import { failureOf } from '../../platform/problem';
import type { JobsStore } from './jobs.store';
import { COVER_NAMES, MEASURES, OPENING, offeredSize, outlookWords, usualAnswers } from './new-job.words';
import { WordPipe } from '../../ui/word';
import { NumberValue } from '../../ui/number-value';

/** Milliseconds without a change before the best way is looked for. */
const SETTLED_MS = 350;
/** A size that is no standard one. */
const FREE = 'free';
const COLOURS = [Validators.max(6)];
const MEASURE = [Validators.min(1), Validators.max(5000)];

/** The few questions of a family, with sensible answers given. */
/** What a new job begins from: where it is listed, and an order in words; empty where there is none. */
export interface NewJobFrom {
  readonly jobs: InstanceType<typeof JobsStore>;
  readonly line: string;
}

@Component({
  selector: 'dk-new-job-dialog',
  imports: [
    DateBox,
    LayoutView,
    MatAutocompleteModule,
    ProductPicture,
    NumberValue,
    ReactiveFormsModule,
    MatButtonModule,
    MatCheckboxModule,
    MatDialogModule,
    MatFormFieldModule,
    MatInputModule,
    MatSelectModule,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './new-job.dialog.html',
  styleUrl: './new-job.dialog.scss',
})
export class NewJobDialog {
  private readonly from = inject<NewJobFrom>(MAT_DIALOG_DATA);
  private readonly jobs = this.from.jobs;
  protected readonly given = this.from.line;
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
    customer: ['', Validators.maxLength(120)],
    due: '',
    quantity: this.fb.control<number | null>(null, [Validators.required, Validators.min(1), Validators.max(1e9)]),
    front: this.fb.control<number | null>(null, [Validators.min(1), ...COLOURS]),
    back: this.fb.control<number | null>(null, [Validators.min(0), ...COLOURS]),
    size: this.fb.control<(typeof OFFERED_SIZES)[number] | typeof FREE>('A4'),
    pages: [16, [Validators.min(4), Validators.max(512)]],
    stock: '',
    coverStock: '',
    press: '',
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

  private readonly customer = computed(() => this.answers()?.customer ?? '');
  private readonly book = customerBook(this.customer);
  /** Customers of the works, and of the jobs in sight, whose name holds what is typed. */
  protected readonly customers = computed(() => {
    const typed = this.customer().toLowerCase();
    const all = [...this.book().map(({ name }) => name), ...this.jobs.customers()];
    return [...new Set(all)].filter((name) => name.toLowerCase().includes(typed));
  });
  /** What may be delivered to the customer who is named, where they say so once for all. */
  private readonly policy = computed(
    () => this.book().find(({ name }) => name === this.customer().trim())?.policy ?? undefined,
    { equal: (a, b) => JSON.stringify(a) === JSON.stringify(b) },
  );
  /** What the line of text said, and what of it was not understood. */
  protected readonly read = signal<ReadOrder | undefined>(undefined);

  private readonly job = computed(() => {
    const works = this.works();
    this.answers();
    const {
      family,
      size,
      structure,
      lengthMm,
      breadthMm,
      depthMm,
      quantity: asked,
      front,
      back,
      due,
      ...answers
    } = this.form.getRawValue();
    const free = this.asks('measures') || size === FREE;
    const sheet = free ? { widthMm: lengthMm, heightMm: breadthMm } : isoSize(size);
    if (!works || !sheet || asked === null) return undefined;
    const die = { kind: 'structure', structure, depthMm } as const;
    const folds = FOLDS_OF[answers.fold];
    const { job, issues } = startJob(family, { ...answers, quantity: asked, folds, die, ...sheet }, works);
    const coloured = front === null ? job : withColours(job, { front, back: back ?? 0 });
    const policy = this.policy();
    const agreed: Job = policy ? { ...coloured, order: { ...coloured.order, policy } } : coloured;
    return { works, issues, job: due === '' ? agreed : { ...agreed, due } };
  });
  /** The first way of the job as it is answered, planned. */
  private readonly planned = computed(() => {
    const made = this.job();
    return made?.issues.length === 0 ? plan(made.job, made.works) : undefined;
  });
  /** The cheapest way of the job as it is answered now, once it is found. */
  private readonly better = signal<{ readonly of: Job; readonly job: Job; readonly words: string } | undefined>(
    undefined,
  );
  private readonly search = bestRun();
  protected readonly found = computed(() => {
    const better = this.better();
    return better?.of === this.job()?.job ? better : undefined;
  });
  /** What would be created, planned: the cheapest way once it is found. */
  private readonly shown = computed(() => {
    const [made, better] = [this.job(), this.found()];
    const outcome = made && better ? plan(better.job, made.works) : this.planned();
    const job = better?.job ?? made?.job;
    return job && outcome?.ok ? { job, plan: outcome.value } : undefined;
  });
  protected readonly picture = computed(() => {
    const shown = this.shown();
    return shown && productPicture(shown.job, shown.plan);
  });

  /** How its first part lies on the press sheet. */
  protected readonly layout = computed(() => {
    const shown = this.shown();
    const first = shown?.job.components.find(({ id }) => own(shown.plan.layouts, id) !== undefined);
    return own(shown?.plan.layouts, first?.id ?? '');
  });

  /** Why nothing can be planned as it is answered; undefined where it can. */
  private readonly problem = computed((): string | undefined => {
    const asked = this.form.controls;
    const made = this.job();
    if (asked.quantity.value === null) return $localize`How many are ordered?`;
    const measures = [asked.quantity, asked.front, asked.back, asked.lengthMm, asked.breadthMm, asked.depthMm];
    if (!made || measures.some(({ invalid }) => invalid)) return '';
    const outcome = this.planned();
    const issues = outcome?.ok === false ? outcome.issues : made.issues;
    return issues.length === 0 ? undefined : [...new Set(issues.map(issueText))].join(' ');
  });

  /** What the plan would come to, or why it cannot be planned, while the questions are answered. */
  protected readonly outlook = computed(() => {
    const [shown, problem] = [this.shown(), this.problem()];
    return shown && problem === undefined
      ? { ok: true, text: outlookWords(shown.job, shown.plan) }
      : { ok: false, text: problem ?? '' };
  });

  constructor() {
    offerNumber(this.form.controls.number);
    this.form.controls.family.valueChanges
      .pipe(takeUntilDestroyed())
      .subscribe((family) => this.takeUsual(family, this.works()));
    effect(() => {
      const works = this.works();
      untracked(() => {
        this.takeUsual(this.form.controls.family.value, works);
        if (works && this.given !== '') this.takeText(this.given);
      });
    });
    // The first press and sheet stand at once; the cheapest way that keeps every rule takes their place when it is found.
    effect((onCleanup) => {
      const made = this.job();
      if (made === undefined || this.problem() !== undefined) return;
      const timer = setTimeout(() => {
        this.search.start({ kind: 'best', job: made.job, works: made.works }, (answer) => {
          if (answer.kind !== 'best' || !answer.outcome.ok) return;
          const found = answer.outcome.value;
          this.better.set({ of: made.job, job: found.best.job, words: bestWords(found, made.works) });
        });
      }, SETTLED_MS);
      onCleanup(() => {
        clearTimeout(timer);
        this.search.stop();
      });
    });
  }

  /** The family's usual answers, on what the works has. */
  private takeUsual(family: AskedFamily, works: Works | undefined): void {
    if (works) this.form.patchValue(usualAnswers(family, works));
  }

  /** Takes what a line of text says into the fields; the rest is asked for. */
  protected takeText(text: string): void {
    const works = this.works();
    if (!works) return;
    const order = readOrder(text, works);
    this.read.set(text.trim() === '' ? undefined : order);
    const { family, widthMm, heightMm, colours, understood: _understood, left: _left, ...plain } = order;
    if (family) this.form.patchValue({ family });
    const size = offeredSize(widthMm, heightMm);
    this.form.patchValue({
      ...plain,
      ...(colours ?? {}),
      ...(widthMm === undefined || heightMm === undefined
        ? {}
        : { size: size ?? FREE, lengthMm: widthMm, breadthMm: heightMm }),
    });
  }

  protected create(): void {
    this.form.markAllAsTouched();
    const made = this.job();
    if (this.form.invalid || !made || !this.outlook().ok) return;
    this.jobs.create(this.found()?.job ?? made.job).subscribe({
      next: (revision) => this.dialog.close(revision),
      error: (error: unknown) => this.failed.set(failureOf(error).text),
    });
  }
}
