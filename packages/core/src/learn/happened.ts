import type { StepOutcome, StepRun } from './outcome.js';

/** What differs between plan and what happened. */
export const DIFFERS = ['set-up spoils', 'running spoils', 'set-up time', 'run time', 'stops'] as const;
/** One of these. */
export type Differs = (typeof DIFFERS)[number];

/** One difference of a station. */
export interface HappenedDifference {
  readonly step: string;
  readonly title: string;
  readonly machine: string | null;
  readonly what: Differs;
  /** Process units, or hours. */
  readonly unit: string;
  readonly planned: number;
  readonly happened: number;
  /** What it cost more, in the currency of the works: hours at the rate of machine and people, spoils by the paper in them. */
  readonly cost: number;
  /** Named reasons with their amounts, the largest first. */
  readonly reasons: readonly (readonly [string, number])[];
}

/** Sums of the stations that are through. */
export interface HappenedSums {
  /** Bought sheets; of what nobody counted in, as planned. */
  readonly sheets: number;
  readonly hours: number;
  /** Hours and bought paper. */
  readonly cost: number;
}

const largest = (amounts: Readonly<Record<string, number>>): (readonly [string, number])[] =>
  Object.entries(amounts).sort(([a, x], [b, y]) => y - x || a.localeCompare(b));

/** What differs at a station between plan and what happened; what nobody entered is not told as a difference. */
export function differencesOf(outcome: StepOutcome): HappenedDifference[] {
  const { planned, happened, step, title, machineName: machine, unit, hourCost, unitPaper, running } = outcome;
  const told = (
    what: Differs,
    [wanted, was]: readonly [number, number],
    [each, in_]: readonly [number, string],
    amounts: Readonly<Record<string, number>>,
  ): HappenedDifference[] =>
    wanted === was
      ? []
      : [
          {
            step,
            title,
            machine,
            what,
            unit: in_,
            planned: wanted,
            happened: was,
            cost: (was - wanted) * each,
            reasons: largest(amounts),
          },
        ];
  const { balanced, timed } = happened;
  const units = [unitPaper, unit] as const;
  const hours = [hourCost, 'h'] as const;
  // The plan's time for what really ran: a longer run is no slower one.
  const planUnits = planned.units + planned.setUpSpoils;
  const usual = planUnits > 0 ? (planned.runHours * happened.units) / planUnits : planned.runHours;
  return [
    ...(balanced
      ? told('set-up spoils', [planned.setUpSpoils, happened.setUpSpoils], units, happened.spoils['set-up'])
      : []),
    ...(balanced
      ? told('running spoils', [happened.units * running, happened.runSpoils], units, happened.spoils.run)
      : []),
    ...(timed.setUp ? told('set-up time', [planned.setUpHours, happened.setUpHours], hours, {}) : []),
    ...(timed.run ? told('run time', [usual, happened.runHours], hours, {}) : []),
    ...told('stops', [0, happened.stopHours], hours, happened.stops),
  ];
}

/** The largest differences first, by what they cost; of what costs nothing, by how far they are off. */
export const largestFirst = (differences: readonly HappenedDifference[]): HappenedDifference[] =>
  [...differences].sort(
    (a, b) =>
      Math.abs(b.cost) - Math.abs(a.cost) || Math.abs(b.happened - b.planned) - Math.abs(a.happened - a.planned),
  );

/** Sheets, hours and cost of the stations that are through, as planned and as they happened. */
export function sumsOf(outcomes: readonly StepOutcome[]): {
  readonly planned: HappenedSums;
  readonly happened: HappenedSums;
} {
  const sums = (of: (outcome: StepOutcome) => HappenedSums): HappenedSums =>
    outcomes
      .map(of)
      .reduce(
        (sum, one) => ({ sheets: sum.sheets + one.sheets, hours: sum.hours + one.hours, cost: sum.cost + one.cost }),
        { sheets: 0, hours: 0, cost: 0 },
      );
  const made = (
    hours: number,
    { hourCost }: StepOutcome,
    { paper, paperCost }: Pick<StepRun, 'paper' | 'paperCost'>,
  ): HappenedSums => ({
    sheets: paper ?? 0,
    hours,
    cost: hours * hourCost + (paperCost ?? 0),
  });
  return {
    planned: sums((one) => made(one.planned.setUpHours + one.planned.runHours, one, one.planned)),
    happened: sums((one) => {
      const { happened, planned } = one;
      const setUp = happened.timed.setUp ? happened.setUpHours : planned.setUpHours;
      const run = happened.timed.run ? happened.runHours + happened.stopHours : planned.runHours;
      return made(setUp + run, one, happened.paper === undefined ? planned : happened);
    }),
  };
}
