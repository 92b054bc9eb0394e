import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSelectModule } from '@angular/material/select';
import { RouterLink } from '@angular/router';
import { pareto } from '@druckerei/core';
import type { FaultLine, Faults } from '@druckerei/contract';
import { Asked } from '../../platform/asked';
import { whenChanged } from '../../platform/live';
import { count, many, timeText } from '../../ui/format';
import { PERIODS, periodText } from './periods';
import { QualityApi } from './quality.api';
import { WordPipe } from '../../ui/word';

/** What faults are added up by. */
const BY = {
  Reason: ({ reason }: FaultLine) => reason,
  Station: ({ station }: FaultLine) => station,
  Machine: ({ machine }: FaultLine) => machine ?? $localize`by hand`,
  Stock: ({ stock }: FaultLine) => stock || 'several',
  Shift: ({ shift }: FaultLine) => shift,
} as const;
type By = keyof typeof BY;

/** Entries of a bar that are listed. */
const LISTED = 50;

/** What went wrong, the largest first, and back to the entries that say so. */
@Component({
  selector: 'dk-faults-page',
  imports: [
    MatButtonModule,
    MatButtonToggleModule,
    MatFormFieldModule,
    MatProgressBarModule,
    MatSelectModule,
    RouterLink,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './faults.page.html',
  styleUrl: './faults.page.scss',
})
export class FaultsPage {
  private readonly api = inject(QualityApi);
  protected readonly days = signal(90);
  protected readonly by = signal<By>('Reason');
  /** Kind of station that it is narrowed to; nothing for all. */
  protected readonly station = signal('');
  protected readonly asked = new Asked<Faults>();
  protected readonly open = signal<string | undefined>(undefined);

  protected readonly stations = computed(() =>
    [...new Set(this.asked.answer()?.lines.map(({ station }) => station))].sort((a, b) => a.localeCompare(b)),
  );
  private readonly narrowed = computed(() =>
    (this.asked.answer()?.lines ?? []).filter(({ station }) => this.station() === '' || station === this.station()),
  );
  protected readonly bars = computed(() => pareto(this.narrowed(), BY[this.by()]));
  protected readonly all = computed(() => this.narrowed().reduce((sum, line) => sum + line.count, 0));
  protected readonly listed = computed(() => {
    const bar = this.bars().find(({ name }) => name === this.open());
    return [...(bar?.rows ?? [])].sort((a, b) => b.at.localeCompare(a.at)).slice(0, LISTED);
  });

  protected readonly bys = Object.keys(BY) as By[];
  protected readonly count = count;
  protected readonly many = many;
  protected readonly time = timeText;
  protected readonly periods = PERIODS;
  protected readonly periodText = periodText;

  constructor() {
    this.load();
    whenChanged(['room', 'works'], () => this.load());
  }

  protected look(days: number): void {
    this.days.set(days);
    this.load();
  }
  protected turn(by: By): void {
    this.by.set(by);
    this.open.set(undefined);
  }
  protected show(name: string): void {
    this.open.set(this.open() === name ? undefined : name);
  }

  protected load(): void {
    this.asked.ask(this.api.faults(this.days()));
  }
}
