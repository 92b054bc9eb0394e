import { randomUUID } from 'node:crypto';
import type PgBoss from 'pg-boss';
import type { FloorPlan } from '@druckerei/core';
import type { Account, Effort } from '@druckerei/contract';
import type { Database, Queries } from '../../db/database.js';
import { FLOOR_QUEUE, queueOn } from '../../db/queue.js';
import { ProblemError } from '../../http/problem.js';
import type { PlanNews } from '../../work/floor-tasks.js';
import type { Bench } from '../jobs/bench.js';
import { EVALUATIONS } from './open-run.js';
import { type FloorNow, readFloor } from './read-floor.js';

/** Schedules that are kept beside the one in force, and days that it is known who has asked for them. */
const KEPT = 20;
const KNOWN_DAYS = 30;
/** Milliseconds that a plan may take; what is best by then is no plan, so it is more than the most thorough one takes. */
const PLAN_MS = 280_000;
/** Seconds after which a plan that nobody is at is begun by another instance; milliseconds between two looks, and two signs of life. */
const LOST_S = 15;
const LOOK_MS = 5_000;
const BEAT_MS = 4_000;

type Asker = Pick<Account, 'id'>;
interface Begun {
  readonly begun: number;
  readonly effort: Effort;
  readonly seed: number;
  readonly account: number;
  readonly ends: boolean;
}

/** Keeps a plan as the newest trial. */
export async function keepTrial(queries: Queries, account: Asker, basis: string, plan: FloorPlan): Promise<number> {
  const made = await queries.one<{ id: number }>('floor/add-schedule', basis, JSON.stringify(plan), account.id);
  await queries.one('floor/forget', KEPT);
  await queries.one('floor/forget-runs', KNOWN_DAYS);
  if (!made) throw new Error('the schedule was not kept');
  return made.id;
}

/** Asks for a plan of the floor: it is made by whichever instance is free, and whoever asks does not wait. */
export async function askForPlan(
  database: Database,
  account: Asker,
  { effort, seed }: { effort: Effort; seed: number },
): Promise<number> {
  const queued = randomUUID();
  const run = await database.one<{ id: number }>('floor/add-run', queued, effort, seed, account.id);
  if (!run) throw new Error('the plan was not asked for');
  await queueOn(database).send(FLOOR_QUEUE, { run: run.id }, { id: queued });
  return run.id;
}

/** Keeps the best so far of one run, and tells everybody. */
class Teller {
  private kept: { readonly id: number; readonly judged: string } | undefined;
  private tried = 0;
  private last: Promise<unknown> = Promise.resolve();
  private newest: PlanNews | undefined;
  readonly ends = new AbortController();

  constructor(
    private readonly database: Database,
    private readonly run: number,
    private readonly of: Begun,
    private readonly basis: string,
  ) {}

  /** News are kept one after another; of those that come meanwhile the newest. */
  hear(news: PlanNews): void {
    const waits = this.newest !== undefined;
    this.newest = { ...news, better: news.better ?? this.newest?.better };
    if (!waits)
      this.last = this.last
        .then(() => {
          const told = this.newest;
          this.newest = undefined;
          return told && this.keep(told);
        })
        .catch(() => this.ends.abort());
  }

  private async keep({ tried, better }: PlanNews): Promise<void> {
    this.tried = tried;
    if (!(await this.beat())) return;
    if (better) await this.put(better);
    await tellFloor(this.database);
  }

  /** Says that somebody is still at it, and looks whether it should end; false where another instance has begun it anew. */
  async beat(): Promise<boolean> {
    const { run, of, tried, kept } = this;
    const told = await this.database.one<{ ends: boolean }>('floor/tell-run', run, of.begun, tried, kept?.id ?? null);
    if (!told || told.ends) this.ends.abort();
    return told !== undefined;
  }

  /**
   * A schedule that somebody has taken, or let go, meanwhile stays so: it is told whole where nothing better was found,
   * and what is better is a trial of its own.
   */
  private async put(plan: FloorPlan): Promise<void> {
    const { database, kept, of, basis } = this;
    const [body, judged] = [JSON.stringify(plan), JSON.stringify(plan.judged)];
    if (kept && (await database.one('floor/put-schedule', kept.id, body))) this.kept = { id: kept.id, judged };
    else if (kept?.judged === judged) await database.one('floor/finish-schedule', kept.id, body);
    else this.kept = { id: await keepTrial(database, { id: of.account }, basis, plan), judged };
  }

