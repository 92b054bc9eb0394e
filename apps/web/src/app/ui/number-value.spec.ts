import { ChangeDetectionStrategy, Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { FormControl, ReactiveFormsModule, Validators } from '@angular/forms';
import { NumberValue } from './number-value';

@Component({
  selector: 'dk-asks',
  imports: [NumberValue, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: '<input dkNumber [formControl]="quantity" />',
})
class Asks {
  readonly quantity = new FormControl<number | null>(12_000, [Validators.min(1)]);
}

function asked() {
  const fixture = TestBed.createComponent(Asks);
  fixture.detectChanges();
  const field = (fixture.nativeElement as HTMLElement).querySelector('input');
  if (!field) throw new Error('no field');
  const type = (text: string): void => {
    field.value = text;
    field.dispatchEvent(new Event('input'));
  };
  return { field, type, quantity: fixture.componentInstance.quantity };
}

describe('a number in a form', () => {
  afterEach(() => Object.defineProperty($localize, 'locale', { value: undefined, configurable: true }));

  it('is written with its thousands apart, and read so', () => {
    const { field, type, quantity } = asked();
    expect(field.value).toBe('12,000');
    type('8,500');
    expect(quantity.value).toBe(8_500);
    type('7500');
    expect(field.value).toBe('7500');
    field.dispatchEvent(new Event('blur'));
    expect([field.value, quantity.touched]).toEqual(['7,500', true]);
    quantity.setValue(null);
    expect(field.value).toBe('');
    quantity.disable();
    expect(field.disabled).toBe(true);
  });

  it('is five thousand where German is spoken and 5.000 is typed', () => {
    Object.defineProperty($localize, 'locale', { value: 'de', configurable: true });
    const { field, type, quantity } = asked();
    expect(field.value).toBe('12.000');
    type('5.000');
    expect(quantity.value).toBe(5_000);
    type('2,5');
    expect(quantity.value).toBe(2.5);
  });

  it('is refused where it is none, and kept to its limits', () => {
    const { field, type, quantity } = asked();
    type('many');
    expect([quantity.value, quantity.errors, field.value]).toEqual([null, { number: true }, 'many']);
    field.dispatchEvent(new Event('blur'));
    expect(field.value).toBe('many');
    type('-5');
    expect([quantity.value, quantity.valid]).toEqual([-5, false]);
    type('');
    expect([quantity.value, quantity.valid]).toEqual([null, true]);
  });
});
