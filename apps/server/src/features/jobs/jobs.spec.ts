import { type Works, plan } from '@druckerei/core';
import {
  type BegunJobs,
  type Change,
  type Difference,
  type JobRow,
  type Needs,
  type Problem,
  type Revision,
  stationSheetSchema,
} from '@druckerei/contract';
import { SEEN, type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
beforeAll(async () => {
  server = await startServer('jobs_test');
  manager = await visitor(server.app, 'manager');
});
afterAll(() => server.stop());

let made = 0;
async function newJob(name = 'trail-map'): Promise<Revision> {
  const response = await manager.call('post', '/api/jobs', exampleJob(name, { number: `J-${++made}` }));
  return response.body as Revision;
}
const save = (revision: Revision, change: Partial<Revision['job']>) =>
  manager.call('put', `/api/jobs/${revision.id}/draft`, {
    version: revision.version,
    job: { ...revision.job, ...change },
  });
const release = (revision: Revision) =>
  manager.call('post', `/api/jobs/${revision.id}/release`, {
    version: revision.version,
    mark: revision.works.mark ?? 0,
  });
const quantity = (revision: Revision, copies: number) => ({ order: { ...revision.job.order, quantity: copies } });
const row = async (id: number) =>
  ((await manager.call('get', '/api/jobs')).body as JobRow[]).find((job) => job.id === id);

describe('jobs', () => {
  it('come with the demo, in the figures of chapter 6', async () => {
    const rows = (await manager.call('get', '/api/jobs')).body as JobRow[];
    expect(rows.map(({ title }) => title).sort()).toEqual([
      'Board-game box',
      'Concert programme',
      'Constellation cards',
      'Gala invitations',
      'Garden shop cards',
      'Orchid field guide',
      'Puzzle wallet',
      'Season tickets',
      'Seed packets',
      'Shelf-lining paper',
      'Star atlas',
      'Summer timetable',
      'Tea caddy carton',
      'Tea shipper',
      'Trail map',
      'Vehicle permit stickers',
      'Walking guide',
    ]);
    const { job, works } = (
      await manager.call('get', `/api/jobs/${rows.find(({ title }) => title === 'Trail map')?.id ?? 0}`)
    ).body as Revision;
    const planned = plan(job, works);
    expect(planned.ok && planned.value.totals.pressSheets).toEqual({ map: 5484 });
  });

  it('are saved as a draft, version by version', async () => {
    const first = await newJob();
    const second = (await save(first, quantity(first, 12_000))).body as Revision;
    expect(second).toMatchObject({ revision: 1, state: 'draft', version: 2 });
    expect(second.job.order.quantity).toBe(12_000);
    expect(await row(first.id)).toMatchObject({ status: 'draft', quantity: 12_000 });
  });

  it('refuse to overwrite what somebody else saved, with both versions in hand', async () => {
    const first = await newJob();
    await save(first, quantity(first, 12_000));
    const refused = await save(first, quantity(first, 15_000));
    expect(refused.status).toBe(409);
    const problem = refused.body as Problem;
    expect(problem.current).toMatchObject({ version: 2, changedBy: 'Production manager' });
    expect(problem.current?.job.order.quantity).toBe(12_000);
    // mine goes over theirs once their version is known
    const knowing = await save({ ...first, version: 2 }, quantity(first, 15_000));
    expect(knowing.status).toBe(200);
  });

  it('let only one of two at the same moment through', async () => {
    const first = await newJob();
    const answers = await Promise.all([11_000, 12_000, 13_000].map((copies) => save(first, quantity(first, copies))));
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409]);
  });

  it('are frozen once released, with the norms they were planned with', async () => {
    const first = await newJob();
    const bare = { route: first.job.route.map(({ setup: _setup, running: _running, ...step }) => step) };
    const draft = (await save(first, bare)).body as Revision;
    const released = (await release(draft)).body as Revision;
    expect(released).toMatchObject({ state: 'released', revision: 1 });
    const sheets = async (revision: number): Promise<number | undefined> => {
      const { job, works } = (await manager.call('get', `/api/jobs/${first.id}/revisions/${revision}`))
        .body as Revision;
      const planned = plan(job, works);
      return planned.ok ? planned.value.totals.pressSheets['map'] : undefined;
    };
    const before = await sheets(1);
    await manager.call('put', '/api/norms/spoil.cut.setup', {
      value: 105,
      expected: 5,
      seen: SEEN,
      reason: 'new knife',
    });
    expect(await sheets(1)).toBe(before);
    // a change opens the next revision, planned with the norms of today
    const next = (await save(released, quantity(released, 10_000))).body as Revision;
    expect(next).toMatchObject({ revision: 2, state: 'draft' });
    expect(await sheets(2)).toBeGreaterThan(before ?? Infinity);
    expect(await row(first.id)).toMatchObject({ status: 'changed', revision: 2 });
    const difference = (await manager.call('get', `/api/jobs/${first.id}/difference?from=1&to=2`)).body as Difference;
    expect(difference.fields).toEqual([
      { path: 'works.norms.spoil.cut.setup', after: expect.objectContaining({ value: 105 }) as unknown },
    ]);
    expect(difference.figures.map(({ id }) => id)).toContain('component.map.pressSheets');
    // As it was released, and as the engine says today: nothing has changed since.
    const drift = (await manager.call('get', `/api/jobs/${first.id}/difference?from=1&to=1`)).body as Difference;
    expect(drift).toEqual({ from: 1, to: 1, fields: [], figures: [] });
    await manager.call('put', '/api/norms/spoil.cut.setup', { value: 5, expected: 105, seen: SEEN, reason: 'back' });
  });

  it('are not released against a hard rule of the route, and the reason is said', async () => {
    const job = exampleJob('trail-map', { number: 'T-wet' });
    const wet = job.route.find(({ operation }, i) => operation === 'dry' && job.route[i + 1]?.operation === 'cut');
    const route = job.route
      .filter((step) => step !== wet)
      .map((step) => (step.from?.[0]?.material === wet?.id && wet?.from ? { ...step, from: wet.from } : step));
    const made = (await manager.call('post', '/api/jobs', { ...job, route })).body as Revision;
    const refused = await release(made);
    expect(refused.status).toBe(422);
    expect(JSON.stringify(refused.body)).toContain('Drying before cutting');
    // A works that makes the rules soft releases it.
    const weigh = async (value: number, expected: number): Promise<void> => {
      for (const rule of ['dry-before-cut', 'dry-before-fold'])
        await manager.call('put', `/api/norms/rule.${rule}`, { value, expected, seen: SEEN, reason: 'hot air' });
    };
    await weigh(1, 2);
    // Whoever releases has seen the norms that it is released with.
    const unseen = await release(made);
    expect([unseen.status, (unseen.body as Problem).title]).toEqual([
      409,
      'The norms have changed since you looked at this job',
    ]);
    const now = (unseen.body as Problem).current;
    if (!now) throw new Error('what stands was not told');
    expect(now).toMatchObject({ version: made.version, state: 'draft' });
    expect((await release(now)).status).toBe(200);
    await weigh(2, 1);
  });

  it('cannot be released twice, nor while they cannot be planned', async () => {
    const first = await newJob();
    const released = (await release(first)).body as Revision;
    expect((await release(released)).status).toBe(409);
    const second = await newJob();
    const broken = (await save(second, { components: second.job.components.map((c) => ({ ...c, stock: 'velvet' })) }))
      .body as Revision;
    const refused = await release(broken);
    expect(refused.status).toBe(422);
    expect((refused.body as Problem).errors).toEqual([
      { path: 'components[0].stock', message: 'Map: the works has no stock velvet. Choose another.' },
    ]);
  });

  it('have numbers of their own', async () => {
    const first = await newJob();
    const taken = await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: first.job.number }));
    expect(taken.status).toBe(409);
    expect((taken.body as Problem).errors?.[0]?.path).toBe('number');
    const second = await newJob();
    expect((await save(second, { number: first.job.number })).status).toBe(409);
    expect((await save(second, { number: `${second.job.number}-b` })).status).toBe(200);
  });

  it('are copied under a new number', async () => {
    const first = await newJob('concert-programme');
    const copy = (
      await manager.call('post', `/api/jobs/${first.id}/copy`, { number: 'COPY-1', title: 'Spring concert' })
    ).body as Revision;
    expect(copy.job).toEqual({ ...first.job, number: 'COPY-1', title: 'Spring concert' });
    expect(copy.id).not.toBe(first.id);
  });

  it('are listed page by page, searched and sorted by the server, with how many there are', async () => {
    const page = async (query: string): Promise<{ rows: JobRow[]; total: number }> => {
      const response = await manager.call('get', `/api/jobs?${query}`);
      return { rows: response.body as JobRow[], total: Number(response.headers['x-total-count']) };
    };
    for (const title of ['Alpha 100%', 'Beta_x', 'Gamma', 'Delta'])
      await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: `LIST-${title}`, title }));
    const all = await page('limit=500');
    expect(all.total).toBe(all.rows.length);
    const pages = [await page('limit=3'), await page('limit=3&skip=3')];
    expect(pages.flatMap(({ rows }) => rows.map(({ id }) => id))).toEqual(all.rows.slice(0, 6).map(({ id }) => id));
    expect(pages.map(({ total }) => total)).toEqual([all.total, all.total]);
    const titles = async (query: string): Promise<string[]> => (await page(query)).rows.map(({ title }) => title);
    expect(await titles('search=list-%20alpha')).toEqual(['Alpha 100%']);
    // Signs of patterns stand for themselves.
    expect(await titles('search=100%25')).toEqual(['Alpha 100%']);
    expect(await titles('search=a_x')).toEqual(['Beta_x']);
    expect(await titles('search=list-&by=title&order=asc')).toEqual(['Alpha 100%', 'Beta_x', 'Delta', 'Gamma']);
    expect(await titles('search=list-&by=title&order=desc')).toEqual(['Gamma', 'Delta', 'Beta_x', 'Alpha 100%']);
    const only = async (query: string): Promise<JobRow[]> => (await page(`search=list-&${query}`)).rows;
    expect(await only('status=released')).toEqual([]);
    expect((await only('status=draft')).length).toBe(4);
    expect((await only('family=folded&customer=Lichtmoor%20Botanic%20Garden')).length).toBe(4);
    expect(await only('family=carton')).toEqual([]);
    expect(await only('customer=Lichtmoor')).toEqual([]);
    expect((await only('dueBy=2026-12-11')).length).toBe(4);
    expect(await only('dueBy=2026-12-10')).toEqual([]);
    expect((await manager.call('get', '/api/jobs?status=lost')).status).toBe(400);
    expect((await manager.call('get', '/api/jobs?dueBy=soon')).status).toBe(400);
    const counts = (await page('by=quantity&order=desc&limit=500')).rows.map(({ quantity: pieces }) => pieces);
    expect(counts).toEqual([...counts].sort((a, b) => b - a));
    expect((await manager.call('get', '/api/jobs?limit=501')).status).toBe(400);
    expect((await manager.call('get', '/api/jobs?by=constructor')).status).toBe(400);
    expect((await manager.call('get', '/api/jobs?search=%00')).status).toBe(400);
  });

  it('that nobody could lay are kept as drafts that say so, and hold nobody up', async () => {
    const first = await newJob('tea-caddy');
    const outline = Array.from({ length: 1_999 }, (_, i) => {
      const at = (2 * Math.PI * i) / 1_999;
      return { x: 2 + 2 * Math.cos(at), y: 2 + 2 * Math.sin(at) };
    });
    const components = first.job.components.map(({ widthMm: _w, heightMm: _h, tools: _t, ...one }) => ({
      ...one,
      die: { kind: 'drawing', name: 'Ring', outline, lines: [], areas: [] },
    }));
    const saved = await save(first, { components } as unknown as Partial<Revision['job']>);
    // Kept as a draft that is told to be wrong: it holds nobody up.
    expect(saved.status).toBe(200);
    const told = (await manager.call('get', '/api/needs')).body as Needs;
    expect(told.jobs.find(({ job }) => job === first.id)?.problems).toEqual([
      expect.stringContaining('pieces would lie on one sheet'),
    ]);
  });

  it('come back as the job file they were', async () => {
    const first = await newJob();
    const file = await manager.call('get', `/api/jobs/${first.id}/revisions/1/job.json`);
    expect(file.body).toEqual(first.job);
  });
});

