import type { KeptPurchase, KeptSupplier, Lot, Needs, Stores, Revision } from '@druckerei/contract';
import { type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

interface Problem {
  title: string;
  detail?: string;
  errors?: { path: string; message: string }[];
}

let server: TestServer;
let manager: Visitor;
let operator: Visitor;
beforeAll(async () => {
  server = await startServer('purchasing_test');
  manager = await visitor(server.app, 'manager');
  operator = await visitor(server.app, 'operator');
});
afterAll(() => server.stop());

const PAPER = { stock: 'offset-80', widthMm: 740, heightMm: 520, grain: 'width' } as const;
const KEY = 'sheets/offset-80/740x520/width';
let made = 0;
/** An order of 1,000 sheets, for whom it may be. */
const order = (change: object = {}, line: object = {}) => ({
  number: `T-${++made}`,
  supplier: 1,
  expected: '2026-12-20',
  lines: [{ key: KEY, paper: PAPER, quantity: 1_000, price: 90, jobs: [], ...line }],
  ...change,
});
const newJob = async (): Promise<number> =>
  ((await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: `PJ-${++made}` }))).body as Revision).id;
const begin = async (body: object = order()): Promise<KeptPurchase> => {
  const response = await manager.call('post', '/api/purchases', body);
  expect([response.status, response.body]).toEqual([201, response.body]);
  return response.body as KeptPurchase;
};
const send = async (purchase: KeptPurchase): Promise<KeptPurchase> =>
  (await manager.call('put', `/api/purchases/${purchase.id}/state`, { version: purchase.version, state: 'sent' }))
    .body as KeptPurchase;
const receive = (purchase: KeptPurchase, quantity: number, change: object = {}) =>
  operator.call('post', `/api/purchases/${purchase.id}/receipts`, {
    version: purchase.version,
    note: 'D-1',
    lines: [{ line: 0, quantity, place: 'Dock seven', ...change }],
  });
const stores = async (): Promise<Stores> => (await operator.call('get', '/api/stores')).body as Stores;
const faults = (body: unknown): string[] =>
  ((body as Problem).errors ?? []).map(({ path, message }) => `${path}: ${message}`);

describe('suppliers', () => {
  it('are entered with what they ask, found, changed and let go', async () => {
    const prices = [{ item: 'paper/offset-80', price: 88, per: 100, measure: 'kg', from: 300 }];
    const added = await manager.call('post', '/api/suppliers', {
      name: 'Weir Bank Papers',
      address: 'Weir Bank',
      prices,
    });
    expect(added.status).toBe(201);
    const { id, version, supplier } = added.body as KeptSupplier;
    expect(supplier.prices).toEqual(prices);
    const found = await manager.call('get', '/api/suppliers?search=weir%20papers');
    expect([found.headers['x-total-count'], (found.body as KeptSupplier[])[0]?.id]).toEqual(['1', id]);
    const change = { version, supplier: { ...supplier, retired: true } };
    expect((await manager.call('put', `/api/suppliers/${id}`, change)).status).toBe(200);
    expect((await manager.call('put', `/api/suppliers/${id}`, change)).status).toBe(409);
    const refused = await manager.call('post', '/api/purchases', order({ supplier: id }));
    expect([refused.status, faults(refused.body)]).toEqual([
      422,
      ['supplier: Weir Bank Papers is retired. Choose another.'],
    ]);
  });

  it('have one name each, whatever its letters, and prices that can be', async () => {
    const twice = await manager.call('post', '/api/suppliers', { name: 'MILLRACE paper merchants' });
    expect([twice.status, faults(twice.body)]).toEqual([
      409,
      ['name: The works has a supplier of this name. Choose another, or change that one.'],
    ]);
    const price = { item: 'ink/K', price: 1, per: 7, measure: 'kg', validFrom: '2026-12-02', validUntil: '2026-12-01' };
    const odd = await manager.call('post', '/api/suppliers', { name: 'X', prices: [price] });
    expect([odd.status, faults(odd.body).length > 0]).toEqual([422, true]);
  });

  it('are not told to those who do not buy, nor their prices with an order', async () => {
    expect((await operator.call('get', '/api/suppliers')).status).toBe(403);
    const purchase = await begin();
    expect([purchase.total, purchase.lines[0]?.price]).toEqual([90, 90]);
    const seen = ((await operator.call('get', `/api/purchases?search=${purchase.number}`)).body as KeptPurchase[])[0];
    expect([seen?.id, seen?.total, seen?.lines[0]?.price]).toEqual([purchase.id, null, null]);
  });
});

