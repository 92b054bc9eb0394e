import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatIconModule } from '@angular/material/icon';
import { CAUTION_RULE, OPERATION_RULES, figureOf, machinesFor } from '@druckerei/core';
import { count } from '../../../ui/format';
import { JobEditor } from '../state/job-editor';
import { FigureButton } from '../../../ui/figure-button';
import { Choice } from '../parts/choice';
import { Field } from '../parts/field';
import { FinishFields } from './finish-fields';
import { NormFields } from './norm-fields';
import { PassInks } from './pass-inks';
import { PrintBench } from './print-bench';
import { RouteMenu } from './route-menu';
import { SectionReader } from './section-reader';
import { StationCard } from './station-card';
import { StepRecord } from '../record/step-record';

/** What each operation's figures are, beside the counts. */
const EXTRAS = ['platesHung', 'carriers', 'sheetsPerLift', 'packs', 'hours', 'lag', 'lead'] as const;

/** The bench of one station: its counts, what may be spoiled, its machine, its instructions and cautions. */
@Component({
  selector: 'dk-step-bench',
  imports: [
    Choice,
    Field,
    FigureButton,
    FinishFields,
    MatCheckboxModule,
    MatIconModule,
    NormFields,
    PassInks,
    PrintBench,
    RouteMenu,
    SectionReader,
    StationCard,
    StepRecord,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './step-bench.html',
  styleUrl: '../parts/bench.scss',
})
export class StepBench {
  protected readonly editor = inject(JobEditor);
  readonly stepId = input.required<string>();
  readonly figureOpened = output<string>();
  protected readonly index = computed(() => this.editor.job()?.route.findIndex(({ id }) => id === this.stepId()) ?? -1);
  protected readonly step = computed(() => this.editor.job()?.route[this.index()]);
  protected readonly planned = computed(() => this.editor.plan()?.steps.find(({ id }) => id === this.stepId()));
  protected readonly rule = computed(() => OPERATION_RULES[this.step()?.operation ?? 'box']);
  protected readonly componentName = computed(
    () => this.editor.job()?.components.find(({ id }) => id === this.step()?.component)?.name,
  );
  protected readonly machines = computed(() => {
    const [job, works, step] = [this.editor.job(), this.editor.works(), this.step()];
    return job && works && step ? machinesFor(job, works, step) : [];
  });
  protected readonly cautions = computed(() => OPERATION_RULES[this.step()?.operation ?? 'box'].cautions);
  protected readonly cautionRule = CAUTION_RULE;
  protected readonly extras = computed(() => EXTRAS.flatMap((name) => this.figure(name) ?? []));

  /** Where a run split in two says its share: the last of its press steps, or the station itself. */
  protected readonly split = computed(() => {
    const [job, step] = [this.editor.job(), this.step()];
    if (!job || !step) return undefined;
    const at = job.route.findIndex(
      (one) =>
        one.makes?.[0]?.share !== undefined &&
        (step.operation === 'print' ? one.component === step.component : one.id === step.id),
    );
    return at < 0 ? undefined : { at };
  });

  protected figure(name: string) {
    return figureOf(this.editor.plan(), `step.${this.stepId()}.${name}`);
  }

  protected folds(): string {
    return count(this.figure('foldCount')?.value ?? 0);
  }
}