describe('jobs out of a list', () => {
  const several = (...numbers: string[]) =>
    manager.call('post', '/api/jobs/several', {
      jobs: numbers.map((number) => exampleJob('trail-map', { number })),
    });
  const numbers = async () =>
    ((await manager.call('get', '/api/jobs?limit=200')).body as JobRow[]).map(({ number }) => number);

  it('are all begun, and can be opened', async () => {
    const response = await several('L-1', 'L-2');
    expect(response.status).toBe(201);
    const { ids } = response.body as BegunJobs;
    const opened = await Promise.all(ids.map((id) => manager.call('get', `/api/jobs/${id}`)));
    expect(opened.map(({ body }) => (body as Revision).job.number)).toEqual(['L-1', 'L-2']);
  });
  it('are none where a number is taken or stands twice, and it is told which', async () => {
    await newJob();
    const response = await several('L-3', `J-${made}`, 'L-4', 'L-4');
    expect(response.status).toBe(409);
    expect((response.body as Problem).errors?.map(({ path }) => path)).toEqual(['jobs[1].number', 'jobs[3].number']);
    const all = await numbers();
    expect(all).not.toContain('L-3');
    expect(all).not.toContain('L-4');
  });
  it('are none where one is no job, and its place is told', async () => {
    const wrong = { ...exampleJob('trail-map', { number: 'L-6' }), route: 'none' };
    const response = await manager.call('post', '/api/jobs/several', {
      jobs: [exampleJob('trail-map', { number: 'L-5' }), wrong],
    });
    expect(response.status).toBe(422);
    expect((response.body as Problem).errors?.[0]?.path).toMatch(/^jobs\[1\]\.route/);
    expect(await numbers()).not.toContain('L-5');
  });
  it('are at most two hundred at once', async () => {
    expect((await several(...Array.from({ length: 201 }, (_, i) => `M-${i}`))).status).toBe(422);
    expect((await manager.call('post', '/api/jobs/several', { jobs: [] })).status).toBe(422);
  });
});

