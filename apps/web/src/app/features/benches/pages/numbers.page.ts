import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import {
  type CheckSystem,
  type NumberPlan,
  CHECK_SYSTEMS,
  numberLines,
  numberedParts,
  readSkips,
  replaceVoids,
  withNumbering,
} from '@druckerei/core';
import { count, readNumber } from '../../../ui/format';
import { BenchForm } from '../state/bench-form';
import { MakeJob } from '../state/make-job';
import { Bench } from '../parts/bench';

/** Sheets of which every number is shown. */
const SHOWN = 4;
const MOST_SHEETS = 1_000_000;
const MOST_POSITIONS = 400;

/** Numbers are kept as they are typed, so that what cannot be used stays to be mended. */
interface NumbersInput {
  readonly prefix: string;
  readonly first: string;
  readonly step: string;
  readonly digits: string;
  readonly sheets: string;
  readonly positions: string;
  readonly skips: string;
  readonly voided: string;
  readonly check: CheckSystem;
  readonly lowestOnTop: boolean;
}

const START: NumbersInput = {
  prefix: 'GF',
  first: '1',
  step: '1',
  digits: '6',
  sheets: '455',
  positions: '27',
  skips: '',
  voided: '',
  check: 'MOD 97-10',
  lowestOnTop: false,
};

/** Numbers over positions and sheets, so that cut piles run in sequence; what is void, and what takes its place. */
@Component({
  selector: 'dk-numbers-page',
  imports: [Bench, MatButtonModule, MatFormFieldModule, MatInputModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './numbers.page.html',
  styleUrl: './bench-page.scss',
})
export class NumbersPage {
  protected readonly systems = CHECK_SYSTEMS;
  private readonly jobs = inject(MakeJob);
  protected readonly bench = new BenchForm('numbers', START);
  protected readonly form = this.bench.value;
  protected readonly count = count;

  /** The plan, or what has to be mended first. */
  protected readonly asked = computed((): { plan: NumberPlan; sheets: number; positions: number } | string => {
    const whole = (text: string, least: number, most: number): number | undefined => {
      const value = readNumber(text);
      return value !== undefined && Number.isInteger(value) && value >= least && value <= most ? value : undefined;
    };
    const form = this.form();
    const first = whole(form.first, 0, 999_999_999);
    const step = whole(form.step, -1000, 1000);
    const digits = whole(form.digits, 1, 12);
    const sheets = whole(form.sheets, 1, MOST_SHEETS);
    const positions = whole(form.positions, 1, MOST_POSITIONS);
    const skips = readSkips(form.skips);
    if (first === undefined) return $localize`The first number is a whole number from 0 on.`;
    if (step === undefined || step === 0) return $localize`The step is a whole number, not 0: 1, or -1 to count down.`;
    if (digits === undefined) return $localize`Give 1 to 12 digits.`;
    if (sheets === undefined) return $localize`Give 1 to 1,000,000 sheets.`;
    if (positions === undefined) return $localize`Give 1 to 400 positions on the sheet.`;
    if (skips === undefined) return $localize`Numbers left out are written like 7, 100-105.`;
    if (first + step * (sheets * positions + skips.length) < 0)
      return $localize`Counting down, the run would end below 0. Begin higher.`;
    return {
      plan: { first, step, prefix: form.prefix, digits, check: form.check, skips, lowestOnTop: form.lowestOnTop },
      sheets,
      positions,
    };
  });
  protected readonly wrong = computed(() => {
    const asked = this.asked();
    return typeof asked === 'string' ? asked : undefined;
  });
  protected readonly rows = computed(() => {
    const asked = this.asked();
    if (typeof asked === 'string') return [];
    const { plan, sheets, positions } = asked;
    const lines = numberLines(plan, sheets, positions, 0, SHOWN);
    return Array.from({ length: positions }, (_, j) => ({
      position: j + 1,
      numbers: lines.filter(({ position }) => position === j + 1).map(({ printed }) => printed),
    }));
  });
  protected readonly total = computed(() => {
    const asked = this.asked();
    return typeof asked === 'string' ? 0 : asked.sheets * asked.positions;
  });
  protected readonly replaced = computed(() => {
    const [asked, voided] = [this.asked(), readSkips(this.form().voided)];
    return typeof asked === 'string' || !voided ? [] : replaceVoids(voided, asked.sheets * asked.positions, asked.plan);
  });
  protected readonly voidedWrong = computed(() => readSkips(this.form().voided) === undefined);

  protected set(change: Partial<NumbersInput>): void {
    this.bench.set(change);
  }
  /** Sets the numbering boxes of a job as they stand here. */
  protected takeInto(): void {
    const asked = this.asked();
    if (typeof asked === 'string') return;
    const { first: start, step, prefix, digits, check: checkSystem, lowestOnTop } = asked.plan;
    const { skips, voided: voids } = this.form();
    this.jobs.takeInto({
      what: $localize`this numbering`,
      family: 'numbered',
      parts: numberedParts,
      take: (job, part) =>
        withNumbering(job, part, { start, step, prefix, digits, checkSystem, skips, voids, lowestOnTop }),
    });
  }
}
