import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatSelectModule } from '@angular/material/select';
import { CAUTIONS, CAUTION_RULE, OPERATION_RULES } from '@druckerei/core';
import { count } from '../../../ui/format';
import { JobEditor } from '../state/job-editor';
import { FigureButton } from '../ui/figure-button';
import { StepRecord } from './step-record';
import { Field } from './field';
import { PrintBench } from './print-bench';

/** What each operation's figures are, beside the counts. */
const EXTRAS = ['platesHung', 'sheetsPerLift', 'lifts', 'cuts', 'rate', 'packs', 'hours', 'lag', 'lead'] as const;

/** The bench of one station: its counts, what may be spoiled, its machine, its instructions and cautions. */
@Component({
  selector: 'dk-step-bench',
  imports: [Field, FigureButton, MatFormFieldModule, MatIconModule, MatSelectModule, PrintBench, StepRecord],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './step-bench.html',
  styleUrl: './bench.scss',
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
  protected readonly machines = computed(
    () => this.editor.works()?.machines.filter(({ process }) => process === this.rule().process) ?? [],
  );
  protected readonly cautions = computed(() => CAUTIONS[this.step()?.operation ?? 'box']);
  protected readonly cautionRule = CAUTION_RULE;
  protected readonly extras = computed(() => EXTRAS.flatMap((name) => this.figure(name) ?? []));

  protected figure(name: string) {
    return this.editor.plan()?.figures[`step.${this.stepId()}.${name}`];
  }

  protected folds(): string {
    return count(this.figure('foldCount')?.value ?? 0);
  }

  /** What the works would allow, to be shown where the job sets nothing. */
  protected norm(name: 'setup' | 'running'): string {
    const figure = this.figure(name);
    if (!figure) return '';
    const value = figure.otherwise ?? figure.value;
    return name === 'running' ? count(value * 100, 4) : count(value);
  }
}
