/** A measured colour, CIELAB (D50, 2 degrees for print). Source: standard, ISO 11664-4 and ISO 13655. */
export interface Lab {
  readonly l: number;
  readonly a: number;
  readonly b: number;
}

const DEGREES = 180 / Math.PI;
const TO_THE_7TH_OF_25 = 25 ** 7;
const radians = (degrees: number): number => degrees / DEGREES;

/** Hue angle in degrees, 0 to below 360; 0 without chroma. */
function hueOf(a: number, b: number): number {
  if (a === 0 && b === 0) return 0;
  const hue = Math.atan2(b, a) * DEGREES;
  return hue < 0 ? hue + 360 : hue;
}

/** Difference of two hues the short way round, and 0 where either has no chroma. */
function hueDifference(from: number, to: number, chromas: number): number {
  if (chromas === 0) return 0;
  const difference = to - from;
  if (difference > 180) return difference - 360;
  return difference < -180 ? difference + 360 : difference;
}

/** Mean of two hues the short way round; their sum where either has no chroma. */
function meanHue(one: number, other: number, chromas: number): number {
  if (chromas === 0) return one + other;
  if (Math.abs(one - other) <= 180) return (one + other) / 2;
  return one + other < 360 ? (one + other + 360) / 2 : (one + other - 360) / 2;
}

/** Share of the seventh power that the formula weighs chroma by. */
const seventh = (chroma: number): number => Math.sqrt(chroma ** 7 / (chroma ** 7 + TO_THE_7TH_OF_25));

/**
 * Colour difference CIEDE2000 with all weights 1; symmetric, 0 for equal colours.
 * Source: standard, ISO/CIE 11664-6; literature, Sharma, Wu and Dalal 2005, whose notes on hue are followed.
 */
export function ciede2000(one: Lab, other: Lab): number {
  const g = 0.5 * (1 - seventh((Math.hypot(one.a, one.b) + Math.hypot(other.a, other.b)) / 2));
  const [a1, a2] = [(1 + g) * one.a, (1 + g) * other.a];
  const [c1, c2] = [Math.hypot(a1, one.b), Math.hypot(a2, other.b)];
  const [h1, h2] = [hueOf(a1, one.b), hueOf(a2, other.b)];
  const dl = other.l - one.l;
  const dc = c2 - c1;
  const dh = 2 * Math.sqrt(c1 * c2) * Math.sin(radians(hueDifference(h1, h2, c1 * c2)) / 2);
  const [meanL, meanC] = [(one.l + other.l) / 2, (c1 + c2) / 2];
  const hue = meanHue(h1, h2, c1 * c2);
  const t =
    1 -
    0.17 * Math.cos(radians(hue - 30)) +
    0.24 * Math.cos(radians(2 * hue)) +
    0.32 * Math.cos(radians(3 * hue + 6)) -
    0.2 * Math.cos(radians(4 * hue - 63));
  const away = (meanL - 50) ** 2;
  const sl = 1 + (0.015 * away) / Math.sqrt(20 + away);
  const sc = 1 + 0.045 * meanC;
  const sh = 1 + 0.015 * meanC * t;
  const turn = 30 * Math.exp(-(((hue - 275) / 25) ** 2));
  const rt = -2 * seventh(meanC) * Math.sin(radians(2 * turn));
  const [l, c, h] = [dl / sl, dc / sc, dh / sh];
  return Math.sqrt(Math.max(0, l * l + c * c + h * h + rt * c * h));
}

/** A trial against its aim: the difference, and whether it is no more than the tolerance. Source: handbook chapter 5. */
export function judgeTrial(aim: Lab, trial: Lab, tolerance: number): { difference: number; accepted: boolean } {
  const difference = ciede2000(aim, trial);
  return { difference, accepted: difference <= tolerance };
}

/** Colour difference CIELAB 1976, which older tolerances are told in. Source: standard, ISO 11664-4. */
export const cielab1976 = (one: Lab, other: Lab): number =>
  Math.hypot(one.l - other.l, one.a - other.a, one.b - other.b);
