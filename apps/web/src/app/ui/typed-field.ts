import { Directive, computed, inject, input, output, signal } from '@angular/core';
import type { WorksField } from '@druckerei/core';
import { wordOf } from '@druckerei/core/kernel';
import { count, readNumber, unitText } from './format';
import { Measures } from './measures';

/** Choices whose word is not what people say. */
const WORDS: Readonly<Record<string, string>> = {
  'black-first': $localize`black, cyan, magenta, yellow`,
  'black-last': $localize`cyan, magenta, yellow, black`,
  'black-magenta': $localize`black, magenta, cyan, yellow`,
  recessed: $localize`recessed plate`,
};
const DIGITS = 4;

/** What a field does, whatever it looks like: it reads what is typed in the units of whoever types, and stays silent where nothing is told. */
@Directive()
export abstract class TypedField {
  private readonly measures = inject(Measures);
  readonly field = input.required<WorksField>();
  readonly value = input.required<unknown>();
  /** What is wrong with the value, told by who knows. */
  readonly error = input('');
  readonly disabled = input(false);
  readonly changed = output<unknown>();
  /** Text that is typed; undefined while the field shows its value. */
  private readonly typed = signal<string | undefined>(undefined);
  private readonly measure = computed(() => this.measures.of(this.field().unit ?? ''));
  protected readonly words = (choice: string): string =>
    this.field().names?.[choice] ?? WORDS[choice] ?? wordOf(choice.replaceAll('-', ' '));
  protected readonly isText = computed(() => this.field().kind === 'text');
  protected readonly unit = computed(() =>
    this.isText() || this.field().unit === undefined ? '' : unitText(this.measure().unit, 2),
  );
  protected readonly text = computed((): string => {
    const [typed, value] = [this.typed(), this.value()];
    if (typed !== undefined) return typed;
    const one = (number: unknown): string =>
      typeof number === 'number' ? count(this.measure().show(number), DIGITS) : '';
    if (Array.isArray(value)) return value.map(one).join('  ');
    return typeof value === 'string' ? value : one(value);
  });
  protected readonly wrong = computed(() => {
    const typed = this.typed();
    return typed !== undefined && this.read(typed) === 'unread'
      ? $localize`A number is wanted, like 1,200 or 0.5`
      : this.error();
  });

  /** What a text comes to; undefined where nothing is told. */
  private read(text: string): unknown {
    const { kind } = this.field();
    if (kind === 'text') return text === '' ? undefined : text;
    if (text.trim() === '') return undefined;
    const numbers = (kind === 'numbers' ? text.trim().split(/[\s;]+/) : [text]).map((one) => readNumber(one));
    const stored = numbers.flatMap((one) => (one === undefined ? [] : [this.measure().store(one)]));
    if (stored.length < numbers.length) return 'unread';
    return kind === 'numbers' ? stored : stored[0];
  }
  protected type(text: string): void {
    this.typed.set(text);
    const read = this.read(text);
    if (this.isText() || read !== 'unread') this.changed.emit(read);
  }
  protected leave(): void {
    if (this.isText() || this.read(this.typed() ?? '') !== 'unread') this.typed.set(undefined);
  }
}
