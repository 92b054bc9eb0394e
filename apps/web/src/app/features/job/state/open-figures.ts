import { Injectable, computed, inject } from '@angular/core';
import { type Figures, figureOf, materialBalance, paperLosses } from '@druckerei/core';
import { JobEditor } from './job-editor';
import { JobView } from './job-view';
import { StationSheets } from '../station/station-sheets';
import type { FigureAt } from '../../../ui/working';

/** Figures that can be opened on the job page: of the plan, of a station's sheet, of the balance, of where the paper goes. */
@Injectable()
export class OpenFigures {
  private readonly editor = inject(JobEditor);
  private readonly view = inject(JobView);
  private readonly sheets = inject(StationSheets);

  readonly balance = computed(() => {
    const [job, plan, works] = [this.editor.job(), this.editor.plan(), this.editor.works()];
    return job && plan && works ? materialBalance(job, plan, works) : undefined;
  });
  readonly losses = computed(() => {
    const plan = this.editor.plan();
    return plan ? paperLosses(plan) : { losses: [], boughtKg: 0, figures: {} };
  });

  readonly at = computed((): FigureAt => {
    const plan = this.editor.plan();
    const [first] = this.view.trail();
    // What a sheet or the balance stands on is beside the plan too.
    const beside = first === undefined || figureOf(plan, first) ? {} : this.beside(first);
    return (id) => figureOf(plan, id) ?? beside[id];
  });

  private beside(id: string): Figures {
    const step = /^station\.([^.]+)\./.exec(id)?.[1];
    const sheet = step === undefined ? undefined : this.sheets.of(step);
    return sheet?.figures ?? this.balance()?.figures ?? this.losses().figures;
  }
}
