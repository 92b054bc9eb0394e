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
import { Asked } from '../../platform/asked';
import { whenChanged } from '../../platform/live';
import { Theme } from '../../platform/theme';
import { chartColours } from '../../ui/chart-look';
import { count, many } from '../../ui/format';
import { type RuleSet, alarmText, chartsOf, driftText, signalText } from './charts';
import { PERIODS, periodText } from './periods';
import { QualityApi } from './quality.api';
import { ControlChartView } from './ui/control-chart';

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
  protected readonly asked = new Asked<Readings>();
  /** What is drawn in the second colour of charts: tolerances and signals. */
  protected readonly marked = computed(() => chartColours(this.theme.dark()).series[1] ?? '');
  private readonly chosen = signal('');

  protected readonly charts = computed(() => {
    const readings = this.asked.answer();
    return readings ? chartsOf(readings, this.rules()) : [];
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
  protected choose(key: string): void {
    this.chosen.set(key);
  }

  protected load(): void {
    this.asked.ask(this.api.readings(this.days()));
  }
}
