import { SHIPPED_WORKS, isPrice, normById, normCatalogue, plan, valueAt, worksWithoutPrices } from '@druckerei/core';
import { type DraftApart, type Endpoint, type Revision, ENDPOINTS } from '@druckerei/contract';
import { SEEN, type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

/** Prices that no other figure of the demo is like. */
const TELLING = { norm: 731.4142, hour: 611.7071, part: 57.31313, own: 83.51517 };
const valueOf = (norm: string): number => normById(SHIPPED_WORKS, norm)?.value ?? 0;
let server: TestServer;
let manager: Visitor;
let operator: Visitor;
let job: Revision;
beforeAll(async () => {
  server = await startServer('hidden_prices_test');
  [manager, operator] = [await visitor(server.app, 'manager'), await visitor(server.app, 'operator')];
  const set = await manager.call('put', '/api/norms', {
    changes: [
      { norm: 'price.ink', value: TELLING.norm, expected: valueOf('price.ink') },
      { norm: 'machine.b1-perfector.rate', value: TELLING.hour, expected: valueOf('machine.b1-perfector.rate') },
    ],
    reason: 'tested',
    seen: SEEN,
  });
  expect(set.status).toBe(200);
  const parts = [{ id: 'insert', name: 'Insert', price: TELLING.part, massG: 1 }];
  const body = exampleJob('trail-map', { number: 'H-1', parts, norms: { 'price.plate': TELLING.own } });
  job = (await manager.call('post', '/api/jobs', body)).body as Revision;
  const rights = ['record', 'accountable', 'stores'];
  expect((await manager.call('put', '/api/roles/operator', { name: 'Operator', rights })).status).toBe(200);
});
afterAll(() => server.stop());

const QUERIES: Readonly<Record<string, string>> = {
  itemVersions: '?kind=machine&id=b1-perfector',
  difference: '?from=1&to=1',
  changes: '?kind=works',
  pictures: '?jobs=1',
  tickets: '?jobs=1',
  scan: '?code=H-1',
  labels: '?of=boxes&size=a6',
};
const reading: readonly Endpoint[] = ENDPOINTS.filter(
  ({ method, media, stream, right }: Endpoint) =>
    method === 'get' && !stream && right !== 'public' && media !== 'application/pdf',
);
const pathOf = ({ id, path }: Endpoint): string =>
  path
    .replace('/api/jobs/{id}', `/api/jobs/${job.id}`)
    .replace('{revision}', '1')
    .replace('{component}', 'map')
    .replace('{step}', 'print-map')
    .replace(/\{\w+\}/g, '1') + (QUERIES[id] ?? '');
const told = (text: string): string[] =>
  Object.entries(TELLING).flatMap(([name, value]) => (text.includes(String(value)) ? [name] : []));

describe('prices', () => {
  it('are in what those are told who see them, and in nothing that the others read', async () => {
    const open = await manager.call('get', `/api/jobs/${job.id}`);
    expect(told(JSON.stringify(open.body))).toEqual(['norm', 'hour', 'part', 'own']);
    const answered: string[] = [];
    for (const endpoint of reading) {
      const { status, text } = await operator.call('get', pathOf(endpoint));
      if (status === 200) answered.push(endpoint.id);
      expect([endpoint.id, told(text ?? '')]).toEqual([endpoint.id, []]);
    }
    expect(answered).toEqual(expect.arrayContaining(['works', 'job', 'revision', 'difference', 'jobBook', 'jobFile']));
    expect(answered).toEqual(expect.arrayContaining(['normHistory', 'stationSheet', 'desk', 'needs', 'floor']));
    expect(answered).not.toContain('happened');
  });

  it('are hidden where the works is left out of a draft, and the works without them goes under a mark of its own', async () => {
    const at = `/api/jobs/${job.id}`;
    const [apart, whole] = [await operator.call('get', `${at}?works=apart`), await operator.call('get', at)];
    expect([apart.text.includes(String(TELLING.part)), (apart.body as DraftApart).works]).toEqual([false, null]);
    expect((apart.body as DraftApart).job).toEqual((whole.body as Revision).job);
    const mark = async (who: Visitor): Promise<string> => String((await who.call('get', '/api/works')).headers['etag']);
    const [own, others] = [await mark(operator), await mark(manager)];
    const asked = async (held: string): Promise<number> =>
      (await operator.call('get', '/api/works').set('If-None-Match', held)).status;
    expect([await asked(own), await asked(others)]).toEqual([304, 200]);
  });

  it('are no part of a plan that is reckoned out of what they are told (identity: all else is as it was)', async () => {
    const { job: asked, works } = (await operator.call('get', `/api/jobs/${job.id}`)).body as Revision;
    expect(works.pricesHidden).toBe(true);
    const [seen, all] = [plan(asked, works), plan(job.job, job.works)];
    if (!seen.ok || !all.ok) throw new Error('not planned');
    expect(valueAt(seen.value, 'total.cost')).toBeUndefined();
    const costs = Object.values(all.value.figures).filter((figure) => isPrice(works, figure));
    expect(costs.length).toBeGreaterThan(20);
    const ids = new Set(costs.map(({ id }) => id));
    const rest = Object.values(all.value.figures).filter(({ id }) => !ids.has(id));
    const lost = rest.filter(({ id, value }) => seen.value.figures[id]?.value !== value).map(({ id }) => id);
    expect(lost).toEqual([]);
  });

  it('are all of the catalogue that is told in the currency', () => {
    const hidden = worksWithoutPrices(SHIPPED_WORKS);
    for (const norm of normCatalogue(SHIPPED_WORKS).values())
      expect([norm.id, hidden.norms[norm.id]?.value]).toEqual([
        norm.id,
        isPrice(SHIPPED_WORKS, norm) ? 0 : SHIPPED_WORKS.norms[norm.id]?.value,
      ]);
  });

  it('come with every right that works with them', async () => {
    const session = async () =>
      ((await operator.call('get', '/api/session')).body as { account: { rights: string[] } }).account.rights;
    expect(await session()).not.toContain('prices');
    await manager.call('put', '/api/roles/operator', { name: 'Operator', rights: ['customers'] });
    expect(await session()).toContain('prices');
    await manager.call('put', '/api/roles/operator', { name: 'Operator', rights: ['record', 'prices'] });
    expect((await operator.call('get', '/api/happened?month=2026-11')).status).toBe(200);
    expect(told(JSON.stringify((await operator.call('get', '/api/works')).body))).toEqual(['norm', 'hour']);
  });
});
