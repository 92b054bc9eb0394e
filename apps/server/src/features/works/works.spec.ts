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
      expect(JSON.stringify(answers.find(({ status }) => status === 409)?.body)).toContain(`is ${stands} now`);
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

describe('what the works says of itself', () => {
  const settings = async () => {
    const { name, place, currency, locale, timeZone, numberPattern } = await works();
    return { name, place, currency, locale, timeZone, numberPattern };
  };
  const change = async (to: object, seen?: object) =>
    manager.call('put', '/api/works/settings', {
      settings: { ...(await settings()), ...to },
      seen: seen ?? (await settings()),
    });

  it('is set by a manager, kept over a start, told to everybody who signs in, with who changed what', async () => {
    const mine = {
      name: 'Mill at the Weir',
      place: 'Haldenbruck',
      currency: 'SEK',
      locale: 'sv-SE',
      timeZone: 'Europe/Stockholm',
    };
    const answer = await change(mine);
    expect([answer.status, answer.body as Works]).toMatchObject([200, mine]);
    await setUpWorks(server.database);
    expect(await works()).toMatchObject({ ...mine, machines: SHIPPED_WORKS.machines });
    const viewer = await visitor(server.app, 'viewer');
    const session = (await viewer.call('get', '/api/session')).body as { account: object };
    expect(session.account).toMatchObject({ locale: null, worksLocale: 'sv-SE' });
    const history = (await manager.call('get', '/api/changes?kind=works')).body as { subject: string; after: string }[];
    expect(history.find(({ subject }) => subject === 'currency')).toMatchObject({
      before: 'EUR',
      after: 'SEK',
      by: 'Production manager',
    });
    expect((await viewer.call('put', '/api/works/settings', { settings: mine, seen: mine })).status).toBe(403);
  });

  it.each([
    [{ currency: 'XQZ' }, 'settings.currency', /no currency/],
    [{ locale: 'not a tag' }, 'settings.locale', /like en-GB/],
    [{ timeZone: 'Mars/Olympus' }, 'settings.timeZone', /like Europe/],
    [{ numberPattern: 'HB-{yy}' }, 'settings.numberPattern', /running number is missing/],
    [{ name: ' ' }, 'settings.name', /empty/],
  ])('%j is refused at %s, and nothing changes', async (wrong, path, message) => {
    const before = await settings();
    const answer = await change(wrong);
    expect(answer.status).toBe(422);
    expect((answer.body as Problem).errors).toContainEqual({ path, message: expect.stringMatching(message) as string });
    expect(await settings()).toEqual(before);
  });

  it('is not written over unseen', async () => {
    const seen = await settings();
    expect((await change({ place: 'Upper town' }, seen)).status).toBe(200);
    const late = await change({ place: 'Lower town' }, seen);
    expect([late.status, (late.body as Problem).detail]).toEqual([
      409,
      expect.stringMatching(/place is “Upper town” now/),
    ]);
    expect((await works()).place).toBe('Upper town');
  });

  it('numbers the next job, by its pattern or after the last', async () => {
    const next = async () => ((await manager.call('get', '/api/job-numbers/next')).body as { number: string }).number;
    await change({ numberPattern: 'W-###' });
    expect(await next()).toBe('W-001');
    await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'W-041' }));
    expect(await next()).toBe('W-042');
    await change({ numberPattern: undefined });
    expect(await next()).toBe('W-042');
    await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'Z9' }));
    expect(await next()).toBe('Z10');
  });

  it('lets each person choose how dates are written for them', async () => {
    const viewer = await visitor(server.app, 'viewer');
    const answer = await viewer.call('put', '/api/session/settings', { locale: 'de-DE' });
    expect((answer.body as { account: object }).account).toMatchObject({ locale: 'de-DE' });
    expect((await viewer.call('get', '/api/session')).body).toMatchObject({ account: { locale: 'de-DE' } });
    expect((await viewer.call('put', '/api/session/settings', { locale: 'x' })).status).toBe(422);
  });
});
