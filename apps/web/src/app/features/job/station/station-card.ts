import { figureOf } from '@druckerei/core';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { JobEditor } from '../state/job-editor';
import { StationSheets } from './station-sheets';
import { FigureButton } from '../../../ui/figure-button';
import { StationDrawingView } from './station-drawing';

/** Rows of a list that stand open; the rest is asked for. */
const ROWS = 12;

/** What a finishing station needs beside its counts: figures, drawings to scale, lists, and what to look at. */
@Component({
  selector: 'dk-station-card',
  imports: [FigureButton, MatButtonModule, StationDrawingView],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './station-card.html',
  styleUrl: './station-card.scss',
})
export class StationCard {
  private readonly editor = inject(JobEditor);
  private readonly sheets = inject(StationSheets);
  readonly stepId = input.required<string>();
  readonly figureOpened = output<string>();
  protected readonly sheet = computed(() => this.sheets.of(this.stepId()));
  protected readonly drawings = computed(() => this.sheet()?.drawings ?? []);
  protected readonly figures = computed(() => {
    const [sheet, plan] = [this.sheet(), this.editor.plan()];
    return sheet && plan ? sheet.shown.flatMap((id) => sheet.figures[id] ?? figureOf(plan, id) ?? []) : [];
  });
  protected readonly rows = ROWS;
  protected readonly files = computed(() => {
    const revision = this.editor.revision();
    const at = `/api/jobs/${revision?.id}/revisions/${revision?.revision}/stations/${this.stepId()}`;
    return { pdf: `${at}.pdf`, svg: `${at}.svg`, csv: `${at}.csv`, numbers: `${at}/numbers.pdf` };
  });
  protected readonly numbers = computed(
    () => this.editor.job()?.route.find(({ id }) => id === this.stepId())?.operation === 'number',
  );
  /** Documents are made of what the server has. */
  protected readonly kept = computed(() => !this.editor.unsaved());
}
