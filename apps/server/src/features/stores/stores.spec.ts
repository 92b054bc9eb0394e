import type { Needs, Problem, Revision, Stores } from '@druckerei/contract';
import {
  SEEN,
  type TestServer,
  type Visitor,
  exampleJob,
  recordOf,
  startServer,
  visitor,
} from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
let operator: Visitor;
let viewer: Visitor;
beforeAll(async () => {
  server = await startServer('stores_test');
  [manager, operator, viewer] = (await Promise.all(
    ['manager', 'operator', 'viewer'].map((login) => visitor(server.app, login)),
  )) as [Visitor, Visitor, Visitor];
});
afterAll(() => server.stop());

const PAPER = { stock: 'offset-100', widthMm: 640, heightMm: 450, grain: 'width' };
const KEY = 'sheets/offset-100/640x450/width';
const lot = (quantity: number, change: object = {}) => ({
  paper: PAPER,
  quantity,
  place: 'Bay 9',
  reason: 'delivered',
  ...change,
});
const messages = (body: unknown): string[] => ((body as Problem).errors ?? []).map(({ message }) => message);
let made = 0;
const newJob = async (): Promise<Revision> =>
  (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: `S-${++made}` }))).body as Revision;
const onHand = (stores: Stores): number[] =>
  stores.holdings.filter(({ paper }) => paper?.stock === 'offset-100').map(({ quantity }) => quantity);

describe('a list of what lies in the store', () => {
  const OTHER = { key: 'ink/Night blue', kind: 'ink', name: 'Night blue', unit: 'kg' };
  const ROLL = { paper: { stock: 'silk-90', widthMm: 1234 } };
  const count = (lots: object[], by = operator) =>
    by.call('post', '/api/stores/holdings/list', { lots, reason: 'counted at the end of the year' });
  const ofKey = async (key: string): Promise<[number, string][]> =>
    ((await viewer.call('get', '/api/stores')).body as Stores).holdings
      .filter((one) => one.key === key)
      .map(({ quantity, place }) => [quantity, place]);
  const ROLLS = 'rolls/silk-90/1234';

  it('brings in what is new, and takes the place of what lay there, with a line of its history', async () => {
    const first = await count([
      { ...ROLL, quantity: 3, place: 'Hall 1' },
      { ...ROLL, quantity: 2, place: 'Hall 2' },
      { other: OTHER, quantity: 12.5 },
    ]);
    expect([first.status, first.body]).toEqual([200, { added: 3, changed: 0, same: 0 }]);
    expect(await ofKey(OTHER.key)).toEqual([[12.5, '']]);
    const again = await count([
      { ...ROLL, quantity: 3, place: 'Hall 1' },
      { ...ROLL, quantity: 1, place: 'Hall 2' },
      { ...ROLL, quantity: 0, place: 'Hall 3' },
      { other: OTHER, quantity: 10 },
    ]);
    expect(again.body).toEqual({ added: 0, changed: 2, same: 2 });
    expect(await ofKey(ROLLS)).toEqual([
      [3, 'Hall 1'],
      [1, 'Hall 2'],
    ]);
    const stores = (await viewer.call('get', '/api/stores')).body as Stores;
    const id = stores.holdings.find(({ key }) => key === OTHER.key)?.id ?? 0;
    expect((await viewer.call('get', `/api/stores/holdings/${id}/history`)).body).toEqual([
      expect.objectContaining({ before: 12.5, after: 10, reason: 'counted at the end of the year' }),
      expect.objectContaining({ before: 0, after: 12.5 }),
    ]);
  });

  it('without a place counts all that there is, wherever it lies; with 0 it is gone', async () => {
    expect((await count([{ ...ROLL, quantity: 7 }])).body).toEqual({ added: 0, changed: 1, same: 0 });
    expect(await ofKey(ROLLS)).toEqual([[7, 'Hall 1']]);
    expect((await count([{ ...ROLL, quantity: 0 }])).body).toEqual({ added: 0, changed: 1, same: 0 });
    expect(await ofKey(ROLLS)).toEqual([]);
    await count([{ other: OTHER, quantity: 0 }]);
  });

  it('is taken whole or not at all: what is wrong is told by its line', async () => {
    const refused = await count([
      { ...ROLL, quantity: 5, place: 'Hall 1' },
      { paper: { stock: 'none', widthMm: 870 }, quantity: 1.5, place: '' },
      { ...ROLL, quantity: 6, place: 'Hall 1' },
      { other: { ...OTHER, key: 'packing/box' }, quantity: 1 },
      { ...ROLL, quantity: 6 },
    ]);
    expect(refused.status).toBe(422);
    expect((refused.body as Problem).errors?.map(({ path }) => path)).toEqual([
      'lots[1].paper.stock',
      'lots[1].quantity',
      'lots[2]',
      'lots[3].other.key',
      'lots[4]',
    ]);
    expect(await ofKey(ROLLS)).toEqual([]);
    expect((await count([{ ...ROLL, quantity: 5 }], viewer)).status).toBe(403);
    expect((await count([])).status).toBe(422);
  });

  it('of thousands of lines comes in at once, and two that bring in the same leave one lot', async () => {
    const lots = Array.from({ length: 2_000 }, (_, i) => ({
      paper: { stock: 'silk-90', widthMm: 2000 + i },
      ...{ quantity: 1 + i, place: 'Hall 9' },
    }));
    expect((await count(lots)).body).toEqual({ added: 2_000, changed: 0, same: 0 });
    expect((await count(lots.map((one) => ({ ...one, quantity: 0 })))).body).toEqual({
      added: 0,
      changed: 2_000,
      same: 0,
    });
    const both = await Promise.all([1, 2].map(() => count([{ ...ROLL, quantity: 4, place: 'Hall 4' }])));
    expect(both.map(({ status }) => status)).toEqual([200, 200]);
    expect(await ofKey(ROLLS)).toEqual([[4, 'Hall 4']]);
    await count([{ ...ROLL, quantity: 0 }]);
  });
});

