import { type Issue, error } from '../kernel/index.js';
import {
  type JudgedLot,
  type Level,
  type SamplingPlan,
  type SamplingState,
  type SamplingTable,
  judgeLots,
  samplingPlan,
} from '../quality/index.js';
import type { StationEntry } from './entry.js';
import type { SeenLot, StationTally } from './tally.js';

/** What lots of the works are looked at by. */
export interface SamplingRules {
  /** Per cent, one of the series. */
  readonly aql: number;
  readonly level: Level;
  readonly table: SamplingTable;
}

/** Where the lots of a station stand. */
export interface StationLots {
  readonly lots: readonly JudgedLot<SeenLot>[];
  readonly now: SamplingState;
  /** Refused lots that nobody has sorted yet. */
  readonly unsorted: number;
}

/** The lots of a station, judged one after another by the limit that the last of them was looked at by. */
export function lotsOf(
  { lots, sorted }: Pick<StationTally, 'lots' | 'sorted'>,
  { aql, level, table }: SamplingRules,
): StationLots {
  const last = lots.at(-1);
  const judged = judgeLots(lots, last?.aql ?? aql, last?.level ?? level, table);
  return {
    lots: judged.lots,
    now: judged.now,
    unsorted: judged.lots.filter(({ accepted }) => !accepted).length - sorted,
  };
}

/** The plan of the next lot. Issues: `quality.lot`, `quality.aql`. */
export const nextPlan = (tally: Pick<StationTally, 'lots' | 'sorted'>, rules: SamplingRules, lot: number) =>
  samplingPlan({ lot, aql: rules.aql, level: rules.level, severity: lotsOf(tally, rules).now.severity }, rules.table);

/** A sample that is not the plan's, or more faulty ones than it has. */
function wrongSample({ sample, faulty }: Inspected, { n }: SamplingPlan): Issue[] {
  return [
    ...(sample === n ? [] : [error('quality.sample', 'sample', { sample, n })]),
    ...(faulty <= sample ? [] : [error('quality.faulty', 'faulty', { faulty, sample })]),
  ];
}
type Inspected = Extract<StationEntry, { kind: 'inspected' }>;

/** What keeps a looked-at lot, or a sorted one, out of the book. Issues: `quality.*`. */
export function refuseLot(
  entry: Inspected | Extract<StationEntry, { kind: 'sorted' }>,
  tally: StationTally,
  rules: SamplingRules,
): Issue[] {
  const { now, unsorted } = lotsOf(tally, rules);
  if (entry.kind === 'sorted') return unsorted > 0 ? [] : [error('quality.nothing-to-sort', 'kind')];
  if (now.stopped && !entry.mended) return [error('quality.stopped', 'mended')];
  const plan = nextPlan(tally, { ...rules, aql: entry.aql, level: entry.level }, entry.lot);
  return plan.ok ? wrongSample(entry, plan.value) : [...plan.issues];
}
