import type { CountedLines, JobBook, People, Problem } from '@druckerei/contract';
import { type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let operator: Visitor;
let manager: Visitor;
beforeAll(async () => {
  server = await startServer('count_lines_test');
  operator = await visitor(server.app, 'operator');
  manager = await visitor(server.app, 'manager');
  await server.owner.pool.query(`UPDATE works SET body = body || '{"timeZone": "Europe/Berlin"}'`);
});
afterAll(() => server.stop());

const addJob = async (number: string): Promise<number> => {
  const answer = await manager.call('post', '/api/jobs', exampleJob('trail-map', { number }));
  expect(answer.status).toBe(201);
  return (answer.body as { id: number }).id;
};
const line = (change: object = {}) => ({
  ...{ job: 'CL-1', station: 'Box', at: '2026-11-30T14:05', good: 500, spoiled: 0, ...change },
});
const take = (lines: readonly object[], by = operator) =>
  by.call('post', '/api/book/counts', { device: 'Counter of the folder', lines });
const bookOf = async (id: number): Promise<JobBook> =>
  (await operator.call('get', `/api/jobs/${id}/book`)).body as JobBook;

describe('counts out of a list', () => {
  it('are entered at their stations, by the clock of the works, once however often the list is taken', async () => {
    const id = await addJob('CL-1');
    const lines = [
      line({ job: 'cl-1' }),
      line({ at: '2026-11-30T15:05:10+02:00', good: 20, spoiled: 3, reason: 'crease' }),
      // Twice the same at the same minute are two counts.
      line({ at: '2026-11-30T16:00', good: 7 }),
      line({ at: '2026-11-30T16:00', good: 7 }),
    ];
    expect((await take(lines)).body).toEqual({ entered: 5, known: 0, held: 0 } satisfies CountedLines);
    expect((await take(lines)).body).toEqual({ entered: 0, known: 5, held: 0 } satisfies CountedLines);
    const { records } = await bookOf(id);
    const good = records.flatMap(({ event }) => (event.kind === 'good' ? [event.count] : []));
    expect(good.reduce((sum, one) => sum + one, 0)).toBe(534);
    expect(records.find(({ event }) => event.kind === 'spoiled')?.event).toMatchObject({ count: 3, reason: 'crease' });
    // An hour ahead of UTC in winter.
    expect(records[0]?.at).toBe('2026-11-30T13:05:00.000Z');
  });

  it('tell when a run began and ended', async () => {
    const id = await addJob('CL-9');
    const run = line({ job: 'CL-9', good: 0, begun: '2026-11-30T13:05' });
    expect((await take([run])).body).toEqual({ entered: 2, known: 0, held: 0 } satisfies CountedLines);
    expect((await take([run])).body).toEqual({ entered: 0, known: 2, held: 0 } satisfies CountedLines);
    const { records } = await bookOf(id);
    expect(records.map(({ at, event }) => [at, event.kind])).toEqual([
      ['2026-11-30T12:05:00.000Z', 'run-begun'],
      ['2026-11-30T13:05:00.000Z', 'stopped'],
    ]);
    const wrong = await take([line({ job: 'CL-9', begun: '2026-11-30T15:05' }), line({ job: 'CL-9', good: 0 })]);
    expect(wrong.status).toBe(422);
    expect((wrong.body as Problem).errors?.map(({ path }) => path)).toEqual(['lines[0].begun', 'lines[1].good']);
  });

  it('are none of them taken where a line names what there is not', async () => {
    const id = await addJob('CL-2');
    const answer = await take([
      line({ job: 'CL-2' }),
      line({ job: 'CL-77' }),
      line({ job: 'CL-2', station: 'Guillotine of the neighbour' }),
      line({ job: 'CL-2', at: '2099-01-01T10:00' }),
    ]);
    expect(answer.status).toBe(422);
    expect((answer.body as Problem).errors?.map(({ path }) => path)).toEqual([
      'lines[1].job',
      'lines[2].station',
      'lines[3].at',
    ]);
    expect((await bookOf(id)).records).toEqual([]);
  });

  it('that the book refuses are held for explaining, those of other stations too', async () => {
    const id = await addJob('CL-3');
    const { roles } = (await manager.call('get', '/api/people')).body as People;
    const before = roles.find((role) => role.id === 'operator');
    await manager.call('put', '/api/roles/operator', { ...rest(before), stations: ['room/inks'] });
    expect((await take([line({ job: 'CL-3' })])).body).toEqual({ entered: 0, known: 0, held: 1 });
    await manager.call('put', '/api/roles/operator', { ...rest(before), stations: 'all' });
    expect((await bookOf(id)).records[0]?.event).toMatchObject({ kind: 'held' });
  });

  it('are not for who may not record', async () => {
    const viewer = await visitor(server.app, 'viewer');
    expect((await take([line()], viewer)).status).toBe(403);
  });

  it('of five thousand lines come in within their call', async () => {
    await addJob('CL-4');
    const lines = Array.from({ length: 5_000 }, (_, i) =>
      line({ job: 'CL-4', at: `2026-11-${10 + (i % 20)}T10:${String(i % 60).padStart(2, '0')}`, good: 1 }),
    );
    expect((await take(lines)).body).toEqual({ entered: 5_000, known: 0, held: 0 });
  });
});

const rest = (role: People['roles'][number] | undefined) => ({ name: role?.name ?? '', rights: role?.rights ?? [] });
