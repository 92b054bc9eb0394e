import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { DateAdapter, MAT_DATE_LOCALE } from '@angular/material/core';
import { MatDatepickerModule } from '@angular/material/datepicker';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { provideLuxonDateAdapter } from '@angular/material-luxon-adapter';
import { DateTime } from 'luxon';
import { chosenLocale } from './locale';

/** A date as people of the chosen locale write it, typed or taken from a calendar; kept as ISO 8601. */
@Component({
  selector: 'dk-date',
  imports: [MatDatepickerModule, MatFormFieldModule, MatInputModule],
  providers: [provideLuxonDateAdapter(), { provide: MAT_DATE_LOCALE, useFactory: chosenLocale }],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field>
      <mat-label>{{ label() }}</mat-label>
      <input
        matInput
        #field
        [matDatepicker]="calendar"
        [value]="date()"
        [readonly]="readonly()"
        [placeholder]="example"
        [attr.data-path]="path() || null"
        [attr.aria-invalid]="wrong() ? true : null"
        (dateChange)="take($event.value, field.value)"
      />
      <mat-datepicker-toggle matIconSuffix [for]="calendar" [disabled]="readonly()" />
      <mat-datepicker #calendar />
    </mat-form-field>
    @if (wrong()) {
      <p role="alert">{{ wrong() }}</p>
    }
  `,
  styles: `
    :host,
    mat-form-field {
      display: block;
    }
    p {
      margin: 2px 0 0;
      font-size: 12px;
      color: var(--mat-sys-error);
    }
  `,
})
export class DateBox {
  private readonly adapter = inject<DateAdapter<DateTime>>(DateAdapter);
  readonly label = input.required<string>();
  /** ISO 8601, or nothing. */
  readonly value = input<string | undefined>('');
  readonly readonly = input(false);
  /** Where it stands in the job file, if in one. */
  readonly path = input('');
  /** ISO 8601; empty where the date was taken away. */
  readonly picked = output<string>();
  protected readonly date = computed(() => {
    const date = DateTime.fromISO(this.value() ?? '');
    return date.isValid ? date : null;
  });
  /** A date as it is to be typed here. */
  protected readonly example = this.adapter.format(DateTime.fromISO('2026-12-31'), 'D');
  protected readonly wrong = signal('');

  protected take(date: DateTime | null, typed: string): void {
    // As it is kept is understood everywhere.
    const read = date ?? DateTime.fromISO(typed.trim());
    if (typed.trim() !== '' && !read.isValid) {
      this.wrong.set($localize`“${typed.trim()}” is no date; write it like ${this.example}`);
      return;
    }
    this.wrong.set('');
    this.picked.emit(read.isValid ? (read.toISODate() ?? '') : '');
  }
}
