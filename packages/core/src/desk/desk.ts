import { MINUTE_MS, dayAfter, group, wallClock } from '../kernel/index.js';
import { normsOf } from '../norms/index.js';
import {
  type FloorHold,
  type FloorJob,
  type FloorPaper,
  type FloorPlan,
  type FloorProblem,
  type FloorSlot,
  openTimes,
  releaseHours,
} from '../floor/index.js';
import type { RunForecast } from '../outlook/index.js';
import { type OpenTime, NEVER } from '../schedule/index.js';
import type { DeskMatter } from './matter.js';

/** A job of which something is counted. */
export interface DeskRun {
  readonly job: number;
  readonly forecast: Pick<RunForecast, 'expected' | 'least' | 'wanted' | 'hold'>;
  /** Carriers that are neither put away nor destroyed. */
  readonly held: number;
}

/** A job that is not released. */
export interface DeskDraft {
  readonly job: number;
  /** ISO 8601 date. */
  readonly due: string;
}

/** What is known in the morning. */
export interface DeskFacts {
  /** The floor of now. */
  readonly problem: FloorProblem;
  /** The schedule in force. */
  readonly plan: FloorPlan | undefined;
  /** Something that it builds on has changed. */
  readonly stale: boolean;
  readonly paper: FloorPaper;
  readonly runs: readonly DeskRun[];
  readonly drafts: readonly DeskDraft[];
  /** Norms that the log proposes another value for. */
  readonly proposals: number;
}

const DAY_MIN = 24 * 60;
/** Days before it is due by which a job should be released. Source: common practice, no source. */
const DAYS_OF_DRAFT = 5;
/** Drafts that are due so many days from today or sooner are looked at: on the day before they should be released. */
export const DRAFTS_AHEAD = DAYS_OF_DRAFT + 1;
/** Days ahead beyond which what has to be decided is none of today's business. Source: common practice, no source. */
const DAYS_AHEAD = 5;

const none = { job: undefined, step: undefined, machine: undefined, of: '', by: undefined, costs: 0 } as const;

/** The day on the wall of the works; of now where no other time is told. */
const dayOf = ({ works, origin }: FloorProblem, ms = origin): string => wallClock(ms, works.timeZone).slice(0, 10);

/** Works down what is known to what wants a decision: the most urgent first, of those of one day what costs most to leave. */
export function deskOf(facts: DeskFacts): DeskMatter[] {
  const { problem } = facts;
  const day = (by: number | undefined): string =>
    by === undefined ? '9999' : dayOf(problem, Math.max(by, problem.origin));
  return [
    ...planMatters(facts),
    ...holdMatters(facts),
    ...lateMatters(facts),
    ...runMatters(facts),
    ...deliveryMatters(facts),
    ...draftMatters(facts),
    ...normMatters(facts),
  ].sort(
    (a, b) =>
      day(a.by).localeCompare(day(b.by)) ||
      b.costs - a.costs ||
      (a.by ?? Infinity) - (b.by ?? Infinity) ||
      a.key.localeCompare(b.key),
  );
}

/** Minutes of a day's delay that a job has no room for, by its weight. */
function dayCosts({ plan }: DeskFacts, { id, weight }: FloorJob): number {
  const spare = plan?.through.find(({ job }) => job === id)?.spare ?? Infinity;
  return Math.max(0, DAY_MIN - Math.max(0, spare)) * weight;
}

/** What stations wait for and no station gives them, one matter a job and kind: by the start in force, less what it takes until it is there. */
function holdMatters(facts: DeskFacts): DeskMatter[] {
  const { problem, plan } = facts;
  const norms = normsOf(problem.works, {});
  const starts = new Map(plan?.slots.map(({ job, step, start }) => [`${job}/${step}`, start]));
  return problem.jobs.flatMap((job): DeskMatter[] => {
    // What is on order comes by itself; carriers are made once the artwork is approved.
    const open = (job.holds ?? []).filter(({ day }) => day === null);
    const noArtwork = open.some(({ what }) => what === 'artwork');
    const kinds = new Map<FloorHold['what'] | 'proof', FloorHold[]>();
    for (const hold of open)
      if (!(noArtwork && hold.what === 'carriers')) group(kinds, hold.sent === undefined ? hold.what : 'proof', hold);
    return [...kinds].flatMap(([kind, holds]): DeskMatter[] => {
      const what = kind === 'proof' ? 'artwork' : kind;
      const last = what === 'artwork' && open.some((one) => one.what === 'carriers') ? 'carriers' : what;
      const wanted = holds
        .flatMap(({ step }) => {
          const start = starts.get(`${job.id}/${step}`);
          return start === undefined ? [] : [{ step, start }];
        })
        .sort((a, b) => a.start - b.start);
      const [first] = wanted;
      const minute = first && first.start - releaseHours(last, open, norms) * 60;
      const by = plan && minute !== undefined ? plan.origin + minute * MINUTE_MS : undefined;
      // What is more than some days off is none of today's business.
      if (by !== undefined && by > problem.origin + DAYS_AHEAD * DAY_MIN * MINUTE_MS) return [];
      const matter: DeskMatter = {
        ...none,
        key: `${kind}/${job.id}`,
        kind,
        day: holds.flatMap(({ sent }) => sent ?? []).sort()[0],
        job: job.id,
        step: first?.step ?? holds[0]?.step,
        of: [...new Set(holds.map(({ of }) => of))].filter((of) => of !== '').join(', '),
        count: what === 'carriers' ? holds.reduce((sum, { of }) => sum + Number(of), 0) : undefined,
        by,
        costs: dayCosts(facts, job),
      };
      return [matter];
    });
  });
}

