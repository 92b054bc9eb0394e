import { type BalancedStep, type STOPS, type StationTally, allOf, countedOf } from '../book/index.js';
import { table } from '../kernel/index.js';
import type { PlanStep } from '../plan/index.js';
import type { StepNorms } from './step-norms.js';

/** A planned station, as what happened is held against it. */
export interface OutcomeStep
  extends
    BalancedStep,
    Pick<PlanStep, 'operation' | 'machine' | 'unitIn' | 'needsOut' | 'setup' | 'running' | 'hours'> {
  readonly title: string;
  readonly machineName: string | null;
  readonly norms: StepNorms;
  readonly setUpHours: number;
  /** What an hour of it costs, machine and people, in the currency of the works. */
  readonly hourCost: number;
  /** What the paper in one process unit costs. */
  readonly unitPaper: number;
  readonly takes: readonly {
    readonly material: string;
    readonly usage: number;
    readonly count: number;
    /** What one of it costs, where it is paper that is bought. */
    readonly cost: number;
  }[];
}

/** What a station was planned with, or what happened at it. */
export interface StepRun {
  /** Process units of the run, without set-up. */
  readonly units: number;
  readonly good: number;
  /** Process units. */
  readonly setUpSpoils: number;
  readonly runSpoils: number;
  readonly setUpHours: number;
  readonly runHours: number;
  /** Bought sheets or other paper taken in and not left over, and its cost; undefined where nobody counted it in. */
  readonly paper: number | undefined;
  readonly paperCost: number | undefined;
}

/** What a station that is through was planned with and what happened: data that is kept. */
export interface StepOutcome {
  readonly step: string;
  readonly title: string;
  readonly operation: PlanStep['operation'];
  readonly machine: string | null;
  readonly machineName: string | null;
  readonly unit: string;
  readonly running: number;
  readonly hourCost: number;
  readonly unitPaper: number;
  readonly norms: StepNorms;
  readonly planned: StepRun;
  readonly happened: StepRun & {
    /** What went through is accounted for: somebody counted in what came. */
    readonly balanced: boolean;
    /** Somebody entered when it was set up, and when it ran. */
    readonly timed: { readonly setUp: boolean; readonly run: boolean };
    /** Hours that it stood; those of the machine's own reasons. */
    readonly stopHours: number;
    readonly ownStopHours: number;
    /** Process units spoiled, and hours that it stood, by reason. */
    readonly spoils: Readonly<Record<'set-up' | 'run', Readonly<Record<string, number>>>>;
    readonly stops: Readonly<Record<string, number>>;
  };
}

/** Stops that the machine is not to blame for: they do not slow its norm. Source: common practice, no source. */
const NOT_ITS_OWN: readonly string[] = ['waiting for approval', 'break'] satisfies readonly (typeof STOPS)[number][];
const hours = (minutes: number): number => Math.round((minutes / 60) * 1e4) / 1e4;

/** Bought paper by a way to count it. */
function paperOf(
  { takes }: OutcomeStep,
  count: (take: OutcomeStep['takes'][number], only: boolean) => number | undefined,
): Pick<StepRun, 'paper' | 'paperCost'> {
  const bought = takes.filter(({ cost }) => cost > 0);
  const counts = bought.map((take) => count(take, takes.length === 1));
  if (bought.length === 0 || counts.some((one) => one === undefined)) return { paper: undefined, paperCost: undefined };
  const told = counts.map((one) => one ?? 0);
  return {
    paper: told.reduce((sum, one) => sum + one, 0),
    paperCost: bought.reduce((sum, { cost }, i) => sum + cost * (told[i] ?? 0), 0),
  };
}

/**
 * What became of a station beside its plan. What ran is what came out good, samples, and what was spoiled while running, in process
 * units. Source: handbook chapter 9 "Learning the norms".
 */
export function outcomeOf(step: OutcomeStep, tally: StationTally): StepOutcome {
  const { id, title, operation, machine, machineName, unitIn, yield: y, norms, running, hourCost, unitPaper } = step;
  const counted = ({ material }: OutcomeStep['takes'][number], only: boolean): number | undefined =>
    tally.takenIn.size > 0
      ? countedOf(tally.takenIn, material, only) - countedOf(tally.leftOver, material, only)
      : undefined;
  const { stops } = tally.minutes;
  return {
    ...{ step: id, title, operation, machine, machineName, unit: unitIn, running, hourCost, unitPaper, norms },
    planned: {
      units: Math.max(0, step.processUnits - step.setup),
      good: step.needsOut,
      setUpSpoils: step.setup,
      runSpoils: Math.max(0, step.processUnits - step.setup) * running,
      setUpHours: step.setUpHours,
      runHours: step.hours - step.setUpHours,
      ...paperOf(step, ({ count }) => count),
    },
    happened: {
      units: (tally.good + tally.samples) / y + tally.spoiled.run,
      good: tally.good,
      setUpSpoils: tally.spoiled['set-up'],
      runSpoils: tally.spoiled.run,
      setUpHours: hours(tally.minutes.setUp),
      runHours: hours(tally.minutes.run),
      ...paperOf(step, counted),
      balanced: tally.takenIn.size > 0,
      timed: { setUp: tally.minutes.setUp > 0, run: tally.minutes.run > 0 },
      stopHours: hours(allOf(stops)),
      ownStopHours: hours(allOf(new Map([...stops].filter(([reason]) => !NOT_ITS_OWN.includes(reason))))),
      spoils: { 'set-up': table(tally.reasons['set-up']), run: table(tally.reasons.run) },
      stops: table([...stops].map(([reason, minutes]) => [reason, hours(minutes)] as const)),
    },
  };
}
