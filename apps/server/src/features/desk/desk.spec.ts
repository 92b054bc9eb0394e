import { dayAfter } from '@druckerei/core';
import type { Desk, DeskLine, Revision } from '@druckerei/contract';
import {
  SEEN,
  type TestServer,
  type Visitor,
  exampleJob,
  plannedFloor,
  startServer,
  visitor,
} from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
let operator: Visitor;
beforeAll(async () => {
  server = await startServer('desk_test');
  manager = await visitor(server.app, 'manager');
  operator = await visitor(server.app, 'operator');
});
afterAll(() => server.stop());

const desk = async (who: Visitor = manager): Promise<Desk> => {
  const response = await who.call('get', '/api/desk');
  expect([response.status, response.body]).toEqual([200, response.body]);
  return response.body as Desk;
};
const matter = async (key: string, who = manager): Promise<DeskLine | undefined> =>
  (await desk(who)).matters.find((one) => one.key === key);
const say = (body: object) => manager.call('put', '/api/desk/notes', body);

/** A job that is released, due next month. */
async function released(number: string): Promise<Revision> {
  const due = dayAfter(new Date().toISOString().slice(0, 10), 30);
  const job = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number, due }))).body as Revision;
  const response = await manager.call('post', `/api/jobs/${job.id}/release`, {
    version: job.version,
    mark: job.works.mark ?? 0,
  });
  expect(response.status).toBe(200);
  return response.body as Revision;
}

describe('the desk', () => {
  let job: Revision;
  beforeAll(async () => {
    job = await released('DK-1');
    // Its paper lies in the store: the press waits for artwork and carriers alone.
    const { jobs } = (await manager.call('get', '/api/needs')).body as {
      jobs: { job: number; needs: { kind: string; quantity: number; paper?: object }[] }[];
    };
    for (const { kind, quantity, paper } of jobs.find((one) => one.job === job.id)?.needs ?? [])
      if (kind === 'sheets') {
        const lot = { paper, quantity: 10 * quantity, place: 'Aisle', reason: 'for the test' };
        expect((await manager.call('post', '/api/stores/holdings', lot)).status).toBe(201);
      }
  });

  it('asks for a schedule, and says once there is one by when artwork and paper are wanted', async () => {
    expect(await matter('plan/none')).toMatchObject({ kind: 'plan', job: null });
    const trial = await plannedFloor(manager);
    await manager.call('post', '/api/floor/in-force', { id: trial.id });
    const { matters } = await desk();
    expect(matters.some(({ kind }) => kind === 'plan')).toBe(false);
    const artwork = matters.find(({ key }) => key === `artwork/${job.id}`);
    expect(artwork).toMatchObject({ job: { id: job.id, number: 'DK-1' }, note: null });
    expect(artwork?.by).not.toBeNull();
    expect(matters.some(({ key }) => key === `carriers/${job.id}`)).toBe(false);
  });

  it('knows a proof that is at the customer', async () => {
    for (const { id: component } of job.job.components)
      await manager.call('post', `/api/jobs/${job.id}/room`, {
        event: { kind: 'artwork', component, approved: false, sent: true },
        seen: 0,
      });
    expect(await matter(`artwork/${job.id}`)).toBeUndefined();
    const proof = await matter(`proof/${job.id}`);
    expect(proof?.kind).toBe('proof');
    expect(Math.abs(Date.parse(proof?.day ?? '') - Date.now())).toBeLessThan(60_000);
  });

  it('is quiet about artwork once it is approved, and says that what is in force no longer fits', async () => {
    for (const { id: component } of job.job.components)
      await manager.call('post', `/api/jobs/${job.id}/room`, {
        event: { kind: 'artwork', component, approved: true },
        seen: SEEN,
      });
    expect(await matter(`artwork/${job.id}`)).toBeUndefined();
    expect(await matter(`proof/${job.id}`)).toBeUndefined();
    expect(await matter(`carriers/${job.id}`)).toMatchObject({ kind: 'carriers' });
    expect(await matter('plan/stale')).toBeDefined();
  });

  it('keeps what is said of a matter: put off, given, done, and taken back', async () => {
    const key = `carriers/${job.id}`;
    const { today, people } = await desk();
    const until = dayAfter(today, 3);
    expect((await say({ key, state: 'put off', until })).status).toBe(200);
    expect((await matter(key))?.note).toMatchObject({ state: 'put off', until, mine: false });
    const to = people.find(({ name }) => name === 'Press operator')?.id ?? people.find(({ id }) => id !== 1)?.id;
    await say({ key, state: 'given', to });
    const given = (await matter(key))?.note;
    expect(given).toMatchObject({ state: 'given', until: null, to: people.find(({ id }) => id === to)?.name });
    expect((await matter(key, operator))?.note?.mine).toBe(true);
    await say({ key, state: 'done' });
    expect((await matter(key))?.note).toMatchObject({ state: 'done', until: dayAfter(today, 1), to: null });
    await say({ key, state: 'open' });
    expect((await matter(key))?.note).toBeNull();
  });

  it('refuses what cannot be said, and says why', async () => {
    const key = `carriers/${job.id}`;
    const { today } = await desk();
    const refused = async (body: object): Promise<unknown> => {
      const response = await say(body);
      const { errors = [] } = response.body as { errors?: { path: string }[] };
      return [response.status, errors.map(({ path }) => path)];
    };
    expect(await refused({ key, state: 'put off' })).toEqual([422, ['until']]);
    expect(await refused({ key, state: 'put off', until: today })).toEqual([422, ['until']]);
    expect(await refused({ key, state: 'put off', until: '2026-02-31' })).toEqual([422, ['until']]);
    expect(await refused({ key, state: 'given' })).toEqual([422, ['to']]);
    expect(await refused({ key, state: 'given', to: 99_999 })).toEqual([422, ['to']]);
    expect(await refused({ key: 'artwork/99', state: 'done' })).toEqual([409, []]);
    expect((await operator.call('put', '/api/desk/notes', { key, state: 'done' })).status).toBe(403);
  });

  it('wants a draft released that is due soon, until it is', async () => {
    const due = dayAfter(new Date().toISOString().slice(0, 10), 2);
    const { id, version, works } = (
      await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'DK-2', due }))
    ).body as Revision;
    expect(await matter(`draft/${id}`)).toMatchObject({ job: { number: 'DK-2' }, day: due });
    await manager.call('post', `/api/jobs/${id}/release`, { version, mark: works.mark ?? 0 });
    expect(await matter(`draft/${id}`)).toBeUndefined();
  });
});
