import { type Issue, SIGMAS, error, normal, slopeOf, own } from '../kernel/index.js';
import type { AimSet } from './aims.js';
import { type Lab, cielab1976 } from './ciede2000.js';

/** What an instrument reads of one ink on one sheet. */
export interface PatchReading {
  readonly sheet: number;
  readonly ink: string;
  /** Solid patch, CIELAB D50, 2 degrees, black backing. */
  readonly lab: Lab;
  /** Density of the solid, paper taken off. */
  readonly density: number;
  /** Tone value increase of the 50 % patch, a share. */
  readonly gain50: number;
}

/**
 * Whatever measures colour at the press: a spectrodensitometer behind its adapter, or the stand-in. A device is brought in
 * by writing this one function; it is asked for sheets one after another.
 */
export interface ColourSource {
  readonly name: string;
  read(sheet: number): readonly PatchReading[];
}

/** Bands about the aim. Source: common practice, no source: density 0.05, tone value increase 3 %. */
export const DENSITY_BAND = 0.05;
/** Dot gain so near to its aim is let be, share. */
export const GAIN_BAND = 0.03;
/** Beyond these a figure is a slip of the unit, not a reading. */
const MOST_DENSITY = 4;
const MOST_GAIN = 0.6;

/** What is wrong with a reading. Issue: `colour.unit`. */
export function checkPatch({ density, gain50, ink, lab }: PatchReading, path: string): Issue[] {
  const out = (field: string, value: number, low: number, high: number): Issue[] =>
    Number.isFinite(value) && value >= low && value <= high
      ? []
      : [error('colour.unit', `${path}.${field}`, { ink, field, value, low, high })];
  return [
    ...out('density', density, 0, MOST_DENSITY),
    ...out('gain50', gain50, -0.2, MOST_GAIN),
    ...out('l', lab.l, 0, 100),
    ...out('a', lab.a, -160, 160),
    ...out('b', lab.b, -160, 160),
  ];
}

/** Plain advice at the ink keys, as codes; the words are made at the face. */
export const COLOUR_ADVICE = [
  'on-aim',
  'more-ink',
  'less-ink',
  'gain-high',
  'gain-low',
  'wrong-hue',
  'colour-drift',
] as const;
/** What a reading of a patch asks the printer to do. */
export type ColourAdvice = (typeof COLOUR_ADVICE)[number];

/** One ink over the run. */
export interface InkRun {
  readonly ink: string;
  readonly sheets: number;
  readonly lab: Lab;
  readonly density: number;
  readonly gain50: number;
  /** Difference from the aim, CIELAB 1976 as the edition tells it; undefined without an aim. */
  readonly difference: number | undefined;
  readonly inTolerance: boolean | undefined;
  /** Change of density in a thousand sheets, by a straight line. */
  readonly densityPerThousand: number;
  readonly advice: readonly ColourAdvice[];
}

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

/**
 * Means, difference from the aim and trend of one ink over the sheets that were measured. Density tells which way to turn
 * the keys; a colour off its aim at the right density has the wrong hue (ink, paper, contamination).
 * Source: standard, ISO 12647-2 as the aim set is labelled; bands practice.
 */
export function inkRun(ink: string, readings: readonly PatchReading[], set: AimSet): InkRun | undefined {
  const mine = readings.filter((reading) => reading.ink === ink);
  if (mine.length === 0) return undefined;
  const lab = {
    l: mean(mine.map((one) => one.lab.l)),
    a: mean(mine.map((one) => one.lab.a)),
    b: mean(mine.map((one) => one.lab.b)),
  };
  const [density, gain50] = [mean(mine.map((one) => one.density)), mean(mine.map((one) => one.gain50))];
  const aim = own(set.solids, ink);
  const difference = aim && cielab1976(aim, lab);
  const inTolerance = difference === undefined ? undefined : difference <= set.toleranceE76;
  const trend = slopeOf(
    mine.map(({ sheet }) => sheet),
    mine.map((one) => one.density),
  );
  const length = (mine.at(-1)?.sheet ?? 0) - (mine[0]?.sheet ?? 0);
  const drifts = Math.abs(trend.slope) > SIGMAS * trend.error && Math.abs(trend.slope * length) > DENSITY_BAND / 2;
  const off = density - (own(set.densities, ink) ?? density);
  const gainOff = gain50 - (own(set.gain50, ink) ?? gain50);
  const advice: ColourAdvice[] = [
    ...(off < -DENSITY_BAND ? (['more-ink'] as const) : []),
    ...(off > DENSITY_BAND ? (['less-ink'] as const) : []),
    ...(gainOff > GAIN_BAND ? (['gain-high'] as const) : []),
    ...(gainOff < -GAIN_BAND ? (['gain-low'] as const) : []),
    ...(inTolerance === false && Math.abs(off) <= DENSITY_BAND ? (['wrong-hue'] as const) : []),
    ...(drifts ? (['colour-drift'] as const) : []),
  ];
  return {
    ink,
    sheets: mine.length,
    lab,
    density,
    gain50,
    difference,
    inTolerance,
    densityPerThousand: trend.slope * 1000,
    advice: advice.length > 0 ? advice : ['on-aim'],
  };
}

/** Noise and drift of the practice run. Invented. */
const PRACTICE = { off: 0.09, driftPerThousand: 0.03, noise: 0.012, labNoise: 0.3, gain: 0.03 };
const MOST_INKS = 16;
/** Change of a solid's colour with its density, CIELAB a unit of density: chroma grows, lightness falls. Invented for practice. */
const LAB_PER_DENSITY = { chroma: 18, lightness: -14 };

/** The colour of a solid that is off its aim by some density. Invented for practice. */
export function solidAt(aim: Lab, off: number): Lab {
  const chroma = Math.hypot(aim.a, aim.b);
  const scale = chroma === 0 ? 1 : 1 + (off * LAB_PER_DENSITY.chroma) / chroma;
  return { l: Math.max(0, aim.l + off * LAB_PER_DENSITY.lightness), a: aim.a * scale, b: aim.b * scale };
}

/**
 * Stands in for a spectrodensitometer: readings about the aims that are off by some density, drift and scatter, the same
 * for the same seed, over the interface that a device would use. For practice and for trying the screens.
 */
export function standInDensitometer(seed: number, inks: readonly string[], set: AimSet): ColourSource {
  return {
    name: $localize`Stand-in spectrodensitometer`,
    read: (sheet) =>
      inks.map((ink, i): PatchReading => {
        const aim = own(set.solids, ink) ?? { l: 50, a: 0, b: 0 };
        const place = (sheet * MOST_INKS + i) * 8;
        const draw = (k: number): number => Math.sin(seed * 12.9898 + i * 78.233 + k * 37.719);
        const off = draw(1) * PRACTICE.off + (draw(2) * PRACTICE.driftPerThousand * sheet) / 1000;
        const [density, solid] = [own(set.densities, ink) ?? 1.4, solidAt(aim, off)];
        const noisy = (k: number): number => normal(seed, place + k) * PRACTICE.labNoise;
        return {
          sheet,
          ink,
          density: density + off + normal(seed, place) * PRACTICE.noise,
          gain50: (own(set.gain50, ink) ?? 0.14) + draw(3) * PRACTICE.gain + normal(seed, place + 1) * 0.004,
          lab: { l: Math.max(0, solid.l + noisy(2)), a: solid.a + noisy(3), b: solid.b + noisy(4) },
        };
      }),
  };
}
