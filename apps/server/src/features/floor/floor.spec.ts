import { setTimeout as wait } from 'node:timers/promises';
import type { Effort, Floor, FloorPromise, MoveEffect, Revision, Schedule } from '@druckerei/contract';
import { type TestServer, type Visitor, exampleJob, plannedFloor, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
let viewer: Visitor;
beforeAll(async () => {
  server = await startServer('floor_test');
  manager = await visitor(server.app, 'manager');
  viewer = await visitor(server.app, 'viewer');
});
afterAll(() => server.stop());

interface Problem {
  title: string;
  detail?: string;
  errors?: { path: string; message: string }[];
}
const floor = async (): Promise<Floor> => (await viewer.call('get', '/api/floor')).body as Floor;
const planned = (effort: Effort = 'rule'): Promise<Schedule> => plannedFloor(manager, effort);
const faults = (body: unknown): string[] =>
  ((body as Problem).errors ?? []).map(({ path, message }) => `${path}: ${message}`);

/** A job that is released, due next month. */
async function released(name: string, number: string): Promise<Revision> {
  const due = new Date(Date.now() + 30 * 86_400_000).toISOString().slice(0, 10);
  const job = (await manager.call('post', '/api/jobs', exampleJob(name, { number, due }))).body as Revision;
  const response = await manager.call('post', `/api/jobs/${job.id}/release`, {
    version: job.version,
    mark: job.works.mark ?? 0,
  });
  expect([response.status, response.body]).toEqual([200, response.body]);
  return response.body as Revision;
}

describe('the floor', () => {
  it('has the stations of released jobs, and no others', async () => {
    const before = await floor();
    const { id } = await released('trail-map', 'FL-1');
    const draft = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'FL-2' })))
      .body as Revision;
    const after = await floor();
    expect(after.jobs.length).toBe(before.jobs.length + 1);
    expect(after.jobs.find((job) => job.id === id)?.steps.length).toBeGreaterThan(3);
    expect(after.jobs.some((job) => job.id === draft.id)).toBe(false);
  });

  it('keeps a job by its last release while somebody changes it', async () => {
    const { id, job, version } = await released('trail-map', 'FL-4');
    const saved = await manager.call('put', `/api/jobs/${id}/draft`, {
      version,
      job: { ...job, title: 'Another trail map' },
    });
    expect([saved.status, (saved.body as Revision).state]).toEqual([200, 'draft']);
    expect((await floor()).jobs.find((one) => one.id === id)?.title).toBe(job.title);
  });

  it('is planned as a trial, taken in force once, and the one before is past', async () => {
    const trial = await planned();
    expect((await floor()).trial?.id).toBe(trial.id);
    const taken = (await manager.call('post', '/api/floor/in-force', { id: trial.id })).body as Floor;
    expect([taken.inForce?.id, taken.inForce?.stale, taken.trial]).toEqual([trial.id, false, null]);
    const again = await manager.call('post', '/api/floor/in-force', { id: trial.id });
    expect(again.status).toBe(409);
    const next = await planned('quick');
    const then = (await manager.call('post', '/api/floor/in-force', { id: next.id })).body as Floor;
    expect(then.inForce?.id).toBe(next.id);
    expect(next.plan.judged.late).toBeLessThanOrEqual(trial.plan.judged.late);
  });

  it('takes a trial although its stations were reckoned for it, and never looked at before', async () => {
    await released('trail-map', 'FL-6');
    const trial = await planned();
    expect((await manager.call('post', '/api/floor/in-force', { id: trial.id })).status).toBe(200);
  });

  it('refuses a trial that something has changed under, and says that what is in force no longer fits', async () => {
    const trial = await planned();
    await released('trail-map', 'FL-3');
    const refused = await manager.call('post', '/api/floor/in-force', { id: trial.id });
    expect([refused.status, (refused.body as Problem).title]).toEqual([
      409,
      'What this schedule builds on has changed',
    ]);
    expect((await floor()).inForce?.stale).toBe(true);
  });

  it('keeps a pin to a machine and an hour, and lets it go', async () => {
    const [job] = (await floor()).jobs;
    const step = job?.steps.find(({ machines }) => machines.length > 0);
    const day = new Date(Date.now() + 9 * 86_400_000).toISOString().slice(0, 10);
    const pin = {
      job: job?.id,
      step: step?.id,
      machine: step?.machines[0],
      start: `${day}T12:00`,
      reason: 'the customer comes to see it',
    };
    const pinned = (await manager.call('put', '/api/floor/pins', pin)).body as Floor;
    expect(pinned.pins).toMatchObject([{ ...pin, by: 'Production manager' }]);
    const { plan } = await planned();
    const slot = plan.slots.find((one) => one.job === job?.id && one.step === step?.id);
    expect(slot?.machine).toBe(pin.machine);
    expect(plan.origin + (slot?.start ?? 0) * 60_000).toBeGreaterThanOrEqual(Date.parse(`${day}T09:00Z`));
    const gone = (await manager.call('put', '/api/floor/pins', { job: job?.id, step: step?.id })).body as Floor;
    expect(gone.pins).toEqual([]);
  });

  it('refuses pins to what is not there', async () => {
    const [job] = (await floor()).jobs;
    const step = job?.steps.find(({ machines }) => machines.length > 0);
    const pin = async (body: object): Promise<string[]> =>
      faults((await manager.call('put', '/api/floor/pins', body)).body);
    expect(await pin({ job: 99_999, step: 'x', machine: 'y' })).toEqual([
      'job: This job is not on the floor: release it first, or it is finished.',
    ]);
    expect(await pin({ job: job?.id, step: 'nowhere', machine: 'y' })).toEqual([
      `step: ${job?.number ?? ''} has no station nowhere.`,
    ]);
    expect((await pin({ job: job?.id, step: step?.id, machine: 'nobody' }))[0]).toMatch(
      /^machine: .* cannot be done on nobody/,
    );
    expect(
      (await manager.call('put', '/api/floor/pins', { job: job?.id, step: step?.id, start: '2026-02-31T08:00' }))
        .status,
    ).toBe(422);
  });
});

