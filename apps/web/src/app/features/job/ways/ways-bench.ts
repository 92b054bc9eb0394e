import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import {
  type Plan,
  type Ranking,
  type Way,
  type WayTarget,
  RANKINGS,
  breakEven,
  isPlatelessPress,
  plan,
  withWay,
  figureOf,
  hoursText,
  sizeNumber,
  wordOf,
} from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import { sureText } from '../../../ui/floor-words';
import { count, percent, timeText } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { JobEditor } from '../state/job-editor';
import { ReadyWays } from './ready-ways';
import { WaysStore } from './ways.store';
import { STYLE_NAMES } from '../ui/style-names';
import { LayoutView } from '../../../ui/layout-view';
import { type FigureAt, Working } from '../../../ui/working';
import { WordPipe } from '../../../ui/word';

const RANKING_NAMES: Readonly<Record<Ranking, string>> = {
  cost: $localize`Cost`,
  paper: $localize`Paper`,
  hours: $localize`Hours`,
  plates: $localize`Plates`,
};

interface Row {
  readonly way: Way;
  readonly plan: Plan | undefined;
  readonly figureAt: FigureAt;
  readonly press: string;
  readonly paper: string;
  readonly style: string;
  readonly sections: string;
  readonly isCurrent: boolean;
  /** Cost against the way that the job is in. */
  readonly difference: string;
}

/** Every way to run a component or the text, ranked; each opens to its working and can be taken. */
@Component({
  selector: 'dk-ways-bench',
  imports: [LayoutView, MatButtonModule, MatButtonToggleModule, MatIconModule, MatProgressBarModule, Working, WordPipe],
  providers: [ReadyWays, WaysStore],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './ways-bench.html',
  styleUrl: './ways-bench.scss',
})
export class WaysBench {
  protected readonly hoursText = hoursText;
  protected readonly editor = inject(JobEditor);
  protected readonly ways = inject(WaysStore);
  protected readonly readyWays = inject(ReadyWays);
  /** The floor is asked when each way would be ready. */
  protected readonly asksReady = signal(false);
  protected readonly measures = inject(Measures);
  readonly componentId = input.required<string>();
  protected readonly count = count;
  protected readonly timeText = timeText;
  protected readonly sureText = sureText;
  protected readonly percent = percent;
  protected readonly issueText = issueText;
  protected readonly rankings = computed(() =>
    RANKINGS.filter((id) => id !== 'cost' || !this.editor.pricesHidden()).map((id) => ({
      id,
      name: RANKING_NAMES[id],
    })),
  );
  private readonly component = computed(() =>
    this.editor.job()?.components.find(({ id }) => id === this.componentId()),
  );
  /** A section, or a form that carries sections. */
  protected readonly isSection = computed(
    () =>
      this.component()?.kind === 'section' ||
      this.editor.job()?.components.some(({ kind, on }) => kind === 'section' && on === this.componentId()) === true,
  );
  protected readonly wholeText = signal(true);
  protected readonly target = computed((): WayTarget =>
    this.isSection() && this.wholeText() ? { kind: 'text' } : { kind: 'component', id: this.componentId() },
  );
  /** The way that is opened, and the figures of its working opened one out of another. */
  protected readonly opened = signal<string | null>(null);
  protected readonly trail = signal<readonly string[]>([]);
  protected readonly currency = computed(() => this.editor.works()?.currency ?? '');
  private readonly current = computed(() => {
    const found = this.ways.found();
    return found?.ways.find(({ id }) => id === found.current);
  });
  protected readonly rows = computed((): readonly Row[] => this.ways.rows().map((way) => this.row(way)));
  /** Cheapest with plates against cheapest without: the quantity at which one overtakes the other. */
  protected readonly overtakes = computed(() => {
    const works = this.editor.works();
    const found = this.editor.pricesHidden() ? [] : (this.ways.found()?.ways ?? []);
    const digital = (way: Way): boolean => works !== null && isPlatelessPress(works, way.press);
    const [offset, plateless] = [found.find((way) => !digital(way)), found.find(digital)];
    const quantity = offset && plateless ? breakEven(offset, plateless) : undefined;
    return quantity === undefined
      ? ''
      : $localize`Digital is the cheaper up to about ${count(Math.floor(quantity))} copies.`;
  });

  constructor() {
    if (this.editor.pricesHidden()) this.ways.rank('hours');
    // Asked anew whenever the job or the part changes; the answer of an older question is dropped with its worker.
    effect(() => {
      const [job, works, target] = [this.editor.job(), this.editor.works(), this.target()];
      untracked(() => this.readyWays.forget());
      if (job && works) untracked(() => this.ways.find(job, works, target));
    });
    effect(() => {
      const [id, job, works, target] = [
        this.editor.revision()?.id,
        this.editor.job(),
        this.editor.works(),
        this.target(),
      ];
      const ways = this.asksReady() ? this.ways.rows() : [];
      if (id === undefined || !job || !works || ways.length === 0) return;
      const jobs = ways.map((way) => ({ way: way.id, job: withWay(job, target, way, works) }));
      untracked(() => this.readyWays.ask(id, jobs));
    });
  }

  private row(way: Way): Row {
    const [job, works] = [this.editor.job(), this.editor.works()];
    const outcome = job && works ? plan({ ...withWay(job, this.target(), way, works), school: 'step' }, works) : null;
    const made = outcome?.ok ? outcome.value : undefined;
    const now = this.current();
    const difference = now ? way.cost - now.cost : 0;
    return {
      way,
      plan: made,
      figureAt: (id) => figureOf(made, id),
      press: works?.machines.find(({ id }) => id === way.press)?.name ?? way.press,
      paper: this.paperText(way),
      style: STYLE_NAMES[way.workStyle],
      sections: [
        way.sections ? $localize`sections ${way.sections.join(' + ')}` : [],
        way.shared ? $localize`two sections on a form` : [],
      ]
        .flat()
        .join(', '),
      isCurrent: way.id === now?.id,
      difference: difference === 0 || !now ? '' : `${difference > 0 ? '+' : '−'}${count(Math.abs(difference))}`,
    };
  }

  private paperText({ sheet, bought, stock }: Way): string {
    const name = this.editor.works()?.stocks.find(({ id }) => id === stock)?.name ?? stock;
    const grain = this.measures.of('mm').show(sheet.grain === 'width' ? sheet.widthMm : sheet.heightMm);
    const size = $localize`${this.measures.size(sheet.widthMm, sheet.heightMm)}, grain along ${sizeNumber(grain, 2)}`;
    if (!bought) return `${name}, ${size}`;
    return bought.kind === 'sheet'
      ? $localize`${name}, ${size}, out of ${this.measures.size(bought.widthMm, bought.heightMm)}`
      : $localize`${name}, ${size}, from a ${wordOf(bought.kind === 'roll' ? 'roll' : 'web')} of ${this.measures.quantity(bought.widthMm, 'mm')}`;
  }

  protected firstLayout(row: Row) {
    const ids = Object.keys(row.plan?.layouts ?? {});
    const target = this.target();
    const id = target.kind === 'component' ? target.id : ids.find((one) => /^(form-)?section/.test(one));
    return row.plan?.layouts[id ?? ''];
  }

  protected open(id: string): void {
    this.opened.set(this.opened() === id ? null : id);
    this.trail.set([this.editor.pricesHidden() ? 'total.hours' : 'total.cost']);
  }

  protected take(way: Way): void {
    this.editor.runWay(this.target(), way);
    this.opened.set(null);
  }
}
