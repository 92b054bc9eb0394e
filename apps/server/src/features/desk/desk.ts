import {
  type DeskFacts,
  type DeskMatter,
  type DeskRun,
  DRAFTS_AHEAD,
  dayAfter,
  deskOf,
  stationName,
} from '@druckerei/core';
import { type Account, type Desk, type DeskLine, type DeskNote, dayIn } from '@druckerei/contract';
import type { Queries } from '../../db/database.js';
import { ProblemError, invalid } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { type FloorNow, readFloor, readSchedule } from '../floor/read-floor.js';
import type { Bench } from '../jobs/bench.js';
import { readRevision } from '../jobs/revisions.js';
import { readProposals } from '../learning/learning.js';
import { readEntries } from '../room/entries.js';

/** Days that a job may be overdue and still want something. */
const DAYS_OVERDUE = 60;
/** Milliseconds of one look in which counts are reckoned that nobody has reckoned yet. */
const LOOK_MS = 1_500;
/** Forecasts that are kept, by revision of the job and its last record: they cost some tenths of a second. */
const KEPT = 500;

interface NoteRow extends Record<string, unknown> {
  readonly key: string;
  readonly state: 'done' | 'put off' | 'given';
  readonly until: string | null;
  readonly toId: number | null;
  readonly to: string | null;
  readonly by: string;
}

/** What the counts of jobs come to, kept as long as nothing is recorded. */
type Forecasts = Map<string, DeskRun | undefined>;

async function readRuns(
  { database, workshop }: Bench,
  kept: Forecasts,
  today: string,
): Promise<{ readonly runs: DeskRun[]; readonly waiting: number }> {
  const rows = await database.many<{ id: number; revision: number; record: number }>(
    'desk/counted',
    dayAfter(today, -DAYS_OVERDUE),
  );
  const runs: DeskRun[] = [];
  const until = performance.now() + LOOK_MS;
  let waiting = 0;
  for (const { id, revision: released, record } of rows) {
    const key = `${id}/${released}/${record}`;
    if (!kept.has(key)) {
      if (performance.now() > until) {
        waiting++;
        continue;
      }
      const revision = await readRevision(database, id, released);
      const records = await readEntries(database, id);
      const run = await workshop.run('deskRun', { revision, records }).catch((error: unknown) => {
        // A job that cannot be planned any more says so where it is looked at.
        if (error instanceof ProblemError && error.status === 422) return undefined;
        throw error;
      });
      if (kept.size >= KEPT) kept.clear();
      kept.set(key, run);
    }
    const run = kept.get(key);
    if (run) runs.push(run);
  }
  return { runs, waiting };
}

/** What a matter is called by those who look at it. */
const stepOf = ({ problem: { jobs } }: FloorNow, { job, step }: DeskMatter): string | null => {
  const found = jobs.find(({ id }) => id === job)?.steps.find(({ id }) => id === step);
  return found ? stationName(found) : (step ?? null);
};

/** What wants a decision, and the floor that says so. */
interface Looked {
  readonly now: FloorNow;
  readonly today: string;
  readonly matters: readonly DeskMatter[];
  readonly waiting: number;
}

async function look(bench: Bench, kept: Forecasts): Promise<Looked> {
  const { database } = bench;
  const now = await readFloor(bench);
  const { problem, basis, paper } = now;
  const today = dayIn(new Date(problem.origin), problem.works.timeZone);
  const inForce = await readSchedule(database, 'in force', basis);
  const { runs, waiting } = await readRuns(bench, kept, today);
  const learned = await readProposals(bench);
  const facts: DeskFacts = {
    problem,
    plan: inForce?.plan,
    stale: inForce?.stale ?? false,
    paper,
    runs,
    drafts: await database.many<{ job: number; due: string }>(
      'desk/drafts',
      dayAfter(today, -DAYS_OVERDUE),
      dayAfter(today, DRAFTS_AHEAD),
    ),
    proposals: learned.proposals.length,
  };
  return { now, today, matters: deskOf(facts), waiting: waiting + now.waiting + learned.waiting };
}