describe('the store', () => {
  it('begins with what the demo has, for everybody to see', async () => {
    const response = await viewer.call('get', '/api/stores');
    expect(response.status).toBe(200);
    expect((response.body as Stores).holdings).toHaveLength(8);
  });

  it('takes a lot in, counts it with a reason, and keeps how it changed', async () => {
    const added = await operator.call('post', '/api/stores/holdings', lot(1000));
    expect([added.status, onHand(added.body as Stores)]).toEqual([201, [1000]]);
    const id = (added.body as Stores).holdings.find(({ paper }) => paper?.stock === 'offset-100')?.id ?? 0;
    const change = { quantity: 960, expected: 1000, version: 1, place: 'Bay 9', reason: 'damaged by a fork' };
    expect(onHand((await operator.call('put', `/api/stores/holdings/${id}`, change)).body as Stores)).toEqual([960]);
    const again = await operator.call('put', `/api/stores/holdings/${id}`, change);
    expect([again.status, (again.body as Problem).detail]).toEqual([
      409,
      'It holds 960 now and lies at Bay 9; you saw 1000.',
    ]);
    const history = (await viewer.call('get', `/api/stores/holdings/${id}/history`)).body as object[];
    expect(history).toEqual([
      expect.objectContaining({ before: 1000, after: 960, reason: 'damaged by a fork' }),
      expect.objectContaining({ before: 0, after: 1000, by: 'Press operator, early shift' }),
    ]);
    const out = await operator.call('put', `/api/stores/holdings/${id}`, {
      ...change,
      quantity: 0,
      expected: 960,
      version: 2,
    });
    expect(onHand(out.body as Stores)).toEqual([]);
  });

  it.each([
    [
      'no such stock',
      lot(10, { paper: { ...PAPER, stock: 'gold-leaf' } }),
      'The works has no stock gold-leaf. Choose another.',
    ],
    ['an empty lot', lot(0), 'Quantity must be more than 0: an empty lot is no lot.'],
    ['half a sheet', lot(10.5), expect.stringContaining('whole')],
    ['fewer than none', lot(-1), expect.anything()],
  ])('refuses %s and says what is wrong', async (_, body, message) => {
    const response = await operator.call('post', '/api/stores/holdings', body);
    expect(response.status).toBe(422);
    expect(messages(response.body)).toContainEqual(message);
  });

  it('knows no lot and no job that is not there', async () => {
    const change = { quantity: 1, expected: 1, version: 1, place: '', reason: '' };
    expect((await operator.call('put', '/api/stores/holdings/99999', change)).status).toBe(404);
    expect(
      (await manager.call('put', '/api/jobs/99999/reservations', { key: KEY, quantity: 1, seen: SEEN })).status,
    ).toBe(404);
  });
});