describe('hours of the works', () => {
  const shifts = [{ days: [1, 2, 3, 4, 5], from: '06:00', until: '22:00' }];
  const hours = { press: shifts, finishing: shifts, machines: {}, exceptions: [] };

  it('are set as they were seen, and shift the schedule', async () => {
    const { hoursVersion: version } = await floor();
    const set = await manager.call('put', '/api/floor/hours', { version, hours });
    expect([set.status, (set.body as Floor).hoursVersion]).toEqual([200, version + 1]);
    const late = await manager.call('put', '/api/floor/hours', { version, hours });
    expect(late.status).toBe(409);
  });
  it('are refused with what is wrong where', async () => {
    const { hoursVersion: version } = await floor();
    const wrong = await manager.call('put', '/api/floor/hours', {
      version,
      hours: {
        ...hours,
        machines: { nobody: [] },
        exceptions: [{ from: '2026-12-02T00:00', until: '2026-12-01T00:00', opens: false, why: '' }],
      },
    });
    expect(faults(wrong.body)).toEqual([
      'hours.machines.nobody: There is no machine nobody. Choose one of the works.',
      'hours.exceptions[0].until: It ends (2026-12-01T00:00) before it begins (2026-12-02T00:00). Change one of the two.',
    ]);
    expect(
      (await manager.call('put', '/api/floor/hours', { version, hours: { ...hours, press: [], finishing: [] } }))
        .status,
    ).toBe(422);
  });
  it('that close a machine for ever keep its work from running, and the rest is planned', async () => {
    const now = await floor();
    const machine =
      now.jobs
        .flatMap(({ steps }) => steps)
        .filter(({ machines }) => machines.length === 1)
        .at(-1)?.machines[0] ?? '';
    await manager.call('put', '/api/floor/hours', {
      version: now.hoursVersion,
      hours: { ...hours, machines: { [machine]: [] } },
    });
    const { plan } = await planned();
    expect(plan.never.some((one) => one.machine === machine)).toBe(true);
    expect(plan.slots.length).toBeGreaterThan(0);
    const { hoursVersion } = await floor();
    await manager.call('put', '/api/floor/hours', { version: hoursVersion, hours });
  });
});

