import type { Lot, Stores } from '@druckerei/contract';
import { type WorksSettings, SHIPPED_WORKS, paperName } from '@druckerei/core';
import { SEEN, type TestServer, type Visitor, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
beforeAll(async () => {
  server = await startServer('lots_test');
  manager = await visitor(server.app, 'manager');
});
afterAll(() => server.stop());

const page = async (query: string): Promise<{ rows: Lot[]; total: number }> => {
  const response = await manager.call('get', `/api/stores/lots?${query}`);
  expect(response.status).toBe(200);
  return { rows: response.body as Lot[], total: Number(response.headers['x-total-count']) };
};
const search = async (words: string): Promise<Lot[]> => (await page(`search=${encodeURIComponent(words)}`)).rows;

describe('lots on hand', () => {
  it('are those of the store, in words, with what is free and who has reserved', async () => {
    const { holdings, reservations } = (await manager.call('get', '/api/stores')).body as Stores;
    const { rows, total } = await page('');
    expect(total).toBe(holdings.length);
    expect(rows.map(({ name: _name, unit: _unit, free: _free, reserved: _reserved, ...lot }) => lot)).toEqual(holdings);
    for (const { name, paper, other } of rows) expect(name).toBe(paper ? paperName(paper, SHIPPED_WORKS) : other?.name);
    const told = rows.flatMap(({ reserved }) => reserved.map(({ job, quantity }) => `${job} ${quantity}`));
    expect(told.sort()).toEqual(reservations.map(({ job, quantity }) => `${job} ${quantity}`).sort());
  });

  it('tell what is free of a paper over all lots of it', async () => {
    const paper = { stock: 'offset-100', widthMm: 640, heightMm: 450, grain: 'width' };
    for (const [quantity, place] of [
      [1000, 'Bay 9, 100%'],
      [250, 'Loft'],
    ] as const)
      await manager.call('post', '/api/stores/holdings', { paper, quantity, place, reason: 'delivered' });
    const [job] = (await manager.call('get', '/api/jobs?status=draft&limit=1')).body as { id: number }[];
    const key = 'sheets/offset-100/640x450/width';
    await manager.call('put', `/api/jobs/${job?.id ?? 0}/reservations`, { key, quantity: 400, seen: SEEN });
    const lots = await search('offset 640');
    expect(lots.map(({ quantity, free, reserved }) => [quantity, free, reserved.map((one) => one.quantity)])).toEqual([
      [1000, 850, [400]],
      [250, 850, [400]],
    ]);
  });

  it('are found by every word of paper, size, grain and place, signs as they stand', async () => {
    expect((await search('640 × 450 MM grain 640 uncoated')).length).toBe(2);
    expect((await search('offset loft')).map(({ place }) => place)).toEqual(['Loft']);
    expect((await search('100%')).map(({ place }) => place)).toEqual(['Bay 9, 100%']);
    expect(await search("' OR true --")).toEqual([]);
    expect(await search('offset nowhere')).toEqual([]);
    expect((await manager.call('get', '/api/stores/lots?limit=501')).status).toBe(400);
  });

  it('come page by page where there are ten thousand, none twice, the store’s own among them', async () => {
    const before = (await page('limit=1')).total;
    await server.owner.pool.query(
      `INSERT INTO holding (paper, key, quantity, place, changed_by)
       SELECT jsonb_build_object('stock', 'silk-115', 'widthMm', 300 + n % 700, 'heightMm', 900, 'grain', 'height'),
         concat('sheets/silk-115/', 300 + n % 700, 'x900/height'), n, concat('Rack ', n), 1 FROM generate_series(1, 10000) n`,
    );
    const seen = new Set<number>();
    for (let skip = 0; skip < before + 10_000; skip += 500) {
      const { rows, total } = await page(`skip=${skip}&limit=500`);
      expect(total).toBe(before + 10_000);
      for (const { id } of rows) seen.add(id);
    }
    expect(seen.size).toBe(before + 10_000);
    expect((await page('skip=20000')).rows).toEqual([]);
    expect((await search('rack 9999')).map(({ quantity }) => quantity)).toEqual([9999]);
  });

  it('have a label, in the size of the works', async () => {
    const { holdings } = (await manager.call('get', '/api/stores')).body as Stores;
    const [first] = holdings;
    const label = await manager.bytes(`/api/stores/holdings/${first?.id ?? 0}/label.pdf`);
    expect(label.toString('latin1')).toMatch(/MediaBox \[0 0 419\.5\d* 297\.6\d*\]/);
    const works = (await manager.call('get', '/api/works')).body as WorksSettings;
    const settings = { name: works.name, currency: works.currency, numberPattern: works.numberPattern };
    const next = { settings: { ...settings, labelSize: '100x50' }, seen: settings };
    expect((await manager.call('put', '/api/works/settings', next)).status).toBe(200);
    const small = await manager.bytes(`/api/stores/holdings/${first?.id ?? 0}/label.pdf`);
    expect(small.toString('latin1')).toMatch(/MediaBox \[0 0 283\.4\d* 141\.7\d*\]/);
    expect((await manager.call('get', '/api/stores/holdings/999999/label.pdf')).status).toBe(404);
  });
});
