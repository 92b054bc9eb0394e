import type { Change, Finished, PressRoom, Problem, Revision, SingleBook, Stores } from '@druckerei/contract';
import { type TestServer, type Visitor, exampleJob, startServer, visitor } from '../server.fixture.js';

let server: TestServer;
let manager: Visitor;
let operator: Visitor;
beforeAll(async () => {
  server = await startServer('races_test');
  [manager, operator] = (await Promise.all(['manager', 'operator'].map((login) => visitor(server.app, login)))) as [
    Visitor,
    Visitor,
  ];
});
afterAll(() => server.stop());

const ROUNDS = 8;
const statuses = async (calls: readonly PromiseLike<{ status: number }>[]): Promise<number[]> =>
  (await Promise.all(calls)).map(({ status }) => status).sort();

describe('two people at once', () => {
  it('with the same single books in opposite order: one list goes in whole, the other is told, nobody waits for ever', async () => {
    for (let round = 0; round < ROUNDS; round++) {
      const orders = Array.from({ length: 60 }, (_, i) => ({
        id: `R${round}-${i}`,
        title: 'Guide',
        widthMm: 148,
        heightMm: 210,
        pages: 64,
        stock: 'cream 90 g',
        film: 'matt',
        due: '2026-12-09',
      }));
      const sent = [orders, [...orders].reverse()].map((list, i) =>
        (i === 0 ? manager : operator).call('post', '/api/singles', { orders: list }),
      );
      expect(await statuses(sent)).toEqual([201, 409]);
    }
    const book = (await manager.call('get', '/api/singles')).body as SingleBook[];
    expect(new Set(book.map(({ id }) => id)).size).toBe(book.length);
  });

  it('at one lot: one wins, the other sees what stands', async () => {
    const add = {
      paper: { stock: 'offset-100', widthMm: 640, heightMm: 450, grain: 'width' },
      quantity: 100,
      place: 'Bay 1',
      reason: '',
    };
    const stores = (await operator.call('post', '/api/stores/holdings', add)).body as Stores;
    const seen = stores.holdings.find(({ paper }) => paper?.stock === 'offset-100');
    if (!seen) throw new Error('no lot');
    let { version, quantity } = seen;
    for (let round = 0; round < ROUNDS; round++) {
      const change = (to: number, who: Visitor) =>
        who.call('put', `/api/stores/holdings/${seen.id}`, {
          quantity: to,
          expected: quantity,
          version,
          place: 'Bay 1',
          reason: '',
        });
      const answers = await Promise.all([change(quantity + 1, manager), change(quantity + 2, operator)]);
      expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
      const won = answers.find(({ status }) => status === 200)?.body as Stores;
      const now = won.holdings.find(({ id }) => id === seen.id);
      expect((answers.find(({ status }) => status === 409)?.body as Problem).detail).toContain(
        `It holds ${now?.quantity ?? 0} now`,
      );
      [version, quantity] = [now?.version ?? 0, now?.quantity ?? 0];
    }
    // There and back: the quantity is what it was, the lot is not.
    const go = (to: number, from: number, at: number) =>
      manager.call('put', `/api/stores/holdings/${seen.id}`, {
        quantity: to,
        expected: from,
        version: at,
        place: 'Bay 1',
        reason: '',
      });
    expect([(await go(40, quantity, version)).status, (await go(quantity, 40, version + 1)).status]).toEqual([
      200, 200,
    ]);
    expect((await go(1, quantity, version)).status).toBe(409);
  });

  it('at one reservation, to and fro: one wins, the other sees what stands, and all of it is kept', async () => {
    const job = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'R-1' }))).body as Revision;
    const key = 'sheets/silk-115/1020x720/width';
    const reserve = (quantity: number, seen: number) =>
      manager.call('put', `/api/jobs/${job.id}/reservations`, { key, quantity, seen });
    let { mark } = (await manager.call('get', '/api/stores')).body as Stores;
    for (let round = 0; round < ROUNDS; round++) {
      const answers = await Promise.all([reserve(2 * round + 1, mark), reserve(2 * round + 2, mark)]);
      expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
      const won = answers.find(({ status }) => status === 200)?.body as Stores;
      const stands = won.reservations.find((one) => one.job === job.id)?.quantity ?? 0;
      expect((answers.find(({ status }) => status === 409)?.body as Problem).detail).toBe(
        `It is ${stands} reserved for this job now.`,
      );
      mark = won.mark;
    }
    const changes = (await manager.call('get', `/api/changes?kind=reservation&subject=${job.id}%20${key}`))
      .body as Change[];
    expect(changes).toHaveLength(ROUNDS);
    expect(changes.at(-1)).toMatchObject({ before: 0, by: 'Production manager' });
    for (const [i, change] of changes.slice(0, -1).entries()) expect(change.before).toBe(changes[i + 1]?.after);
  });

  it('at the days to one destination: one wins, the other sees what stands', async () => {
    const call = async (days: number, seen: number) => {
      const { lots } = (await operator.call('get', '/api/finished')).body as Finished;
      const lot = lots.find(({ pieces }) => pieces > 100);
      return operator.call('post', `/api/finished/lots/${lot?.id}/call-offs`, {
        pieces: 1,
        expected: lot?.pieces,
        version: lot?.version,
        seen,
        destination: 'Far island',
        transitDays: days,
      });
    };
    const { mark } = (await operator.call('get', '/api/finished')).body as Finished;
    expect((await call(3, mark)).status).toBe(201);
    const late = await call(4, mark);
    expect([late.status, (late.body as Problem).detail]).toEqual([
      409,
      'The road to Far island takes 3 days now, you said 4.',
    ]);
    // Whoever says the same contradicts nobody.
    expect((await call(3, mark)).status).toBe(201);
    const changes = (await operator.call('get', '/api/changes?kind=destination&subject=Far%20island')).body as Change[];
    expect(changes).toMatchObject([{ before: null, after: 3 }]);
  });

  it('at one single book: one wins, the other sees what stands', async () => {
    const order = { title: 'G', widthMm: 148, heightMm: 210, pages: 64, stock: 'c', film: 'matt', due: '2026-12-09' };
    await operator.call('post', '/api/singles', { orders: [{ id: 'RACE-1', ...order }] });
    const bookNow = async (): Promise<SingleBook | undefined> =>
      ((await operator.call('get', '/api/singles')).body as SingleBook[]).find(({ id }) => id === 'RACE-1');
    const move = (version: number, state: string) =>
      operator.call('put', '/api/singles/state', { books: [{ id: 'RACE-1', version }], state });
    for (let round = 0; round < ROUNDS; round++) {
      const state = round % 2 === 0 ? 'printed' : 'open';
      const version = (await bookNow())?.version ?? 0;
      const answers = await Promise.all([move(version, state), move(version, state)]);
      expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
      expect(JSON.stringify(answers.find(({ status }) => status === 409)?.body)).toContain(
        state === 'printed' ? 'RACE-1 is printed' : 'RACE-1 is not printed yet',
      );
    }
    const changes = (await operator.call('get', '/api/changes?kind=single-book&subject=RACE-1')).body as Change[];
    expect(changes).toHaveLength(ROUNDS);
  });

  it('who count at one station: one wins, the other sees what stands; what only adds up is taken from both', async () => {
    const job = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'R-2' }))).body as Revision;
    const enter = (who: Visitor, event: object, seen: number) =>
      who.call('post', `/api/jobs/${job.id}/room`, { event, seen });
    const last = async (): Promise<number> =>
      ((await manager.call('get', `/api/jobs/${job.id}/room`)).body as PressRoom).records.at(-1)?.id ?? 0;
    const count = (who: Visitor, good: number, seen: number) => enter(who, { kind: 'count', step: 'box', good }, seen);
    for (let round = 0; round < ROUNDS; round++) {
      const seen = await last();
      const answers = await Promise.all([count(manager, 100 + round, seen), count(operator, 200 + round, seen)]);
      expect(answers.map(({ status }) => status).sort()).toEqual([201, 409]);
      expect((answers.find(({ status }) => status === 409)?.body as Problem).detail).toMatch(
        /\d+ good are counted now/,
      );
    }
    const seen = await last();
    const ink = { kind: 'ink', ink: 'K', move: 'issued', kg: 1 };
    const both = await Promise.all([enter(manager, ink, seen), enter(operator, ink, seen)]);
    expect(both.map(({ status }) => status)).toEqual([201, 201]);
  });
});

it('more finished pieces than a job can give are asked back, and taken where they are meant', async () => {
  const job = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'R-3' }))).body as Revision;
  const add = (pieces: number, meant?: boolean) =>
    operator.call('post', '/api/finished/lots', { job: job.id, pieces, place: 'Hall', ...(meant ? { meant } : {}) });
  // 10,000 ordered; 5,484 press sheets of two up give 10,968 if nothing were spoiled.
  expect((await add(10_900)).status).toBe(201);
  const asked = await add(200);
  expect([asked.status, (asked.body as Problem).errors?.[0]]).toEqual([
    422,
    { path: 'meant', message: expect.stringMatching(/gives 10968 pieces at most, and 10900 came in before/) as string },
  ]);
  expect((await add(200, true)).status).toBe(201);
  // Two who bring in each what alone would fit are asked too.
  const other = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'R-4' }))).body as Revision;
  const half = { job: other.id, pieces: 6_000, place: 'Hall' };
  const both = [manager, operator].map((who) => who.call('post', '/api/finished/lots', half));
  expect(await statuses(both)).toEqual([201, 422]);
});
