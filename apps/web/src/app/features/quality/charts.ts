import {
  type Capability,
  type ControlChart,
  type Drift,
  type Found,
  type Reading,
  type RunRule,
  type RunSignal,
  RUN_RULES,
  beyondTolerance,
  capabilityOf,
  driftOf,
  faultsChart,
  individualsChart,
  meanRangeChart,
  runSignals,
  shareChart,
  wordOf,
} from '@druckerei/core';
import type { ReadingSeries, Readings } from '@druckerei/contract';
import { count, many } from '../../ui/format';

/** Which rules are looked for. */
export type RuleSet = 'Western Electric 1956' | 'Nelson 1984';
export const rulesOf = (set: RuleSet): RunRule[] =>
  (Object.keys(RUN_RULES) as RunRule[]).filter((rule) => set === 'Nelson 1984' || RUN_RULES[rule] === set);

/** What is measured, with its unit and the digits that it is told with. */
const OF: Readonly<Record<Reading, { readonly name: string; readonly unit: string; readonly digits: number }>> = {
  register: { name: $localize`Register`, unit: 'mm', digits: 3 },
  density: { name: $localize`Density`, unit: '', digits: 3 },
  colour: { name: $localize`Colour difference`, unit: 'ΔE00', digits: 2 },
  length: { name: $localize`Length`, unit: 'mm', digits: 2 },
  weight: { name: $localize`Weight`, unit: 'g', digits: 2 },
};

/** A chart as it is drawn and told. */
export interface QualityChart {
  readonly key: string;
  readonly name: string;
  /** Where it comes from: job, station, machine. */
  readonly from: string;
  readonly unit: string;
  readonly digits: number;
  /** What stands along it. */
  readonly along: string;
  readonly x: readonly number[];
  /** Of each point: its entry's job and step, or nothing. */
  readonly links: readonly (readonly [string, number, string])[];
  readonly chart: ControlChart;
  readonly ranges: ControlChart | undefined;
  /** Readings of a point, and all of them. */
  readonly group: number;
  readonly readings: number;
  readonly signals: readonly RunSignal[];
  readonly tolerance: { readonly lower: number | null; readonly upper: number | null } | null;
  readonly beyond: number;
  readonly capability: Capability | undefined;
  readonly drift: Drift | undefined;
}

/** What is wished of charts. */
interface Wish {
  readonly rules: readonly RunRule[];
  readonly group: number;
}

/** Fewest points that limits are drawn of: of fewer they say nothing. */
const LEAST = 5;

/** Readings that are drawn as one point: 1, or groups that are taken together, by their mean and range. */
export const GROUPS = [1, 2, 3, 4, 5, 6, 7] as const;

/** Single values, or means of groups in their order; what is left of the last group waits for more. */
function pointsOf(values: readonly number[], group: number): { chart: ControlChart; ranges: ControlChart } | undefined {
  if (group === 1) {
    const made = individualsChart(values);
    return made && { chart: made.values, ranges: made.ranges };
  }
  const whole = Math.floor(values.length / group);
  const made = meanRangeChart(Array.from({ length: whole }, (_, i) => values.slice(i * group, (i + 1) * group)));
  return made && { chart: made.means, ranges: made.ranges };
}

function readingChart(series: ReadingSeries, { rules, group }: Wish): QualityChart | undefined {
  const { job, step, title, machine, of, name, source, tolerance, points } = series;
  const values = points.map(({ value }) => value);
  const made = points.length < LEAST * group ? undefined : pointsOf(values, group);
  if (!made) return undefined;
  const counted = points.every(({ sheet }) => sheet !== null);
  const all = points.map(({ sheet }, i) => (counted ? (sheet ?? 0) : i + 1));
  const rising = all.every((at, i) => i === 0 || at > (all[i - 1] ?? at));
  const { name: what, unit, digits } = OF[of];
  const within = { lower: tolerance?.lower ?? undefined, upper: tolerance?.upper ?? undefined };
  return {
    key: JSON.stringify([job.id, step, of, name, source]),
    name: name === '' ? what : `${what} ${name}`,
    from: [`${job.number} ${job.title} · ${title}`, machine, source].filter((one) => one !== null).join(', '),
    unit,
    digits,
    along: counted ? 'Sheet' : 'Reading',
    x: made.chart.points.map((_, i) => all[i * group] ?? i),
    links: points.map(() => [job.number, job.id, step]),
    ...made,
    group,
    readings: values.length,
    signals: runSignals(made.chart, rules),
    tolerance,
    beyond: beyondTolerance(values, within),
    capability: capabilityOf(values, within),
    drift: rising ? driftOf(all, values) : undefined,
  };
}

