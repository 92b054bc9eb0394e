import { type Works, SHIPPED_WORKS } from '@druckerei/core';
import type { Problem, Revision } from '@druckerei/contract';
import { setUpWorks } from '../../demo/load-demo.js';
import { SEEN, type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
beforeAll(async () => {
  server = await startServer('works_test');
  manager = await visitor(server.app, 'manager');
});
afterAll(() => server.stop());

const HOUSE = { name: 'Over and under', columns: 4, rows: 1, folds: 'right over left; right under left' };
const works = async (): Promise<Works> => (await manager.call('get', '/api/works')).body as Works;

describe('folds that the works keeps', () => {
  it('are folded by the simulator first, and then offered with the works and to every job', async () => {
    const kept = await manager.call('post', '/api/works/folds', HOUSE);
    expect([kept.status, (kept.body as Works).folds]).toEqual([201, [HOUSE]]);
    const job = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'F-1' }))).body as Revision;
    expect(job.works.folds).toEqual([HOUSE]);
    const dropped = await manager.call('delete', `/api/works/folds/${encodeURIComponent(HOUSE.name)}`);
    expect((dropped.body as Works).folds).toBeUndefined();
  });

  it.each([
    ['words that are no fold', { folds: 'roll it up' }, 'folds', /“roll it up” is no fold/],
    ['a fold at a line that is not there', { folds: 'right over left at 9' }, 'folds', /fold 1 .*no line/],
    ['a sheet left open', { folds: 'right over left' }, 'folds', /./],
    ['no pages', { columns: 0 }, 'columns', /./],
    ['no name', { name: ' ' }, 'name', /./],
  ])('refuses %s and says where', async (_, change, path, message) => {
    const response = await manager.call('post', '/api/works/folds', { ...HOUSE, ...change });
    expect(response.status).toBe(422);
    expect((response.body as Problem).errors).toContainEqual({
      path,
      message: expect.stringMatching(message) as string,
    });
    expect((await works()).folds).toBeUndefined();
  });

  it('keeps one of a name, and drops none that is not there', async () => {
    await manager.call('post', '/api/works/folds', HOUSE);
    const again = await manager.call('post', '/api/works/folds', { ...HOUSE, columns: 2, folds: 'right over left' });
    expect([again.status, (await works()).folds]).toEqual([409, [HOUSE]]);
    expect((await manager.call('delete', '/api/works/folds/nothing')).status).toBe(404);
  });
});

describe('a works begun by an earlier version', () => {
  it('has what ships today when the server starts, and keeps what is its own', async () => {
    const own = { ...SHIPPED_WORKS.stocks[0], id: 'own-stock', name: 'A stock of its own' };
    const old = {
      name: SHIPPED_WORKS.name,
      currency: 'EUR',
      machines: SHIPPED_WORKS.machines.filter(({ id }) => id !== 'envelope-web'),
      stocks: [...SHIPPED_WORKS.stocks.map(({ flutes: _flutes, ...stock }) => stock), own],
    };
    await server.database.one('works/put', old);
    await setUpWorks(server.database);
    const now = await works();
    expect(now.machines).toEqual(SHIPPED_WORKS.machines);
    expect(now.stocks).toEqual([...SHIPPED_WORKS.stocks, own]);
  });
});

describe('two people at one norm', () => {
  const NORM = 'spoil.rivet.running';
  const change = (body: object) => manager.call('put', `/api/norms/${NORM}`, { reason: '', seen: SEEN, ...body });

  it('that nobody has changed before: exactly one wins, every time', async () => {
    let stands = 0.005;
    for (let round = 0; round < 10; round++) {
      const seen = (await works()).mark;
      const [a, b] = [stands + 0.001, stands + 0.002];
      const answers = await Promise.all([a, b].map((value) => change({ value, expected: stands, seen })));
      expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
      stands = (await works()).norms[NORM]?.value ?? NaN;
      expect([a, b]).toContain(stands);
      expect(JSON.stringify(answers.find(({ status }) => status === 409)?.body)).toContain(`It is ${stands} now`);
    }
  });

  it('that was changed to and fro in between is told, though its value is what it was', async () => {
    const before = await works();
    const value = before.norms[NORM]?.value ?? NaN;
    await change({ value: 0.03, expected: value });
    await change({ value, expected: 0.03 });
    expect((await change({ value: 0.04, expected: value, seen: before.mark })).status).toBe(409);
    expect((await change({ value: 0.04, expected: value, seen: (await works()).mark })).status).toBe(200);
  });
});
