import { type Metre, type Mm, type SquareMetre, floorRatio } from '../kernel/index.js';

/** Circular pitch of gear-driven print cylinders, an eighth of an inch. Source: practice; identity once given. */
export const CIRCULAR_PITCH_MM = 3.175;

/** Repeat of a cylinder from its teeth. Source: identity, handbook chapter 4. */
export const repeatMm = (teeth: number, pitchMm = CIRCULAR_PITCH_MM): Mm => teeth * pitchMm;

/** A label or other piece on a narrow web. */
export interface RepeatRequest {
  /** Across the web and around the cylinder, above 0. */
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** Least gap around, and between lanes. */
  readonly gapMm: Mm;
  readonly sideGapMm: Mm;
  readonly webWidthMm: Mm;
  readonly edgeMm: Mm;
  /** Teeth of the cylinders in the store. */
  readonly cylinders: readonly number[];
}

export interface RepeatChoice {
  readonly teeth: number;
  readonly repeatMm: Mm;
  readonly around: number;
  readonly across: number;
  /** Gap around that the cylinder gives. */
  readonly gapMm: Mm;
  /** Web for a thousand pieces. */
  readonly metresPerThousand: Metre;
  /** The same by the width of the web: what webs of unlike width compare by. */
  readonly areaM2PerThousand: SquareMetre;
  /** Share of the web's area that pieces cover. */
  readonly usedShare: number;
}

/**
 * Cylinders of the store for a piece, the one with least web a thousand first, the smaller of equals before the larger.
 * Cylinders that hold none are left out. Measures are read as written: 82 teeth hold two labels of 127 + 3.175 mm.
 * Source: identity, handbook chapter 4 "Webs" and chapter 6.
 */
export function chooseRepeat(request: RepeatRequest): RepeatChoice[] {
  const { widthMm, heightMm, gapMm, sideGapMm, webWidthMm, edgeMm, cylinders } = request;
  const across = floorRatio(webWidthMm - 2 * edgeMm + sideGapMm, widthMm + sideGapMm);
  if (across < 1) return [];
  return cylinders
    .flatMap((teeth): RepeatChoice[] => {
      const repeat = repeatMm(teeth);
      const around = floorRatio(repeat, heightMm + gapMm);
      if (around < 1) return [];
      return [
        {
          teeth,
          repeatMm: repeat,
          around,
          across,
          gapMm: repeat / around - heightMm,
          metresPerThousand: repeat / (around * across),
          areaM2PerThousand: ((repeat / (around * across)) * webWidthMm) / 1000,
          usedShare: (around * across * widthMm * heightMm) / (repeat * webWidthMm),
        },
      ];
    })
    .sort((a, b) => a.metresPerThousand - b.metresPerThousand || a.teeth - b.teeth);
}

/**
 * How much shorter a flat-made flexo plate is imaged, as a share: it stretches when it is bent around the cylinder.
 * None for plates imaged in the round. @param plateMm, @param filmMm thickness of plate and of its base film.
 * Source: identity, handbook chapter 4: 2 pi (plate - film) / repeat; 1.70 on 0.18 at 400 is 2.388 %.
 */
export const flexoShortening = (plateMm: Mm, filmMm: Mm, printedRepeatMm: Mm): number =>
  (2 * Math.PI * (plateMm - filmMm)) / printedRepeatMm;

/** Circumference of a gravure cylinder, and its face: the web and what stands over on each side. Source: identity. */
export const gravureCylinder = (
  repeatLengthMm: Mm,
  pagesAround: number,
  webWidthMm: Mm,
  allowanceMm: Mm,
): { readonly circumferenceMm: Mm; readonly faceMm: Mm } => ({
  circumferenceMm: repeatLengthMm * pagesAround,
  faceMm: webWidthMm + 2 * allowanceMm,
});
