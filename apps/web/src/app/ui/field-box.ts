import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { TypedField } from './typed-field';

/** One field of an item of the works: typed, ticked or chosen; empty where it is not told. */
@Component({
  selector: 'dk-field',
  imports: [MatCheckboxModule, MatFormFieldModule, MatInputModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (field().kind === 'flag') {
      <mat-checkbox
        [checked]="value() === true"
        [disabled]="disabled()"
        [attr.data-field]="field().path"
        (change)="changed.emit($event.checked ? true : field().wanted ? false : undefined)"
        >{{ field().name }}</mat-checkbox
      >
      @if (error()) {
        <p class="wrong" role="alert">{{ error() }}</p>
      }
    } @else {
      <mat-form-field>
        <mat-label>{{ field().name }}</mat-label>
        @if (field().kind === 'choice') {
          <mat-select
            [value]="value() ?? ''"
            [disabled]="disabled()"
            [attr.data-field]="field().path"
            (selectionChange)="changed.emit($event.value === '' ? undefined : $event.value)"
          >
            @if (!field().wanted) {
              <mat-option i18n value="">as is usual</mat-option>
            }
            @for (one of field().choices ?? []; track one) {
              <mat-option [value]="one">{{ words(one) }}</mat-option>
            }
          </mat-select>
        } @else {
          <input
            matInput
            autocomplete="off"
            [attr.inputmode]="isText() ? null : 'decimal'"
            [value]="text()"
            [disabled]="disabled()"
            [attr.aria-invalid]="wrong() === '' ? null : true"
            [attr.data-field]="field().path"
            (input)="type($any($event.target).value)"
            (blur)="leave()"
          />
        }
        @if (unit()) {
          <span matTextSuffix>{{ unit() }}</span>
        }
        @if (wrong()) {
          <mat-hint class="wrong" role="alert">{{ wrong() }}</mat-hint>
        }
      </mat-form-field>
    }
  `,
  styles: `
    mat-form-field {
      width: 100%;
    }
    .wrong {
      margin: 0;
      color: var(--mat-sys-error);
    }
  `,
})
export class FieldBox extends TypedField {}
