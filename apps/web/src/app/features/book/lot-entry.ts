import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type RoomEntry, type SamplingRules, type StationTally, lotsOf, nextPlan } from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import { count, many, readNumber } from '../../ui/format';
import { WordPipe } from '../../ui/word';

/** A lot looked at by its plan, and a refused one sorted. */
@Component({
  selector: 'dk-lot-entry',
  imports: [MatButtonModule, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (lots().unsorted > 0) {
      <p i18n role="status">{{ many(lots().unsorted, 'refused lot') }} to sort, piece by piece.</p>
      <label><span i18n>Faulty ones taken out</span><input #out inputmode="numeric" /></label>
      <button i18n matButton="outlined" class="wide" [disabled]="busy()" (click)="sorted(out.value)">
        Enter the sorted lot
      </button>
    }
    @if (piles().length > 0) {
      <label
        ><span i18n>Pile</span
        ><select #from (change)="take(from.value)">
          <option i18n value="">no one pile</option>
          @for (one of piles(); track one[0]) {
            <option [value]="one[0]" [selected]="one[0] === pile()">{{ one[0] }}: {{ count(one[1]) }}</option>
          }
        </select></label
      >
    }
    <label
      ><span i18n>Pieces in the lot</span
      ><input inputmode="numeric" #pieces [value]="lot()" (input)="lot.set(pieces.value)"
    /></label>
    @if (plan(); as one) {
      <p i18n data-test="plan">
        Look at <b>{{ count(one.n) }}</b>, {{ one.severity }} inspection:
        {{
          one.accept === 0
            ? ('none may be faulty' | word)
            : ('up to ' | word) + count(one.accept) + (' may be faulty' | word)
        }}.
      </p>
    }
    @if (lots().now.stopped) {
      <p i18n role="status">
        Five lots were refused on tightened inspection: nothing is accepted until the cause is mended.
      </p>
      <label class="check"
        ><input type="checkbox" #cause /> <ng-container i18n>The cause is mended</ng-container></label
      >
      <label><span i18n>Faulty ones among them</span><input #bad inputmode="numeric" /></label>
      <button i18n matButton="filled" class="wide" [disabled]="busy()" (click)="looked(bad.value, cause.checked)">
        Enter the lot
      </button>
    } @else {
      <label><span i18n>Faulty ones among them</span><input #bad inputmode="numeric" /></label>
      <button i18n matButton="filled" class="wide" [disabled]="busy()" (click)="looked(bad.value, false)">
        Enter the lot
      </button>
    }
    @if (lots().lots.length > 0) {
      <ul>
        @for (one of lots().lots; track $index) {
          <li i18n>
            {{ count(one.faulty) }} of {{ count(one.sample) }} faulty, lot of {{ count(one.lot) }}:
            <b>{{ (one.accepted ? 'accepted' : 'refused') | word }}</b>
          </li>
        }
      </ul>
    }
  `,
  styleUrl: './entry-form.scss',
  styles: `
    .check {
      flex-direction: row;
      align-items: center;
      gap: 12px;
      min-height: 48px;
    }
    .check input {
      width: 28px;
    }
    p {
      font-size: 18px;
    }
  `,
})
export class LotEntry {
  readonly step = input.required<string>();
  readonly rules = input.required<SamplingRules>();
  readonly tally = input.required<StationTally>();
  readonly busy = input(false);
  readonly entered = output<RoomEntry>();
  readonly wrong = output<string>();
  /** Piles that were handed on here and not looked at yet. */
  protected readonly piles = computed(() => {
    const { lots, pilesOut } = this.tally();
    const seen = new Set(lots.map(({ pile }) => pile));
    return [...pilesOut].filter(([pile]) => !seen.has(pile));
  });
  protected readonly pile = signal('');
  protected readonly lot = signal('');
  protected readonly count = count;
  protected readonly many = many;
  protected readonly lots = computed(() => lotsOf(this.tally(), this.rules()));
  private readonly made = computed(() => {
    const pieces = readNumber(this.lot());
    return pieces === undefined ? undefined : nextPlan(this.tally(), this.rules(), pieces);
  });
  protected readonly plan = computed(() => {
    const made = this.made();
    return made?.ok ? made.value : undefined;
  });

  /** The lot is a pile, with all that is in it. */
  protected take(pile: string): void {
    this.pile.set(pile);
    const pieces = this.tally().pilesOut.get(pile);
    this.lot.set(pieces === undefined ? '' : String(pieces));
  }

  protected looked(text: string, mended: boolean): void {
    const [lot, faulty, made] = [readNumber(this.lot()), readNumber(text), this.made()];
    if (lot === undefined || faulty === undefined || !Number.isInteger(faulty) || faulty < 0)
      this.wrong.emit(
        $localize`Whole numbers are wanted: the pieces of the lot, and the faulty ones among the sample.`,
      );
    else if (made && !made.ok) this.wrong.emit(made.issues.map(issueText).join(' '));
    else if (made) {
      const { aql, level } = this.rules();
      const entry = { kind: 'inspected', step: this.step(), lot, sample: made.value.n, faulty, aql, level } as const;
      const pile = this.pile() === '' ? {} : { pile: this.pile() };
      this.entered.emit({ ...entry, ...pile, ...(mended ? { mended } : {}) });
    }
  }

  protected sorted(text: string): void {
    const faulty = readNumber(text);
    if (faulty === undefined || !Number.isInteger(faulty) || faulty < 0)
      this.wrong.emit($localize`A whole number is wanted, like 12.`);
    else this.entered.emit({ kind: 'sorted', step: this.step(), faulty });
  }
}
