import { floorRatio } from '../../kernel/index.js';

/** Set-up and running hours of a machine that runs so many units an hour. Source: handbook chapter 8. */
export const rateTime = (setupHours: number, units: number, unitsPerHour: number, efficiency: number): number =>
  setupHours + units / (unitsPerHour * efficiency);

/** Whole sheets in a lift, at least one; no more than are told, for piles counted exactly. Source: identity, handbook chapter 7. */
export const sheetsPerLift = (liftHeightMm: number, caliperUm: number, told = Infinity): number =>
  Math.min(told, Math.max(1, floorRatio(liftHeightMm * 1000, Math.max(1, caliperUm))));

/** Setting up, and the time that a lift, its cuts and its turns take. */
export interface LiftWork {
  readonly setupHours: number;
  readonly minutesPerLift: number;
  readonly secondsPerCut: number;
  readonly secondsPerTurn: number;
  readonly efficiency: number;
}

/** Guillotine hours: lifts of so many sheets, each jogged, cut, turned and unloaded. Source: handbook chapter 7. */
export function liftTime(work: LiftWork, lifts: number, cuts: number, quarterTurns: number): number {
  const seconds = cuts * work.secondsPerCut + quarterTurns * work.secondsPerTurn;
  return work.setupHours + (lifts * (work.minutesPerLift + seconds / 60)) / 60 / work.efficiency;
}

/** Sheets an hour of a folder: belt speed over sheet and gap, no more than the machine's limit. Source: handbook chapter 7. */
export const beltRate = (most: number, beltMPerMinute: number, lengthM: number, gapM: number): number =>
  Math.min(most, (60 * beltMPerMinute) / (lengthM + gapM));
