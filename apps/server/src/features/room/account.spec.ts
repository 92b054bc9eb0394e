import { randomUUID } from 'node:crypto';
import { type RoomEntry, isWitnessed, roomState } from '@druckerei/core';
import type { JobBook, Problem, Revision, SentAnswer } from '@druckerei/contract';
import { type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
let operator: Visitor;
let viewer: Visitor;
beforeAll(async () => {
  server = await startServer('account_test');
  [manager, operator, viewer] = [
    await visitor(server.app, 'manager'),
    await visitor(server.app, 'operator'),
    await visitor(server.app, 'viewer'),
  ];
});
afterAll(() => server.stop());

let made = 0;
async function newJob(change: object = {}): Promise<number> {
  const job = exampleJob('season-tickets', { number: `A-${++made}`, ...change });
  return ((await manager.call('post', '/api/jobs', job)).body as Revision).id;
}
async function send(who: Visitor, job: number, ...events: readonly RoomEntry[]): Promise<SentAnswer['entries']> {
  const at = new Date().toISOString();
  const entries = events.map((event) => ({ uid: randomUUID(), at, late: false, event }));
  const response = await who.call('post', `/api/jobs/${job}/book`, { device: 'Tablet', seen: 0, entries });
  expect(response.status).toBe(200);
  return (response.body as SentAnswer).entries;
}
const outcomes = (entries: SentAnswer['entries']): string[] => entries.map(({ outcome }) => outcome);
const step = 'cut';
const spoils: readonly RoomEntry[] = [
  { kind: 'taken-in', step, count: 100 },
  { kind: 'spoiled', step, count: 4, reason: 'cut', during: 'run' },
];
const bagged: RoomEntry = { kind: 'bagged', step, bag: 'B-1', count: 4, seal: 'S-1', place: 'Strong room' };

describe('the book of accountable work', () => {
  it('closes no station whose spoils lie in no bag, and explains nothing away', async () => {
    const job = await newJob();
    await send(operator, job, ...spoils);
    const answer = await send(
      operator,
      job,
      { kind: 'difference', step, pieces: 10, reason: 'counter' },
      { kind: 'left-over', step, count: 96 },
      { kind: 'step-closed', step },
      bagged,
      { kind: 'step-closed', step },
    );
    expect(outcomes(answer)).toEqual(['refused', 'entered', 'refused', 'entered', 'entered']);
    expect(answer[2]?.errors[0]?.message).toMatch(/4 spoiled at .* lie in no bag/);
  });

  it('destroys what two have counted before two, and prints the certificate then', async () => {
    const job = await newJob();
    await send(operator, job, ...spoils, bagged);
    const destroyed: RoomEntry = { kind: 'destroyed', bags: ['B-1'], how: 'shredded', place: 'Yard' };
    expect(outcomes(await send(operator, job, destroyed))).toEqual(['refused']);
    // One person counts once: somebody else has to agree.
    expect(outcomes(await send(operator, job, { kind: 'recounted', bag: 'B-1', count: 4 }))).toEqual(['refused']);
    const answer = await send(manager, job, { kind: 'recounted', bag: 'B-1', count: 4 }, destroyed);
    expect(outcomes(answer)).toEqual(['entered', 'entered']);
    const record = answer[1]?.id ?? 0;
    const pdf = () => manager.call('get', `/api/jobs/${job}/destructions/${record}.pdf`);
    expect((await pdf()).status).toBe(409);
    expect(outcomes(await send(manager, job, { kind: 'witnessed', record }))).toEqual(['refused']);
    expect(outcomes(await send(operator, job, { kind: 'witnessed', record }))).toEqual(['entered']);
    const book = (await manager.call('get', `/api/jobs/${job}/book`)).body as JobBook;
    const destruction = roomState(book.records).account.destructions.get(record);
    expect(destruction && isWitnessed(destruction)).toBe(true);
    const printed = await pdf();
    expect(printed.status).toBe(200);
    expect(printed.headers['content-type']).toBe('application/pdf');
    expect((await manager.call('get', `/api/jobs/${job}/destructions/${record + 1}.pdf`)).status).toBe(404);
    expect((await viewer.call('get', `/api/jobs/${job}/destructions/${record}.pdf`)).status).toBe(403);
  });

  it('is seen and kept by those alone who have the right, and its gates hold for the others', async () => {
    const job = await newJob();
    await send(operator, job, ...spoils, bagged);
    const seen = (await viewer.call('get', `/api/jobs/${job}/book`)).body as JobBook;
    expect(seen.records.map(({ event }) => event.kind)).toEqual(['taken-in', 'spoiled']);
    expect(seen.card?.accountable).toBeUndefined();
    const own = (await manager.call('get', `/api/jobs/${job}/book`)).body as JobBook;
    expect(own.card?.accountable).toEqual({ faceValue: 48, remake: 'same', pile: 100 });
    const room = (await viewer.call('get', `/api/jobs/${job}/room`)).body as { records: unknown[] };
    expect(room.records).toHaveLength(2);
    const roles = { name: 'Press operator', rights: ['record'] };
    const put = await manager.call('put', '/api/roles/operator', roles);
    expect(put.status).toBe(200);
    const [entry] = await send(operator, job, { kind: 'carried', what: 'B-1', from: 'Strong room', to: 'Yard' });
    expect(entry).toMatchObject({
      outcome: 'refused',
      errors: [{ message: expect.stringContaining('Your role') as string }],
    });
    const event = { kind: 'carried', what: 'B-1', from: 'Strong room', to: 'Yard' };
    expect((await operator.call('post', `/api/jobs/${job}/room`, { event, seen: 0 })).status).toBe(403);
    await manager.call('put', '/api/roles/operator', { ...roles, rights: ['record', 'accountable', 'stores'] });
  });

  it('is told of jobs alone that are accountable, and takes odd input with an error', async () => {
    const plain = await newJob({ accountable: undefined });
    const [entry] = await send(manager, plain, { kind: 'carried', what: 'x', from: 'a', to: 'b' });
    expect(entry?.errors[0]?.message).toMatch(/not accountable work/);
    const wrong = (event: object) =>
      manager.call('post', `/api/jobs/${plain}/book`, {
        ...{ device: 'T', seen: 0 },
        entries: [{ uid: randomUUID(), at: new Date().toISOString(), late: false, event }],
      });
    for (const event of [
      { kind: 'destroyed', bags: [], how: 'cut', place: 'x' },
      { kind: 'destroyed', bags: ['1'], how: 'eaten', place: 'x' },
      { kind: 'voided', step, numbers: [], reason: 'x' },
      { kind: 'bagged', step, bag: '', count: 1, seal: 's', place: 'p' },
      { kind: 'witnessed', record: 1e12 },
    ]) {
      const answer = await wrong(event);
      expect(answer.status).toBe(422);
      expect((answer.body as Problem).errors?.length).toBeGreaterThan(0);
    }
  });
});
