import {
  type Gsm,
  type Kg,
  type Metre,
  type Mm,
  ONE,
  ceil,
  ceilRatio,
  divide,
  floorRatio,
  fraction,
  subtract,
} from '../kernel/index.js';

/** A flute: its take-up factor and its height, mm. */
export interface Flute {
  readonly id: string;
  /** Length of medium for a length of board. */
  readonly takeUp: number;
  readonly heightMm: Mm;
  readonly boardMm: Mm;
}

/** Usual flutes. Source: memory (handbook chapter 4); editable where a works knows its own. */
export const FLUTES: readonly Flute[] = [
  { id: 'A', takeUp: 1.54, heightMm: 4.7, boardMm: 5.0 },
  { id: 'B', takeUp: 1.32, heightMm: 2.5, boardMm: 3.0 },
  { id: 'C', takeUp: 1.43, heightMm: 3.6, boardMm: 4.0 },
  { id: 'E', takeUp: 1.27, heightMm: 1.2, boardMm: 1.6 },
];

/** Sheets wanted of a corrugator, and its web widths. Millimetres. */
export interface DeckleRequest {
  /** Blank across the corrugator and along it. */
  readonly blankWidthMm: Mm;
  readonly blankLengthMm: Mm;
  readonly edgeTrimMm: Mm;
  /** Paper widths in store. */
  readonly decklesMm: readonly Mm[];
}

/** One web width with how many sheets lie across it and what is trimmed off. Millimetres. */
export interface DeckleChoice {
  readonly deckleMm: Mm;
  readonly lanes: number;
  readonly cutOffMm: Mm;
  /** Share of the width that falls away at the edges. */
  readonly trimShare: number;
}

/**
 * Paper widths for a blank, least edge trim first; the wider of equals first, since it runs shorter. Widths that hold
 * no lane are left out. Source: identity, handbook chapter 4 "Corrugated".
 */
export function chooseDeckle({ blankWidthMm, blankLengthMm, edgeTrimMm, decklesMm }: DeckleRequest): DeckleChoice[] {
  return decklesMm
    .flatMap((deckleMm): DeckleChoice[] => {
      const lanes = floorRatio(deckleMm - 2 * edgeTrimMm, blankWidthMm);
      return lanes < 1
        ? []
        : [{ deckleMm, lanes, cutOffMm: blankLengthMm, trimShare: 1 - (lanes * blankWidthMm) / deckleMm }];
    })
    .sort((a, b) => a.trimShare - b.trimShare || b.deckleMm - a.deckleMm);
}

/** Length of medium web for one blank, with the flute's take-up. Source: identity, handbook chapter 4. */
export const mediumMetres = ({ cutOffMm, lanes }: DeckleChoice, takeUp: number): Metre =>
  ((cutOffMm / 1000) * takeUp) / lanes;

/** Paper for a length of single-wall board: two liners, and the medium with its take-up. Source: identity. */
export const corrugatedKg = (
  boardM: number,
  deckleMm: Mm,
  linersGsm: readonly [Gsm, Gsm],
  mediumGsm: Gsm,
  takeUp: number,
): Kg => (boardM * (deckleMm / 1000) * (linersGsm[0] + linersGsm[1] + mediumGsm * takeUp)) / 1000;

/** What is run through the corrugator: blanks, the papers, and what the run spoils. */
export interface CorrugatorRun {
  /** Blanks wanted, 0 or more. */
  readonly blanks: number;
  readonly choice: DeckleChoice;
  /** Board used up at the change to this grade. */
  readonly setupM: Metre;
  /** Share of what runs, 0 to below 1. */
  readonly running: number;
  readonly linersGsm: readonly [Gsm, Gsm];
  readonly mediumGsm: Gsm;
  readonly takeUp: number;
}

/** Runs of a corrugator for all that is wanted, with their metres and trims. */
export interface CorrugatorPlan {
  /** Board that runs, set-up and spoilage in it. */
  readonly boardM: Metre;
  readonly mediumM: Metre;
  readonly linerKg: readonly [Kg, Kg];
  readonly mediumKg: Kg;
  /** Edge trim of the whole run: it is no spoilage, and counted apart. */
  readonly trimKg: Kg;
}

/**
 * Board and papers for a run of blanks: cut-offs = ceil(ceil(blanks / lanes) / (1 - w)), and the set-up in front of them.
 * Source: identity; norms of set-up and spoilage practice, handbook chapter 6 (60 m a grade change, 2.5 %, edge trim apart).
 */
export function planCorrugator(run: CorrugatorRun): CorrugatorPlan {
  const { blanks, choice, setupM, running, linersGsm, mediumGsm, takeUp } = run;
  const { deckleMm, lanes, cutOffMm, trimShare } = choice;
  const cutOffs = ceil(divide(fraction(ceilRatio(blanks, lanes)), subtract(ONE, fraction(running))));
  const boardM = (cutOffs * cutOffMm) / 1000 + setupM;
  const kg = (lengthM: Metre, gsm: Gsm): Kg => (lengthM * (deckleMm / 1000) * gsm) / 1000;
  const mediumM = boardM * takeUp;
  return {
    boardM,
    mediumM,
    linerKg: [kg(boardM, linersGsm[0]), kg(boardM, linersGsm[1])],
    mediumKg: kg(mediumM, mediumGsm),
    trimKg: corrugatedKg(boardM, deckleMm, linersGsm, mediumGsm, takeUp) * trimShare,
  };
}
