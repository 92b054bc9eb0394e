import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatIconModule } from '@angular/material/icon';
import {
  type ColourOffsets,
  type MarkPlace,
  type SheetReading,
  PRACTICE_NOISE,
  fitRegister,
  judgeColour,
  movesOf,
  practiceRegister,
  runOf,
  standInCamera,
  table,
  own,
} from '@druckerei/core';
import { REGISTER_ADVICE_WORDS, issueText } from '@druckerei/contract';
import { Theme } from '../../../platform/theme';
import { count } from '../../../ui/format';
import { Measures } from '../../../ui/measures';
import { NumberBox } from '../../../ui/number-box';
import { PRACTICE_SHEETS, type RegisterInput } from '../../../ui/register-input';
import { TrendChart } from '../../../ui/trend-chart';
import { BenchForm } from '../state/bench-form';
import { Bench } from '../parts/bench';
import { FanOutBox } from '../parts/fan-out-box';
import { RegisterView } from '../ui/register-view';
import { WordPipe } from '../../../ui/word';

/** Tolerance, trap and steps are practice, handbook chapter 5: sheet-fed. */
const START: RegisterInput = {
  widthMm: 1020,
  heightMm: 720,
  marks: [
    { xMm: 60, yMm: 360 },
    { xMm: 960, yMm: 360 },
  ],
  rows: [
    {
      colour: 'C',
      offsets: [
        { dx: 0.06, dy: 0.1 },
        { dx: 0.02, dy: 0.16 },
      ],
    },
    {
      colour: 'M',
      offsets: [
        { dx: -0.02, dy: 0.01 },
        { dx: -0.01, dy: 0.02 },
      ],
    },
    {
      colour: 'Y',
      offsets: [
        { dx: 0.01, dy: -0.14 },
        { dx: 0.02, dy: 0.03 },
      ],
    },
  ],
  toleranceMm: 0.1,
  leastTrapMm: 0.05,
  stepMm: 0.01,
  cockStepMmPerM: 0.01,
  sheets: PRACTICE_SHEETS,
  seed: 7,
};

const SHEETS_BETWEEN = 50;

const zeros = (marks: readonly MarkPlace[]): ColourOffsets => marks.map(() => ({ dx: 0, dy: 0 }));