/** The desk as it is answered, with what was said of it. */
async function told(
  queries: Queries,
  { now, today, matters, waiting }: Looked,
  account: Pick<Account, 'id'>,
): Promise<Desk> {
  const { problem } = now;
  const ids = [...new Set(matters.flatMap(({ job }) => job ?? []))];
  const titles = await queries.many<NonNullable<DeskLine['job']> & Record<string, unknown>>(
    'desk/titles',
    JSON.stringify(ids),
  );
  const jobs = new Map(titles.map((one) => [one.id, one]));
  const machines = new Map(problem.works.machines.map(({ id, name }) => [id, name]));
  const notes = new Map((await queries.many<NoteRow>('desk/notes', today)).map((note) => [note.key, note]));
  return {
    matters: matters.map((matter): DeskLine => {
      const note = notes.get(matter.key);
      return {
        key: matter.key,
        kind: matter.kind,
        job: matter.job === undefined ? null : (jobs.get(matter.job) ?? null),
        step: stepOf(now, matter),
        machine: matter.machine === undefined ? null : (machines.get(matter.machine) ?? matter.machine),
        of: matter.of,
        by: matter.by === undefined ? null : new Date(matter.by).toISOString(),
        costs: matter.costs,
        expected: matter.expected ?? null,
        wanted: matter.wanted ?? null,
        count: matter.count ?? null,
        minutes: matter.minutes ?? null,
        day: matter.day ?? null,
        help: helpOf(matter, now, machines),
        note: note
          ? { state: note.state, until: note.until, to: note.to, mine: note.toId === account.id, by: note.by }
          : null,
      };
    }),
    people: await queries.many<{ id: number; name: string }>('desk/people'),
    today,
    timeZone: problem.works.timeZone ?? null,
    waiting,
  };
}

/** What would help, with the names of its station and machine in place of their ids. */
function helpOf(matter: DeskMatter, now: FloorNow, machines: ReadonlyMap<string, string>): DeskLine['help'] {
  const { help, job } = matter;
  if (!help) return null;
  const step = help.step === null ? null : stepOf(now, { ...matter, job, step: help.step });
  return { ...help, step, machine: help.machine === null ? null : (machines.get(help.machine) ?? help.machine) };
}

async function note(
  queries: Queries,
  account: Pick<Account, 'id'>,
  { key, state, until, to }: DeskNote,
  today: string,
): Promise<void> {
  await queries.one('desk/prune-notes', today);
  if (state === 'open') {
    await queries.one('desk/drop-note', key);
    return;
  }
  if (state === 'put off' && (until ?? today) <= today)
    throw invalid([{ path: 'until', message: $localize`${until ?? ''} is not after today. Choose a later day.` }]);
  const people = await queries.many<{ id: number }>('desk/people');
  if (state === 'given' && !people.some(({ id }) => id === to))
    throw invalid([{ path: 'to', message: $localize`Nobody here has this account. Choose somebody of the works.` }]);
  const comes = state === 'done' ? dayAfter(today, 1) : state === 'put off' ? (until ?? null) : null;
  await queries.one('desk/put-note', key, state, comes, state === 'given' ? to : null, account.id);
}

export const deskHandlers = (bench: Bench): Pick<Handlers, 'desk' | 'noteDesk'> => {
  const kept: Forecasts = new Map();
  return {
    desk: async ({ account }) => told(bench.database, await look(bench, kept), account),
    noteDesk: async ({ account, body }) => {
      const looked = await look(bench, kept);
      if (body.state !== 'open' && !looked.matters.some(({ key }) => key === body.key))
        throw new ProblemError(409, $localize`This is settled already`, {
          detail: $localize`Nothing of the desk is called so any more.`,
        });
      await bench.database.transaction((queries) => note(queries, account, body, looked.today));
      return told(bench.database, looked, account);
    },
  };
};
