import type { JobRow } from '@druckerei/contract';
import { type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
beforeAll(async () => {
  server = await startServer('list_test');
  manager = await visitor(server.app, 'manager');
});
afterAll(() => server.stop());

const page = async (query: string): Promise<{ rows: JobRow[]; total: number }> => {
  const response = await manager.call('get', `/api/jobs?${query}`);
  return { rows: response.body as JobRow[], total: Number(response.headers['x-total-count']) };
};

describe('what belongs to the list of jobs', () => {
  it('jobs are found by a press that any of their components is printed on', async () => {
    const on = async (press: string): Promise<string[]> =>
      (await page(`press=${press}&limit=500`)).rows.map(({ title }) => title);
    const job = exampleJob('concert-programme', { number: 'PRESS-1', title: 'On two presses' });
    const [first, ...others] = job.components;
    if (!first) throw new Error('no component');
    await manager.call('post', '/api/jobs', { ...job, components: [{ ...first, press: 'b2-four' }, ...others] });
    expect(await on('b2-four')).toContain('On two presses');
    for (const { press } of others) expect(await on(press)).toContain('On two presses');
    expect(await on('nowhere')).toEqual([]);
    expect(await on("' OR true --")).toEqual([]);
  });

  it('products are drawn for the jobs that can be planned, of the newest revision', async () => {
    const add = async (number: string, change: object = {}): Promise<number> =>
      ((await manager.call('post', '/api/jobs', exampleJob('trail-map', { number, ...change }))).body as { id: number })
        .id;
    const map = exampleJob('trail-map', {});
    const can = await add('PIC-1');
    const cannot = await add('PIC-2', { components: map.components.map((one) => ({ ...one, stock: 'nowhere' })) });
    const answer = await manager.call('get', `/api/pictures?jobs=${can},${cannot},999999`);
    expect(answer.body).toMatchObject([{ job: can, picture: { widthMm: expect.any(Number) as number } }]);
    expect((answer.body as unknown[]).length).toBe(1);
    for (const wrong of ['', 'jobs=', 'jobs=1;2', `jobs=${Array(501).fill(1).join(',')}`])
      expect((await manager.call('get', `/api/pictures?${wrong}`)).status).toBe(400);
  });

  it('tickets come in one file, or say whose cannot be made', async () => {
    const { rows } = await page('limit=500');
    const id = (number: string): number => rows.find((row) => row.number === number)?.id ?? 0;
    const one = await manager.call('get', `/api/tickets?jobs=${id('PIC-1')}`);
    const two = await manager.call('get', `/api/tickets?jobs=${id('PIC-1')},${id('HB-2041')}`);
    expect([two.status, two.type]).toEqual([200, 'application/pdf']);
    expect((two.body as Buffer).length).toBeGreaterThan(1.5 * (one.body as Buffer).length);
    const refused = await manager.call('get', `/api/tickets?jobs=${id('PIC-1')},${id('PIC-2')}`);
    expect(refused.status).toBe(422);
    expect(JSON.stringify(refused.body)).toContain('PIC-2');
    expect((await manager.call('get', '/api/tickets?jobs=999999')).status).toBe(404);
    expect((await manager.call('get', `/api/tickets?jobs=${Array(51).fill(1).join(',')}`)).status).toBe(400);
  });

  it('labels come for what is asked, and not more than can be printed at once', async () => {
    const { rows } = await page('limit=500');
    const at = (number: string, query: string): string =>
      `/api/jobs/${rows.find((row) => row.number === number)?.id ?? 0}/revisions/1/labels.pdf?${query}`;
    const boxes = await manager.call('get', at('HB-2041', 'of=boxes&size=a6'));
    expect([boxes.status, boxes.type]).toEqual([200, 'application/pdf']);
    for (const wrong of ['', 'of=boxes', 'of=crates&size=a6', 'of=boxes&size=a7'])
      expect((await manager.call('get', at('HB-2041', wrong))).status).toBe(400);
    const atlas = exampleJob('trail-map', { number: 'LABELS-1' });
    const order = { ...atlas.order, quantity: 2_000_000 };
    const many = (await manager.call('post', '/api/jobs', { ...atlas, order })).body as { id: number };
    const refused = await manager.call('get', `/api/jobs/${many.id}/revisions/1/labels.pdf?of=boxes&size=a6`);
    expect(refused.status).toBe(422);
    expect(JSON.stringify(refused.body)).toContain('at most 2000');
  });

  it('a copy has what was told otherwise, and keeps the rest', async () => {
    const { rows } = await page('search=PIC-1');
    const copied = await manager.call('post', `/api/jobs/${rows[0]?.id ?? 0}/copy`, {
      number: 'PIC-1b',
      title: 'Another map',
      quantity: 321,
      customer: 'Somebody else',
      due: null,
    });
    const { due: _due, ...before } = exampleJob('trail-map', {});
    const told = { number: 'PIC-1b', title: 'Another map', customer: 'Somebody else' };
    expect((copied.body as { job: object }).job).toEqual({
      ...before,
      ...told,
      order: { ...before.order, quantity: 321 },
    });
  });
});

describe('ten thousand jobs', () => {
  const MANY = 10_000;
  let before = 0;
  beforeAll(async () => {
    before = (await page('limit=1')).total;
    const pool = server.owner.pool;
    await pool.query(
      `WITH made AS (INSERT INTO job (number) SELECT 'MANY-' || lpad(n::text, 5, '0') FROM generate_series(1, $1::integer) n RETURNING id, number)
       INSERT INTO revision (job_id, revision, version, state, body, changed_by)
       SELECT id, 1, 1, 'draft', $2::jsonb || jsonb_build_object('number', number, 'title', 'Job of many ' || number,
         'customer', 'Customer ' || right(number, 2), 'due', '2027-01-' || lpad((1 + right(number, 1)::integer)::text, 2, '0')), 1 FROM made`,
      [MANY, JSON.stringify(exampleJob('trail-map', {}))],
    );
  });

  it('are all there, none twice, page behind page', async () => {
    const seen = new Set<number>();
    for (let skip = 0; skip < before + MANY; skip += 500) {
      const { rows, total } = await page(`skip=${skip}&limit=500`);
      expect(total).toBe(before + MANY);
      for (const { id } of rows) seen.add(id);
    }
    expect(seen.size).toBe(before + MANY);
  });

  it('are searched, sifted and sorted whole, not only the page in sight', async () => {
    const found = await page('search=many&customer=Customer%2007&by=number&order=asc&limit=3');
    expect([found.total, found.rows.map(({ number }) => number)]).toEqual([
      MANY / 100,
      ['MANY-00007', 'MANY-00107', 'MANY-00207'],
    ]);
    expect((await page('search=many&dueBy=2027-01-03&limit=1')).total).toBe((3 * MANY) / 10);
    const last = await page(`by=number&order=desc&search=MANY&skip=${MANY - 2}&limit=5`);
    expect(last.rows.map(({ number }) => number)).toEqual(['MANY-00002', 'MANY-00001']);
  });
});
