import {
  type Capability,
  type ControlChart,
  type Drift,
  type Reading,
  type RunRule,
  type RunSignal,
  RUN_RULES,
  beyondTolerance,
  capabilityOf,
  driftOf,
  individualsChart,
  runSignals,
  shareChart,
} from '@druckerei/core';
import type { ReadingSeries, Readings } from '@druckerei/contract';
import { count, many } from '../../ui/format';

/** Which rules are looked for. */
export type RuleSet = 'Western Electric 1956' | 'Nelson 1984';
export const rulesOf = (set: RuleSet): RunRule[] =>
  (Object.keys(RUN_RULES) as RunRule[]).filter((rule) => set === 'Nelson 1984' || RUN_RULES[rule] === set);

/** What is measured, with its unit and the digits that it is told with. */
const OF: Readonly<Record<Reading, { readonly name: string; readonly unit: string; readonly digits: number }>> = {
  register: { name: 'Register', unit: 'mm', digits: 3 },
  density: { name: 'Density', unit: '', digits: 3 },
  colour: { name: 'Colour difference', unit: 'ΔE00', digits: 2 },
  length: { name: 'Length', unit: 'mm', digits: 2 },
  weight: { name: 'Weight', unit: 'g', digits: 2 },
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
  readonly signals: readonly RunSignal[];
  readonly tolerance: { readonly lower: number | null; readonly upper: number | null } | null;
  readonly beyond: number;
  readonly capability: Capability | undefined;
  readonly drift: Drift | undefined;
}

/** Fewest readings that limits are drawn of: of fewer they say nothing. */
const LEAST = 5;

function readingChart(series: ReadingSeries, rules: readonly RunRule[]): QualityChart | undefined {
  const { of, name, points, tolerance, job, step, title, machine } = series;
  const values = points.map(({ value }) => value);
  const made = points.length < LEAST ? undefined : individualsChart(values);
  if (!made) return undefined;
  const counted = points.every(({ sheet }) => sheet !== null);
  const x = points.map(({ sheet }, i) => (counted ? (sheet ?? 0) : i + 1));
  const rising = x.every((at, i) => i === 0 || at > (x[i - 1] ?? at));
  const { name: what, unit, digits } = OF[of];
  const within = { lower: tolerance?.lower ?? undefined, upper: tolerance?.upper ?? undefined };
  return {
    key: JSON.stringify([job.id, step, of, name]),
    name: name === '' ? what : `${what} ${name}`,
    from: `${job.number} ${job.title} · ${title}${machine === null ? '' : `, ${machine}`}`,
    unit,
    digits,
    along: counted ? 'Sheet' : 'Reading',
    x,
    links: points.map(() => [job.number, job.id, step]),
    chart: made.values,
    ranges: made.ranges,
    signals: runSignals(made.values, rules),
    tolerance,
    beyond: beyondTolerance(values, within),
    capability: capabilityOf(values, within),
    drift: rising ? driftOf(x, values) : undefined,
  };
}

function spoilageCharts({ runs }: Readings, rules: readonly RunRule[]): QualityChart[] {
  const groups = new Map<string, Readings['runs']>();
  for (const run of runs) {
    const key = run.machine ?? run.title;
    groups.set(key, [...(groups.get(key) ?? []), run]);
  }
  return [...groups].flatMap(([machine, of]): QualityChart[] => {
    const chart = of.length < LEAST ? undefined : shareChart(of.map((run) => ({ found: run.found, of: run.of })));
    if (!chart) return [];
    const percent = (value: number): number => value * 100;
    const shown: ControlChart = {
      points: chart.points.map(percent),
      limits: chart.limits.map(({ centre, lower, upper, sigma }) => ({
        ...{ centre: percent(centre), lower: percent(lower), upper: percent(upper), sigma: percent(sigma) },
      })),
    };
    return [
      {
        ...{ key: `spoilage ${machine}`, name: 'Spoiled while running', from: `${machine}, ${many(of.length, 'run')}` },
        ...{ unit: '%', digits: 2, along: 'Run', x: of.map((_, i) => i + 1), ranges: undefined },
        links: of.map(({ job, step }) => [job.number, job.id, step] as const),
        chart: shown,
        signals: runSignals(shown, rules),
        ...{ tolerance: null, beyond: 0, capability: undefined, drift: undefined },
      },
    ];
  });
}

/** How much a chart wants to be looked at: beyond the tolerance first, then what goes away, then signals. */
const urgency = ({ beyond, drift, signals }: QualityChart): number =>
  (beyond > 0 ? 1e6 : 0) + (drift ? 1e3 : 0) + signals.length;

/** All charts, what wants to be looked at first. */
export function chartsOf(readings: Readings, set: RuleSet): QualityChart[] {
  const rules = rulesOf(set);
  return [
    ...readings.series.flatMap((series) => readingChart(series, rules) ?? []),
    ...spoilageCharts(readings, rules),
  ].sort((a, b) => urgency(b) - urgency(a));
}

/** What a chart says, in a few words; nothing where it is quiet. */
export function alarmText({ beyond, drift, signals, along, x }: QualityChart): string {
  if (beyond > 0) return `${many(beyond, 'reading')} beyond the tolerance`;
  if (drift) return `goes away from ${along.toLowerCase()} ${count(drift.at)} on`;
  const first = signals[0];
  return first ? `${many(signals.length, 'signal')} from ${along.toLowerCase()} ${count(x[first.from] ?? 0)} on` : '';
}

/** Where it began to go away, and what it came to. */
export function driftText({ drift, name, digits, unit, along }: QualityChart): string {
  if (!drift) return '';
  const way = drift.change > 0 ? 'up' : 'down';
  const size = `${count(Math.abs(drift.change), digits)} ${unit}`.trim();
  return `${name} stood level until ${along.toLowerCase()} ${count(drift.at)} and went ${way} from there: ${size} by the last reading.`;
}

/** A signal in words, with whose rule it is. */
export function signalText({ rule, from, to }: RunSignal, { along, x }: Pick<QualityChart, 'along' | 'x'>): string {
  const at = (i: number): string => count(x[i] ?? 0);
  const where = from === to ? `at ${along.toLowerCase()} ${at(to)}` : `${along.toLowerCase()} ${at(from)} to ${at(to)}`;
  return `${rule}, ${where}`;
}
