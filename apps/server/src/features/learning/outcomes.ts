import { type ClosedStation, type ClosedStep, closedStations, isFinished } from '@druckerei/core';
import type { Database } from '../../db/database.js';
import { unnoted } from '../../db/noted.js';
import { assessmentOf } from '../assessments/assessments.js';
import type { Bench } from '../jobs/bench.js';
import { readEntries } from '../room/entries.js';

/** Jobs that one look reads at most, and milliseconds after which it leaves the rest to the next. */
const MOST = 500;
const LOOK_MS = 2_000;

/** What became of the stations of a job. */
export interface JobOutcome {
  readonly job: number;
  readonly number: string;
  readonly finished: boolean;
  readonly steps: readonly ClosedStation[];
}

/**
 * Makes what became of the stations of every job of which the book says more: nothing is lost where it is cut off, for what to make
 * is asked of the book each time. @returns jobs that are left to the next look.
 */
export async function keepOutcomes({ database, workshop }: Bench): Promise<number> {
  const rows = await database.many<{ id: number; last: number; total: number }>('learning/behind', MOST);
  const until = performance.now() + LOOK_MS;
  let made = 0;
  for (const { id, last } of rows) {
    if (made > 0 && performance.now() > until) break;
    const { card, finish } = await assessmentOf(database, workshop, id);
    const records = (await readEntries(database, id)).filter((one) => one.id <= last);
    // Of a job that cannot be planned any more nothing can be held against its plan.
    const steps = card ? closedStations(card, records) : [];
    const counts = new Map(steps.map(({ outcome }) => [outcome.step, outcome.happened.good]));
    await unnoted(() =>
      database.one('learning/put-outcome', id, last, isFinished(finish, counts), JSON.stringify(steps)),
    );
    made++;
  }
  return (rows[0]?.total ?? 0) - made;
}

/** What became of all stations, as long as nothing is added. */
const kept = new WeakMap<Database, { readonly stamp: string; readonly outcomes: readonly JobOutcome[] }>();

/** What became of the stations of all jobs that are through, and a mark that stays the same as long as nothing of it, of the norms or of the works changes. */
export async function readOutcomes(
  database: Database,
): Promise<{ readonly stamp: string; readonly outcomes: readonly JobOutcome[] }> {
  const stamp = (await database.one<{ stamp: string }>('learning/stamp'))?.stamp ?? '';
  const before = kept.get(database);
  if (before?.stamp === stamp) return before;
  const outcomes = await database.many<JobOutcome & Record<string, unknown>>('learning/outcomes');
  const read = { stamp, outcomes };
  kept.set(database, read);
  return read;
}

/** The same, station by station. */
export const closedSteps = (outcomes: readonly JobOutcome[]): ClosedStep[] =>
  outcomes.flatMap(({ job, number, steps }) => steps.map((step) => ({ job, number, ...step })));
