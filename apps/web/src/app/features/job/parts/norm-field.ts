import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { baseId, limitsInWords, mayScope, normById, normInWords, normLevels } from '@druckerei/core';
import { count } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { JobEditor } from '../state/job-editor';
import { Field } from './field';
import { WordPipe } from '../../../ui/word';

const NORM_FIGURE = 'norm.';

/** Where the figure on show is a norm: lets this job have a value of its own for it. Empty, the norm of the works stands. */
@Component({
  selector: 'dk-norm-field',
  imports: [Field, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (norm(); as n) {
      <dk-field
        i18n-label
        label="In this job, instead of the norm"
        [path]="['norms', n.id]"
        [unit]="n.unit"
        [optional]="true"
        [norm]="house()"
      />
      <p i18n class="quiet">Goes {{ limits() }}. For every job: change it under Norms.</p>
      @if (levels(); as all) {
        <dl i18n-aria-label aria-label="Where the value comes from, nearest first">
          @for (level of all; track level.name) {
            <dt [class.here]="level.inForce">{{ level.name }}</dt>
            <dd [class.here]="level.inForce">{{ level.text }}{{ level.inForce ? (', in force' | word) : '' }}</dd>
          }
        </dl>
      }
    }
  `,
  styles: `
    dk-field {
      margin-top: 14px;
    }
    p {
      margin: 4px 0 0;
    }
    dl {
      display: grid;
      grid-template-columns: max-content 1fr;
      gap: 2px 14px;
      margin: 10px 0 0;
    }
    dd {
      margin: 0;
    }
    .here {
      font-weight: 650;
    }
  `,
})
export class NormField {
  private readonly editor = inject(JobEditor);
  private readonly measures = inject(Measures);
  /** Figures opened one out of another, the norm last: they tell at which step it is asked. */
  readonly trail = input.required<readonly string[]>();
  private readonly figure = computed(() => this.trail().at(-1));
  /** The house's norm, where the figure is one told for a machine or a run too: a job sets it for all of its steps. */
  protected readonly norm = computed(() => {
    const [works, figure] = [this.editor.works(), this.figure()];
    return works && figure?.startsWith(NORM_FIGURE)
      ? normById(works, baseId(figure.slice(NORM_FIGURE.length)))
      : undefined;
  });
  /** Every level at which the norm may be told for the step that it was opened from. */
  protected readonly levels = computed(() => {
    const [norm, works, job, plan] = [this.norm(), this.editor.works(), this.editor.job(), this.editor.plan()];
    if (!norm || !works || !job || !plan || !mayScope(norm)) return undefined;
    const id = [...this.trail()].reverse().find((figure) => figure.startsWith('step.'));
    const step = plan.steps.find((one) => id?.startsWith(`step.${one.id}.`));
    const layout = plan.layouts[step?.component ?? ''];
    const scope = {
      machine: step?.machine ?? undefined,
      coated: layout?.stock.coated,
      run: step && Math.ceil(step.net),
    };
    return normLevels(works, job.norms, norm.id, scope).map(({ value, ...level }) => ({
      ...level,
      text: value === undefined ? $localize`not told` : normInWords(norm, value),
    }));
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
