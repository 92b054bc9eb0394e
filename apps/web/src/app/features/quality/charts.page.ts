import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSelectModule } from '@angular/material/select';
import { RouterLink } from '@angular/router';
import { RUN_RULES } from '@druckerei/core';
import type { Readings } from '@druckerei/contract';
import { writeCgats } from '@druckerei/formats/tables';
import { Asked } from '../../platform/asked';
import { whenChanged } from '../../platform/live';
import { Theme } from '../../platform/theme';
import { chartColours } from '../../ui/chart-look';
import { count, many } from '../../ui/format';
import { saveText } from '../../ui/save-text';
import { GROUPS, type QualityChart, type RuleSet, alarmText, chartsOf, driftText, signalText } from './charts';
import { PERIODS, periodText } from './periods';
import { QualityApi } from './quality.api';
import { ControlChartView } from './ui/control-chart';
import { WordPipe } from '../../ui/word';

/** What was measured: chance told from what is not, drift with where it began, the process beside the tolerance. */
@Component({
  selector: 'dk-charts-page',
  imports: [
    ControlChartView,
    MatButtonModule,
    MatButtonToggleModule,
    MatFormFieldModule,
    MatIconModule,
    MatProgressBarModule,
    MatSelectModule,
    RouterLink,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './charts.page.html',
  styleUrl: './charts.page.scss',
})
export class ChartsPage {
  private readonly api = inject(QualityApi);
  protected readonly theme = inject(Theme);
  protected readonly days = signal(90);
  protected readonly rules = signal<RuleSet>('Western Electric 1956');
  /** Readings that are drawn as one point. */
  protected readonly group = signal(1);
  protected readonly groups = GROUPS;
  protected readonly asked = new Asked<Readings>();
  /** What is drawn in the second colour of charts: tolerances and signals. */
  protected readonly marked = computed(() => chartColours(this.theme.dark()).series[1] ?? '');
  private readonly chosen = signal('');

  protected readonly charts = computed(() => {
    const readings = this.asked.answer();
    return readings ? chartsOf(readings, this.rules(), this.group()) : [];
  });
  /** What has too few readings for points of so many. */
  protected readonly few = computed(() => {
    const readings = this.asked.answer();
    return readings ? chartsOf(readings, this.rules()).length - this.charts().length : 0;
  });
  protected readonly shown = computed(() => this.charts().find(({ key }) => key === this.chosen()) ?? this.charts()[0]);

  protected readonly count = count;
  protected readonly many = many;
  protected readonly alarmText = alarmText;
  protected readonly driftText = driftText;
  protected readonly signalText = signalText;
  protected readonly periods = PERIODS;
  protected readonly periodText = periodText;
  protected readonly sources = RUN_RULES;

  constructor() {
    this.load();
    whenChanged(['room', 'works'], () => this.load());
  }

  protected look(days: number): void {
    this.days.set(days);
    this.load();
  }
  /** What is shown, with everything else that was measured at its station, as a file of measurements. */
  protected save({ links, from }: QualityChart): void {
    const [number = '', job, step] = links[0] ?? [];
    const readings = (this.asked.answer()?.series ?? [])
      .filter((series) => series.job.id === job && series.step === step)
      .flatMap(({ of, name, points }) =>
        points.map(({ sheet, value }) => ({ of, name, sheet: sheet ?? undefined, value })),
      );
    const today = new Date().toISOString().slice(0, 10);
    saveText(`readings-${number}.txt`, 'text/plain', writeCgats(readings, from, today));
  }
  protected choose(key: string): void {
    this.chosen.set(key);
  }

  protected load(): void {
    this.asked.ask(this.api.readings(this.days()));
  }
}