/** The register bench: offsets at the marks entered or read, what to move, and what moves will not mend. */
@Component({
  selector: 'dk-register-page',
  imports: [
    Bench,
    FanOutBox,
    MatButtonModule,
    MatButtonToggleModule,
    MatIconModule,
    NumberBox,
    RegisterView,
    TrendChart,
    WordPipe,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './register.page.html',
  styleUrl: './bench-page.scss',
})
export class RegisterPage {
  protected readonly theme = inject(Theme);
  protected readonly measures = inject(Measures);
  protected readonly bench = new BenchForm('register', START);
  protected readonly form = this.bench.value;
  protected readonly count = count;
  protected readonly after = signal(false);
  /** Sheets that the stand-in has read; typing a reading puts them away. */
  private readonly run = signal<readonly SheetReading[]>([]);
  protected readonly runLength = computed(() => this.run().length);
  private readonly watched = signal('');
  /** Colour whose way over the run is drawn. */
  protected readonly trendColour = computed(
    () => this.form().rows.find(({ colour }) => colour === this.watched())?.colour ?? this.form().rows[0]?.colour ?? '',
  );
  protected readonly trend = computed(() => {
    const colour = this.trendColour();
    const mean = (of: (offset: { dx: number; dy: number }) => number): { x: number; y: number }[] =>
      this.run().map(({ sheet, colours }) => {
        const offsets = own(colours, colour) ?? [];
        const sum = offsets.reduce((total, offset) => total + of(offset), 0);
        return { x: sheet, y: sum / Math.max(1, offsets.length) };
      });
    return [
      { name: $localize`Across`, points: mean(({ dx }) => dx) },
      { name: $localize`Around`, points: mean(({ dy }) => dy) },
    ];
  });

  /** Every colour: its offsets, the fit, the moves and the verdict, or why it cannot be told. */
  protected readonly colours = computed(() => {
    const { marks, rows, toleranceMm, leastTrapMm, stepMm, cockStepMmPerM } = this.form();
    return rows.map(({ colour, offsets }) => {
      const run = runOf(colour, this.run(), toleranceMm);
      const fitted = fitRegister(marks, offsets, colour);
      if (!fitted.ok) return { colour, offsets, problem: fitted.issues.map(issueText).join(' '), of: undefined };
      const fit = fitted.value;
      const { scatterMm, drifts } = run;
      const verdict = judgeColour({ marks, offsets, fit, toleranceMm, leastTrapMm, scatterMm, drifts });
      const moves = movesOf(fit, { moveMm: Math.max(1e-4, stepMm), cockMmPerM: Math.max(1e-4, cockStepMmPerM) });
      const advice = [
        ...verdict.advice.map((code) => REGISTER_ADVICE_WORDS[code]),
        ...(verdict.advice.includes('stretch') ? this.pressCan() : []),
      ].join(' ');
      return { colour, offsets, problem: '', of: { fit, moves, verdict, advice, run } };
    });
  });
  /** Offsets to draw: as they are, or once the moves are made. */
  protected readonly drawn = computed(() =>
    this.colours().map(({ colour, offsets, of }) => ({
      colour,
      offsets: this.after() ? (of?.fit.afterMoves ?? offsets) : offsets,
    })),
  );

  /** What the press itself can do about a stretch. */
  private pressCan(): string[] {
    const { packing, fanOut } = this.form();
    return [
      ...(packing
        ? [$localize`Packing alters the length around on this press: more under the plate prints shorter.`]
        : []),
      ...(fanOut ? [$localize`Its tail can be fanned.`] : []),
    ];
  }

  protected watch(colour: string): void {
    this.watched.set(colour);
  }
  protected set(change: Partial<RegisterInput>): void {
    this.bench.set(change);
  }
  protected setMark(at: number, change: Partial<MarkPlace>): void {
    this.set({ marks: this.form().marks.map((mark, i) => (i === at ? { ...mark, ...change } : mark)) });
  }
  /** Another mark goes where the sheet has none yet: the four corners in turn. */
  protected addMark(): void {
    const { widthMm, heightMm, marks, rows } = this.form();
    const corner = marks.length % 4;
    const place = { xMm: corner % 2 === 0 ? 60 : widthMm - 60, yMm: corner < 2 ? 60 : heightMm - 60 };
    this.run.set([]);
    this.set({
      marks: [...marks, place],
      rows: rows.map((row) => ({ ...row, offsets: [...row.offsets, { dx: 0, dy: 0 }] })),
    });
  }
  protected removeMark(at: number): void {
    const { marks, rows } = this.form();
    this.run.set([]);
    this.set({
      marks: marks.filter((_, i) => i !== at),
      rows: rows.map((row) => ({ ...row, offsets: row.offsets.filter((_, i) => i !== at) })),
    });
  }
  protected setOffset(colour: string, at: number, change: Partial<{ dx: number; dy: number }>): void {
    this.run.set([]);
    this.set({
      rows: this.form().rows.map((row) =>
        row.colour === colour
          ? { ...row, offsets: row.offsets.map((one, i) => (i === at ? { ...one, ...change } : one)) }
          : row,
      ),
    });
  }
  protected clear(): void {
    this.run.set([]);
    this.set({ rows: this.form().rows.map((row) => ({ ...row, offsets: zeros(this.form().marks) })) });
  }

  /** Lets the stand-in read a run: its means become the readings, its scatter and drift go into the advice. */
  protected read(): void {
    const { marks, rows, seed, sheets, toleranceMm } = this.form();
    const camera = standInCamera({
      seed,
      marks,
      ...PRACTICE_NOISE,
      colours: table(rows.map(({ colour }, i) => [colour, practiceRegister(seed, i)])),
    });
    const readings = Array.from({ length: Math.max(1, Math.min(500, Math.round(sheets))) }, (_, i) =>
      camera.read(i * SHEETS_BETWEEN),
    );
    const round = (value: number): number => Math.round(value * 1000) / 1000;
    this.run.set(readings);
    this.set({
      rows: rows.map(({ colour }) => ({
        colour,
        offsets: runOf(colour, readings, toleranceMm).mean.map(({ dx, dy }) => ({ dx: round(dx), dy: round(dy) })),
      })),
    });
  }
}
