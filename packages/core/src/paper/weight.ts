import type { Gsm, Kg, Mm, Um } from '../kernel/index.js';

/** Kilograms of a thousand sheets. Sizes and grammage above 0. Source: identity (definition of grammage, ISO 536). */
export const kgPerThousand = (widthMm: Mm, heightMm: Mm, gsm: Gsm): Kg => (widthMm / 1000) * (heightMm / 1000) * gsm;

/** Caliper of a sheet from its grammage and bulk in cm3/g. Source: identity (bulk is volume over mass, ISO 534). */
export const caliperUm = (gsm: Gsm, bulk: number): Um => gsm * bulk;
