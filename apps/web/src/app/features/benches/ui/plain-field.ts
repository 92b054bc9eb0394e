import { ChangeDetectionStrategy, Component, computed } from '@angular/core';
import { TypedField } from '../../../ui/typed-field';

/** One field of a sum, as plain as the browser has it: a page of sums alone is to be there at once. */
@Component({
  selector: 'dk-plain-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label [for]="id()">{{ field().name }}</label>
    <span class="box" [class.odd]="wrong() !== ''">
      @if (field().kind === 'choice') {
        <select
          [id]="id()"
          [attr.data-field]="field().path"
          (change)="changed.emit($any($event.target).value === '' ? undefined : $any($event.target).value)"
        >
          @if (!field().wanted || value() === undefined) {
            <option value="" [selected]="value() === undefined"></option>
          }
          @for (one of field().choices ?? []; track one) {
            <option [value]="one" [selected]="one === value()">{{ words(one) }}</option>
          }
        </select>
      } @else {
        <input
          autocomplete="off"
          [id]="id()"
          [attr.inputmode]="isText() ? null : 'decimal'"
          [value]="text()"
          [attr.aria-invalid]="wrong() === '' ? null : true"
          [attr.aria-describedby]="id() + '-unit'"
          [attr.data-field]="field().path"
          (input)="type($any($event.target).value)"
          (blur)="leave()"
        />
        <span class="unit" [id]="id() + '-unit'">{{ unit() }}</span>
      }
    </span>
    @if (wrong()) {
      <p role="alert">{{ wrong() }}</p>
    }
  `,
  styles: `
    label {
      display: block;
      color: var(--mat-sys-on-surface-variant);
    }
    .box {
      display: flex;
      align-items: center;
      box-sizing: border-box;
      min-height: 40px;
      color: var(--mat-sys-on-surface);
      background: var(--mat-sys-surface-container-lowest);
      border: 1px solid var(--mat-sys-outline);
      border-radius: 4px;
    }
    .box:focus-within {
      outline: 2px solid var(--mat-sys-primary);
      outline-offset: -1px;
    }
    .odd {
      border-color: var(--mat-sys-error);
    }
    input,
    select {
      flex: 1;
      min-width: 0;
      align-self: stretch;
      padding: 4px 10px;
      font: inherit;
      font-size: 15px;
      color: inherit;
      background: none;
      border: 0;
      outline: 0;
    }
    option {
      color: var(--mat-sys-on-surface);
      background: var(--mat-sys-surface-container-lowest);
    }
    .unit:not(:empty) {
      padding-right: 10px;
      color: var(--mat-sys-on-surface-variant);
    }
    p {
      margin: 2px 0 0;
      color: var(--mat-sys-error);
    }
  `,
})
export class PlainField extends TypedField {
  protected readonly id = computed(() => `sum-${this.field().path}`);
}
