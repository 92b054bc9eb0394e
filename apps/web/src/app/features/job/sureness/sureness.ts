import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  linkedSignal,
  signal,
  untracked,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSliderModule } from '@angular/material/slider';
import { type SureAnswer, normsOf, stepNames } from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import { Run } from '../../../platform/run';
import { Theme } from '../../../platform/theme';
import { count, many, percent } from '../../../ui/format';
import { NumberBox } from '../../../ui/number-box';
import { TrendChart } from '../../../ui/trend-chart';
import { JobEditor } from '../state/job-editor';
import { askSure } from './sure.client';
import type { SureMessage, SureQuestion } from './sure.messages';

/** Steps that cost less than a sheet by their uncertainty are not worth a line. */
const WORTH = 1;

/** How sure the planned sheets are, what being surer costs, and which step's uncertainty costs most. */
@Component({
  selector: 'dk-sureness',
  imports: [MatButtonModule, MatProgressBarModule, MatSliderModule, NumberBox, TrendChart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './sureness.html',
  styleUrl: './sureness.scss',
})
export class Sureness {
  protected readonly editor = inject(JobEditor);
  protected readonly theme = inject(Theme);
  protected readonly count = count;
  protected readonly many = many;
  protected readonly percent = percent;
  /** To a tenth of a per cent: more would be chance. */
  protected readonly tenth = (share: number): string => percent(Math.round(share * 1000) / 1000);
  private readonly run = new Run<SureQuestion, SureMessage>(askSure, ({ kind }) => kind === 'sure');
  protected readonly progress = computed(() => {
    const state = this.run.state();
    return state.kind === 'running' ? state : undefined;
  });
  private readonly norms = computed(() => {
    const [job, works] = [this.editor.job(), this.editor.works()];
    return job && works ? normsOf(works, job.norms) : undefined;
  });
  private readonly house = computed(() => this.norms()?.('sure.p').value ?? 0.9);
  /** As many as a plan draws, so that both say the same. */
  protected readonly draws = computed(() => this.norms()?.('sure.draws').value ?? 1);
  /** Sureness asked for, a share; the house's until the handle is moved. */
  protected readonly p = linkedSignal(() => this.house());
  protected readonly seed = linkedSignal(() => this.norms()?.('sure.seed').value ?? 1);
  /** The job is planned by sureness, at what is shown. */
  protected readonly planned = computed(
    () =>
      this.editor.job()?.school === 'sure' &&
      this.p() === this.house() &&
      this.seed() === this.norms()?.('sure.seed').value,
  );
  protected readonly answer = signal<SureAnswer | null>(null);
  protected readonly problem = signal('');
  protected readonly pricesHidden = this.editor.pricesHidden;
  protected readonly currency = computed(() => this.editor.works()?.currency ?? '');

  protected readonly rows = computed(() => {
    const [answer, job, plan] = [this.answer(), this.editor.job(), this.editor.plan()];
    if (!answer || !job || !plan) return [];
    return job.components.flatMap(({ id, name }) => {
      const sure = answer.quantities[id];
      if (sure === undefined) return [];
      const step = plan.schools.step[id] ?? 0;
      return [{ id, name, step, sure, more: sure - step, cheapest: answer.cheapest.quantities[id] ?? sure }];
    });
  });
  protected readonly lines = computed(() => [
    {
      name: $localize`Chance of falling short`,
      points: (this.answer()?.curve ?? [])
        .filter(({ level }) => level >= 0.02 && level < 1)
        .map(({ total, short }) => ({ x: total, y: short * 100 })),
    },
  ]);
  protected readonly band = computed((): readonly [number, number] => [0, (1 - this.p()) * 100]);
  protected readonly steps = computed(() => {
    const [plan, job] = [this.editor.plan(), this.editor.job()];
    const names = plan && job ? stepNames(plan, job.components) : new Map<string, string>();
    return (this.answer()?.steps ?? [])
      .filter(({ saved }) => saved >= WORTH)
      .map(({ step, saved }) => ({ step, saved, name: names.get(step) ?? step }));
  });

  constructor() {
    effect(() => {
      const [job, works] = [this.editor.job(), this.editor.works()];
      const ask = { p: this.p(), seed: this.seed(), draws: this.draws() };
      if (!job || !works) return;
      untracked(() =>
        this.run.start({ job, works, ask }, (answer) => {
          if (answer.kind !== 'sure') return;
          this.answer.set(answer.outcome.ok ? answer.outcome.value : null);
          this.problem.set(answer.outcome.ok ? '' : answer.outcome.issues.map(issueText).join(' '));
        }),
      );
    });
  }

  protected setP(percentage: number): void {
    this.p.set(Math.min(0.999, Math.max(0.5, percentage / 100)));
  }
  /** Makes sureness the school of the job, at the probability and seed on show. */
  protected planByIt(): void {
    const norms = { ...this.editor.job()?.norms, 'sure.p': this.p(), 'sure.seed': this.seed() };
    this.editor.set(['norms'], norms);
    this.editor.set(['school'], 'sure');
  }
  protected setSeed(seed: number): void {
    this.seed.set(Math.round(seed));
  }
}
