import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { pathOf } from '@druckerei/contract';
import { type FieldPath, valueAtPath } from '@druckerei/core';
import { count, readNumber, unitText } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { JobEditor } from '../state/job-editor';

let bursts = 0;

/**
 * A field of the job. Numbers that can be used change the plan at every stroke; text that cannot stays in the field with
 * the reason beside it.
 */
@Component({
  selector: 'dk-field',
  imports: [MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field [class.wrong]="wrong()">
      <mat-label>{{ label() }}</mat-label>
      <input
        matInput
        #field
        [value]="shown()"
        type="text"
        [attr.inputmode]="isNumber() ? 'decimal' : null"
        [placeholder]="norm()"
        [readonly]="!editor.editable()"
        [attr.aria-invalid]="wrong() ? true : null"
        [attr.aria-describedby]="wrong() ? id : null"
        [attr.data-path]="key()"
        (focus)="begin()"
        (input)="take(field.value)"
        (blur)="field.value = shown()"
      />
      @if (unit()) {
        <span matTextSuffix class="unit">{{ unitText(measure().unit, 2) }}</span>
      }
      @if (norm() && shown() === '') {
        <mat-hint i18n>norm {{ norm() }}</mat-hint>
      }
    </mat-form-field>
    @if (wrong(); as message) {
      <p role="alert" [id]="id">{{ message }}</p>
    }
  `,
  styles: `
    :host,
    mat-form-field {
      display: block;
    }
    .unit {
      white-space: nowrap;
      padding-left: 4px;
    }
    p {
      margin: 2px 0 0;
      font-size: 12px;
      color: var(--mat-sys-error);
    }
    .wrong {
      --mat-form-field-outlined-outline-color: var(--mat-sys-error);
      --mat-form-field-outlined-focus-outline-color: var(--mat-sys-error);
    }
  `,
})
export class Field {
  protected readonly editor = inject(JobEditor);
  readonly label = input.required<string>();
  readonly path = input.required<FieldPath>();
  readonly kind = input<'number' | 'text' | 'list'>('number');
  /** Unit of the stored number; a share is shown as per cent, a length as the reader has chosen. */
  readonly unit = input('');
  /** Empty means the norm: what the norm says, to be shown in the empty field. */
  readonly norm = input('');
  readonly optional = input(false);
  protected readonly unitText = unitText;
  protected readonly id = `field-error-${++bursts}`;
  private burst = 0;
  protected readonly key = computed(() => pathOf(this.path()));
  protected readonly isNumber = computed(() => this.kind() === 'number');
  private readonly measures = inject(Measures);
  protected readonly measure = computed(() => this.measures.of(this.unit()));
  private readonly pending = computed(() => this.editor.pending()[this.key()]);
  /** What is wrong with the text, or with the plan because of the value. */
  protected readonly wrong = computed(() => this.pending()?.message ?? this.editor.issueAt(this.key()));
  private focused = false;
  private typed = '';
  protected readonly shown = computed(() => {
    const pending = this.pending();
    if (pending) return pending.text;
    const value = valueAtPath(this.editor.job(), this.path());
    const text = this.write(value);
    return this.focused && this.same(value) ? this.typed : text;
  });

  /** Whether the text typed already means this value: then it is left as typed ("10.", "1,2"). */
  private same(value: unknown): boolean {
    return typeof value === 'number'
      ? readNumber(this.typed) === this.measure().show(value)
      : this.typed === this.write(value);
  }

  private write(value: unknown): string {
    if (typeof value === 'string') return value;
    if (Array.isArray(value)) return value.map((one: number) => count(this.measure().show(one), 9)).join('; ');
    if (typeof value !== 'number') return '';
    return count(this.measure().show(value), 9);
  }

  protected begin(): void {
    this.burst = ++bursts;
    this.focused = true;
  }

  protected take(text: string): void {
    this.typed = text;
    if (this.isNumber())
      this.editor.type(this.path(), text, { store: this.measure().store, optional: this.optional() }, this.burst);
    else if (this.kind() === 'list') this.editor.list(this.path(), text, this.measure().store, this.burst);
    else this.editor.write(this.path(), text, this.burst);
  }
}
