import { MINUTE_MS } from '../kernel/index.js';
import type { FloorLie } from './holds.js';
import { type FloorStep, stationName } from './steps.js';

/** What the records say of a station: when it was counted, or begun; ms since 1970 UTC. */
export interface FloorNews {
  readonly step: string;
  readonly at: number;
}

/** A job as far as its records say what is done. */
interface Told {
  readonly steps: readonly FloorStep[];
  readonly done: readonly FloorNews[];
  readonly begun: readonly FloorNews[];
}

/** Stations that are done: those that are counted, and all that was needed for them or for what has begun. */
export function doneWith({ steps, done, begun }: Told): ReadonlySet<string> {
  const byId = new Map(steps.map((step) => [step.id, step]));
  const over = new Set<string>(done.map(({ step }) => step));
  const open = [...over, ...begun.map(({ step }) => step)];
  for (let id = open.pop(); id !== undefined; id = open.pop())
    for (const { step } of byId.get(id)?.after ?? [])
      if (!over.has(step)) {
        over.add(step);
        open.push(step);
      }
  return over;
}

/** Minutes that what a station works on has lain since the last of it was counted; 0 where nobody said when. */
export function lain(
  { done }: Pick<Told, 'done'>,
  over: ReadonlySet<string>,
  origin: number,
): (step: FloorStep) => number {
  const at = new Map(done.map((news) => [news.step, news.at]));
  return ({ after }) => {
    const times = after.filter(({ step }) => over.has(step)).map(({ step }) => at.get(step) ?? origin);
    return times.length === 0 ? 0 : Math.max(0, Math.floor((origin - Math.max(...times)) / MINUTE_MS));
  };
}

/** What a station works on and is counted already, but still has to lie: until which minute. */
export function stillWet(
  { steps, done }: Told,
  { id, after }: FloorStep,
  origin: number,
): { readonly hold: FloorLie; readonly minute: number } | undefined {
  const lies = after.flatMap(({ step, lag }) => {
    const news = done.find((one) => one.step === step);
    const before = steps.find((one) => one.id === step);
    return news && before ? [{ of: stationName(before), minute: Math.ceil((news.at - origin) / MINUTE_MS) + lag }] : [];
  });
  const last = lies.sort((a, b) => b.minute - a.minute)[0];
  return last && { hold: { step: id, what: 'drying', of: last.of, day: null }, minute: last.minute };
}
