import type { Mm } from '../kernel/index.js';

/**
 * Growth of paper with humidity: across the grain so many parts for each per cent of relative humidity, along it a third.
 * Source: the third is practice, handbook chapter 3; the size (0.012 % for 1 % RH across) from memory, editable.
 */
export const GROWTH_ACROSS_PER_RH = 0.00012;
/** How much paper stretches along its grain against across it, share. Source: handbook chapter 9. */
export const ALONG_OF_ACROSS = 1 / 3;

/** How a sheet changes, and what it does to register. */
export interface FanOut {
  /** Change of the sheet's width and height, mm; negative where it shrinks. */
  readonly widthMm: number;
  readonly heightMm: number;
  /** Half of each: how far an image at the edge lies from one printed before, when both are laid on the middle. */
  readonly edgeAcrossMm: number;
  readonly edgeAroundMm: number;
  /** Stretch to make the next plates by, parts in a million. */
  readonly acrossPpm: number;
  readonly aroundPpm: number;
}

/**
 * What a change of humidity does to a sheet. @param widthMm across the press, @param heightMm around, above 0;
 * @param grain side along which the grain runs; @param deltaRh change of relative humidity, per cent, either sign;
 * @param acrossPerRh growth across the grain for 1 % RH, as a share. Source: identity of the two growths above.
 */
export function fanOut(
  widthMm: Mm,
  heightMm: Mm,
  grain: 'width' | 'height',
  deltaRh: number,
  acrossPerRh: number = GROWTH_ACROSS_PER_RH,
): FanOut {
  const [across, along] = [acrossPerRh * deltaRh, acrossPerRh * deltaRh * ALONG_OF_ACROSS];
  const [x, y] = grain === 'width' ? [along, across] : [across, along];
  return {
    widthMm: widthMm * x,
    heightMm: heightMm * y,
    edgeAcrossMm: (widthMm * x) / 2,
    edgeAroundMm: (heightMm * y) / 2,
    acrossPpm: x * 1e6,
    aroundPpm: y * 1e6,
  };
}
