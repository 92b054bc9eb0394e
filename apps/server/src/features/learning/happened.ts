import { daysBetween, differencesOf, largestFirst, sumsOf, wallClock } from '@druckerei/core';
import type { Happened, HappenedJob } from '@druckerei/contract';
import type { Bench } from '../jobs/bench.js';
import { currentWorks } from '../works/works.js';
import { type JobOutcome, keepOutcomes, readOutcomes } from './outcomes.js';

interface JobRow extends Record<string, unknown> {
  readonly id: number;
  readonly number: string;
  readonly title: string;
  readonly customer: string;
  readonly due: string | null;
}

/** When the last of a job's stations was closed. */
const lastOf = ({ steps }: JobOutcome): string =>
  steps.reduce((last, { closed }) => (closed > last ? closed : last), '');

function happenedJob(outcome: JobOutcome, last: string, row: JobRow, timeZone: string | undefined): HappenedJob {
  const outcomes = outcome.steps.map((step) => step.outcome);
  const { id, number, title, customer, due } = row;
  const day = wallClock(Date.parse(last), timeZone).slice(0, 10);
  return {
    job: { id, number, title, customer, due },
    closed: outcomes.length,
    last,
    late: outcome.finished && due !== null ? daysBetween(due, day) : null,
    ...sumsOf(outcomes),
    differences: largestFirst(outcomes.flatMap(differencesOf)).map((one) => ({
      ...one,
      reasons: one.reasons.map(([reason, amount]): [string, number] => [reason, amount]),
    })),
  };
}

/** Planned and happened, of the jobs whose last station was closed in a month: what cost most first. */
export async function readHappened(bench: Bench, asked: string | undefined): Promise<Happened> {
  const { database } = bench;
  const waiting = await keepOutcomes(bench);
  const { currency, timeZone } = await currentWorks(database);
  const { outcomes } = await readOutcomes(database);
  const closed = outcomes.flatMap((outcome) => {
    const last = lastOf(outcome);
    return last === '' ? [] : [{ outcome, last, month: wallClock(Date.parse(last), timeZone).slice(0, 7) }];
  });
  const months = [...new Set(closed.map(({ month }) => month))].sort().reverse();
  const month = asked ?? months[0] ?? wallClock(Date.now(), timeZone).slice(0, 7);
  const of = closed.filter((one) => one.month === month);
  const rows = await database.many<JobRow>('learning/jobs', JSON.stringify(of.map(({ outcome }) => outcome.job)));
  const byId = new Map(rows.map((row) => [row.id, row]));
  const jobs = of.flatMap(({ outcome, last }): HappenedJob[] => {
    const row = byId.get(outcome.job);
    return row ? [happenedJob(outcome, last, row, timeZone)] : [];
  });
  const off = ({ planned, happened }: HappenedJob): number => Math.abs(happened.cost - planned.cost);
  return { month, months, currency, waiting, jobs: jobs.sort((a, b) => off(b) - off(a)) };
}
