import { ChangeDetectionStrategy, Component, computed, signal } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import {
  type CheckSystem,
  type NumberPlan,
  CHECK_SYSTEMS,
  numberLines,
  readSkips,
  replaceVoids,
} from '@druckerei/core';
import { count, readNumber } from '../../../ui/format';

/** Sheets of which every number is shown. */
const SHOWN = 4;
const MOST_SHEETS = 1_000_000;
const MOST_POSITIONS = 400;

/** Numbers over positions and sheets, so that cut piles run in sequence; what is void, and what takes its place. */
@Component({
  selector: 'dk-numbers-page',
  imports: [MatFormFieldModule, MatInputModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './numbers.page.html',
  styleUrl: './bench-page.scss',
})
export class NumbersPage {
  protected readonly systems = CHECK_SYSTEMS;
  protected readonly prefix = signal('GF');
  protected readonly first = signal('1');
  protected readonly step = signal('1');
  protected readonly digits = signal('6');
  protected readonly sheets = signal('455');
  protected readonly positions = signal('27');
  protected readonly skips = signal('');
  protected readonly voided = signal('');
  protected readonly check = signal<CheckSystem>('MOD 97-10');
  protected readonly lowestOnTop = signal(false);
  protected readonly count = count;

  /** The plan, or what has to be mended first. */
  protected readonly asked = computed((): { plan: NumberPlan; sheets: number; positions: number } | string => {
    const whole = (text: string, least: number, most: number): number | undefined => {
      const value = readNumber(text);
      return value !== undefined && Number.isInteger(value) && value >= least && value <= most ? value : undefined;
    };
    const first = whole(this.first(), 0, 999_999_999);
    const step = whole(this.step(), -1000, 1000);
    const digits = whole(this.digits(), 1, 12);
    const sheets = whole(this.sheets(), 1, MOST_SHEETS);
    const positions = whole(this.positions(), 1, MOST_POSITIONS);
    const skips = readSkips(this.skips());
    if (first === undefined) return 'The first number is a whole number from 0 on.';
    if (step === undefined || step === 0) return 'The step is a whole number, not 0: 1, or -1 to count down.';
    if (digits === undefined) return 'Give 1 to 12 digits.';
    if (sheets === undefined) return 'Give 1 to 1,000,000 sheets.';
    if (positions === undefined) return 'Give 1 to 400 positions on the sheet.';
    if (skips === undefined) return 'Numbers left out are written like 7, 100-105.';
    if (first + step * (sheets * positions + skips.length) < 0)
      return 'Counting down, the run would end below 0. Begin higher.';
    return {
      plan: { first, step, prefix: this.prefix(), digits, check: this.check(), skips, lowestOnTop: this.lowestOnTop() },
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
    const [asked, voided] = [this.asked(), readSkips(this.voided())];
    return typeof asked === 'string' || !voided ? [] : replaceVoids(voided, asked.sheets * asked.positions, asked.plan);
  });
  protected readonly voidedWrong = computed(() => readSkips(this.voided()) === undefined);
}