  /** What another instance has begun anew meanwhile is its own: nothing of this one is kept then. */
  async end(plan: FloorPlan | undefined, problem?: string): Promise<void> {
    await this.last;
    this.tried = plan?.evaluations ?? 0;
    if (!(await this.beat())) return;
    if (plan) await this.put(plan);
    const { run, of, tried, kept } = this;
    await this.database.one('floor/end-run', run, of.begun, tried, kept?.id ?? null, problem ?? null);
    await tellFloor(this.database);
  }
}

const tellFloor = (queries: Queries): Promise<unknown> =>
  queries.one('live/tell', JSON.stringify({ topic: 'floor', by: '' }));

/** Puts what would help into a schedule that was told without, once it is known. Never fails: it stands without, too. */
export async function finish(
  { database }: Bench,
  schedule: number,
  plan: Promise<FloorPlan | undefined>,
): Promise<void> {
  try {
    const told = await plan;
    if (told && (await database.one('floor/finish-schedule', schedule, JSON.stringify(told))))
      await tellFloor(database);
  } catch {
    // Too much to reckon, or the server is stopping: it says that it is rough.
  }
}

/** The floor with every job of it read. */
async function wholeFloor(bench: Bench): Promise<FloorNow> {
  let now = await readFloor(bench);
  while (now.waiting > 0) now = await readFloor(bench);
  return now;
}

/** Makes a plan that was asked for; nothing where it was stopped before it was begun. */
export async function makePlan(bench: Bench, run: number): Promise<void> {
  const { database, workshop } = bench;
  const begun = await database.one<Begun & Record<string, unknown>>('floor/begin-run', run);
  if (!begun) return;
  const { problem, basis } = await wholeFloor(bench);
  const teller = new Teller(database, run, begun, basis);
  if (begun.ends) teller.ends.abort();
  // A database that is away is back before long, or the plan is lost: either is seen later.
  const beat = setInterval(() => void teller.beat().catch(() => undefined), BEAT_MS);
  try {
    const plan = await workshop.run(
      'planFloor',
      { problem, effort: { evaluations: EVALUATIONS[begun.effort], seed: begun.seed } },
      { runMs: PLAN_MS, told: (news) => teller.hear(news as PlanNews), ends: teller.ends.signal },
    );
    await teller.end(plan);
  } catch (error) {
    if (!(error instanceof ProblemError)) throw error;
    await teller.end(undefined, error.title);
  } finally {
    clearInterval(beat);
  }
}

export interface FloorRuns {
  /** Looks at once whether there is something to plan. */
  wake(): void;
  stop(): Promise<void>;
}

/** Plans floors that were asked for, one at a time, and takes up what another instance has lost. */
export async function planFloors(bench: Bench, onError: (error: unknown) => void): Promise<FloorRuns> {
  const boss = queueOn(bench.database);
  boss.on('error', onError);
  await boss.start();
  const worker = await boss.work<{ run: number }>(FLOOR_QUEUE, async ([job]) => {
    if (job) await makePlan(bench, job.data.run).catch((error: unknown) => fail(error, onError));
  });
  const takesUp = async (): Promise<void> => {
    if (await takeUp(bench.database, boss)) boss.notifyWorker(worker);
  };
  const look = setInterval(() => void takesUp().catch(onError), LOOK_MS).unref();
  return {
    wake: () => boss.notifyWorker(worker),
    stop: async () => {
      clearInterval(look);
      // What is under way here is handed back, and begun by another instance.
      await boss.stop({ graceful: false });
    },
  };
}

/** The queue is told, so that it is tried again; and whoever looks after the works. */
function fail(error: unknown, onError: (error: unknown) => void): never {
  onError(error);
  throw error;
}

/** Hands back to the queue what nobody has heard of for a while; what is in it already stays as it is. */
async function takeUp(database: Database, boss: PgBoss): Promise<boolean> {
  const lost = await database.many<{ id: number; queued: string; state: string }>('floor/lost-runs', LOST_S);
  for (const { id, queued, state } of lost)
    if (state === 'running') await boss.fail(FLOOR_QUEUE, queued);
    else await boss.send(FLOOR_QUEUE, { run: id }, { id: queued });
  return lost.length > 0;
}
