import { normal, table } from '../kernel/index.js';
import type { MarkPlace, Offset, RegisterSource } from './reading.js';

/** How a colour really lies, for the stand-in to measure. */
export interface TrueRegister {
  readonly across: number;
  readonly around: number;
  /** Radians, against the clock. */
  readonly rotation: number;
  readonly stretchAcross: number;
  readonly stretchAround: number;
  /** Change a thousand sheets, mm. */
  readonly driftAcross: number;
  readonly driftAround: number;
}

/** What the stand-in camera is set to see. Millimetres. */
export interface StandInSetting {
  readonly seed: number;
  readonly marks: readonly MarkPlace[];
  readonly colours: Readonly<Record<string, TrueRegister>>;
  /** Scatter between sheets and between marks of one sheet, one standard deviation, mm. */
  readonly sheetNoiseMm: number;
  readonly markNoiseMm: number;
}

/** How far out a colour of the practice run may be: shift and drift in mm, turn in radians, stretch as a share. */
const PRACTICE = { shiftMm: 0.15, turn: 2e-4, stretch: 8e-5, driftMm: 0.03 };
/** Scatter of the practice run, mm. Invented, like the run. */
export const PRACTICE_NOISE = { sheetNoiseMm: 0.012, markNoiseMm: 0.006 };

/** How a colour of the practice run lies, by the seed and the colour's place: the same every time. Invented. */
export function practiceRegister(seed: number, place: number): TrueRegister {
  // Between -1 and 1, spread by constants without a meaning.
  const draw = (k: number): number => Math.sin(seed * 12.9898 + place * 78.233 + k * 37.719);
  return {
    across: draw(1) * PRACTICE.shiftMm,
    around: draw(2) * PRACTICE.shiftMm,
    rotation: draw(3) * PRACTICE.turn,
    stretchAcross: draw(4) * PRACTICE.stretch,
    stretchAround: draw(5) * PRACTICE.stretch,
    driftAcross: draw(6) * PRACTICE.driftMm,
    driftAround: 0,
  };
}

/** Places in the run are told apart by sheet, colour and mark. */
const MOST_MARKS = 64;
const MOST_COLOURS = 32;

/**
 * Stands in for a register camera: drifting, noisy readings of a register that is known, the same for the same seed, over
 * the same interface that a device would use. For practice and for trying the screens.
 */
export function standInCamera({ seed, marks, colours, sheetNoiseMm, markNoiseMm }: StandInSetting): RegisterSource {
  const n = marks.length;
  const middle = {
    xMm: marks.reduce((sum, { xMm }) => sum + xMm, 0) / Math.max(1, n),
    yMm: marks.reduce((sum, { yMm }) => sum + yMm, 0) / Math.max(1, n),
  };
  const measure = (true_: TrueRegister, sheet: number, colour: number): Offset[] => {
    const base = (sheet * MOST_COLOURS + colour) * (MOST_MARKS + 1) * 2;
    const [sx, sy] = [normal(seed, base) * sheetNoiseMm, normal(seed, base + 1) * sheetNoiseMm];
    return marks.map(({ xMm, yMm }, mark) => {
      const [u, v] = [xMm - middle.xMm, yMm - middle.yMm];
      const place = base + 2 * (mark + 1);
      return {
        dx:
          true_.across +
          true_.stretchAcross * u -
          true_.rotation * v +
          (true_.driftAcross * sheet) / 1000 +
          sx +
          normal(seed, place) * markNoiseMm,
        dy:
          true_.around +
          true_.rotation * u +
          true_.stretchAround * v +
          (true_.driftAround * sheet) / 1000 +
          sy +
          normal(seed, place + 1) * markNoiseMm,
      };
    });
  };
  return {
    name: $localize`Stand-in register camera`,
    read: (sheet) => ({
      sheet,
      colours: table(Object.entries(colours).map(([name, of], i) => [name, measure(of, sheet, i)])),
    }),
  };
}