function lateMatters({ plan, problem }: DeskFacts): DeskMatter[] {
  const weights = new Map(problem.jobs.map(({ id, weight }) => [id, weight]));
  return (plan?.late ?? []).flatMap(({ job, minutes, helps }): DeskMatter[] => {
    const weight = weights.get(job);
    if (weight === undefined) return [];
    const begins = plan?.slots.filter((slot) => slot.job === job).map(({ start }) => start) ?? [];
    const by = plan && begins.length > 0 ? plan.origin + Math.min(...begins) * MINUTE_MS : undefined;
    return [{ ...none, key: `late/${job}`, kind: 'late', job, by, costs: minutes * weight, minutes, help: helps[0] }];
  });
}

/** Counts that will not do while carriers are still there, and carriers that nothing asks for any more. */
function runMatters({ runs, problem }: DeskFacts): DeskMatter[] {
  return runs.flatMap(({ job, forecast, held }): DeskMatter[] => {
    if (held === 0) return [];
    const { expected, least, wanted, hold } = forecast;
    if (!hold) return [{ ...none, key: `let go/${job}`, kind: 'let go', job, count: held }];
    const weight = problem.jobs.find(({ id }) => id === job)?.weight ?? 1;
    if (expected >= least) return [];
    return [
      {
        ...none,
        key: `short/${job}`,
        kind: 'short',
        job,
        count: held,
        expected: Math.round(expected),
        wanted,
        // Carriers are let go as soon as somebody wants their place.
        by: problem.origin,
        costs: DAY_MIN * weight,
      },
    ];
  });
}

/** Orders to suppliers that should have come. */
function deliveryMatters({ paper, problem }: DeskFacts): DeskMatter[] {
  const today = dayOf(problem);
  const overdue = new Map<string, { readonly day: string; lines: number }>();
  for (const { order, day } of paper.coming) {
    if (day >= today) continue;
    const before = overdue.get(order);
    overdue.set(order, { day: before && before.day < day ? before.day : day, lines: (before?.lines ?? 0) + 1 });
  }
  return [...overdue].map(([order, { day, lines }]) => ({
    ...none,
    key: `delivery/${order}`,
    kind: 'delivery',
    of: order,
    by: problem.origin,
    day,
    count: lines,
  }));
}

function draftMatters({ drafts, problem }: DeskFacts): DeskMatter[] {
  const today = dayOf(problem);
  return drafts.flatMap(({ job, due }): DeskMatter[] => {
    if (due > dayAfter(today, DRAFTS_AHEAD)) return [];
    return [{ ...none, key: `draft/${job}`, kind: 'draft', job, day: due, by: problem.origin }];
  });
}

/** What the log proposes for norms: to be looked at when there is time. */
const normMatters = ({ proposals }: DeskFacts): DeskMatter[] =>
  proposals > 0 ? [{ ...none, key: 'norms', kind: 'norms', count: proposals }] : [];

/** A schedule that is missing or no longer fits, and machines that are closed while it wants them. */
function planMatters({ plan, stale, problem }: DeskFacts): DeskMatter[] {
  const anew = (key: string): DeskMatter => ({
    ...none,
    key,
    kind: 'plan',
    by: problem.origin,
    count: problem.jobs.length,
  });
  if (!plan) return problem.jobs.length > 0 ? [anew('plan/none')] : [];
  const { works, hours, jobs } = problem;
  const open = openTimes(hours, works.machines, plan.origin, works.timeZone);
  const runs = new Map(
    jobs.flatMap(({ id, steps, done }) =>
      steps
        .filter((step) => !done.some((one) => one.step === step.id))
        .flatMap((step) => step.ways.map(({ machine, run }) => [`${id}/${step.id}/${machine}`, run] as const)),
    ),
  );
  const broken = new Map<string, FloorSlot[]>();
  for (const slot of plan.slots) {
    if (slot.machine === null || plan.origin + slot.end * MINUTE_MS <= problem.origin) continue;
    const run = runs.get(`${slot.job}/${slot.step}/${slot.machine}`);
    if (run === undefined || lies(open.get(slot.machine), slot) >= run + slot.setUp) continue;
    group(broken, slot.machine, slot);
  }
  const closed = [...broken].map(([machine, slots]): DeskMatter => {
    const start = Math.min(...slots.map((slot) => slot.start));
    return {
      ...none,
      key: `closed/${machine}`,
      kind: 'closed',
      machine,
      by: plan.origin + start * MINUTE_MS,
      costs: slots.length * DAY_MIN,
      count: slots.length,
    };
  });
  return stale ? [anew('plan/stale'), ...closed] : closed;
}

/** Open minutes of a machine between begin and end of a station. */
const lies = (open: OpenTime | undefined, { start, end, frozen }: FloorSlot): number =>
  open === undefined || frozen ? NEVER : open.openBefore(end) - open.openBefore(start);
