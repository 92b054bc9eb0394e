import type { Reading } from '../book/index.js';
import { AIM_SETS, ciede2000, standInDensitometer } from '../colour/index.js';
import { own, table } from '../kernel/index.js';
import { PRACTICE_NOISE, practiceRegister, standInCamera } from '../register/index.js';

/** What an instrument reads on a sheet, as a station enters it. */
export interface InstrumentReading {
  readonly of: Reading;
  readonly name: string;
  readonly value: number;
  readonly sheet: number;
  readonly source: string;
}

/** Marks that the camera sees: one at either side. Millimetres. Invented, like the run. */
const MARKS = [
  { xMm: 20, yMm: 300 },
  { xMm: 680, yMm: 300 },
];
const DIGITS = 1000;
const rounded = (value: number): number => Math.round(value * DIGITS) / DIGITS;
const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;

/**
 * What the stand-ins of a densitometer and a register camera read on a sheet: density and colour difference of every ink, and how far
 * each but the first lies from the first, drifting and scattered, the same for the same seed. Source: handbook chapter 9 "Measuring on press":
 * screens and exercises work without a device. @param sheet on the counter, 0 or more.
 */
export function standInReadings(seed: number, inks: readonly string[], sheet: number): InstrumentReading[] {
  const [set] = AIM_SETS;
  if (!set || inks.length === 0) return [];
  const densitometer = standInDensitometer(seed, inks, set);
  const colour = densitometer.read(sheet).flatMap(({ ink, density, lab }): InstrumentReading[] => {
    const aim = own(set.solids, ink);
    const common = { name: ink, sheet, source: densitometer.name };
    return [
      { of: 'density', value: rounded(density), ...common },
      ...(aim ? [{ of: 'colour' as const, value: rounded(ciede2000(aim, lab)), ...common }] : []),
    ];
  });
  const colours = table(inks.slice(1).map((ink, i) => [ink, practiceRegister(seed, i)]));
  const camera = standInCamera({ seed, marks: MARKS, colours, ...PRACTICE_NOISE });
  const register = Object.entries(camera.read(sheet).colours).flatMap(([ink, offsets]): InstrumentReading[] => {
    const common = { of: 'register', sheet, source: camera.name } as const;
    return [
      { ...common, name: $localize`${ink} across`, value: rounded(mean(offsets.map(({ dx }) => dx))) },
      { ...common, name: $localize`${ink} around`, value: rounded(mean(offsets.map(({ dy }) => dy))) },
    ];
  });
  return [...colour, ...register];
}
