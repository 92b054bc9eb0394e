import { type StationEntry, Tally } from '../book/index.js';
import type { Machine } from '../works/index.js';
import type { ClosedStep } from './evidence.js';
import { type OutcomeStep, outcomeOf } from './outcome.js';

/** A guillotine's plan: 5 sheets of set-up, 0.2 % of what runs, six minutes of set-up, one hour of run. */
export const cutter = (machine: Machine['id'] | null, change: Partial<OutcomeStep> = {}): OutcomeStep => ({
  ...{ id: 'cut', name: 'Cut', title: 'Cut', operation: 'cut', machine, machineName: 'Guillotine', unitIn: 'sheet' },
  ...{ yield: 2, processUnits: 10_005, needsOut: 19_960, setup: 5, running: 0.002, setUpHours: 0.1, hours: 1.1 },
  ...{ hourCost: 90, unitPaper: 0.05 },
  takes: [{ material: 'sheets', usage: 1, count: 10_005, cost: 0.05 }],
  norms: {
    setUp: { norm: 'spoil.cut.setup', value: 5, planned: 5, each: 1 },
    running: { norm: 'spoil.cut.running', value: 0.002, planned: 0.002, each: 1 },
    ofNet: false,
    setUpHours: machine === null ? undefined : { norm: `machine.${machine}.setup`, value: 0.1, planned: 0.1, each: 1 },
    efficiency: machine === null ? undefined : { norm: `machine.${machine}.efficiency`, value: 1, planned: 1, each: 1 },
  },
  ...change,
});

const at = (minute: number): string => new Date(Date.UTC(2026, 0, 1, 8) + minute * 60_000).toISOString();

/** What is counted of a run at it. */
export interface CutterRun {
  readonly units?: number;
  readonly spoils?: number;
  readonly setUp?: number;
  readonly setUpMinutes?: number;
  readonly runMinutes?: number;
  readonly stop?: readonly [reason: string, minutes: number];
}

/** A run as the book adds it up: so many sheets ran, so many of them spoiled. */
export function tallyOf({
  units = 10_000,
  spoils = 20,
  setUp = 5,
  setUpMinutes = 6,
  runMinutes = 60,
  stop,
}: CutterRun): Tally {
  const tally = new Tally();
  const step = 'cut';
  const entries: (readonly [StationEntry, number])[] = [
    [{ kind: 'taken-in', step, count: units + setUp }, 0],
    [{ kind: 'setup-begun', step }, 0],
    [{ kind: 'setup-done', step }, setUpMinutes],
    [{ kind: 'run-begun', step }, setUpMinutes],
  ];
  let end = setUpMinutes + runMinutes;
  if (stop) {
    entries.push([{ kind: 'stopped', step, reason: stop[0] }, end], [{ kind: 'resumed', step }, end + stop[1]]);
    end += stop[1];
  }
  if (setUp > 0) entries.push([{ kind: 'spoiled', step, count: setUp, reason: 'cut', during: 'set-up' }, end]);
  if (spoils > 0) entries.push([{ kind: 'spoiled', step, count: spoils, reason: 'crease', during: 'run' }, end]);
  if (units > spoils) entries.push([{ kind: 'good', step, count: (units - spoils) * 2 }, end]);
  entries.push([{ kind: 'step-closed', step }, end]);
  for (const [entry, minute] of entries) tally.add(entry, at(minute));
  return tally;
}

/** The run, closed by an entry. */
export const closedBy = (entry: number, run: CutterRun, step: OutcomeStep): ClosedStep => ({
  ...{ entry, job: entry, number: `D-${entry}`, closed: at(entry * 1440) },
  outcome: outcomeOf(step, tallyOf(run)),
});
