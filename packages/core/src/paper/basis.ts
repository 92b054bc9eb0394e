import type { Inch, Pound, Um } from '../kernel/index.js';

/** Basis sheet of each US grade, inches. Source: practice, handbook chapter 3. */
export const BASIS_SHEETS = {
  bond: [17, 22],
  cover: [20, 26],
  bristol: [22.5, 28.5],
  index: [25.5, 30.5],
  tag: [24, 36],
  text: [25, 38],
} as const satisfies Readonly<Record<string, readonly [Inch, Inch]>>;

/** Grams a square metre in a pound on a thousand square feet, as liners are told. Source: identity (1959 pound and foot). */
const SQ_M_PER_SQ_FT = 0.3048 ** 2;
/** Grams a square metre of one pound in 1,000 square feet. Identity. */
export const LINER_GSM_PER_POUND = 453.59237 / (1000 * SQ_M_PER_SQ_FT);

/**
 * "M weight": pounds of a thousand sheets of any size from the basis weight of 500 basis sheets.
 * @param sizeIn, @param basis inches, above 0. Source: identity (twice the ream, by the ratio of areas).
 */
export const poundsPerThousand = (
  basisWeight: Pound,
  sizeIn: readonly [Inch, Inch],
  basis: readonly [Inch, Inch],
): Pound => (2 * basisWeight * sizeIn[0] * sizeIn[1]) / (basis[0] * basis[1]);

/** Pages to an inch of book: two to a leaf. @param caliperUm above 0. Source: identity. */
export const pagesPerInch = (caliperUm: Um): number => (2 * 25_400) / caliperUm;

/** Bulk in cm3/g of a sheet; the inverse of `caliperUm`. @param gsm above 0. Source: identity (ISO 534). */
export const bulkOf = (caliperUm: Um, gsm: number): number => caliperUm / gsm;
