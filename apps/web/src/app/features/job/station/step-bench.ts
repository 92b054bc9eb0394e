import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatSelectModule } from '@angular/material/select';
import { CAUTION_RULE, OPERATION_RULES, machinesFor, webOf, figureOf } from '@druckerei/core';
import { count } from '../../../ui/format';
import { JobEditor } from '../state/job-editor';
import { FigureButton } from '../ui/figure-button';
import { Choice } from '../parts/choice';
import { Field } from '../parts/field';
import { FinishFields } from './finish-fields';
import { IncidentFields } from './incident-fields';
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
    IncidentFields,
    MatCheckboxModule,
    MatFormFieldModule,
    MatIconModule,
    MatSelectModule,
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

  protected readonly number = count;
  /** Where incidents happen: at a web, at a sheet press, or elsewhere. */
  protected readonly place = computed(() => {
    const layout = this.editor.plan()?.layouts[this.step()?.component ?? ''];
    if (this.step()?.operation !== 'print' || !layout) return 'anywhere';
    return webOf(layout.machine) ? 'web' : 'sheet press';
  });
  /** Stations before this one, nearest first: whose spoils may serve for its set-up. */
  protected readonly before = computed(() => {
    const plan = this.editor.plan();
    const found: { id: string; name: string }[] = [];
    for (let at: string | null | undefined = this.stepId(); at;) {
      const from: string | null | undefined = plan?.edges.find(({ to }) => to === at)?.from;
      const step = plan?.steps.find(({ id }) => id === from);
      if (!step || found.some(({ id }) => id === step.id)) break;
      found.push({ id: step.id, name: step.name });
      at = from;
    }
    return found;
  });
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

  /** What the works would allow, to be shown where the job sets nothing. */
  protected norm(name: 'setup' | 'running'): string {
    // As the works tells it: spoilage of the net where it does, a set-up without spoils and splices.
    const figure =
      (name === 'running' ? this.figure('told') : (this.figure('setup.all') ?? this.figure('setup.ready'))) ??
      this.figure(name);
    if (!figure) return '';
    const value = figure.otherwise ?? figure.value;
    return name === 'running' ? count(value * 100, 4) : count(value);
  }
}