describe('a move of the planner', () => {
  it('is told before it is kept, and kept as a trial with nothing else moved', async () => {
    await released('trail-map', 'FL-5');
    const { id, plan } = await planned();
    const runs = plan.slots
      .filter(({ machine, end, start }) => machine !== null && end > start)
      .sort((a, b) => a.start - b.start);
    const later = runs.find((one) =>
      runs.some((other) => other.machine === one.machine && other.job !== one.job && other.start < one.start),
    );
    const before = runs.find((other) => other.machine === later?.machine && other.job !== later?.job);
    const move = { schedule: id, job: later?.job, step: later?.step, before: { job: before?.job, step: before?.step } };
    const effect = await manager.call('post', '/api/floor/tries', move);
    expect(effect.status).toBe(200);
    expect((await floor()).trial?.id).toBe(id);
    const kept = await manager.call('post', '/api/floor/moves', move);
    const { plan: made } = kept.body as Schedule;
    const at = (slot: typeof later): number =>
      made.slots.find((one) => one.job === slot?.job && one.step === slot?.step)?.start ?? -1;
    expect(at(later)).toBeLessThan(at(before));
    expect(made.judged.setUp - plan.judged.setUp).toBe((effect.body as MoveEffect).setUp);
    const old = await manager.call('post', '/api/floor/moves', move);
    expect(old.status).toBe(409);
    // What would help is tried behind it, and nothing else of it changes.
    expect(made.rough).toBe(true);
    let told = (await floor()).trial?.plan;
    for (; told?.rough; told = (await floor()).trial?.plan) await wait(100);
    expect(told?.slots).toEqual(made.slots);
    expect(told?.rough).toBe(false);
    // Let go, the one before it is looked at again; what is in force cannot be let go.
    const undone = await manager.call('delete', `/api/floor/schedules/${(kept.body as Schedule).id}`);
    expect([(undone.body as Floor).trial?.id, undone.status]).toEqual([id, 200]);
    expect((await manager.call('post', '/api/floor/in-force', { id })).status).toBe(200);
    expect((await manager.call('delete', `/api/floor/schedules/${id}`)).status).toBe(404);
  });
  it('that cannot be is refused with the reason', async () => {
    const { id, plan } = await planned();
    const slot = plan.slots.find(({ cause }) => cause.kind === 'link');
    const move = {
      schedule: id,
      job: slot?.job,
      step: slot?.step,
      before: { job: slot?.cause.job, step: slot?.cause.step },
    };
    const refused = await manager.call('post', '/api/floor/tries', move);
    expect([refused.status, (refused.body as Problem).title]).toEqual([422, 'This station cannot be there']);
  });
});

describe('a promise', () => {
  it('tells when a draft could be ready, station by station, and moves nothing', async () => {
    const trial = await planned();
    const before = (await manager.call('post', '/api/floor/in-force', { id: trial.id })).body as Floor;
    const job = (await manager.call('post', '/api/jobs', exampleJob('concert-programme', { number: 'FL-9' })))
      .body as Revision;
    const promise = (await viewer.call('get', `/api/jobs/${job.id}/promise`)).body as FloorPromise;
    expect(promise.ready).not.toBeNull();
    expect(promise.stations.length).toBeGreaterThan(5);
    for (const { machine, start, end } of promise.stations) {
      if (machine === null || start === end) continue;
      const taken = before.inForce?.plan.slots.filter((slot) => slot.machine === machine) ?? [];
      const origin = before.inForce?.plan.origin ?? 0;
      for (const slot of taken)
        expect(Date.parse(end) <= origin + slot.start * 60_000 || Date.parse(start) >= origin + slot.end * 60_000).toBe(
          true,
        );
    }
    expect((await floor()).inForce?.plan).toEqual(before.inForce?.plan);
    expect(promise.inForce).toBe(false);
    // Of a job that is in force it is what the schedule says.
    const [standing] = before.inForce?.plan.through ?? [];
    const own = (await viewer.call('get', `/api/jobs/${standing?.job ?? 0}/promise`)).body as FloorPromise;
    expect(own.inForce).toBe(true);
    expect(Date.parse(own.ready ?? '')).toBe((before.inForce?.plan.origin ?? 0) + (standing?.minute ?? 0) * 60_000);
    expect(own.stations.length).toBe(before.inForce?.plan.slots.filter(({ job: of }) => of === standing?.job).length);
    expect(own.stations.every(({ name }) => name !== '')).toBe(true);
    expect(own.stations.some(({ waits }) => waits.startsWith('after '))).toBe(true);
    expect(own.chance === null || (own.chance >= 0 && own.chance <= 1)).toBe(true);
    expect(Date.parse(own.sure ?? '')).toBeGreaterThanOrEqual(Date.now() - 60_000);
  });
  it('tells it of a job as it could be, its own place in the schedule free; nothing is kept', async () => {
    const trial = await planned();
    const before = (await manager.call('post', '/api/floor/in-force', { id: trial.id })).body as Floor;
    const id = before.inForce?.plan.through[0]?.job ?? 0;
    const { job, revision } = (await viewer.call('get', `/api/jobs/${id}`)).body as Revision;
    const ask = async (quantity: number, due: string): Promise<FloorPromise> =>
      (await viewer.call('post', `/api/jobs/${id}/promise`, { ...job, due, order: { ...job.order, quantity } }))
        .body as FloorPromise;
    const [few, many] = [await ask(500, '2099-01-01'), await ask(job.order.quantity * 3, '2099-01-01')];
    expect(few).toMatchObject({ inForce: false, late: false, chance: 1 });
    expect(Date.parse(many.ready ?? '')).toBeGreaterThan(Date.parse(few.ready ?? ''));
    expect(await ask(500, '2001-01-01')).toMatchObject({ late: true, chance: 0 });
    expect(((await viewer.call('get', `/api/jobs/${id}`)).body as Revision).revision).toBe(revision);
    const wrong = await viewer.call('post', `/api/jobs/${id}/promise`, { ...job, route: [] });
    expect([422, 400]).toContain(wrong.status);
  });
});