describe('station sheets', () => {
  it('come as PDF and SVG, and the numbers as CSV in the order of the sheets', async () => {
    const rows = (await manager.call('get', '/api/jobs')).body as JobRow[];
    const at = (title: string): string =>
      `/api/jobs/${rows.find((row) => row.title === title)?.id ?? 0}/revisions/1/stations`;
    const svg = await manager.call('get', `${at('Star atlas')}/case.svg`);
    expect([svg.status, svg.type]).toEqual([200, 'image/svg+xml']);
    expect((svg.body as Buffer).toString()).toContain('<title>Case, inside up');
    expect((await manager.call('get', `${at('Star atlas')}/case.pdf`)).type).toBe('application/pdf');
    const csv = await manager.call('get', `${at('Season tickets')}/number.csv`);
    const lines = csv.text.trim().split(/\r?\n/);
    expect(lines.slice(0, 2)).toEqual(['Sheet,Position,Number,"Void, replaced by"', '1,1,00000195,']);
    const pdf = await manager.call('get', `${at('Season tickets')}/number/numbers.pdf`);
    expect([pdf.status, pdf.type]).toEqual([200, 'application/pdf']);
    expect((await manager.call('get', `${at('Season tickets')}/cut/numbers.pdf`)).status).toBe(404);
    expect(new Set(lines).size).toBe(lines.length);
  });
});

