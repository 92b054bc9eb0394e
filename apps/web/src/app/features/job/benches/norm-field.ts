import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { limitsInWords, normCatalogue } from '@druckerei/core';
import { count } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { JobEditor } from '../state/job-editor';
import { Field } from './field';

const NORM_FIGURE = 'norm.';

/** Where the figure on show is a norm: lets this job have a value of its own for it. Empty, the norm of the works stands. */
@Component({
  selector: 'dk-norm-field',
  imports: [Field],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (norm(); as n) {
      <dk-field
        label="In this job, instead of the norm"
        [path]="['norms', n.id]"
        [unit]="n.unit"
        [optional]="true"
        [norm]="house()"
      />
      <p class="quiet">Goes {{ limits() }}. For every job: change it under Norms.</p>
    }
  `,
  styles: `
    dk-field {
      margin-top: 14px;
    }
    p {
      margin: 4px 0 0;
    }
  `,
})
export class NormField {
  private readonly editor = inject(JobEditor);
  private readonly measures = inject(Measures);
  readonly figure = input.required<string | undefined>();
  protected readonly norm = computed(() => {
    const [works, figure] = [this.editor.works(), this.figure()];
    return works && figure?.startsWith(NORM_FIGURE)
      ? normCatalogue(works).get(figure.slice(NORM_FIGURE.length))
      : undefined;
  });
  protected readonly house = computed(() => {
    const norm = this.norm();
    if (!norm) return '';
    return count(this.measures.of(norm.unit).show(this.editor.works()?.norms[norm.id]?.value ?? norm.value), 6);
  });
  protected readonly limits = computed(() => {
    const norm = this.norm();
    return norm ? limitsInWords(norm) : '';
  });
}
