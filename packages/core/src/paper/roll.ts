import { type Gsm, type Hour, type Kg, type Metre, type Mm, type Um, floorRatio } from '../kernel/index.js';

const MINUTES_PER_HOUR = 60;

/**
 * Length on a roll from its diameters: the ring's area over the caliper.
 * @param outerMm above coreMm; @param coreMm outside diameter of the core, 0 or more; @param caliperUm above 0.
 * Source: identity, L = pi (D^2 - d^2) / (4 t).
 */
export const rollLengthM = (outerMm: Mm, coreMm: Mm, caliperUm: Um): Metre =>
  (Math.PI * (outerMm ** 2 - coreMm ** 2)) / (4 * caliperUm);

/** Outer diameter of a roll from its length. Source: identity, the inverse of {@link rollLengthM}. */
export const rollDiameterMm = (lengthM: Metre, coreMm: Mm, caliperUm: Um): Mm =>
  Math.sqrt((4 * lengthM * caliperUm) / Math.PI + coreMm ** 2);

/** Paper on a roll, the core not weighed. Source: identity (definition of grammage, ISO 536). */
export const rollKg = (lengthM: Metre, widthMm: Mm, gsm: Gsm): Kg => (lengthM * (widthMm / 1000) * gsm) / 1000;

/** Length on a roll from the paper's weight. @param widthMm, @param gsm above 0. Source: identity. */
export const rollLengthOfKg = (kg: Kg, widthMm: Mm, gsm: Gsm): Metre => (1000 * kg) / ((widthMm / 1000) * gsm);

/** Running time of a length. @param metresPerMinute above 0. Source: identity. */
export const rollHours = (lengthM: Metre, metresPerMinute: number): Hour =>
  lengthM / metresPerMinute / MINUTES_PER_HOUR;

/** Whole short rolls out of a long one. @param shortM above 0. Source: identity. */
export const shortRolls = (lengthM: Metre, shortM: Metre): number => floorRatio(lengthM, shortM);

/** A roll on its way through the sheeter. */
export interface SheeterCut {
  readonly webWidthMm: Mm;
  /** Taken off at each edge, 0 or more. */
  readonly edgeTrimMm: Mm;
  /** Sheet across the web and along it, above 0. */
  readonly sheetAcrossMm: Mm;
  readonly cutLengthMm: Mm;
}

/** Sheets beside each other on the web. Source: identity, handbook chapter 3. */
export const sheeterLanes = ({ webWidthMm, edgeTrimMm, sheetAcrossMm }: SheeterCut): number =>
  Math.max(0, floorRatio(webWidthMm - 2 * edgeTrimMm, sheetAcrossMm));

/**
 * Whole sheets from a length of web. @param usableM length without outer wraps and core waste, 0 or more.
 * Source: identity, handbook chapter 3.
 */
export const sheeterOutput = (cut: SheeterCut, usableM: Metre): number =>
  sheeterLanes(cut) * floorRatio(usableM * 1000, cut.cutLengthMm);

/** Length of web for so many sheets; undefined where not one sheet lies across the web. Source: identity. */
export function sheeterLengthM(cut: SheeterCut, sheets: number): Metre | undefined {
  const lanes = sheeterLanes(cut);
  return lanes === 0 ? undefined : (Math.ceil(sheets / lanes) * cut.cutLengthMm) / 1000;
}
