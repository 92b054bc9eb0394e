import { randomUUID } from 'node:crypto';
import { dayAfter, instantOf } from '@druckerei/core';
import { type Account, dayIn } from '@druckerei/contract';
import { assessmentOf } from '../features/assessments/assessments.js';
import type { Bench } from '../features/jobs/bench.js';
import { createJob } from '../features/jobs/write-job.js';
import { type NewEntry, addEntries } from '../features/room/entries.js';
import { currentWorks } from '../features/works/works.js';
import { accountLogOf } from './demo-account.js';
import { type LogEntry, type PastJob, PAST_JOBS, logOf } from './demo-log.js';
import { exampleJob } from './load-demo.js';

/** Days between the beginning of a past job and when it was due. */
const DAYS_DUE = 4;
/** Hours of a day that the demo's stations work: what is left is done the next day. */
const HOURS_A_DAY = 14;
const OPENS = '06:00';

/** One past job with all that its stations entered, put aside. */
async function loadPast(bench: Bench, manager: Account, past: PastJob, seed: number): Promise<void> {
  const { database, workshop } = bench;
  const today = dayIn(new Date());
  const begun = dayAfter(today, -past.days);
  const { number, title, quantity } = past;
  const example = exampleJob(past.example);
  const job = {
    ...{ ...example, number, title, due: dayAfter(begun, DAYS_DUE), order: { ...example.order, quantity } },
    ...(example.accountable ? { accountable: { ...example.accountable, inspect: 'sample' as const } } : {}),
  };
  const { id } = await createJob(bench, manager, job);
  const { card } = await assessmentOf(database, workshop, id);
  if (!card) throw new Error(`the past job ${number} cannot be planned`);
  const { timeZone } = await currentWorks(database);
  const at = (minute: number): number => {
    const [day, rest] = [Math.floor(minute / (HOURS_A_DAY * 60)), minute % (HOURS_A_DAY * 60)];
    return Math.round(instantOf(`${dayAfter(begun, day)}T${OPENS}`, timeZone) + rest * 60_000);
  };
  const operator = (await database.one<{ id: number }>('accounts/by-login', 'operator')) ?? manager;
  const log = logOf(card, seed, past.drifts);
  const account = card.accountable ? accountLogOf(log, card) : [];
  const entry = (by: number, { minute, event }: LogEntry): NewEntry => ({
    ...{ uid: randomUUID(), job: id, by, happened: at(minute), event },
  });
  await database.transaction(async (queries) => {
    const entries = [
      ...log.map((one) => entry(operator.id, one)),
      ...account.map((one) => entry((one.who === 'manager' ? manager : operator).id, one)),
    ].sort((one, other) => one.happened - other.happened);
    const ids = await addEntries(queries, entries);
    const destroyed = entries.findIndex(({ event }) => event.kind === 'destroyed');
    if (destroyed >= 0) {
      const witnessed = { kind: 'witnessed', record: ids[destroyed] ?? 0 } as const;
      const minute = (account.at(-1)?.minute ?? 0) + 5;
      await addEntries(queries, [entry(operator.id, { minute, event: witnessed })]);
    }
    await queries.one('jobs/put-aside', id, true);
  });
}

/** What the demo's stations entered in the months before. */
export async function loadLog(bench: Bench, manager: Account): Promise<void> {
  for (const [i, past] of PAST_JOBS.entries()) await loadPast(bench, manager, past, i + 1);
}
