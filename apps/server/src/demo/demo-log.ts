import { type CardStep, type RoomCard, type RoomEntry, normal, uniform } from '@druckerei/core';

/** A job of the past in the demo. Invented, as all of it. */
export interface PastJob {
  readonly example: string;
  readonly number: string;
  readonly title: string;
  readonly quantity: number;
  /** Days before today on which its press began. */
  readonly days: number;
  /** Its cyan goes up from the middle of the run on. */
  readonly drifts?: true;
}

/** Jobs that were through before the demo begins. */
export const PAST_JOBS: readonly PastJob[] = [
  { example: 'season-tickets', number: 'HB-25-0871', title: 'Ferry passes, last season', quantity: 12_000, days: 75 },
  { example: 'trail-map', number: 'HB-25-0911', title: 'Lakeside walks, first printing', quantity: 8_000, days: 61 },
  { example: 'tea-caddy', number: 'HB-25-0934', title: 'Jasmine carton', quantity: 4_000, days: 52 },
  { example: 'trail-map', number: 'HB-25-0958', title: 'Northern walks', quantity: 12_000, days: 40, drifts: true },
  { example: 'trail-map', number: 'HB-25-0977', title: 'Southern walks', quantity: 10_000, days: 26 },
  { example: 'tea-caddy', number: 'HB-25-0989', title: 'Verbena carton', quantity: 6_000, days: 17 },
  { example: 'trail-map', number: 'HB-25-1004', title: 'Shore walks', quantity: 9_000, days: 9 },
];

/** How the demo's stations really run beside their norms: set-up spoils, running spoils, time of set-up and of the run. */
const TRUTHS: Partial<Readonly<Record<CardStep['operation'], readonly [number, number, number, number]>>> = {
  print: [1.3, 0.8, 1.25, 1.1],
  cut: [1, 1.4, 1.5, 1],
  fold: [0.8, 2.1, 1, 1.25],
};
const USUAL = [1, 1, 1, 1] as const;
/** Reasons of the demo's spoils, the usual one first. */
const REASONS: Partial<Readonly<Record<CardStep['operation'], readonly [string, string]>>> = {
  print: ['hickey', 'set-off'],
  fold: ['fold skew', 'crease'],
  cut: ['cut', 'scratch'],
};

/** An entry with the minute after the beginning at which it happened. */
export interface LogEntry {
  readonly minute: number;
  readonly event: RoomEntry;
}

/** More paper than the plan asks was laid out. */
const LAID_OUT = 1.06;
/** Sheets between two readings. */
const READ_EVERY = 500;
/** Aims of the demo's densities. */
const DENSITIES = [
  ['K', 1.75],
  ['C', 1.45],
  ['M', 1.45],
  ['Y', 1.35],
] as const;

/** Readings of a press run: steady, but for the cyan of one run, which goes up from its middle on. */
function readingsOf(
  step: CardStep,
  units: number,
  seed: number,
  drifts: boolean,
): readonly (readonly [number, RoomEntry])[] {
  const out: (readonly [number, RoomEntry])[] = [];
  for (let sheet = READ_EVERY, n = 0; sheet < units; sheet += READ_EVERY, n++) {
    const share = sheet / units;
    const common = { kind: 'reading', step: step.id, sheet } as const;
    DENSITIES.forEach(([name, aim], i) => {
      const drift = drifts && name === 'C' ? Math.max(0, share - 0.5) * 0.24 : 0;
      const value = Math.round((aim + drift + 0.02 * normal(seed, 16 * n + i)) * 100) / 100;
      out.push([share, { ...common, of: 'density', name, value }]);
    });
    const colour = Math.round(Math.abs(1.4 + 0.45 * normal(seed, 16 * n + 8)) * 100) / 100;
    out.push([share, { ...common, of: 'colour', name: 'C', value: colour }]);
    const register = Math.round(0.03 * normal(seed, 16 * n + 9) * 1_000) / 1_000;
    out.push([share, { ...common, of: 'register', name: 'M to K', value: register }]);
  }
  return out;
}

/** What a past job's stations entered, one station behind another. @param seed another for each job. */
export function logOf({ steps }: RoomCard, seed: number, drifts = false): LogEntry[] {
  const log: LogEntry[] = [];
  const made = new Map<string, number>();
  let minute = 0;
  steps.forEach((step, i) => {
    const chance = (n: number): number => 0.85 + 0.3 * uniform(seed, i * 8 + n);
    const [setUp, running, setUpTime, runTime] = TRUTHS[step.operation] ?? USUAL;
    const { id, takes, yield: y } = step;
    if (step.hours === 0 || takes.length === 0) {
      made.set(id, made.get(takes[0]?.from ?? '') ?? 0);
      return;
    }
    const came = takes.map((take) => ({
      ...take,
      count: take.from === null ? Math.ceil(take.count * LAID_OUT) : (made.get(take.from) ?? take.count),
    }));
    const through = Math.min(...came.map(({ count, usage }) => Math.floor(count / usage)));
    const setUpSpoils = Math.min(Math.round(step.setup * setUp * chance(1)), Math.floor(through / 4));
    const units = through - setUpSpoils;
    const spoils = Math.round(units * step.running * running * chance(2));
    const good = Math.floor((units - spoils) * y) - step.samplesWanted;
    const put = (at: number, event: RoomEntry): void => {
      log.push({ minute: at, event });
    };
    for (const { material, count } of came) put(minute, { kind: 'taken-in', step: id, material, count });
    for (const { material, count, usage } of came)
      if (count > through * usage)
        put(minute, { kind: 'left-over', step: id, material, count: count - through * usage });
    put(minute, { kind: 'setup-begun', step: id });
    const ready = minute + step.setUpHours * 60 * setUpTime * chance(3);
    put(ready, { kind: 'setup-done', step: id });
    put(ready, { kind: 'run-begun', step: id });
    const stop = uniform(seed, i * 8 + 5) < 0.4 ? 4 + Math.round(20 * uniform(seed, i * 8 + 6)) : 0;
    const run = (step.hours - step.setUpHours) * 60 * (units / step.processUnits) * runTime * chance(4);
    if (step.operation === 'print')
      for (const [share, event] of readingsOf(step, units, seed + i, drifts)) put(ready + run * share, event);
    if (stop > 0) {
      put(ready + run * 0.6, {
        kind: 'stopped',
        step: id,
        reason: step.operation === 'print' && seed % 2 === 0 ? 'wash-up' : 'jam',
      });
      put(ready + run * 0.6 + stop, { kind: 'resumed', step: id });
    }
    const end = ready + run + stop;
    const [usual, other] = REASONS[step.operation] ?? ['scratch', 'dirt'];
    const rest = Math.floor(spoils / 4);
    if (setUpSpoils > 0) put(end, { kind: 'spoiled', step: id, count: setUpSpoils, reason: usual, during: 'set-up' });
    if (spoils - rest > 0) put(end, { kind: 'spoiled', step: id, count: spoils - rest, reason: usual, during: 'run' });
    if (rest > 0) put(end, { kind: 'spoiled', step: id, count: rest, reason: other, during: 'run' });
    if (step.samplesWanted > 0) put(end, { kind: 'samples', step: id, count: step.samplesWanted });
    put(end, { kind: 'good', step: id, count: good });
    put(end + 1, { kind: 'step-closed', step: id });
    made.set(id, good);
    minute = end + 30;
  });
  return log.sort((a, b) => a.minute - b.minute);
}
