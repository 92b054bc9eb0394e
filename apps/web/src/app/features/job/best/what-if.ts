import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { type Job, diffJobs, differingSteps, figureOf, plan, streamModel } from '@druckerei/core';
import { changeInWords } from '@druckerei/contract';
import { Api } from '../../../platform/api';
import { failureOf } from '../../../platform/problem';
import { Measures } from '../../../ui/measures';
import { JobEditor } from '../state/job-editor';
import { Stream } from '../stream/stream';
import { Beside } from './beside';

const FIGURES = [
  'total.cost',
  'total.unitCost',
  'total.pressSheets',
  'total.paperKg',
  'total.plates',
  'total.inkKg',
  'total.hours',
  'total.leadHours',
] as const;

/** A job kept as it was beside what is tried: figures, fields and stream of both, one to take or both to keep. */
@Component({
  selector: 'dk-what-if',
  imports: [MatButtonModule, Stream],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './what-if.html',
  styleUrl: './best-room.scss',
})
export class WhatIf {
  protected readonly editor = inject(JobEditor);
  private readonly measures = inject(Measures);
  private readonly beside = inject(Beside);
  private readonly api = inject(Api);
  protected readonly busy = signal(false);
  protected readonly said = signal('');
  protected readonly failed = signal('');
  private readonly id = computed(() => this.editor.revision()?.id);
  protected readonly was = computed(() => this.beside.of(this.id()));
  private readonly wasPlanned = computed(() => {
    const [was, works] = [this.was(), this.editor.works()];
    const outcome = was && works ? plan(was, works) : undefined;
    return outcome?.ok ? outcome.value : undefined;
  });
  protected readonly rows = computed(() =>
    FIGURES.flatMap((id) => {
      const [kept, tried] = [figureOf(this.wasPlanned(), id), figureOf(this.editor.plan(), id)];
      if (!kept || !tried) return [];
      const by = tried.value - kept.value;
      const difference = this.measures.quantity(Math.abs(by), tried.unit);
      return [
        {
          name: kept.name,
          kept: this.measures.figure(kept),
          tried: this.measures.figure(tried),
          difference: Math.abs(by) < 1e-9 ? $localize`the same` : `${by < 0 ? '−' : '+'}${difference}`,
        },
      ];
    }),
  );
  protected readonly changes = computed(() => {
    const [was, now, works] = [this.was(), this.editor.job(), this.editor.works()];
    return was && now && works ? diffJobs(was, now).map((change) => changeInWords(change, works)) : [];
  });
  protected readonly streams = computed(() => {
    const [was, planned, tried] = [this.was(), this.wasPlanned(), this.editor.plan()];
    if (!was || !planned) return undefined;
    return streamModel(was, planned, tried ? { marks: differingSteps(planned, tried) } : {});
  });

  protected keep(): void {
    const [id, job] = [this.id(), this.editor.job()];
    if (id !== undefined && job) this.beside.keep(id, job);
    this.said.set('');
  }

  protected takeBack(): void {
    const [id, was] = [this.id(), this.was()];
    if (id === undefined || !was) return;
    this.editor.takePlan(was);
    this.beside.drop(id);
    this.said.set($localize`The job is as it was kept; undo brings back what was tried.`);
  }

  protected leaveIt(): void {
    const id = this.id();
    if (id !== undefined) this.beside.drop(id);
    this.said.set($localize`The job stays as it is now.`);
  }

  /** The kept one becomes a job of its own. */
  protected keepBoth(): void {
    const [id, was] = [this.id(), this.was()];
    if (id === undefined || !was) return;
    const job: Job = { ...was, number: `${was.number} A`.slice(0, 40), title: was.title };
    this.busy.set(true);
    this.failed.set('');
    this.api.createJob(job).subscribe({
      next: () => {
        this.busy.set(false);
        this.beside.drop(id);
        this.said.set($localize`What was kept is job ${job.number} now; this one stays as it is tried.`);
      },
      error: (error: unknown) => {
        this.busy.set(false);
        this.failed.set(failureOf(error).text);
      },
    });
  }
}
