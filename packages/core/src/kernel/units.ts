/**
 * Units of measure as flavoured numbers: a plain number may be given where a unit is wanted, but one unit is never
 * taken for another by the compiler (a caliper in micrometres does not pass for a width in millimetres).
 */
declare const unit: unique symbol;
type In<U extends string> = number & { readonly [unit]?: U };

/** Millimetres. */
export type Mm = In<'mm'>;
/** Micrometres. */
export type Um = In<'um'>;
/** Grams a square metre. */
export type Gsm = In<'g/m2'>;
/** Kilograms. */
export type Kg = In<'kg'>;
/** Square metres. */
export type SquareMetre = In<'m2'>;
/** Hours. */
export type Hour = In<'h'>;
/** Share of a whole, 0 to 1. */
export type Share = In<'share'>;
/** Metres. */
export type Metre = In<'m'>;
/** Inches. */
export type Inch = In<'in'>;
/** Feet. */
export type Foot = In<'ft'>;
/** Pounds. */
export type Pound = In<'lb'>;
/** Thousandths of an inch, the "point" of caliper. */
export type CaliperPoint = In<'pt'>;

/** Millimetres in an inch, exact. Source: standard, ISO 80000-3 (international inch). */
const MM_PER_INCH = 25.4;
const INCHES_PER_FOOT = 12;
/** Grams in an avoirdupois pound, exact. Source: standard, international yard and pound agreement of 1959. */
const G_PER_POUND = 453.59237;
/** Sheets in the ream that US basis weights speak of. Source: handbook chapter 3. */
const BASIS_REAM = 500;

/** Inches to millimetres. Any finite number. Source: standard, ISO 80000-3. */
export const inchToMm = (inch: Inch): Mm => inch * MM_PER_INCH;
/** Millimetres to inches. Any finite number. Source: standard, ISO 80000-3. */
export const mmToInch = (mm: Mm): Inch => mm / MM_PER_INCH;
/** Metres to feet. Any finite number. Source: standard (1959 agreement, twelve inches). */
export const mToFoot = (m: Metre): Foot => (m * 1000) / (MM_PER_INCH * INCHES_PER_FOOT);
/** Feet to metres. Any finite number. Source: standard (1959 agreement). */
export const footToM = (ft: Foot): Metre => (ft * MM_PER_INCH * INCHES_PER_FOOT) / 1000;
/** Kilograms to pounds. Any finite number. Source: standard (1959 agreement). */
export const kgToPound = (kg: Kg): Pound => (kg * 1000) / G_PER_POUND;
/** Pounds to kilograms. Any finite number. Source: standard (1959 agreement). */
export const poundToKg = (lb: Pound): Kg => (lb * G_PER_POUND) / 1000;
/** Micrometres of caliper to thousandths of an inch. Source: identity. */
export const umToPoint = (um: Um): CaliperPoint => um / MM_PER_INCH;
/** Thousandths of an inch to micrometres of caliper. Source: identity. */
export const pointToUm = (pt: CaliperPoint): Um => pt * MM_PER_INCH;

/**
 * Grammage of a US basis weight: the weight in pounds of 500 basis sheets.
 * @param basis width and height of the grade's basis sheet in inches, above 0 (text 25 x 38, cover 20 x 26 ...).
 * Source: identity (ISO 536 defines grammage as mass over area).
 */
export function poundToGsm(lb: Pound, basis: readonly [Inch, Inch]): Gsm {
  const areaM2 = (inchToMm(basis[0]) / 1000) * (inchToMm(basis[1]) / 1000);
  return (lb * G_PER_POUND) / (BASIS_REAM * areaM2);
}

/** Basis weight in pounds of a grammage; the inverse of {@link poundToGsm}. Source: identity. */
export const gsmToPound = (gsm: Gsm, basis: readonly [Inch, Inch]): Pound => gsm / poundToGsm(1, basis);

/** Micrometres in a millimetre, millimetres in a metre. */
export const UM = 1000;
/** Grams in a kilogram. */
export const GRAMS = 1000;
/** To a tenth, as knives are set and measures are said. */
export const tenth = (value: number): number => Math.round(value * 10) / 10;
