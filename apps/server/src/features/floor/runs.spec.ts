import { setTimeout as wait } from 'node:timers/promises';
import type { FloorSlot } from '@druckerei/core';
import type { Floor, LiveMessage, Revision } from '@druckerei/contract';
import { type TestServer, type Visitor, exampleJob, plannedFloor, startServer, visitor } from '../../server.fixture.js';
import type { Database } from '../../db/database.js';
import type { Workshop } from '../../work/workshop.js';
import type { Bench } from '../jobs/bench.js';
import { type FloorRuns, planFloors } from './runs.js';

let server: TestServer;
let manager: Visitor;
const heard: LiveMessage[] = [];
beforeAll(async () => {
  server = await startServer('runs_test');
  manager = await visitor(server.app, 'manager');
  await server.live.ready;
  server.live.onHeard((message) => heard.push(message));
  const names = ['star-atlas', 'concert-programme', 'tea-caddy', 'trail-map'];
  for (const [i, name] of [...names, ...names, ...names, ...names].entries()) {
    const draft = exampleJob(name, { number: `RN-${i}`, due: new Date().toISOString().slice(0, 10) });
    const job = (await manager.call('post', '/api/jobs', draft)).body as Revision;
    await manager.call('post', `/api/jobs/${job.id}/release`, { version: job.version, mark: job.works.mark ?? 0 });
  }
});
afterAll(() => server.stop());

const floor = async (): Promise<Floor> => (await manager.call('get', '/api/floor')).body as Floor;
const ask = async (effort: string): Promise<number> => {
  const response = await manager.call('post', '/api/floor/schedules', { effort });
  expect(response.status).toBe(202);
  return (response.body as { id: number }).id;
};
/** Looks until something is so. */
async function until<T>(look: () => Promise<T>, so: (value: T) => boolean): Promise<T> {
  for (;;) {
    const value = await look();
    if (so(value)) return value;
    await wait(30);
  }
}
const placed = ({ job, step, machine, start, end }: FloorSlot) => ({ job, step, machine, start, end });
const begunOf = async (id: number): Promise<number> => {
  const { rows } = await server.owner.pool.query<{ begun: number }>('SELECT begun FROM floor_run WHERE id = $1', [id]);
  return rows[0]?.begun ?? -1;
};

describe('a plan of the floor', () => {
  it('is made behind the request: a first trial at once, how far it is meanwhile, everybody told', async () => {
    heard.length = 0;
    const before = (await floor()).trial?.id ?? 0;
    const id = await ask('thorough');
    const under = await until(floor, ({ run, trial }) => run?.state === 'running' && run.tried > 0 && trial !== null);
    expect(under.run).toMatchObject({ id, effort: 'thorough', of: 300_000, problem: null });
    expect(under.trial?.id).toBeGreaterThan(before);
    expect(heard.some(({ topic, tab }) => topic === 'floor' && tab === undefined)).toBe(true);

    // It ends with what it has where somebody says so, the same trial, with what would help.
    expect((await manager.call('delete', `/api/floor/runs/${id}`)).status).toBe(200);
    const ended = await until(floor, ({ run }) => run === null);
    expect(ended.trial?.id).toBe(under.trial?.id);
    expect(ended.trial?.plan.evaluations).toBeGreaterThan(0);
    expect(ended.trial?.plan.evaluations).toBeLessThan(300_000);
    expect(ended.trial?.plan.late.some(({ helps }) => helps.length > 0)).toBe(true);
    expect(ended.trial?.stale).toBe(false);
    expect((await manager.call('delete', `/api/floor/runs/${id}`)).status).toBe(404);
  }, 60_000);

  it('that was taken in force while it got better stands as it was taken', async () => {
    const id = await ask('thorough');
    const { trial } = await until(floor, (now) => now.run?.id === id && now.run.tried > 0 && now.trial !== null);
    const taken = (await manager.call('post', '/api/floor/in-force', { id: trial?.id })).body as Floor;
    await manager.call('delete', `/api/floor/runs/${id}`);
    const ended = await until(floor, ({ run }) => run === null);
    expect(ended.inForce?.id).toBe(trial?.id);
    expect(ended.inForce?.plan.slots.map(placed)).toEqual(taken.inForce?.plan.slots.map(placed));
    // Another trial is there only where something better was found.
    if (ended.trial) expect(ended.trial.plan.judged).not.toEqual(taken.inForce?.plan.judged);
  }, 60_000);
});

