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

/** A cylinder: its teeth, its repeat in mm, and how many pieces lie around it. */
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
 * Repeats of a cylinder that is made for the job: so many pieces around with their gaps, the smallest first.
 * @param heightMm of a piece around, above 0; @param leastMm and @param mostMm what the press takes. Source: identity.
 */
export function madeRepeats(
  heightMm: Mm,
  gapMm: Mm,
  leastMm: Mm,
  mostMm: Mm,
): { readonly repeatMm: Mm; readonly around: number }[] {
  const each = heightMm + gapMm;
  if (!(each > 0)) return [];
  const [first, last] = [Math.max(1, Math.ceil(leastMm / each)), floorRatio(mostMm, each)];
  return Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => ({
    repeatMm: (first + i) * each,
    around: first + i,
  }));
}

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
