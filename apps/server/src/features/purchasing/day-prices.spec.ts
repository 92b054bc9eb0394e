import { type Works, figureOf, normById, plan } from '@druckerei/core';
import type { Difference, KeptSupplier, Problem, Revision, Supplier } from '@druckerei/contract';
import { SEEN, type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
beforeAll(async () => {
  server = await startServer('day_prices_test');
  manager = await visitor(server.app, 'manager');
  // The demo's own suppliers ask nothing here.
  for (const { id, version, supplier } of (await manager.call('get', '/api/suppliers')).body as KeptSupplier[])
    await manager.call('put', `/api/suppliers/${id}`, { version, supplier: { ...supplier, prices: [] } });
});
afterAll(() => server.stop());

const NAME = 'A "quoted" \\ name {';
const STOCK = exampleJob('trail-map').components[0]?.stock ?? '';
const asks = (price: number, change: object = {}): NonNullable<Supplier['prices']>[number] => ({
  ...{ item: `paper/${STOCK}`, price, per: 100, measure: 'kg' as const },
  ...change,
});
async function add(name: string, ...prices: NonNullable<Supplier['prices']>): Promise<KeptSupplier> {
  const made = await manager.call('post', '/api/suppliers', { name, prices });
  expect(made.status).toBe(201);
  return made.body as KeptSupplier;
}
const change = ({ id, version }: KeptSupplier, supplier: Supplier) =>
  manager.call('put', `/api/suppliers/${id}`, { version, supplier });
const read = async (id: number, revision?: number, who = manager): Promise<Revision> =>
  (await who.call('get', `/api/jobs/${id}${revision === undefined ? '' : `/revisions/${revision}`}`)).body as Revision;
function perKg({ job, works }: Revision): number | undefined {
  const made = plan(job, works);
  if (!made.ok) throw new Error('not planned');
  return figureOf(made.value, `norm.price.stock.${STOCK}`)?.value;
}

describe('the price of the day', () => {
  it('goes with the works while it holds, and a release keeps that of its day', async () => {
    const { id } = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'D-1' })))
      .body as Revision;
    const before = await read(id);
    expect(before.works.supplied).toBeUndefined();
    const norm = perKg(before) ?? 0;

    const merchant = await add('Paper merchant', asks(93), asks(11, { validUntil: '2020-01-01' }), {
      ...{ item: 'parts/insert', price: 1, per: 1, measure: 'unit' as const },
    });
    const priced = await read(id);
    expect(priced.works.supplied?.sellers).toEqual([
      { id: merchant.id, name: 'Paper merchant', prices: [asks(93), asks(11, { validUntil: '2020-01-01' })] },
    ]);
    const { rows } = await server.database.pool.query<{ day: string }>(
      `SELECT to_char(now() AT TIME ZONE coalesce(body ->> 'timeZone', current_setting('TimeZone')), 'YYYY-MM-DD') AS day FROM works`,
    );
    expect(priced.works.supplied?.day).toBe(rows[0]?.day);
    expect(perKg(priced)).toBeCloseTo(0.93, 9);

    for (const component of priced.job.components) {
      const event = { kind: 'artwork', component: component.id, approved: true };
      await manager.call('post', `/api/jobs/${id}/room`, { event, seen: SEEN });
    }
    const asked = { version: priced.version, mark: priced.works.mark ?? 0 };
    const released = await manager.call('post', `/api/jobs/${id}/release`, asked);
    expect(released.status).toBe(200);

    expect((await change(merchant, { ...merchant.supplier, prices: [asks(150)] })).status).toBe(200);
    const kept = await read(id, 1);
    expect(kept.works.supplied).toBeUndefined();
    expect(perKg(kept)).toBeCloseTo(0.93, 9);
    const other = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'D-2' })))
      .body as Revision;
    expect(perKg(other)).toBeCloseTo(1.5, 9);

    // What differs between the release and the draft behind it: the price of its paper, and of no other.
    const again = await read(id);
    const draft = { version: again.version, job: { ...again.job, title: 'Trail map, again' } };
    expect((await manager.call('put', `/api/jobs/${id}/draft`, draft)).status).toBe(200);
    const { fields } = (await manager.call('get', `/api/jobs/${id}/difference?from=1&to=2`)).body as Difference;
    expect(fields).toEqual([
      expect.objectContaining({ path: 'title' }),
      { path: `works.norms.price.stock.${STOCK}.value`, before: 0.93, after: 1.5 },
    ]);

    // Who no longer sells asks nothing: the norm stands again.
    const all = (await manager.call('get', '/api/suppliers?search=Paper')).body as KeptSupplier[];
    const now = all.find(({ id: one }) => one === merchant.id);
    if (!now) throw new Error('no supplier');
    expect((await change(now, { ...now.supplier, retired: true })).status).toBe(200);
    expect(perKg(await read(other.id))).toBe(norm);
  });

  it('is what offers and the works say too, and is hidden from those who see no prices', async () => {
    await add('Second merchant', asks(77.125));
    const works = (await manager.call('get', '/api/works')).body as Revision['works'];
    expect(works.supplied?.sellers.map(({ name }) => name)).toEqual(['Second merchant']);
    const operator = await visitor(server.app, 'operator');
    await manager.call('put', '/api/roles/operator', { name: 'Operator', rights: ['record'] });
    const seen = JSON.stringify((await operator.call('get', '/api/works')).body);
    expect(seen).not.toContain('77.125');
    expect(seen).not.toContain('Second merchant');
  });

  it('is what the releaser saw: a job is not released with another one', async () => {
    const { id } = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'D-4' })))
      .body as Revision;
    for (const component of exampleJob('trail-map').components) {
      const event = { kind: 'artwork', component: component.id, approved: true };
      await manager.call('post', `/api/jobs/${id}/room`, { event, seen: SEEN });
    }
    const { version, works, worksMark } = await read(id);
    const seen = { version, mark: works.mark ?? 0, worksMark };
    const merchant = await add('Dear merchant', asks(444, { from: 1 }));
    const refused = await manager.call('post', `/api/jobs/${id}/release`, seen);
    expect([refused.status, (refused.body as Problem).title]).toEqual([
      409,
      'The works has changed since you looked at this job',
    ]);
    const { current } = refused.body as Problem;
    expect(current?.works.supplied?.sellers.map(({ name }) => name)).toContain(merchant.supplier.name);
    const again = { ...seen, worksMark: current?.worksMark };
    expect((await manager.call('post', `/api/jobs/${id}/release`, again)).status).toBe(200);
    expect((await read(id)).worksMark).toBeNull();
  });

  it('is that of inks too: what the job prints costs what is asked for it', async () => {
    const { id, works } = (await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'D-3' })))
      .body as Revision;
    const ink = (revision: Revision): number | undefined => {
      const made = plan(revision.job, revision.works);
      return made.ok ? figureOf(made.value, 'norm.price.ink')?.value : undefined;
    };
    expect(ink(await read(id))).toBe(normById(works as Works, 'price.ink')?.value);
    const prices = ['K', 'C', 'M', 'Y'].map((name) => ({
      item: `ink/${name}`,
      price: 31,
      per: 1 as const,
      measure: 'unit' as const,
    }));
    await add('Ink maker', ...prices);
    expect(ink(await read(id))).toBeCloseTo(31, 9);
  });

  it('takes names and prices as they are written', async () => {
    await add(NAME, asks(50));
    const { sellers = [] } = ((await manager.call('get', '/api/works')).body as Revision['works']).supplied ?? {};
    expect(sellers.map(({ name }) => name)).toContain(NAME);
  });
});
