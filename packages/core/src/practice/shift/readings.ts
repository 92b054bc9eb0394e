import { type PatchReading, AIM_SETS, solidAt } from '../../colour/index.js';
import { normal, own, table } from '../../kernel/index.js';
import { type SheetReading, PRACTICE_NOISE, standInCamera } from '../../register/index.js';
import type { ShiftState } from './play.js';
import { type PracticeShift, type ShiftColour, MOVED_COLOURS, SHIFT_COLOURS, STEP_DENSITY, STEP_MM } from './shift.js';

/** What the run is read on: the printed sheet and its two marks, mm. */
export const SHIFT_SHEET = {
  widthMm: 1020,
  heightMm: 720,
  marks: [
    { xMm: 60, yMm: 360 },
    { xMm: 960, yMm: 360 },
  ],
} as const;

/** The aims that the run is held to: those for coated paper. */
export const SHIFT_AIMS = 'offset-coated-2013';
const AIMS = AIM_SETS.find(({ id }) => id === SHIFT_AIMS);
/** Density of an ink that was approved. */
export const aimDensity = (colour: ShiftColour): number => own(AIMS?.densities, colour) ?? 0;
/** Scatter of a reading of density, one standard deviation. Invented, like the run. */
const DENSITY_NOISE = 0.008;
/** Readings of a run are told apart from those of its camera by where they are drawn from. */
const DENSITIES_FROM = 1_000_000;

/** What the stand-in camera reads of the sheet on the delivery. */
export function shiftRegister({ seed, perLook }: PracticeShift, { look, lie }: ShiftState): SheetReading {
  const camera = standInCamera({
    seed,
    marks: SHIFT_SHEET.marks,
    ...PRACTICE_NOISE,
    colours: table(
      MOVED_COLOURS.map((colour) => [
        colour,
        {
          across: lie[colour] * STEP_MM,
          ...{ around: 0, rotation: 0, stretchAcross: 0, stretchAround: 0, driftAcross: 0, driftAround: 0 },
        },
      ]),
    ),
  });
  return { ...camera.read(look), sheet: look * perLook };
}

/** What the stand-in densitometer reads of it, by ink. */
export const shiftDensities = (
  { seed }: PracticeShift,
  { look, ink }: ShiftState,
): Readonly<Record<ShiftColour, number>> =>
  table(
    SHIFT_COLOURS.map((colour, i) => [
      colour,
      aimDensity(colour) +
        ink[colour] * STEP_DENSITY +
        normal(seed, DENSITIES_FROM + look * SHIFT_COLOURS.length + i) * DENSITY_NOISE,
    ]),
  ) as Record<ShiftColour, number>;

/** The same as an instrument hands them on: each with the colour that a solid of its density has, its gain on the aim. */
export function shiftPatches(shift: PracticeShift, state: ShiftState): PatchReading[] {
  const densities = shiftDensities(shift, state);
  return SHIFT_COLOURS.map((ink) => ({
    sheet: state.look * shift.perLook,
    ink,
    density: densities[ink],
    gain50: own(AIMS?.gain50, ink) ?? 0,
    lab: solidAt(own(AIMS?.solids, ink) ?? { l: 50, a: 0, b: 0 }, densities[ink] - aimDensity(ink)),
  }));
}
