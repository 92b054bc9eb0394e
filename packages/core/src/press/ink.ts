import type { Gsm, Kg, SquareMetre } from '../kernel/index.js';

/**
 * Ink laid down, in kilograms: impressions x area x coverage x film / 1000.
 * @param coverage share of the area covered, 0..1; @param filmGsm film at full coverage
 * Source: identity, handbook chapter 5 "How much ink"; duct fill and wash-up loss are not in it.
 */
export const inkKg = (impressions: number, areaM2: SquareMetre, coverage: number, filmGsm: Gsm): Kg =>
  (impressions * areaM2 * coverage * filmGsm) / 1000;