/** Something found in so much of what stations put through or looked at. */
interface Counted extends Found {
  readonly job: ReadingSeries['job'];
  readonly step: string;
  readonly title: string;
  readonly machine: string | null;
}
/** How such a chart is told. */
interface CountedWords {
  readonly name: string;
  readonly unit: string;
  /** A point of the chart is told as so many of a share. */
  readonly each: number;
  readonly along: string;
  readonly chart: (counts: readonly Found[]) => ControlChart | undefined;
}

/** A chart for every machine, or station without one. */
function countedCharts(all: readonly Counted[], { rules }: Wish, words: CountedWords): QualityChart[] {
  const { name, unit, each, along } = words;
  const groups = new Map<string, Counted[]>();
  for (const one of all) {
    const key = one.machine ?? one.title;
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  return [...groups].flatMap(([machine, of]): QualityChart[] => {
    const made = of.length < LEAST ? undefined : words.chart(of);
    if (!made) return [];
    const told = (value: number): number => value * each;
    const chart: ControlChart = {
      points: made.points.map(told),
      limits: made.limits.map(({ centre, lower, upper, sigma }) => ({
        ...{ centre: told(centre), lower: told(lower), upper: told(upper), sigma: told(sigma) },
      })),
    };
    return [
      {
        ...{ key: `${name} ${machine}`, name, from: `${machine}, ${many(of.length, along.toLowerCase())}`, unit },
        ...{ digits: 2, along, x: of.map((_, i) => i + 1), ranges: undefined, group: 1, readings: of.length, chart },
        links: of.map(({ job, step }) => [job.number, job.id, step] as const),
        signals: runSignals(chart, rules),
        ...{ tolerance: null, beyond: 0, capability: undefined, drift: undefined },
      },
    ];
  });
}

const SPOILED: CountedWords = {
  ...{ name: $localize`Spoiled while running`, unit: '%', each: 100, along: 'Run', chart: shareChart },
};
const FAULTY: CountedWords = {
  name: $localize`Faulty in lots`,
  unit: '%',
  each: 100,
  along: 'Lot',
  chart: shareChart,
};
const SEEN: CountedWords = {
  ...{ name: $localize`Faults seen`, unit: $localize`in 1,000`, each: 1000, along: 'Run', chart: faultsChart },
};

/** How much a chart wants to be looked at: beyond the tolerance first, then what goes away, then signals. */
const urgency = ({ beyond, drift, signals }: QualityChart): number =>
  (beyond > 0 ? 1e6 : 0) + (drift ? 1e3 : 0) + signals.length;

/** All charts, what wants to be looked at first. @param group readings that are drawn as one point. */
export function chartsOf({ series, runs, lots }: Readings, set: RuleSet, group = 1): QualityChart[] {
  const wish: Wish = { rules: rulesOf(set), group };
  // Where nobody enters faults that are seen, a chart of none of them says nothing.
  const seen = runs.some(({ faults }) => faults > 0) ? runs.map((run) => ({ ...run, found: run.faults })) : [];
  return [
    ...series.flatMap((one) => readingChart(one, wish) ?? []),
    ...countedCharts(runs, wish, SPOILED),
    ...countedCharts(seen, wish, SEEN),
    ...countedCharts(lots, wish, FAULTY),
  ].sort((a, b) => urgency(b) - urgency(a));
}

/** What a chart says, in a few words; nothing where it is quiet. */
export function alarmText({ beyond, drift, signals, along, x }: QualityChart): string {
  if (beyond > 0) return $localize`${many(beyond, 'reading')} beyond the tolerance`;
  if (drift) return $localize`goes away from ${wordOf(along.toLowerCase())} ${count(drift.at)} on`;
  const first = signals[0];
  return first
    ? $localize`${many(signals.length, 'signal')} from ${wordOf(along.toLowerCase())} ${count(x[first.from] ?? 0)} on`
    : '';
}

/** Where it began to go away, and what it came to. */
export function driftText({ drift, name, digits, unit, along }: QualityChart): string {
  if (!drift) return '';
  const way = drift.change > 0 ? 'up' : 'down';
  const size = `${count(Math.abs(drift.change), digits)} ${unit}`.trim();
  return $localize`${name} stood level until ${wordOf(along.toLowerCase())} ${count(drift.at)} and went ${way} from there: ${size} by the last reading.`;
}

/** A signal in words, with whose rule it is. */
export function signalText({ rule, from, to }: RunSignal, { along, x }: Pick<QualityChart, 'along' | 'x'>): string {
  const at = (i: number): string => count(x[i] ?? 0);
  const where =
    from === to
      ? $localize`at ${wordOf(along.toLowerCase())} ${at(to)}`
      : $localize`${wordOf(along.toLowerCase())} ${at(from)} to ${at(to)}`;
  return `${rule}, ${where}`;
}