describe('reservations', () => {
  it('go no further than what others have left, and are let go', async () => {
    const [one, two] = [await newJob(), await newJob()];
    await operator.call('post', '/api/stores/holdings', lot(500));
    const reserve = (job: Revision, quantity: number) =>
      manager.call('put', `/api/jobs/${job.id}/reservations`, { key: KEY, quantity, seen: SEEN });
    expect((await reserve(one, 400)).status).toBe(200);
    const refused = await reserve(two, 101);
    expect([refused.status, messages(refused.body)[0]]).toEqual([422, expect.stringContaining('Only 100 are free')]);
    const both = (await reserve(two, 100)).body as Stores;
    expect(
      both.reservations.filter(({ key }) => key === KEY).map(({ number, quantity }) => [number, quantity]),
    ).toEqual([
      [one.job.number, 400],
      [two.job.number, 100],
    ]);
    const gone = (await reserve(one, 0)).body as Stores;
    expect(gone.reservations.filter(({ key }) => key === KEY)).toHaveLength(1);
  });

  it('are let go when the last station has counted what was ordered', async () => {
    const job = await newJob();
    await operator.call('post', '/api/stores/holdings', lot(50, { paper: { ...PAPER, widthMm: 700, heightMm: 500 } }));
    const key = 'sheets/offset-100/700x500/width';
    const held = async (): Promise<number> =>
      ((await viewer.call('get', '/api/stores')).body as Stores).reservations.filter((one) => one.key === key).length;
    await manager.call('put', `/api/jobs/${job.id}/reservations`, { key, quantity: 50, seen: SEEN });
    const count = (good: number) =>
      operator.call('post', `/api/jobs/${job.id}/room`, { event: { kind: 'count', step: 'box', good }, seen: SEEN });
    await count(9_000);
    expect(await held()).toBe(1);
    await count(10_000);
    expect(await held()).toBe(0);
  });

  it('asked for at once by two jobs give no more than there is', async () => {
    const jobs = [await newJob(), await newJob(), await newJob()];
    const wide = { ...PAPER, widthMm: 1020, heightMm: 720 };
    await operator.call('post', '/api/stores/holdings', lot(300, { paper: wide }));
    const key = 'sheets/offset-100/1020x720/width';
    const answers = await Promise.all(
      jobs.map((job) => manager.call('put', `/api/jobs/${job.id}/reservations`, { key, quantity: 200, seen: SEEN })),
    );
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 422, 422]);
  });
});

describe('needs', () => {
  it('of all open jobs, earliest due first; a job that cannot be planned says why; one that is delivered is not there', async () => {
    const job = await newJob();
    const before = (await viewer.call('get', '/api/needs')).body as Needs;
    const own = before.jobs.find((one) => one.job === job.id);
    expect(own?.needs.find(({ kind }) => kind === 'sheets')?.quantity).toBe(5484);
    const dues = before.jobs.flatMap(({ due }) => due ?? []);
    expect(dues).toEqual([...dues].sort());
    await recordOf(server, job.id, { kind: 'count', step: 'box', good: 10000 });
    const after = (await viewer.call('get', '/api/needs')).body as Needs;
    expect(after.jobs.some((one) => one.job === job.id)).toBe(false);
    const bad = await newJob();
    const components = bad.job.components.map((one) => ({ ...one, stock: 'gone' }));
    await manager.call('put', `/api/jobs/${bad.id}/draft`, { version: bad.version, job: { ...bad.job, components } });
    const told = (await viewer.call('get', '/api/needs')).body as Needs;
    expect(told.jobs.find((one) => one.job === bad.id)?.problems[0]).toContain('no stock gone');
  });
});
