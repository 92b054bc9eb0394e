import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatSelectModule } from '@angular/material/select';
import {
  type AimSet,
  type PatchReading,
  AIM_SETS,
  DENSITY_BAND,
  GAIN_BAND,
  checkPatch,
  inkRun,
  standInDensitometer,
  own,
} from '@druckerei/core';
import { COLOUR_ADVICE_WORDS, issueText } from '@druckerei/contract';
import { Theme } from '../../../platform/theme';
import type { ColourInput } from '../../../ui/colour-input';
import { count, percent } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { NumberBox } from '../../../ui/number-box';
import { PRACTICE_SHEETS } from '../../../ui/register-input';
import { TrendChart } from '../../../ui/trend-chart';
import { BenchForm } from '../state/bench-form';
import { Bench } from '../parts/bench';
import { WordPipe } from '../../../ui/word';

const INKS = ['K', 'C', 'M', 'Y'];
const SHEETS_BETWEEN = 50;
const MOST_SHEETS = 500;
const FIRST = AIM_SETS[0]?.id ?? '';
const START: ColourInput = { set: FIRST, readings: [], seed: 7, sheets: PRACTICE_SHEETS };

/** Colour on press: solids against an aim set, density and tone value increase in their bands, and where they go over the run. */
@Component({
  selector: 'dk-colour-page',
  imports: [
    Bench,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatSelectModule,
    NumberBox,
    TrendChart,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './colour.page.html',
  styleUrl: './bench-page.scss',
})
export class ColourPage {
  protected readonly theme = inject(Theme);
  protected readonly measures = inject(Measures);
  protected readonly bench = new BenchForm('colour', START);
  protected readonly form = this.bench.value;
  protected readonly count = count;
  protected readonly percent = percent;
  protected readonly sets = AIM_SETS;
  protected readonly inks = INKS;
  protected readonly bands = { density: DENSITY_BAND, gain: GAIN_BAND };
  private readonly watched = signal('K');
  protected readonly draft = signal<PatchReading>(this.emptyReading('K'));
  protected readonly problem = signal('');

  protected readonly set = computed(
    (): AimSet | undefined => AIM_SETS.find(({ id }) => id === this.form().set) ?? AIM_SETS[0],
  );
  protected readonly runs = computed(() => {
    const set = this.set();
    return set ? INKS.flatMap((ink) => inkRun(ink, this.form().readings, set) ?? []) : [];
  });
  protected readonly rows = computed(() =>
    this.runs().map((run) => ({
      ...run,
      aim: own(this.set()?.solids, run.ink),
      densityAim: own(this.set()?.densities, run.ink),
      gainAim: own(this.set()?.gain50, run.ink),
      words: run.advice.map((code) => COLOUR_ADVICE_WORDS[code]).join(' '),
    })),
  );
  protected readonly watchedInk = computed(
    () => this.runs().find(({ ink }) => ink === this.watched())?.ink ?? this.runs()[0]?.ink,
  );
  protected readonly trend = computed(() => {
    const own = this.form().readings.filter(({ ink }) => ink === this.watchedInk());
    return [{ name: $localize`Density`, points: own.map(({ sheet, density }) => ({ x: sheet, y: density })) }];
  });
  protected readonly band = computed((): readonly [number, number] => {
    const aim = own(this.set()?.densities, this.watchedInk() ?? '') ?? 1;
    return [aim - DENSITY_BAND, aim + DENSITY_BAND];
  });

  private emptyReading(ink: string): PatchReading {
    const set = AIM_SETS[0];
    return {
      sheet: 0,
      ink,
      lab: own(set?.solids, ink) ?? { l: 50, a: 0, b: 0 },
      density: own(set?.densities, ink) ?? 1,
      gain50: own(set?.gain50, ink) ?? 0,
    };
  }

  protected change(part: Partial<ColourInput>): void {
    this.bench.set(part);
  }
  protected watch(ink: string): void {
    this.watched.set(ink);
  }
  protected edit(part: Partial<PatchReading>): void {
    this.draft.update((draft) => ({ ...draft, ...part }));
  }
  protected editLab(channel: 'l' | 'a' | 'b', value: number): void {
    this.edit({ lab: { ...this.draft().lab, [channel]: value } });
  }
  protected pickInk(ink: string): void {
    this.draft.set({ ...this.emptyReading(ink), sheet: this.draft().sheet });
  }

  /** Takes the reading in hand; what is out of reach of the instrument is kept with the reason. */
  protected enter(): void {
    const draft = this.draft();
    const issues = checkPatch(draft, 'reading');
    this.problem.set(issues.map(issueText).join(' '));
    if (issues.length > 0) return;
    this.change({ readings: [...this.form().readings, draft].sort((a, b) => a.sheet - b.sheet) });
    this.watch(draft.ink);
  }
  protected read(): void {
    const [set, { seed, sheets }] = [this.set(), this.form()];
    if (!set) return;
    const source = standInDensitometer(seed, INKS, set);
    const howMany = Math.max(1, Math.min(MOST_SHEETS, Math.round(sheets)));
    this.change({ readings: Array.from({ length: howMany }, (_, i) => source.read(i * SHEETS_BETWEEN)).flat() });
  }
  protected clear(): void {
    this.change({ readings: [] });
  }
}
