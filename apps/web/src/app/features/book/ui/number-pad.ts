import {
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  computed,
  effect,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { count } from '../../../ui/format';
import { wholeOf } from './digits';

/** Codes of tags and tickets have a stroke in them. */
const CODE = /^\S+\/[a-z0-9-]+(\/\d+)?$/i;

/** A pad of large keys for whole numbers; a keyboard types into it too. */
@Component({
  selector: 'dk-number-pad',
  imports: [MatButtonModule, MatIconModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label>
      <span>{{ label() }}</span>
      <input
        #field
        inputmode="none"
        autocomplete="off"
        maxlength="120"
        [value]="text()"
        [attr.aria-invalid]="wrong()"
        (input)="type(field.value)"
        (keydown.enter)="enter()"
      />
      <span class="unit">{{ unit() }}</span>
    </label>
    @if (wrong()) {
      <p i18n class="wrong" role="alert">A whole number is wanted, like 250.</p>
    }
    <div class="keys">
      @for (key of keys; track key) {
        <button type="button" matButton class="key" (click)="press(key)">{{ key }}</button>
      }
      <button type="button" matButton class="key" (click)="text.set('')" i18n-aria-label aria-label="Clear">C</button>
      <button type="button" matButton class="key" (click)="press('0')">0</button>
      <button
        type="button"
        matButton
        class="key"
        (click)="back()"
        i18n-aria-label
        aria-label="Take the last digit away"
      >
        <mat-icon aria-hidden="true">backspace</mat-icon>
      </button>
    </div>
    <div class="ends">
      <button i18n type="button" matButton (click)="left.emit()">Leave it</button>
      <button i18n type="button" matButton="filled" [disabled]="!value() || busy()" (click)="enter()">
        Enter{{ value() ? ' ' + said() + ' ' + unit() : '' }}
      </button>
    </div>
  `,
  styles: `
    label {
      display: flex;
      align-items: baseline;
      gap: 12px;
      font-size: 17px;
    }
    input {
      flex: 1;
      min-width: 0;
      font: inherit;
      font-size: 34px;
      font-weight: 650;
      font-variant-numeric: tabular-nums;
      text-align: right;
      padding: 4px 10px;
      border: 0;
      border-bottom: 2px solid var(--mat-sys-outline);
      background: transparent;
      color: inherit;
    }
    .keys {
      display: grid;
      grid-template-columns: repeat(3, 1fr);
      gap: 8px;
      margin: 12px 0;
    }
    button {
      height: 64px;
      font-size: 24px;
    }
    .key {
      background: var(--mat-sys-surface-container-lowest);
      color: var(--mat-sys-on-surface);
      border: 1px solid var(--mat-sys-outline-variant);
    }
    .ends {
      display: grid;
      grid-template-columns: 1fr 2fr;
      gap: 8px;
    }
    .ends button {
      font-size: 19px;
    }
    .wrong {
      color: var(--mat-sys-error);
      margin: 4px 0;
    }
  `,
})
export class NumberPad {
  readonly label = input.required<string>();
  readonly unit = input('');
  readonly busy = input(false);
  /** Number that it begins with: what a tag says. */
  readonly given = input<number | undefined>(undefined);
  readonly entered = output<number>();
  readonly left = output();
  /** What a hand scanner typed here: no number, but a code. */
  readonly scanned = output<string>();
  protected readonly keys = ['7', '8', '9', '4', '5', '6', '1', '2', '3'];
  protected readonly text = signal('');
  protected readonly value = computed(() => wholeOf(this.text()));
  protected readonly wrong = computed(() => this.text().trim() !== '' && this.value() === undefined);
  protected readonly said = computed(() => count(this.value() ?? 0));
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');

  constructor() {
    effect(() => {
      const given = this.given();
      this.text.set(given === undefined ? '' : count(given));
      this.field().nativeElement.focus();
    });
  }

  protected type(text: string): void {
    this.text.set(text);
  }
  protected press(key: string): void {
    const digits = `${this.value() ?? ''}${key}`;
    if (digits.length <= 9) this.text.set(count(Number(digits)));
  }
  protected back(): void {
    const digits = String(this.value() ?? '').slice(0, -1);
    this.text.set(digits === '' ? '' : count(Number(digits)));
  }
  protected enter(): void {
    const value = this.value();
    if (this.wrong() && CODE.test(this.text().trim())) {
      this.scanned.emit(this.text().trim());
      this.text.set('');
    } else if (value && !this.busy()) this.entered.emit(value);
  }
}
