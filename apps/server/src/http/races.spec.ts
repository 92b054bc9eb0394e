import type { Finished, Problem, SingleBook, Stores } from '@druckerei/contract';
import { type TestServer, type Visitor, startServer, visitor } from '../server.fixture.js';

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
      expect(await statuses(sent)).toEqual([201, 422]);
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
    const seen = stores.holdings.find(({ paper }) => paper.stock === 'offset-100');
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
    const go = async (to: number, from: number): Promise<void> => {
      await manager.call('put', `/api/stores/holdings/${seen.id}`, {
        quantity: to,
        expected: from,
        place: 'Bay 1',
        reason: '',
      });
    };
    await go(40, quantity);
    await go(quantity, 40);
    const late = { quantity: 1, expected: quantity, version, place: 'Bay 1', reason: '' };
    expect((await operator.call('put', `/api/stores/holdings/${seen.id}`, late)).status).toBe(409);
  });
});

describe('the same sent twice', () => {
  const key = { 'Idempotency-Key': 'a-key-of-this-test' };
  const lot = { job: 1, pieces: 111, place: 'Hall K' };
  const lots = async (): Promise<number> =>
    ((await manager.call('get', '/api/finished')).body as Finished).lots.filter(({ place }) => place === 'Hall K')
      .length;

  it('is one, and answered alike', async () => {
    const first = await manager.call('post', '/api/finished/lots', lot).set(key);
    const again = await manager.call('post', '/api/finished/lots', lot).set(key);
    expect([first.status, again.status, await lots()]).toEqual([201, 201, 1]);
    expect(again.body).toEqual(first.body);
  });

  it('at the same moment is one too', async () => {
    const at = { 'Idempotency-Key': 'another-key-of-this' };
    const all = [1, 2, 3].map(() => manager.call('post', '/api/finished/lots', lot).set(at));
    const answers = await statuses(all);
    expect(answers.every((status) => status === 201 || status === 409)).toBe(true);
    expect(await lots()).toBe(2);
  });

  it('with something else is refused, and what was refused may be sent again', async () => {
    expect((await manager.call('post', '/api/finished/lots', { ...lot, pieces: 2 }).set(key)).status).toBe(422);
    const fresh = { 'Idempotency-Key': 'a-third-key-of-this' };
    expect((await manager.call('post', '/api/finished/lots', { ...lot, job: 99_999 }).set(fresh)).status).toBe(404);
    expect((await manager.call('post', '/api/finished/lots', lot).set({ 'Idempotency-Key': 'short' })).status).toBe(
      400,
    );
    expect((await operator.call('post', '/api/finished/lots', lot).set(key)).status).toBe(201); // keys are one's own
  });
});
