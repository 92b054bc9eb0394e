import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatIconModule } from '@angular/material/icon';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import {
  type MovedColour,
  type ShiftDecision,
  COUNTING_COPIES,
  MOST_BEYOND,
  MOST_SHIFT_STEPS,
  MOST_STEPS_OFF,
  SHIFT_LOSSES,
  SHIFT_SHEET,
  SHIFT_STOPS,
  SHIFT_WASTE,
  SHORT_COPIES,
  STEP_DENSITY,
  STEP_MM,
} from '@druckerei/core';
import { BREAK_WORDS, SHIFT_LOSS_WORDS } from '@druckerei/contract';
import { guideAt } from '../../../platform/guide/guide-place';
import { failureOf } from '../../../platform/problem';
import { Theme } from '../../../platform/theme';
import { count, many, money, percent } from '../../../ui/format';
import { keep } from '../../../ui/kept';
import { NumberBox } from '../../../ui/number-box';
import { TrendChart } from '../../../ui/trend-chart';
import { PracticeApi } from '../state/practice.api';
import { ShiftRun } from '../state/shift-run';
import { RegisterView } from '../ui/register-view';
import { WordPipe } from '../../../ui/word';

/** Seeds that are drawn when another run is asked for, and that a link may name. */
const MOST_DRAWN = 10_000;
const MOST_SEED = 1e9;

/** A press run with a drifting register, a colour going off, a web break and a short count: decided look by look, held against the best that could be done. */
@Component({
  selector: 'dk-shift-page',
  imports: [
    MatButtonModule,
    MatButtonToggleModule,
    MatIconModule,
    NumberBox,
    RegisterView,
    RouterLink,
    TrendChart,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './shift.page.html',
  styleUrls: ['./bench-page.scss', './shift.page.scss'],
})
export class ShiftPage {
  private readonly router = inject(Router);
  private readonly api = inject(PracticeApi);
  protected readonly theme = inject(Theme);
  protected readonly run = new ShiftRun();
  protected readonly sheet = SHIFT_SHEET;
  protected readonly limitMm = MOST_STEPS_OFF * STEP_MM;
  protected readonly limitDensity = MOST_STEPS_OFF * STEP_DENSITY;
  protected readonly stepMm = STEP_MM;
  protected readonly stepDensity = STEP_DENSITY;
  protected readonly waste = SHIFT_WASTE;
  protected readonly stops = SHIFT_STOPS;
  protected readonly counting = COUNTING_COPIES;
  protected readonly shortCopies = SHORT_COPIES;
  protected readonly losses = SHIFT_LOSSES;
  protected readonly lossWords = SHIFT_LOSS_WORDS;
  protected readonly mostSteps = MOST_SHIFT_STEPS;
  protected readonly count = count;
  protected readonly many = many;
  /** Two places, as densities are told. */
  protected readonly money = money;
  protected readonly percent = (share: number): string => percent(Math.round(share * 100) / 100);
  protected readonly watched = signal<'register' | 'density'>('register');
  protected readonly cause = computed(() => BREAK_WORDS[this.run.shift().broken.cause]);
  /** What has to be said before the next copies run. */
  protected readonly wanted = computed(() => this.run.isBroken() && this.run.next().roll === undefined);
  protected readonly beyond = signal(0);
  /** Why the result was not kept. */
  protected readonly unkept = signal('');
  /** What the best would have done, look by look. */
  protected readonly bestSteps = computed(() =>
    this.run.best().decisions.flatMap((decision, look) => {
      const said = this.said(decision);
      return said.length > 0 ? [{ at: look * this.run.shift().perLook, said: said.join('; ') }] : [];
    }),
  );

  constructor() {
    guideAt(() => ({ page: 'lessons', heading: '' }));
    const seed = Number(inject(ActivatedRoute).snapshot.queryParamMap.get('seed') ?? this.run.seed());
    // Whoever comes back goes on; a link to another run begins that.
    if (seed !== this.run.seed()) this.run.begin(Number.isInteger(seed) && seed > 0 && seed <= MOST_SEED ? seed : 1);
  }

  private said({ moves, keys, roll, count: counts }: ShiftDecision): string[] {
    const steps = (what: string, of: Readonly<Record<string, number | undefined>>): string[] =>
      Object.entries(of).map(
        ([colour, by = 0]) => $localize`${what} ${colour} by ${by > 0 ? '+' : '−'}${Math.abs(by)}`,
      );
    return [
      ...(roll === undefined ? [] : [roll === 'new' ? $localize`hang another roll` : $localize`thread the same roll`]),
      ...steps('move', moves),
      ...steps($localize`keys of`, keys),
      ...(counts ? [$localize`count a pile`] : []),
    ];
  }

  protected begin(seed: number): void {
    this.run.begin(Math.max(1, Math.min(MOST_SEED, Math.round(seed))));
    this.beyond.set(0);
    void this.router.navigate([], { queryParams: { seed: this.run.seed() }, replaceUrl: true });
  }
  protected another(): void {
    this.begin(1 + Math.floor(Math.random() * MOST_DRAWN));
  }
  /** Whole steps, as far as a press takes them. */
  private readonly steps = (text: string): number =>
    Math.max(-MOST_SHIFT_STEPS, Math.min(MOST_SHIFT_STEPS, Math.round(Number(text) || 0)));
  protected move(colour: string, text: string): void {
    this.run.move(colour as MovedColour, this.steps(text));
  }
  protected keys(colour: 'K' | 'C' | 'M' | 'Y', text: string): void {
    this.run.keys(colour, this.steps(text));
  }
  protected decide(change: Partial<ShiftDecision>): void {
    this.run.decide(change);
  }
  /** Hands what is read now to the bench that works it out. */
  protected hand(bench: 'register' | 'colour'): void {
    keep(bench, bench === 'register' ? this.run.forRegister() : this.run.forColour());
    void this.router.navigateByUrl(`/benches/${bench}`);
  }
  protected print(): void {
    this.run.run();
    if (this.run.isOver()) this.beyond.set(0);
  }
  /** Ends the shift: what it came to is told here, and kept by the server for whoever is signed in. */
  protected handOver(): void {
    const extra = Math.max(0, Math.min(MOST_BEYOND, Math.round(this.beyond())));
    this.run.handOver(extra);
    this.unkept.set('');
    this.api.play(this.run.played(extra)).subscribe({
      error: (error: unknown) => this.unkept.set(failureOf(error).text),
    });
  }
}
