import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { pathOf } from '@druckerei/contract';
import { type FieldPath, valueAtPath } from '@druckerei/core';
import { JobEditor } from '../state/job-editor';

/** One of a few; the empty id is the choice of none: the field is taken out of the job. */
export interface Option {
  readonly id: string | boolean;
  readonly name: string;
}

/** Whose a thing is. */
export const OWNERS: readonly Option[] = [
  { id: 'house', name: $localize`the house` },
  { id: 'customer', name: $localize`the customer` },
];

/** A field of the job that is one of a few, chosen by its path. */
@Component({
  selector: 'dk-choice',
  imports: [MatFormFieldModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field>
      <mat-label>{{ label() }}</mat-label>
      <mat-select
        [value]="chosen()"
        (selectionChange)="editor.set(path(), $event.value === '' ? undefined : $event.value)"
        [disabled]="!editor.editable()"
        [attr.data-path]="key()"
      >
        @for (one of options(); track one.id) {
          <mat-option [value]="one.id">{{ one.name }}</mat-option>
        }
      </mat-select>
    </mat-form-field>
  `,
  styles: `
    :host,
    mat-form-field {
      display: block;
    }
  `,
})
export class Choice {
  protected readonly editor = inject(JobEditor);
  readonly label = input.required<string>();
  readonly path = input.required<FieldPath>();
  readonly options = input.required<readonly Option[]>();
  /** What holds where the job says nothing. */
  readonly usual = input<string | boolean>('');
  protected readonly key = computed(() => pathOf(this.path()));
  protected readonly chosen = computed(() => valueAtPath(this.editor.job(), this.path()) ?? this.usual());
}