describe('a plan whose server is gone', () => {
  const runs: FloorRuns[] = [];
  beforeAll(() => {
    server.live.onHeard(() => {
      for (const one of runs) one.wake();
    });
  });
  afterEach(async () => {
    await Promise.all(runs.splice(0).map((one) => one.stop()));
  });
  /** A bench that begins a plan, and that nobody hears of any more until it is let go. */
  const stuck = (): { bench: Bench; go: () => void } => {
    let go = (): void => undefined;
    const gone = new Promise<void>((resolve) => (go = resolve));
    const { database, workshop } = server;
    const run = async (...asked: Parameters<Workshop['run']>) => {
      if (asked[0] === 'planFloor') await gone;
      return workshop.run(...asked);
    };
    const one = async (name: string, ...values: unknown[]) => {
      if (name === 'floor/tell-run') await gone;
      return database.one(name, ...values);
    };
    return {
      bench: {
        database: { ...database, one: one as Database['one'] },
        workshop: { ...workshop, run: run as Workshop['run'] },
      },
      go,
    };
  };

  it('is made by another instance, once; what the first still says is not heard', async () => {
    await server.runs.stop();
    const { database } = server;
    const { bench, go } = stuck();
    const errors: unknown[] = [];
    const first = await planFloors(bench, (error) => errors.push(error));
    runs.push(first);
    const id = await ask('rule');
    await until(
      () => begunOf(id),
      (begun) => begun === 1,
    );
    const second = await planFloors({ database, workshop: server.workshop }, (error) => errors.push(error));
    runs.push(second);
    expect((await floor()).run?.state).toBe('running');
    await server.owner.pool.query("UPDATE floor_run SET seen_at = now() - interval '1 minute' WHERE id = $1", [id]);
    const made = await until(floor, ({ run }) => run === null);
    expect(await begunOf(id)).toBe(2);
    go();
    await wait(500);
    const after = await floor();
    expect(after.trial).toEqual(made.trial);
    expect(errors).toEqual([]);
  }, 60_000);

  it('that stops by itself hands it on', async () => {
    const { database } = server;
    const { bench, go } = stuck();
    const first = await planFloors(bench, () => undefined);
    const id = await ask('rule');
    first.wake();
    await until(
      () => begunOf(id),
      (begun) => begun === 1,
    );
    await first.stop();
    runs.push(await planFloors({ database, workshop: server.workshop }, () => undefined));
    await until(floor, ({ run }) => run === null);
    expect(await begunOf(id)).toBe(2);
    go();
  }, 60_000);

  it.each([
    ['is taken in force', (id: number) => manager.call('post', '/api/floor/in-force', { id })],
    ['is let go', (id: number) => manager.call('delete', `/api/floor/schedules/${id}`)],
  ])(
    'whose first trial %s before it ends, and that finds nothing better, leaves no trial behind',
    async (_, done) => {
      const { database, workshop } = server;
      let seen = 0;
      const run = async (...asked: Parameters<Workshop['run']>) => {
        const plan = await workshop.run(...asked);
        if (asked[0] !== 'planFloor') return plan;
        // What was told first is done with before the plan comes to its end.
        const { trial } = await until(floor, (now) => now.trial !== null && now.trial.id > before);
        seen = trial?.id ?? 0;
        expect((await done(seen)).status).toBe(200);
        return plan;
      };
      const { trial, inForce } = await floor();
      const before = Math.max(trial?.id ?? 0, inForce?.id ?? 0);
      runs.push(
        await planFloors({ database, workshop: { ...workshop, run: run as Workshop['run'] } }, () => undefined),
      );
      await ask('rule');
      const ended = await until(floor, (now) => now.run === null && seen > 0);
      expect(ended.run).toBeNull();
      expect(ended.trial?.id ?? 0).toBeLessThanOrEqual(before);
      expect(ended.inForce?.id === seen && ended.inForce.plan.rough).toBe(false);
    },
    60_000,
  );

  it('that never came into the queue is found', async () => {
    const { rows } = await server.owner.pool.query<{ id: number }>(
      `INSERT INTO floor_run (queued, effort, seed, asked_by, asked_at)
       VALUES (gen_random_uuid(), 'rule', 1, 1, now() - interval '1 minute') RETURNING id`,
    );
    runs.push(await planFloors({ database: server.database, workshop: server.workshop }, () => undefined));
    await until(floor, ({ run }) => run === null);
    expect(await begunOf(rows[0]?.id ?? 0)).toBe(1);
    expect((await plannedFloor(manager)).state).toBe('trial');
  }, 60_000);
});
