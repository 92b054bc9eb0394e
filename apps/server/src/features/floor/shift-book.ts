import { randomBytes } from 'node:crypto';
import { shiftBookCsv, type ShiftBook } from '@druckerei/formats';
import type { NamedJob, Schedule } from '@druckerei/contract';
import type { FloorStep } from '@druckerei/core';
import type { Queries } from '../../db/database.js';
import { notFound } from '../../http/problem.js';
import type { Handlers } from '../../http/register.js';
import { hashOf } from '../../http/hash-of.js';
import type { Bench } from '../jobs/bench.js';
import { bookHead } from '../room/entries.js';
import { currentWorks } from '../works/works.js';
import { namedSteps } from './read-floor.js';

type Row = Pick<Schedule, 'id' | 'state' | 'by' | 'at' | 'plan'> & Record<string, unknown>;
type NameRow = Omit<NamedJob, 'steps'> & { readonly steps: readonly FloorStep[] } & Record<string, unknown>;

/** A schedule with the names of what it tells, of all machines or one. */
async function bookOf(queries: Queries, schedule: Row, machine?: string): Promise<ShiftBook> {
  const { name, timeZone, machines } = await currentWorks(queries);
  const { plan } = schedule;
  const ids = [...new Set(plan.slots.map(({ job }) => job))];
  const jobs = await queries.many<NameRow>('floor/names', JSON.stringify(ids));
  const slots = machine === undefined ? plan.slots : plan.slots.filter((slot) => slot.machine === machine);
  return {
    works: name,
    timeZone,
    schedule: { ...schedule, plan: { ...plan, slots } },
    jobs: jobs.map((job) => ({ ...job, steps: namedSteps(job.steps) })),
    machines: machines.map((one) => ({ id: one.id, name: one.name })),
    book: await bookHead(queries),
  };
}

/** Longest that a calendar waits before it looks again, seconds. */
const FEED_AGE_S = 900;

/** The shift book for print, as a table, and as a calendar that others read. */
export const shiftBookHandlers = ({
  database,
  workshop,
}: Bench): Pick<Handlers, 'shiftBookPdf' | 'shiftBookCsv' | 'ownFeed' | 'makeFeed' | 'dropFeed' | 'floorFeed'> => {
  const book = async (id: number, machine?: string): Promise<ShiftBook> => {
    const schedule = await database.one<Row>('floor/schedule-by-id', id);
    if (!schedule) throw notFound($localize`This schedule`);
    return bookOf(database, schedule, machine);
  };
  const feedOf = async (account: number): Promise<{ madeAt: string | null }> => ({
    madeAt: (await database.one<{ madeAt: string }>('floor/feed', account))?.madeAt ?? null,
  });
  return {
    shiftBookPdf: async ({ params, query, response }) => {
      const made = await workshop.run('shiftBook', await book(params.id, query.machine));
      response.setHeader('Content-Disposition', `inline; filename="shift-book-${params.id}.pdf"`);
      return made;
    },
    shiftBookCsv: async ({ params, query, response }) => {
      const made = shiftBookCsv(await book(params.id, query.machine));
      response.setHeader('Content-Disposition', `attachment; filename="shift-book-${params.id}.csv"`);
      return made;
    },
    ownFeed: ({ account }) => feedOf(account.id),
    makeFeed: async ({ account }) => {
      const token = randomBytes(24).toString('base64url');
      const row = await database.one<{ madeAt: string }>('floor/put-feed', account.id, hashOf(token));
      return { madeAt: row?.madeAt ?? null, path: `/api/feeds/${token}/floor.ics` };
    },
    dropFeed: async ({ account }) => {
      await database.one('floor/drop-feed', account.id);
      return feedOf(account.id);
    },
    floorFeed: async ({ params, response }) => {
      if (!(await database.one('floor/feed-by-token', hashOf(params.token)))) throw notFound($localize`This calendar`);
      const schedule = await database.one<Row>('floor/schedule', 'in force');
      response.setHeader('Cache-Control', `private, max-age=${FEED_AGE_S}`);
      const { name } = await currentWorks(database);
      return workshop.run('floorCalendar', {
        works: name,
        book: schedule && (await bookOf(database, schedule)),
      });
    },
  };
};
