import { ChangeDetectionStrategy, Component, computed } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import {
  type CorrugatorPlan,
  type DeckleChoice,
  type WebSetting,
  FLUTES,
  chooseDeckle,
  chooseRepeat,
  distortionPercent,
  gravureCylinder,
  impose,
  impressionsFor,
  layWeb,
  mediumMetres,
  planCorrugator,
  pageRows,
  schemesFor,
  webMetres,
} from '@druckerei/core';
import { issueText } from '@druckerei/contract';
import { count, percent, readNumber } from '../../../ui/format';
import { NumberBox } from '../../../ui/number-box';
import { BenchForm } from '../state/bench-form';
import { Bench } from '../parts/bench';

interface WebInput extends WebSetting {
  readonly copies: number;
  readonly labelWidthMm: number;
  readonly labelHeightMm: number;
  readonly labelGapMm: number;
  readonly sideGapMm: number;
  readonly narrowWebMm: number;
  readonly edgeMm: number;
  /** Teeth of the cylinders in the store, as typed. */
  readonly cylinders: string;
  readonly plateMm: number;
  readonly filmMm: number;
  readonly blankWidthMm: number;
  readonly blankLengthMm: number;
  readonly deckleTrimMm: number;
  readonly deckles: string;
  readonly flute: string;
  readonly blanks: number;
  readonly outerGsm: number;
  readonly innerGsm: number;
  readonly mediumGsm: number;
  /** A change of grade, and per cent of what runs: practice, handbook chapter 6. */
  readonly corrugatorSetupM: number;
  readonly corrugatorPercent: number;
  /** Fold scheme whose pages are shown; the usual one for the pages of a copy where it does not fit. */
  readonly scheme: string;
}

const START: WebInput = {
  webWidthMm: 880,
  cutOffMm: 578,
  edgeTrimMm: 5,
  pageAcrossMm: 216,
  pageAroundMm: 289,
  pagesPerCopy: 16,
  folder: 'straight',
  webs: 1,
  colours: 4,
  copies: 240_000,
  labelWidthMm: 70,
  labelHeightMm: 50,
  labelGapMm: 3,
  sideGapMm: 3,
  narrowWebMm: 330,
  edgeMm: 8,
  cylinders: '60, 64, 68, 72, 76, 80, 84, 96, 112, 128',
  plateMm: 1.7,
  filmMm: 0.18,
  blankWidthMm: 562,
  blankLengthMm: 1447,
  deckleTrimMm: 15,
  deckles: '1200, 1400, 1750, 2100, 2500',
  flute: 'C',
  blanks: 5_000,
  outerGsm: 125,
  innerGsm: 125,
  mediumGsm: 110,
  corrugatorSetupM: 60,
  corrugatorPercent: 2.5,
  scheme: '16-jaw',
};

/** Numbers out of a list as people type it; what is none falls away. */
const listOf = (text: string): number[] =>
  text
    .split(/[,;\s]+/)
    .flatMap((part) => readNumber(part) ?? [])
    .filter((value) => value > 0);

/** Cylinders and deckles shown before the rest. */
const SHOWN = 6;

/** The web bench: a commercial web's cut-off, cylinders for a narrow web, paper widths for corrugated board. */
@Component({
  selector: 'dk-web-page',
  imports: [Bench, MatFormFieldModule, MatInputModule, MatSelectModule, NumberBox],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './web.page.html',
  styleUrl: './bench-page.scss',
})
export class WebPage {
  protected readonly bench = new BenchForm('web', START);
  protected readonly form = this.bench.value;
  protected readonly flutes = FLUTES;
  protected readonly count = count;
  protected readonly share = (value: number): string => percent(Math.round(value * 1000) / 1000);

  private readonly laid = computed(() => layWeb(this.form(), 'web'));
  protected readonly layout = computed(() => this.laid().layout);
  protected readonly problems = computed(() => this.laid().issues.map(issueText));
  protected readonly impressions = computed(() => {
    const layout = this.layout();
    return layout ? impressionsFor(this.form().copies, layout.copiesPerCutOff) : 0;
  });
  protected readonly metres = computed(() => webMetres(this.impressions(), this.form().cutOffMm));

  protected readonly schemes = computed(() => {
    const { pagesPerCopy, folder } = this.form();
    return schemesFor(pagesPerCopy, 'web').filter(({ collects = false }) => collects === (folder === 'collect'));
  });
  /** Where the folder wants the pages of a copy, on both sides of the web. */
  protected readonly placed = computed(() => {
    const schemes = this.schemes();
    const scheme = schemes.find(({ id }) => id === this.form().scheme) ?? schemes[0];
    const { imposition } = scheme ? impose(scheme, 1, 'web') : {};
    if (!scheme || !imposition) return undefined;
    const { columns, rows, outer, inner } = imposition;
    return {
      scheme: scheme.id,
      sides: [
        { name: $localize`Outer side`, rows: pageRows(outer, columns, rows) },
        { name: $localize`Inner side`, rows: pageRows(inner, columns, rows) },
      ],
    };
  });

  private readonly allChoices = computed(() => {
    const { labelWidthMm, labelHeightMm, labelGapMm, sideGapMm, narrowWebMm, edgeMm, cylinders } = this.form();
    if (!(labelWidthMm > 0) || !(labelHeightMm > 0)) return [];
    return chooseRepeat({
      widthMm: labelWidthMm,
      heightMm: labelHeightMm,
      gapMm: labelGapMm,
      sideGapMm,
      webWidthMm: narrowWebMm,
      edgeMm,
      cylinders: listOf(cylinders),
    });
  });
  protected readonly choices = computed(() => this.allChoices().slice(0, SHOWN));
  protected readonly moreChoices = computed(() => this.allChoices().length - this.choices().length);
  protected readonly shortening = computed(() => {
    const [best] = this.choices();
    const { plateMm, filmMm } = this.form();
    return best ? distortionPercent(plateMm, filmMm, best.repeatMm) : undefined;
  });
  protected readonly gravure = computed(() => {
    const [best] = this.choices();
    return best ? gravureCylinder(best.repeatMm, 1, this.form().narrowWebMm, this.form().edgeMm) : undefined;
  });

  protected readonly deckles = computed(() => {
    const { blankWidthMm, blankLengthMm, deckleTrimMm, deckles } = this.form();
    if (!(blankWidthMm > 0)) return [];
    return chooseDeckle({ blankWidthMm, blankLengthMm, edgeTrimMm: deckleTrimMm, decklesMm: listOf(deckles) });
  });
  private readonly takeUp = computed(() => FLUTES.find(({ id }) => id === this.form().flute)?.takeUp ?? 1);
  /** Board and papers for the blanks wanted; none while a number cannot be used. */
  protected readonly run = (choice: DeckleChoice): CorrugatorPlan | undefined => {
    const { blanks, outerGsm, innerGsm, mediumGsm, corrugatorSetupM: setupM, corrugatorPercent } = this.form();
    const numbers = [blanks, outerGsm, innerGsm, mediumGsm, setupM, corrugatorPercent];
    if (numbers.some((n) => n < 0) || corrugatorPercent >= 100) return undefined;
    const linersGsm = [outerGsm, innerGsm] as const;
    const running = corrugatorPercent / 100;
    return planCorrugator({ blanks, choice, setupM, running, linersGsm, mediumGsm, takeUp: this.takeUp() });
  };
  protected readonly medium = (choice: DeckleChoice): number => mediumMetres(choice, this.takeUp());

  protected set(change: Partial<WebInput>): void {
    this.bench.set(change);
  }
}