describe('an order to a supplier', () => {
  it('counts as on order when it is sent, and no longer when it is withdrawn', async () => {
    const draft = await begin();
    const of = async (): Promise<unknown[]> =>
      (await stores()).onOrder.filter(({ order: number }) => number === draft.number);
    expect(await of()).toEqual([]);
    const sent = await send(draft);
    expect(await of()).toEqual([{ key: KEY, quantity: 1000, day: '2026-12-20', order: draft.number, jobs: [] }]);
    const later = { ...order({ number: 'other', expected: '2027-01-04', note: 'Gate 2' }, { quantity: 5 }) };
    const changed = await manager.call('put', `/api/purchases/${sent.id}`, { version: sent.version, purchase: later });
    // What is sent stays what was ordered: its day and its note change.
    expect(changed.body).toMatchObject({ number: draft.number, expected: '2027-01-04', note: 'Gate 2' });
    expect((changed.body as KeptPurchase).lines[0]?.quantity).toBe(1000);
    const { version } = changed.body as KeptPurchase;
    const state = (asked: object) => manager.call('put', `/api/purchases/${sent.id}/state`, { version, ...asked });
    expect((await state({ state: 'withdrawn' })).status).toBe(200);
    expect(await of()).toEqual([]);
    const again = await manager.call('put', `/api/purchases/${sent.id}/state`, { version: version + 1, state: 'sent' });
    expect([again.status, (again.body as Problem).title]).toEqual([
      409,
      'This order is withdrawn: it cannot be sent now',
    ]);
  });

  it('comes in parts: each is a lot, reserved for whom it was ordered, until nothing is to come', async () => {
    const [one, two] = [await newJob(), await newJob()];
    const jobs = [
      { job: one, quantity: 300 },
      { job: two, quantity: 500 },
    ];
    const sent = await send(await begin(order({}, { jobs })));
    const first = (await receive(sent, 400)).body as KeptPurchase;
    expect([first.state, first.lines[0]?.received, first.receipts[0]?.note]).toEqual(['sent', 400, 'D-1']);
    const reserved = async (): Promise<Record<number, number>> =>
      Object.fromEntries(
        (await stores()).reservations.flatMap(({ key, job, quantity }) => (key === KEY ? [[job, quantity]] : [])),
      );
    expect(await reserved()).toEqual({ [one]: 300, [two]: 100 });
    const open = (await stores()).onOrder.find(({ order: number }) => number === sent.number);
    expect(open).toMatchObject({ quantity: 600, jobs: [{ job: two, quantity: 400 }] });
    // More than was ordered: the difference is told, and the order is whole.
    const last = (await receive(first, 650)).body as KeptPurchase;
    expect([last.state, last.lines[0]?.received, last.receipts.length]).toEqual(['closed', 1050, 2]);
    expect(await reserved()).toEqual({ [one]: 300, [two]: 500 });
    const lots = (await operator.call('get', '/api/stores/lots?search=dock%20seven')).body as Lot[];
    expect(lots.map(({ quantity, free }) => [quantity, free])).toEqual([
      [400, 250],
      [650, 250],
    ]);
    expect((await receive(last, 1)).status).toBe(409);
  });

  it('is for nobody who is put aside: what comes is free', async () => {
    const job = await newJob();
    const sent = await send(await begin(order({}, { jobs: [{ job, quantity: 10 }] })));
    await manager.call('put', `/api/jobs/${job}/aside`, { version: 1, aside: true });
    expect((await receive(sent, 10)).status).toBe(201);
    expect((await stores()).reservations.filter((one) => one.job === job)).toEqual([]);
  });

  it('of what is no paper lies in the store as its jobs need it, in parts of a kilogram', async () => {
    const ink = { key: 'ink/Reed green', other: { kind: 'ink', name: 'Ink Reed green', unit: 'kg' }, paper: undefined };
    const sent = await send(await begin(order({}, { ...ink, quantity: 2.5 })));
    expect((await receive(sent, 2.25)).status).toBe(201);
    const lot = ((await operator.call('get', '/api/stores/lots?search=reed')).body as Lot[])[0];
    expect(lot).toMatchObject({
      name: 'Ink Reed green',
      unit: 'kg',
      quantity: 2.25,
      free: 2.25,
      key: 'ink/Reed green',
    });
    const other = { ...ink.other, key: ink.key };
    const byHand = { other, quantity: 0.75, place: 'Shelf', reason: 'found' };
    expect((await operator.call('post', '/api/stores/holdings', byHand)).status).toBe(201);
    const both = (await operator.call('get', '/api/stores/lots?search=reed')).body as Lot[];
    expect(both.map(({ free }) => free)).toEqual([3, 3]);
  });

  it('ends before all has come only with the reason, and is not withdrawn when some has', async () => {
    const sent = await send(await begin());
    const some = (await receive(sent, 100)).body as KeptPurchase;
    const state = (asked: object) =>
      manager.call('put', `/api/purchases/${sent.id}/state`, { version: some.version, ...asked });
    expect((await state({ state: 'withdrawn' })).status).toBe(409);
    const bare = await state({ state: 'closed' });
    expect([bare.status, faults(bare.body)]).toEqual([422, ['reason: Not all of it has come: say why no more will.']]);
    const closed = (await state({ state: 'closed', reason: 'mill strike' })).body as KeptPurchase;
    expect([closed.state, closed.reason]).toEqual(['closed', 'mill strike']);
  });

  it('is refused where it cannot be, with each line and why', async () => {
    const lines = [
      { key: KEY, paper: { ...PAPER, stock: 'nothing' }, quantity: 1, jobs: [] },
      { key: 'sheets/other', paper: PAPER, quantity: 2.5, jobs: [{ job: 999_999, quantity: 5 }] },
      { key: 'packing/box', other: { kind: 'ink', name: 'Boxes', unit: 'pieces' }, quantity: 1, jobs: [] },
    ];
    const refused = await manager.call('post', '/api/purchases', order({ lines }));
    expect([refused.status, faults(refused.body)]).toEqual([
      422,
      [
        'lines[0].paper.stock: The works has no stock nothing. Choose another.',
        `lines[0].key: ${KEY} is not the key of what this line orders.`,
        'lines[1].quantity: 2.5 is no whole number: sheets and rolls are counted whole.',
        'lines[1].key: sheets/other is not the key of what this line orders.',
        'lines[1].jobs[0].job: There is no job 999999.',
        'lines[1].jobs: Jobs are to have 5 of it, but 2.5 are ordered.',
        'lines[2].key: packing/box is not the key of what this line orders.',
      ],
    ]);
    expect((await manager.call('post', '/api/purchases', order({ supplier: 9999 }))).status).toBe(422);
    const sent = await send(await begin());
    const lost = await receive(sent, 1, { line: 4 });
    expect([lost.status, faults(lost.body)]).toEqual([422, ['lines[0].line: The order has 1 lines.']]);
    const half = await receive(sent, 0.5);
    expect([half.status, faults(half.body).length]).toEqual([422, 1]);
    expect((await stores()).holdings.some(({ quantity }) => quantity === 0.5)).toBe(false);
  });

  it('is received once where two enter the same delivery', async () => {
    const sent = await send(await begin());
    const statuses = (await Promise.all([receive(sent, 600), receive(sent, 600)])).map(({ status }) => status).sort();
    expect(statuses).toEqual([201, 409]);
    const now = ((await operator.call('get', `/api/purchases?search=${sent.number}`)).body as KeptPurchase[])[0];
    expect(now?.lines[0]?.received).toBe(600);
  });

  it('is found by what is on it, open ones alone where that is asked', async () => {
    const withdrawn = await begin();
    await manager.call('put', `/api/purchases/${withdrawn.id}/state`, { version: 1, state: 'withdrawn' });
    const numbers = async (query: string): Promise<string[]> =>
      ((await operator.call('get', `/api/purchases?${query}`)).body as KeptPurchase[]).map(({ number }) => number);
    expect(await numbers('search=boxes%20peatbank')).toEqual(['P-26-032']);
    expect(await numbers('limit=500')).toContain(withdrawn.number);
    expect(await numbers('open=true&limit=500')).not.toContain(withdrawn.number);
  });

  it('is written in the language of its supplier', async () => {
    const name = 'Fernhollow Boards';
    const added = await manager.call('post', '/api/suppliers', { name, locale: 'de-DE' });
    expect(added.status).toBe(201);
    const purchase = await begin(order({ supplier: (added.body as KeptSupplier).id }));
    const pdf = await manager.bytes(`/api/purchases/${purchase.id}/order.pdf`);
    expect(pdf.toString('latin1')).toContain(`Bestellung ${purchase.number}`);
    const csv = (await manager.bytes(`/api/purchases/${purchase.id}/order.csv`)).toString();
    expect(csv).toMatch(/^Bestellung,Position,Bezeichnung,Menge,/);
  });

  it('is written as a paper and as a table, in which nothing runs', async () => {
    const other = { kind: 'packing', name: '=1+1', unit: 'pieces' };
    const lines = [{ key: 'packing/=1+1', other, quantity: 3, price: 7.5, jobs: [] }];
    const purchase = await begin(order({ lines }));
    const pdf = await manager.bytes(`/api/purchases/${purchase.id}/order.pdf`);
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    // It says when it was made, whatever happened to it since.
    await server.owner.pool.query("UPDATE purchase SET made_at = '2026-01-02T12:00Z' WHERE id = $1", [purchase.id]);
    const dated = await manager.bytes(`/api/purchases/${purchase.id}/order.pdf`);
    expect(dated.toString('latin1')).toContain('D:20260102');
    const csv = (await manager.bytes(`/api/purchases/${purchase.id}/order.csv`)).toString();
    expect(csv.split('\r\n')[1]).toBe(`${purchase.number},1,"'=1+1",3,pieces,7.5,2026-12-20`);
  });
});

describe('the needs of jobs', () => {
  it('are told by the keys that orders have', async () => {
    const { jobs } = (await operator.call('get', '/api/needs')).body as Needs;
    for (const { key, kind, paper } of jobs.flatMap(({ needs }) => needs))
      expect(paper !== undefined || key.startsWith(`${kind}/`)).toBe(true);
  });
});
