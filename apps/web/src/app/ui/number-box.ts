import { ChangeDetectionStrategy, Component, computed, inject, input, model, signal } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { count, readNumber } from './format';
import { Measures } from './measures';

const DIGITS = 4;

/** A number with its unit, typed as people write it; what cannot be read stays with the reason until it can. */
@Component({
  selector: 'dk-number',
  imports: [MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field>
      <mat-label>{{ label() }}{{ compact() && unitText() ? ', ' + unitText() : '' }}</mat-label>
      <input
        matInput
        inputmode="decimal"
        [value]="text()"
        [disabled]="disabled()"
        [attr.aria-invalid]="wrong() !== ''"
        [attr.data-field]="name()"
        (input)="type($any($event.target).value)"
        (blur)="leave()"
      />
      @if (unitText() && !compact()) {
        <span matTextSuffix>{{ unitText() }}</span>
      }
      @if (wrong()) {
        <mat-hint class="wrong" role="alert">{{ wrong() }}</mat-hint>
      }
    </mat-form-field>
  `,
  styles: `
    mat-form-field {
      width: 100%;
    }
    .wrong {
      color: var(--mat-sys-error);
    }
  `,
})
export class NumberBox {
  private readonly measures = inject(Measures);
  readonly label = input.required<string>();
  readonly unit = input('');
  readonly name = input('');
  readonly disabled = input(false);
  /** In narrow places the unit stands in the label. */
  readonly compact = input(false);
  /** What is wrong with the value, in words, told by who knows. */
  readonly error = input('');
  readonly value = model.required<number>();
  /** Text being typed; null while the field shows its value. */
  private readonly typed = signal<string | null>(null);
  private readonly measure = computed(() => this.measures.of(this.unit()));
  protected readonly unitText = computed(() => (this.unit() === '' ? '' : this.measure().unit));
  protected readonly text = computed(() => this.typed() ?? count(this.measure().show(this.value()), DIGITS));
  protected readonly wrong = computed(() => {
    const typed = this.typed();
    if (typed !== null && readNumber(typed) === undefined) return $localize`A number is wanted, like 1,200 or 0.5`;
    return this.error();
  });

  protected type(text: string): void {
    this.typed.set(text);
    const read = readNumber(text);
    if (read !== undefined) this.value.set(this.measure().store(read));
  }
  protected leave(): void {
    if (readNumber(this.typed() ?? '0') !== undefined) this.typed.set(null);
  }
}
