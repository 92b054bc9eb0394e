import { Directive, ElementRef, inject } from '@angular/core';
import {
  type ControlValueAccessor,
  NG_VALIDATORS,
  NG_VALUE_ACCESSOR,
  type ValidationErrors,
  type Validator,
} from '@angular/forms';
import { count, readNumber } from './format';

/** Decimals that are shown at most. */
const MOST_DECIMALS = 6;

/**
 * A number in a form, written and read as the language does: 5.000 is five thousand in German, where a number field of the
 * browser's takes it for five. Empty is null; what is no number makes the control invalid.
 */
@Directive({
  selector: 'input[dkNumber]',
  host: { inputmode: 'decimal', autocomplete: 'off', '(input)': 'type()', '(blur)': 'leave()' },
  providers: [
    { provide: NG_VALUE_ACCESSOR, useExisting: NumberValue, multi: true },
    { provide: NG_VALIDATORS, useExisting: NumberValue, multi: true },
  ],
})
export class NumberValue implements ControlValueAccessor, Validator {
  private readonly field = inject<ElementRef<HTMLInputElement>>(ElementRef).nativeElement;
  private changed: (value: number | null) => void = () => undefined;
  private left: () => void = () => undefined;

  private get read(): number | undefined {
    return readNumber(this.field.value);
  }

  writeValue(value: number | null): void {
    this.field.value = value === null ? '' : count(value, MOST_DECIMALS);
  }
  registerOnChange(changed: (value: number | null) => void): void {
    this.changed = changed;
  }
  registerOnTouched(left: () => void): void {
    this.left = left;
  }
  setDisabledState(disabled: boolean): void {
    this.field.disabled = disabled;
  }
  validate(): ValidationErrors | null {
    return this.field.value.trim() !== '' && this.read === undefined ? { number: true } : null;
  }

  protected type(): void {
    this.changed(this.read ?? null);
  }
  protected leave(): void {
    if (this.read !== undefined) this.writeValue(this.read);
    this.left();
  }
}
