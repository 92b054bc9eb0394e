import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { pathOf } from '@druckerei/contract';
import { type FieldPath, valueAtPath } from '@druckerei/core';
import { DateBox } from '../../../ui/date-box';
import { JobEditor } from '../state/job-editor';

/** A date of the job. */
@Component({
  selector: 'dk-date-field',
  imports: [DateBox],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dk-date
      [label]="label()"
      [path]="key()"
      [value]="value()"
      [readonly]="!editor.editable()"
      (picked)="editor.set(path(), $event === '' ? undefined : $event)"
    />
  `,
})
export class DateField {
  protected readonly editor = inject(JobEditor);
  readonly label = input.required<string>();
  readonly path = input.required<FieldPath>();
  protected readonly key = computed(() => pathOf(this.path()));
  protected readonly value = computed(() => {
    const value = valueAtPath(this.editor.job(), this.path());
    return typeof value === 'string' ? value : '';
  });
}
