import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { RouterLink } from '@angular/router';
import {
  type Level,
  type Severity,
  type Works,
  AQLS,
  LEVELS,
  SAMPLING_TABLE,
  SEVERITIES,
  normsOf,
  operatingCurve,
  passChance,
  samplingPlan,
  samplingRules,
  shareAt,
} from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import { Api } from '../../platform/api';
import { Theme } from '../../platform/theme';
import { count, readNumber } from '../../ui/format';
import { PassChart } from './ui/pass-chart';
import { WordPipe } from '../../ui/word';

/** Shares of the chance that the curve is read off at. */
const CHANCES = [0.95, 0.5, 0.1] as const;

/** How many pieces of a lot are looked at, how many of them may be faulty, and what such a plan lets pass. */
@Component({
  selector: 'dk-sampling-page',
  imports: [MatFormFieldModule, MatInputModule, MatSelectModule, PassChart, RouterLink, WordPipe],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './sampling.page.html',
  styleUrl: './sampling.page.scss',
})
export class SamplingPage {
  protected readonly theme = inject(Theme);
  private readonly works = signal<Works | undefined>(undefined);
  private readonly rules = computed(() => {
    const works = this.works();
    return works ? samplingRules(normsOf(works, {})) : undefined;
  });
  protected readonly lot = signal('1,000');
  private readonly ownAql = signal<number | undefined>(undefined);
  private readonly ownLevel = signal<Level | undefined>(undefined);
  protected readonly severity = signal<Severity>('normal');
  protected readonly aql = computed(() => this.ownAql() ?? this.rules()?.aql ?? 1);
  protected readonly level = computed(() => this.ownLevel() ?? this.rules()?.level ?? 'II');

  protected readonly pieces = computed(() => readNumber(this.lot()) ?? NaN);
  private readonly made = computed(() =>
    samplingPlan(
      { lot: this.pieces(), aql: this.aql(), level: this.level(), severity: this.severity() },
      this.rules()?.table ?? SAMPLING_TABLE,
    ),
  );
  protected readonly plan = computed(() => {
    const made = this.made();
    return made.ok ? made.value : undefined;
  });
  protected readonly wrong = computed(() => {
    const made = this.made();
    return made.ok ? '' : made.issues.map(issueText).join(' ');
  });
  protected readonly curve = computed(() => {
    const plan = this.plan();
    return plan && !plan.all ? operatingCurve({ ...plan, lot: this.pieces() }) : [];
  });
  protected readonly atLimit = computed(() => {
    const plan = this.plan();
    return plan ? passChance({ ...plan, lot: this.pieces() }, plan.aql / 100) : 1;
  });
  protected readonly shares = computed(() => {
    const plan = this.plan();
    return plan ? CHANCES.map((chance) => ({ chance, share: shareAt(plan, chance) })) : [];
  });

  protected readonly aqls = AQLS;
  protected readonly levels = LEVELS;
  protected readonly severities = SEVERITIES;
  protected readonly count = count;

  constructor() {
    inject(Api)
      .works()
      .subscribe((works) => this.works.set(works));
  }

  protected limit(aql: number): void {
    this.ownAql.set(aql);
  }
  protected look(level: Level): void {
    this.ownLevel.set(level);
  }
}
