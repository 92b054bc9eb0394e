import { randomUUID } from 'node:crypto';
import { type RoomCard, type RoomEntry, stationKey } from '@druckerei/core';
import type { JobBook, Problem, Revision, SentAnswer } from '@druckerei/contract';
import { SEEN, type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
let operator: Visitor;
let job: number;
let keys: Map<string, string>;
beforeAll(async () => {
  server = await startServer('own_stations_test');
  [manager, operator] = [await visitor(server.app, 'manager'), await visitor(server.app, 'operator')];
  job = ((await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'O-1' }))).body as Revision).id;
  const { card } = (await manager.call('get', `/api/jobs/${job}/book`)).body as JobBook;
  const steps = (card as unknown as RoomCard).steps;
  keys = new Map(steps.map((step) => [step.id, stationKey(step)]));
});
afterAll(() => server.stop());

const setRole = (stations?: unknown, rights = ['record', 'accountable', 'stores']) =>
  manager.call('put', '/api/roles/operator', { name: 'Press operator', rights, stations });
const own = (...steps: readonly string[]): string[] => steps.map((step) => keys.get(step) ?? '');
async function send(event: RoomEntry, late = false): Promise<SentAnswer['entries'][number] | undefined> {
  const entries = [{ uid: randomUUID(), at: new Date().toISOString(), late, event }];
  const response = await operator.call('post', `/api/jobs/${job}/book`, { device: 'Tablet', seen: 0, entries });
  expect(response.status).toBe(200);
  return (response.body as SentAnswer).entries[0];
}
const note = (step: string): RoomEntry => ({ kind: 'note', step, text: 'Seen' });

describe('a role of some stations', () => {
  it('enters there, is refused elsewhere, and what it kept without network is held for explaining', async () => {
    expect((await setRole(own('cut'))).status).toBe(200);
    expect((await send(note('cut')))?.outcome).toBe('entered');
    expect(await send(note('fold'))).toMatchObject({
      outcome: 'refused',
      errors: [{ path: 'step', message: expect.stringContaining('at this station') as string }],
    });
    const kept = await send(note('fold'), true);
    expect(kept?.outcome).toBe('held');
    const settled = await manager.call('post', `/api/jobs/${job}/book/${kept?.id ?? 0}/settled`, {
      taken: true,
      why: 'Helped out',
    });
    expect(settled.status).toBe(200);
  });

  it('strikes what is of its station alone, and enters nothing in the rooms that it does not have', async () => {
    await setRole(own('cut', 'fold'));
    const entered = await send({ kind: 'taken-in', step: 'fold', count: 5 });
    await setRole(own('cut'));
    const strike: RoomEntry = { kind: 'strike', record: entered?.id ?? 0, why: 'Typed' };
    expect((await send(strike))?.outcome).toBe('refused');
    const event = { kind: 'artwork', component: 'map', approved: true };
    const refused = await operator.call('post', `/api/jobs/${job}/room`, { event, seen: SEEN });
    expect([refused.status, (refused.body as Problem).title]).toEqual([
      403,
      'Your role enters nothing at this station. Ask somebody of the station.',
    ]);
    await setRole([...own('cut', 'fold'), 'room/plates']);
    expect((await operator.call('post', `/api/jobs/${job}/room`, { event, seen: SEEN })).status).toBe(201);
    expect((await send(strike))?.outcome).toBe('entered');
  });

  it('is told to the session, stays where a change leaves it out, and is given back', async () => {
    await setRole(own('cut'));
    const session = async () =>
      ((await operator.call('get', '/api/session')).body as { account: { stations: unknown } }).account.stations;
    expect(await session()).toEqual(own('cut'));
    await setRole();
    expect(await session()).toEqual(own('cut'));
    await setRole('all');
    expect(await session()).toBe('all');
    expect((await send(note('fold')))?.outcome).toBe('entered');
  });

  it('has stations of the works, as they are written, and is never the manager’s', async () => {
    const wrong = await setRole(['machine/none-such', ...own('cut')]);
    expect([wrong.status, (wrong.body as Problem).errors?.map(({ path }) => path)]).toEqual([422, ['stations.0']]);
    expect((await setRole(['cut'])).status).toBe(422);
    expect((await setRole('everywhere')).status).toBe(422);
    const { roles } = (await manager.call('get', '/api/people')).body as { roles: { id: string; rights: string[] }[] };
    const all = roles.find(({ id }) => id === 'manager')?.rights;
    const answer = await manager.call('put', '/api/roles/manager', { name: 'Manager', rights: all, stations: [] });
    expect([answer.status, (answer.body as Problem).title]).toEqual([409, 'Whoever manages enters at every station']);
  });
});
