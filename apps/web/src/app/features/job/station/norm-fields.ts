import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatSelectModule } from '@angular/material/select';
import { figureOf, webOf } from '@druckerei/core';
import { count, percent, unitText } from '../../../ui/format';
import { Field } from '../parts/field';
import { JobEditor } from '../state/job-editor';
import { IncidentFields } from './incident-fields';

/** What a station may spoil, as one line; opened, where the job says otherwise than the norm. */
@Component({
  selector: 'dk-norm-fields',
  imports: [Field, IncidentFields, MatFormFieldModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './norm-fields.html',
  styleUrl: '../parts/bench.scss',
})
export class NormFields {
  protected readonly editor = inject(JobEditor);
  readonly stepId = input.required<string>();
  protected readonly index = computed(() => this.editor.job()?.route.findIndex(({ id }) => id === this.stepId()) ?? -1);
  protected readonly step = computed(() => this.editor.job()?.route[this.index()]);
  protected readonly planned = computed(() => this.editor.plan()?.steps.find(({ id }) => id === this.stepId()));
  protected readonly number = count;
  protected readonly opened = signal(false);
  /** Something typed here cannot be used yet: it is not folded away. */
  protected readonly waiting = computed(() =>
    Object.keys(this.editor.pending()).some((path) => path.startsWith(`route[${this.index()}].`)),
  );
  /** "Set-up 25 sheets, runs 1.2 %". */
  protected readonly line = computed(() => {
    const planned = this.planned();
    if (!planned) return $localize`Set-up and running`;
    const setup = planned.setup + planned.setupSpoils;
    const samples = planned.samples > 0 ? $localize`, ${count(planned.samples)} samples taken` : '';
    return $localize`Set-up ${count(setup)} ${unitText(planned.unitIn, setup)}, runs ${percent(planned.running)}${samples}`;
  });
  /** What the job itself says of this station. */
  protected readonly marked = computed(() => {
    const { setup, running, samples, setupFrom, incidents = [] } = this.step() ?? {};
    return [
      setup === undefined ? [] : 'set-up',
      running === undefined ? [] : 'running',
      samples ? 'samples' : [],
      setupFrom === undefined ? [] : $localize`spoils used`,
      incidents.length === 0 ? [] : 'incidents',
    ].flat();
  });
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

  /** What the works would allow, to be shown where the job sets nothing. */
  protected norm(name: 'setup' | 'running'): string {
    const figure = (id: string) => figureOf(this.editor.plan(), `step.${this.stepId()}.${id}`);
    // As the works tells it: spoilage of the net where it does, a set-up without spoils and splices.
    const told = (name === 'running' ? figure('told') : (figure('setup.all') ?? figure('setup.ready'))) ?? figure(name);
    if (!told) return '';
    const value = told.otherwise ?? told.value;
    return name === 'running' ? count(value * 100, 4) : count(value);
  }
}
