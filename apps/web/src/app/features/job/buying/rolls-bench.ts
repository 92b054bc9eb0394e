import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { normsOf, rollSpec, runRolls, figureOf } from '@druckerei/core';
import { JobEditor } from '../state/job-editor';
import { FigureButton } from '../../../ui/figure-button';
import { RollPlan } from './roll-plan';

const FIGURES = ['pressSheets', 'webM', 'rollNeed', 'rollUsable', 'rolls', 'splices', 'rollKg', 'rollsKg'] as const;

/** The rolls of a component: how many, where they are spliced, and what is left on the last. */
@Component({
  selector: 'dk-rolls-bench',
  imports: [FigureButton, RollPlan],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <dl class="row">
      @for (figure of figures(); track figure.id) {
        <dt>{{ figure.name.split(',')[0] }}</dt>
        <dd><dk-figure [figure]="figure" (opened)="figureOpened.emit($event)" /></dd>
      }
    </dl>
    @if (rolls().length > 0) {
      <dk-roll-plan [rolls]="rolls()" [coreMm]="coreMm()" />
      <p i18n class="quiet">
        Each splice loses what its norm says; the count is repeated until rolls and splices stand. Diameters, wraps and
        core waste are norms: open Printable length to change them for this job.
      </p>
    }
  `,
  styleUrl: '../parts/bench.scss',
})
export class RollsBench {
  private readonly editor = inject(JobEditor);
  readonly componentId = input.required<string>();
  readonly figureOpened = output<string>();
  private readonly norms = computed(() => {
    const [job, works] = [this.editor.job(), this.editor.works()];
    return job && works ? normsOf(works, job.norms) : undefined;
  });
  private readonly layout = computed(() => this.editor.plan()?.layouts[this.componentId()]);
  protected readonly figures = computed(() =>
    FIGURES.flatMap((name) => figureOf(this.editor.plan(), `component.${this.componentId()}.${name}`) ?? []),
  );
  protected readonly rolls = computed(() => {
    const [norms, layout, plan] = [this.norms(), this.layout(), this.editor.plan()];
    return norms && layout && plan ? runRolls(layout, plan.figures, norms) : [];
  });
  protected readonly coreMm = computed(() => {
    const [norms, layout] = [this.norms(), this.layout()];
    return norms && layout ? rollSpec(layout, norms).coreMm : 0;
  });
}
