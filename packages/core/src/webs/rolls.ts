import { type Metre, type Mm, type Um, ceilRatio } from '../kernel/index.js';
import { rollDiameterMm, rollLengthM } from '../paper/index.js';

/** Rolls as they are bought, and what of each is not printed. */
export interface RollSpec {
  /** Outer diameter of a full roll, above its core. */
  readonly outerMm: Mm;
  /** Outside diameter of the core. */
  readonly coreMm: Mm;
  readonly caliperUm: Um;
  /** Outer wraps taken off before it is spliced, in diameter. */
  readonly wrapsMm: Mm;
  /** Paper that stays on the core, in diameter. */
  readonly coreWasteMm: Mm;
}

/** Length of a roll that can be printed; 0 where wraps and core waste leave none. Source: identity, handbook chapter 3. */
export function usableLengthM({ outerMm, coreMm, caliperUm, wrapsMm, coreWasteMm }: RollSpec): Metre {
  const [outer, inner] = [outerMm - wrapsMm, coreMm + coreWasteMm];
  return outer > inner ? rollLengthM(outer, inner, caliperUm) : 0;
}

/** One roll of a run. */
export interface RunRoll {
  /** From 1. */
  readonly number: number;
  /** Length of the run at which it is spliced in, and at which it ends. */
  readonly fromM: Metre;
  readonly toM: Metre;
  /** Diameter with its outer wraps off, and when it leaves the press. */
  readonly startMm: Mm;
  readonly endMm: Mm;
  /** Printable length left on it; above 0 on the last roll alone. */
  readonly leftM: Metre;
}

/**
 * The rolls of a run one behind another, each spliced to the one before. Nothing where a roll has no printable length.
 * @param neededM length of web that the run takes, what threads the press included, 0 or more.
 */
export function planRolls(neededM: Metre, spec: RollSpec): RunRoll[] {
  const usableM = usableLengthM(spec);
  if (usableM <= 0) return [];
  const count = Math.max(1, ceilRatio(neededM, usableM));
  const startMm = spec.outerMm - spec.wrapsMm;
  const innerMm = spec.coreMm + spec.coreWasteMm;
  return Array.from({ length: count }, (_, i): RunRoll => {
    const fromM = i * usableM;
    const toM = Math.min(neededM, fromM + usableM);
    const leftM = Math.max(0, fromM + usableM - toM);
    return { number: i + 1, fromM, toM, startMm, endMm: rollDiameterMm(leftM, innerMm, spec.caliperUm), leftM };
  });
}

/** Rolls and splices that stand. */
export interface StandingRolls {
  readonly rolls: number;
  readonly splices: number;
  /** Turns through the press, splices counted. */
  readonly units: number;
}

/** More splices than any run has. */
const MOST_ROLLS = 100_000;

/**
 * Rolls and splices of a run: splices cost turns, turns cost paper, so the sum is repeated until it stands. Undefined where
 * it never does: what a splice loses is as long as what a roll gives.
 * @param units turns without any splice; @param lossUnits turns lost at each; @param unitMm length of a turn.
 * Source: handbook chapter 6 "Webs and rolls".
 */
export function rollsThatStand(
  units: number,
  lossUnits: number,
  unitMm: Mm,
  threadM: Metre,
  usableM: Metre,
): StandingRolls | undefined {
  if (usableM <= 0 || (lossUnits * unitMm) / 1000 >= usableM) return undefined;
  for (let rolls = 1; rolls <= MOST_ROLLS;) {
    const all = units + (rolls - 1) * lossUnits;
    const wanted = Math.max(1, ceilRatio((all * unitMm) / 1000 + threadM, usableM));
    if (wanted <= rolls) return { rolls, splices: rolls - 1, units: all };
    rolls = wanted;
  }
  return undefined;
}
