import { randomUUID } from 'node:crypto';
import type { RoomEntry, Works } from '@druckerei/core';
import type { Desk, Happened, JobBook, Learning, Problem, Revision } from '@druckerei/contract';
import { type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
let operator: Visitor;
beforeAll(async () => {
  server = await startServer('learning_test');
  [manager, operator] = [await visitor(server.app, 'manager'), await visitor(server.app, 'operator')];
});
afterAll(() => server.stop());

const step = 'cut';
const MACHINE = 'guillotine-115';
const RUNNING = `spoil.cut.running@machine=${MACHINE}`;
let made = 0;

interface Run {
  readonly units: number;
  readonly spoils: number;
  readonly from: string;
}
/** A job whose guillotine has run and is closed: six minutes of set-up, one hour of run. */
async function ranJob({ units, spoils, from }: Run): Promise<number> {
  const job = exampleJob('trail-map', { number: `L-${++made}`, due: '2026-10-10' });
  const { id } = (await manager.call('post', '/api/jobs', job)).body as Revision;
  const at = (minute: number): string => new Date(Date.parse(from) + minute * 60_000).toISOString();
  const events: (readonly [RoomEntry, number])[] = [
    [{ kind: 'taken-in', step, count: units }, 0],
    [{ kind: 'setup-begun', step }, 0],
    [{ kind: 'setup-done', step }, 6],
    [{ kind: 'run-begun', step }, 6],
    [{ kind: 'spoiled', step, count: spoils, reason: 'crease', during: 'run' }, 66],
    [{ kind: 'good', step, count: (units - spoils) * 2 }, 66],
    [{ kind: 'step-closed', step }, 66],
  ];
  const entries = events.map(([event, minute]) => ({ uid: randomUUID(), at: at(minute), late: false, event }));
  const response = await operator.call('post', `/api/jobs/${id}/book`, { device: 'Tablet', seen: 0, entries });
  expect((response.body as { entries: { outcome: string }[] }).entries.map(({ outcome }) => outcome)).toEqual(
    events.map(() => 'entered'),
  );
  return id;
}
const learning = async (): Promise<Learning> => (await manager.call('get', '/api/learning')).body as Learning;
const proposed = async () => (await learning()).proposals.find(({ norm }) => norm === RUNNING);
const works = async (): Promise<Works> => (await manager.call('get', '/api/works')).body as Works;

describe('what the log proposes', () => {
  it('is nothing before anything is closed', async () => {
    expect(await learning()).toMatchObject({ closed: 0, waiting: 0, proposals: [], decided: [] });
  });

  it('comes with its evidence once stations are closed, and goes when one is opened again', async () => {
    const job = await ranJob({ units: 10_000, spoils: 120, from: '2026-10-05T08:00:00Z' });
    // (20,000 x 0.002 + 5,000 x 0.012) / 25,000: handbook chapter 9.
    expect(await proposed()).toMatchObject({ now: 0.002, value: 0.004, weight: 20_000, logged: 5_000 });
    const evidence = (await proposed())?.evidence ?? [];
    expect(evidence).toMatchObject([{ job, number: 'L-1', amount: 10_000, weight: 5_000, machine: 'Guillotine 115' }]);
    const opening = { uid: randomUUID(), at: new Date().toISOString(), late: false };
    const open = { ...opening, event: { kind: 'step-opened', step, reason: 'A pile was found' } };
    await operator.call('post', `/api/jobs/${job}/book`, { device: 'Tablet', seen: 0, entries: [open] });
    expect(await learning()).toMatchObject({ closed: 0, proposals: [] });
    const close = { ...opening, uid: randomUUID(), event: { kind: 'step-closed', step } };
    await operator.call('post', `/api/jobs/${job}/book`, { device: 'Tablet', seen: 0, entries: [close] });
    // The entry that closed it first is what it is evidence by.
    expect((await proposed())?.evidence[0]?.entry).toBe(evidence[0]?.entry);
  });

  it('is told on the desk, once for all of them', async () => {
    const { matters } = (await manager.call('get', '/api/desk')).body as Desk;
    const { proposals } = await learning();
    expect(matters.filter(({ kind }) => kind === 'norms')).toMatchObject([{ key: 'norms', count: proposals.length }]);
  });

  it('changes nothing until somebody with the right takes it, and what was seen has to stand', async () => {
    const before = await works();
    const { seen } = await learning();
    const proposal = await proposed();
    const decision = { norm: RUNNING, taken: true, value: proposal?.value, upTo: proposal?.upTo };
    const ask = (who: Visitor, change: object = {}, body: object = {}) =>
      who.call('post', '/api/learning/decisions', {
        decisions: [{ ...decision, ...change }],
        seen,
        reason: 'Blade was changed',
        ...body,
      });
    expect((await ask(operator)).status).toBe(403);
    expect((await ask(manager, { value: 0.5 })).status).toBe(409);
    expect(((await ask(manager, { norm: 'spoil.fold.setup' })).body as Problem).errors?.[0]?.path).toBe(
      'decisions[0].norm',
    );
    expect((await ask(manager, {}, { decisions: [decision, decision] })).status).toBe(422);
    expect((await works()).norms).toEqual(before.norms);

    const answer = await ask(manager);
    expect(answer.status).toBe(200);
    expect((answer.body as Learning).decided[0]).toMatchObject({
      norm: RUNNING,
      taken: true,
      before: 0.002,
      value: 0.004,
    });
    expect((await works()).norms[RUNNING]).toMatchObject({
      value: 0.004,
      source: { note: expect.stringMatching(/from the log, 1 run: Blade was changed/) as string },
    });
    // Taken in once: it does not count again.
    expect(await proposed()).toBeUndefined();
    expect((await ask(manager)).status).toBe(422);
  });

  it('that was refused does not come back without new evidence', async () => {
    await ranJob({ units: 8_000, spoils: 400, from: '2026-10-06T08:00:00Z' });
    const proposal = await proposed();
    expect(proposal).toMatchObject({ now: 0.004, logged: 5_000 });
    const { seen } = await learning();
    const decision = { norm: RUNNING, taken: false, value: proposal?.value, upTo: proposal?.upTo };
    const body = { decisions: [decision], seen, reason: 'Wavy paper' };
    expect((await manager.call('post', '/api/learning/decisions', body)).status).toBe(200);
    expect(await proposed()).toBeUndefined();
    expect((await works()).norms[RUNNING]?.value).toBe(0.004);
    await ranJob({ units: 6_000, spoils: 24, from: '2026-10-07T08:00:00Z' });
    expect((await proposed())?.evidence).toHaveLength(2);
  });
});

describe('planned and happened', () => {
  it('tells the jobs of a month, the largest difference in cost first, with their reasons', async () => {
    const id = await ranJob({ units: 5_000, spoils: 900, from: '2026-11-03T08:00:00Z' });
    const all = (await manager.call('get', '/api/happened?month=2026-11')).body as Happened;
    expect(all.months).toContain('2026-10');
    // The one that was opened and closed again today may stand beside it.
    const job = all.jobs.find((one) => one.job.id === id);
    expect(job).toMatchObject({ closed: 1, late: null });
    expect(job?.planned.hours).not.toBe(job?.happened.hours);
    const spoils = job?.differences.find(({ what }) => what === 'running spoils');
    // By the norm that was taken: 0.4 % of what ran.
    expect(spoils).toMatchObject({ happened: 900, reasons: [['crease', 900]] });
    expect((await manager.call('get', '/api/happened?month=2026-13')).status).toBe(400);
    expect(((await manager.call('get', '/api/happened?month=2020-01')).body as Happened).jobs).toEqual([]);
  });

  it('says how late a job was that is finished', async () => {
    const job = await ranJob({ units: 500, spoils: 1, from: '2026-10-12T08:00:00Z' });
    const book = (await manager.call('get', `/api/jobs/${job}/book`)).body as JobBook;
    const last = book.card?.steps.at(-1) as { id: string } | undefined;
    const event = { kind: 'count', step: last?.id ?? '', good: 100_000 };
    const entry = { uid: randomUUID(), at: '2026-10-13T10:00:00.000Z', late: true, event };
    await operator.call('post', `/api/jobs/${job}/book`, { device: 'Tablet', seen: 0, entries: [entry] });
    const told = (await manager.call('get', '/api/happened?month=2026-10')).body as Happened;
    expect(told.jobs.find((one) => one.job.id === job)?.late).toBe(3);
  });
});
