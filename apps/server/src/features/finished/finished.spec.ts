import type { Finished, Problem } from '@druckerei/contract';
import { SEEN, type TestServer, type Visitor, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let operator: Visitor;
let viewer: Visitor;
beforeAll(async () => {
  server = await startServer('finished_test');
  [operator, viewer] = (await Promise.all(['operator', 'viewer'].map((login) => visitor(server.app, login)))) as [
    Visitor,
    Visitor,
  ];
});
afterAll(() => server.stop());

const read = async (): Promise<Finished> => (await viewer.call('get', '/api/finished')).body as Finished;
const messages = (body: unknown): string[] => ((body as Problem).errors ?? []).map(({ message }) => message);

describe('finished stock', () => {
  it('begins with what the demo has, packed as its jobs plan it', async () => {
    const { lots } = await read();
    expect(lots.map(({ title, pieces }) => [title, pieces])).toEqual([
      ['Tea caddy carton', 6_000],
      ['Board-game box', 1_600],
    ]);
    for (const lot of lots) expect([lot.pieceG > 0, (lot.perPallet ?? 0) > 0]).toEqual([true, true]);
  });

  it('takes pieces of a job in, and knows no job that is not there', async () => {
    const before = (await read()).lots.length;
    const added = await operator.call('post', '/api/finished/lots', { job: 1, pieces: 250, place: 'Hall A' });
    expect([added.status, (added.body as Finished).lots.length]).toEqual([201, before + 1]);
    expect((await operator.call('post', '/api/finished/lots', { job: 999, pieces: 1, place: '' })).status).toBe(404);
    expect((await operator.call('post', '/api/finished/lots', { job: 1, pieces: 0, place: '' })).status).toBe(422);
  });

  it('is called off by no more than it holds, by nobody who saw an older count, and remembers the road', async () => {
    const lot = (await read()).lots.find(({ title }) => title === 'Board-game box');
    const path = `/api/finished/lots/${lot?.id}/call-offs`;
    const call = {
      pieces: 400,
      expected: 1_600,
      version: 1,
      seen: SEEN,
      destination: 'Game fair',
      transitDays: 3,
      due: '2027-01-15',
    };
    const called = await operator.call('post', path, call);
    expect(called.status).toBe(201);
    const after = called.body as Finished;
    expect(after.lots.find(({ id }) => id === lot?.id)?.pieces).toBe(1_200);
    expect(after.callOffs[0]).toMatchObject({
      pieces: 400,
      destination: 'Game fair',
      transitDays: 3,
      due: '2027-01-15',
    });
    expect(after.destinations).toEqual([{ name: 'Game fair', days: 3 }]);
    const stale = await operator.call('post', path, call);
    expect([stale.status, (stale.body as Problem).detail]).toEqual([409, 'It holds 1200 now, you saw 1600.']);
    const much = await operator.call('post', path, { ...call, pieces: 1_201, expected: 1_200, version: 2 });
    expect(messages(much.body)).toEqual(['The lot holds 1200. Call off fewer, or take from another lot too.']);
    // The days that were last told stay with the destination; what was called before keeps its own.
    await operator.call('post', path, { ...call, pieces: 1_200, expected: 1_200, version: 2, transitDays: 5 });
    const end = await read();
    expect(end.lots.some(({ id }) => id === lot?.id)).toBe(false);
    expect(end.destinations).toEqual([{ name: 'Game fair', days: 5 }]);
    expect(end.callOffs.map(({ transitDays }) => transitDays)).toEqual([5, 3]);
    expect((await operator.call('post', '/api/finished/lots/999/call-offs', call)).status).toBe(404);
  });

  it('never gives the same pieces twice to two who call at once', async () => {
    const added = (await operator.call('post', '/api/finished/lots', { job: 2, pieces: 10, place: '' }))
      .body as Finished;
    const lot = Math.max(...added.lots.map(({ id }) => id));
    const call = { pieces: 10, expected: 10, version: 1, seen: SEEN, destination: 'Game fair', transitDays: 1 };
    const both = await Promise.all(
      [1, 2].map(() => operator.call('post', `/api/finished/lots/${lot}/call-offs`, call)),
    );
    expect(both.map(({ status }) => status).sort()).toEqual([201, 409]);
  });

  it('refuses a date that is none, and a destination without a name', async () => {
    const [lot] = (await read()).lots;
    const call = {
      pieces: 1,
      expected: lot?.pieces ?? 0,
      version: lot?.version ?? 0,
      seen: SEEN,
      destination: 'Fair',
      transitDays: 1,
    };
    const path = `/api/finished/lots/${lot?.id}/call-offs`;
    expect((await operator.call('post', path, { ...call, due: '2027-02-30' })).status).toBe(422);
    expect((await operator.call('post', path, { ...call, destination: '  ' })).status).toBe(422);
    expect((await operator.call('post', path, { ...call, destination: 'null \u0000' })).status).toBe(422);
  });
});