describe('layouts', () => {
  const file = (revision: Revision, name: string) =>
    manager.call('get', `/api/jobs/${revision.id}/revisions/1/layouts/${name}`);
  const textOf = (body: unknown): string => (Buffer.isBuffer(body) ? body.toString('utf8') : String(body));

  it('come as PDF, SVG and DXF of either side, named after the job', async () => {
    const revision = await newJob('concert-programme');
    const pdf = await file(revision, 'cover.pdf');
    expect([pdf.status, pdf.type]).toEqual([200, 'application/pdf']);
    expect(pdf.headers['content-disposition']).toBe(`inline; filename="${revision.job.number}-layout-cover.pdf"`);
    const [front, back] = await Promise.all(
      ['front', 'back'].map((side) => file(revision, `section-1.svg?side=${side}`)),
    );
    expect(front?.type).toBe('image/svg+xml');
    const pages = (body: unknown): number[] =>
      [...textOf(body).matchAll(/transform="rotate[^>]*>(\d+)</g)].map(([, page]) => Number(page));
    const all = [...pages(front?.body), ...pages(back?.body)].sort((a, b) => a - b);
    expect(all).toEqual(Array.from({ length: 32 }, (_, i) => i + 3));
    const dxf = await file(revision, 'section-1.dxf');
    expect(dxf.type).toBe('image/vnd.dxf');
  });

  it('follow what is saved', async () => {
    const revision = await newJob();
    const before = textOf((await file(revision, 'map.svg')).body);
    const components = revision.job.components.map((c) => ({ ...c, widthMm: 210, heightMm: 297 }));
    expect((await save(revision, { components })).status).toBe(200);
    const after = textOf((await file(revision, 'map.svg')).body);
    expect(after.split('<rect').length).toBeGreaterThan(before.split('<rect').length);
  });
});

describe('norms', () => {
  it('keep their history, and who changed what and why', async () => {
    const changed = await manager.call('put', '/api/norms/spoil.fold.running', {
      value: 0.012,
      expected: 0.01,
      seen: SEEN,
      reason: 'thin stock',
    });
    expect((changed.body as Works).norms['spoil.fold.running']).toEqual({
      value: 0.012,
      source: { label: 'set by user', note: 'Production manager: thin stock' },
    });
    const history = (await manager.call('get', '/api/norms/history?norm=spoil.fold.running')).body as unknown[];
    expect(history).toEqual([
      expect.objectContaining({ before: 0.01, after: 0.012, reason: 'thin stock', by: 'Production manager' }),
    ]);
  });

  it('are not changed over what somebody else set, nor out of their limits', async () => {
    expect(
      (
        await manager.call('put', '/api/norms/spoil.band.running', {
          value: 0.002,
          expected: 0.5,
          seen: SEEN,
          reason: '',
        })
      ).status,
    ).toBe(409);
    const refused = await manager.call('put', '/api/norms/spoil.band.running', {
      value: 1,
      expected: 0.001,
      seen: SEEN,
      reason: '',
    });
    expect(refused.status).toBe(422);
    expect((refused.body as Problem).errors?.[0]?.message).toBe('Running spoilage goes from 0 to below 100 %');
    expect(
      (await manager.call('put', '/api/norms/spoil.magic', { value: 1, expected: 1, seen: SEEN, reason: '' })).status,
    ).toBe(404);
  });
});

describe('a job that is put aside', () => {
  const aside = (revision: Revision, away: boolean) =>
    manager.call('put', `/api/jobs/${revision.id}/aside`, { version: revision.version, aside: away });

  it('stays as it is and is found, but nothing is bought or reckoned for it until it is taken up', async () => {
    const made = await newJob();
    const needed = async (): Promise<boolean> =>
      ((await manager.call('get', '/api/needs')).body as Needs).jobs.some(({ job }) => job === made.id);
    expect(await needed()).toBe(true);
    const away = (await aside(made, true)).body as Revision;
    expect([away.aside, away.version, await needed()]).toEqual([true, made.version, false]);
    await server.database.pool.query('UPDATE assessment SET basis = $2 WHERE job_id = $1', [made.id, 'another']);
    const stale = await server.database.many<{ id: number }>('assessments/stale', 'today', 1_000);
    expect(stale.map(({ id }) => id)).not.toContain(made.id);
    const found = (await manager.call('get', '/api/jobs?search=put%20aside')).body as JobRow[];
    expect(found).toMatchObject([{ id: made.id, status: 'aside' }]);
    expect(((await aside(made, false)).body as Revision).aside).toBe(false);
    expect([
      await needed(),
      ((await manager.call('get', '/api/jobs?search=put%20aside')).body as JobRow[]).length,
    ]).toEqual([true, 0]);
    const changes = (await manager.call('get', `/api/changes?kind=job&subject=${made.id}`)).body as Change[];
    expect(changes.map(({ before, after }) => [before, after])).toEqual([
      ['aside', 'in hand'],
      ['in hand', 'aside'],
    ]);
  });

  it('is so by somebody who saw it as it stands', async () => {
    const made = await newJob();
    expect((await aside({ ...made, version: made.version + 1 }, true)).status).toBe(409);
  });
});

describe('the sheet of a station', () => {
  it('is answered to be shown: figures with units, remarks, lists in words, its drawings by name', async () => {
    const { id, revision } = await newJob();
    const answer = await manager.call('get', `/api/jobs/${id}/revisions/${revision}/stations/cut.json`);
    const sheet = stationSheetSchema.parse(answer.body);
    expect(sheet.figures.length).toBeGreaterThan(2);
    expect(sheet.figures.every(({ name, text }) => name !== '' && text !== '')).toBe(true);
    expect(sheet.drawings.length).toBeGreaterThan(0);
    const [cuts] = sheet.tables;
    expect(cuts?.rows.length).toBeGreaterThan(0);
    expect(cuts?.rows.every((row) => row.length === cuts.heads.length)).toBe(true);
    for (const [i] of sheet.drawings.entries()) {
      const drawn = await manager.call('get', `/api/jobs/${id}/revisions/${revision}/stations/cut.svg?drawing=${i}`);
      expect(drawn.status).toBe(200);
    }
  });
});
