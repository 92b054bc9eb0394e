import {
  type CardStep,
  type RoomCard,
  type RoomRecord,
  type StandingRecord,
  type Works,
  OPERATION_RULES,
  readingLimits,
  shiftAt,
  standing,
} from '@druckerei/core';
import type { FaultLine, Faults, ReadingSeries, Readings } from '@druckerei/contract';
import type { Handlers } from '../../http/register.js';
import { assessmentOf } from '../assessments/assessments.js';
import type { Bench } from '../jobs/bench.js';
import { keepOutcomes, readOutcomes } from '../learning/outcomes.js';
import { readEntries } from '../room/entries.js';
import { currentWorks } from '../works/works.js';

/** Days that are looked back where nobody says how many, and jobs that are looked at. */
const DAYS = 30;
const MOST_JOBS = 200;
const DAY_MS = 86_400_000;

interface JobRow extends Record<string, unknown> {
  readonly id: number;
  readonly number: string;
  readonly title: string;
  readonly total: number;
}
interface BookedJob {
  readonly job: ReadingSeries['job'];
  readonly card: RoomCard | undefined;
  /** What counts since then. */
  readonly records: readonly StandingRecord[];
}

/** The books of jobs in which something happened since a time. */
async function booksSince(
  { database, workshop }: Bench,
  since: number,
): Promise<{ readonly jobs: readonly BookedJob[]; readonly left: number }> {
  const from = new Date(since).toISOString();
  const rows = await database.many<JobRow>('quality/jobs', from, MOST_JOBS);
  const jobs: BookedJob[] = [];
  for (const { id, number, title } of rows) {
    const { card } = await assessmentOf(database, workshop, id);
    const records: readonly RoomRecord[] = await readEntries(database, id);
    jobs.push({ job: { id, number, title }, card, records: standing(records).filter(({ at }) => at >= from) });
  }
  return { jobs, left: (rows[0]?.total ?? 0) - rows.length };
}

const stepOf = (card: RoomCard | undefined, id: string): CardStep | undefined =>
  card?.steps.find((step) => step.id === id);

/** Readings of a job, thing by thing. */
function seriesOf({ job, card, records }: BookedJob, works: Works): ReadingSeries[] {
  const series = new Map<string, ReadingSeries>();
  for (const { id, at, event } of records) {
    if (event.kind !== 'reading') continue;
    const { step, of, name = '', source = null, value, sheet = null } = event;
    const key = JSON.stringify([step, of, name, source]);
    const planned = stepOf(card, step);
    const limits = readingLimits(works, planned?.machine ?? null, of, name);
    const one = series.get(key) ?? {
      ...{ job, step, title: planned?.title ?? step, machine: planned?.machineName ?? null, of, name, source },
      tolerance: limits ? { lower: limits.lower ?? null, upper: limits.upper ?? null } : null,
      points: [],
    };
    one.points.push({ entry: id, at, sheet, value });
    series.set(key, one);
  }
  return [...series.values()];
}

/** Lots of a job that were looked at. */
const lotsOf = ({ job, card, records }: BookedJob): Readings['lots'] =>
  records.flatMap(({ at, event }) => {
    if (event.kind !== 'inspected') return [];
    const { step, faulty: found, sample: of } = event;
    const planned = stepOf(card, step);
    return [{ job, step, title: planned?.title ?? step, machine: planned?.machineName ?? null, at, found, of }];
  });

/** Faults that were seen at a station. */
const faultsSeen = ({ records }: BookedJob, step: string): number =>
  records.filter(({ event }) => event.kind === 'fault' && event.step === step).length;

async function readReadings(bench: Bench, days: number): Promise<Readings> {
  const since = Date.now() - days * DAY_MS;
  const works = await currentWorks(bench.database);
  const { jobs, left } = await booksSince(bench, since);
  await keepOutcomes(bench);
  const { outcomes } = await readOutcomes(bench.database);
  const known = new Map(jobs.map((booked) => [booked.job.id, booked]));
  const runs = outcomes.flatMap(({ job: id, steps }) => {
    const booked = known.get(id);
    return booked === undefined
      ? []
      : steps
          .filter(({ closed, outcome: { happened } }) => Date.parse(closed) >= since && happened.balanced)
          .map(({ closed, outcome: { step, title, machineName: machine, happened } }) => ({
            ...{ job: booked.job, step, title, machine, closed, found: happened.runSpoils, of: happened.units },
            faults: faultsSeen(booked, step),
          }));
  });
  return {
    days,
    series: jobs.flatMap((booked) => seriesOf(booked, works)),
    runs: runs.sort((a, b) => a.closed.localeCompare(b.closed)),
    lots: jobs.flatMap(lotsOf).sort((a, b) => a.at.localeCompare(b.at)),
    left,
  };
}

/** Something that was spoiled, lost or seen; undefined of every other entry. */
function seen({
  event,
}: StandingRecord): { readonly step: string; readonly reason: string; readonly count: number } | undefined {
  if (event.kind === 'spoiled') return event;
  if (event.kind === 'incident' && event.lost > 0) return { step: event.step, reason: event.what, count: event.lost };
  return event.kind === 'fault' ? { step: event.step, reason: event.fault, count: 1 } : undefined;
}

function faultsOf({ job, card, records }: BookedJob, { timeZone }: Works): FaultLine[] {
  return records.flatMap((record): FaultLine[] => {
    const fault = seen(record);
    if (!fault) return [];
    const { id: entry, at, event } = record;
    const step = stepOf(card, fault.step);
    const component = card?.components.find(({ id }) => id === step?.component);
    return [
      {
        ...{ job, entry, at, step: fault.step, title: step?.title ?? fault.step, machine: step?.machineName ?? null },
        station: step ? OPERATION_RULES[step.operation].name : fault.step,
        stock: component?.stock ?? '',
        shift: shiftAt(at, timeZone).shift,
        ...{ reason: fault.reason, count: fault.count },
        unit: event.kind === 'fault' ? 'seen' : (step?.unitIn ?? ''),
      },
    ];
  });
}

export const qualityHandlers = (bench: Bench): Pick<Handlers, 'readings' | 'faults'> => ({
  readings: ({ query }) => readReadings(bench, query.days ?? DAYS),
  faults: async ({ query: { days = DAYS } }): Promise<Faults> => {
    const works = await currentWorks(bench.database);
    const { jobs, left } = await booksSince(bench, Date.now() - days * DAY_MS);
    return { days, lines: jobs.flatMap((booked) => faultsOf(booked, works)), left };
  },
});
