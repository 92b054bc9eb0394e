import fs from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { pino } from 'pino';
import { type Works, SHIPPED_WORKS } from '@druckerei/core';
import type { BookCheck, JobRow, People, PressRoom, Revision } from '@druckerei/contract';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { createApp } from '../app.js';
import { setUpWorks } from '../demo/load-demo.js';
import { currentWorks } from '../features/works/works.js';
import { Live } from '../http/live.js';
import { freshDatabase, visitor } from '../server.fixture.js';
import { openWorkshop } from '../work/workshop.js';
import { type Database, connect } from './database.js';
import { migrate } from './migrate.js';
import { setUpSchema } from './schema.js';

const opened: Database[] = [];
afterAll(() => Promise.all(opened.map((database) => database.close())));

it('a works of the schema before machines stood by themselves keeps its machines, stocks, norms and people, and starts', async () => {
  const { application, owner } = await freshDatabase('upgrade_test');
  const before = connect(owner, () => undefined);
  opened.push(before);
  await migrate(before, '014_settings_pictures.sql');
  const { norms: _norms, ...shipped } = SHIPPED_WORKS;
  const [first, second, ...others] = shipped.machines;
  const own = { ...first, id: 'own-press', name: 'Press at the window' };
  const body = { ...shipped, name: 'Mill at the Weir', machines: [second, own, first, ...others] };
  await before.pool.query(
    "INSERT INTO account (login, name, role, password_hash) VALUES ('a', 'Anna', 'manager', 'x'), ('o', 'Otto', 'operator', 'x')",
  );
  await before.pool.query('INSERT INTO works (body) VALUES ($1)', [JSON.stringify(body)]);
  await before.pool.query("INSERT INTO norm (id, value) VALUES ('machine.own-press.rate', 99)");
  await before.pool.query(
    "INSERT INTO norm_change (norm, value_before, value_after, reason, changed_by) VALUES ('machine.own-press.rate', 120, 99, 'counted', 1)",
  );

  await setUpSchema(application, owner);
  const after = connect(application, () => undefined);
  opened.push(after);
  await setUpWorks(after, { ...SHIPPED_WORKS, name: 'of another start' });
  const works = await currentWorks(after);
  expect([works.name, works.machines, works.stocks]).toEqual([body.name, body.machines, body.stocks]);
  expect(works.norms['machine.own-press.rate']).toMatchObject({ value: 99, source: { note: 'Anna: counted' } });
  const people = await after.many<{ login: string; roleName: string }>('people/all');
  expect(people.map(({ login, roleName }) => [login, roleName])).toEqual([
    ['a', 'Manager'],
    ['o', 'Operator'],
  ]);
});

/** The words of a document. */
async function textOf(pdf: Buffer): Promise<string> {
  const document = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
  const texts: string[] = [];
  for (let page = 1; page <= document.numPages; page++) {
    const { items } = await (await document.getPage(page)).getTextContent();
    texts.push(items.map((item) => ('str' in item ? item.str : '')).join(' '));
  }
  return texts.join(' ').replace(/\s+/g, ' ');
}

describe('a works as version 016 left it, dumped by pg_dump', () => {
  const dump = new URL('../../../../docs/kept/works-016.sql.gz', import.meta.url);
  const workshop = openWorkshop();
  let live: Live | undefined;
  afterAll(() => Promise.all([workshop.close(), live?.close()]));

  it('is brought up to date: its people sign in, its drafts are changed, its old ticket says what it said', async () => {
    const { application, owner } = await freshDatabase('kept_test');
    const before = connect(owner, () => undefined);
    opened.push(before);
    await before.pool.query(gunzipSync(fs.readFileSync(dump)).toString());
    await setUpSchema(application, owner);
    const database = connect(application, () => undefined);
    opened.push(database);
    live = new Live(application, () => undefined);
    const app = await createApp({
      database,
      workshop,
      live,
      log: pino({ level: 'silent' }),
      sessionSecret: 'test',
      checkAnswers: true,
      demo: true,
      rememberMs: 0,
    });
    const manager = await visitor(app, 'manager');
    const jobs = (await manager.call('get', '/api/jobs')).body as JobRow[];
    expect(jobs).toHaveLength(17);
    expect(jobs.find(({ id }) => id === 3)).toMatchObject({ number: 'HB-26-0417', status: 'released' });
    const works = (await manager.call('get', '/api/works')).body as Works;
    expect(works.norms['spoil.cut.setup']).toMatchObject({ value: 9, source: { note: 'Production manager: counted' } });
    const { people } = (await manager.call('get', '/api/people')).body as People;
    expect(people.find(({ login }) => login === 'anna')).toMatchObject({ invited: true, roleName: 'Operator' });
    // Read off the ticket that version 016 printed.
    const ticket = await textOf(await manager.bytes('/api/jobs/3/revisions/1/ticket.pdf'));
    expect(ticket).toContain('Revision 1, released');
    expect(ticket).toContain(
      'Press sheets 2,893, plates 4, paper 637 kg, ink 3.35 kg, machine hours 5 h 17 min, first sheet to last box 24 h 17 min.',
    );
    // What the press room had recorded begins the book, in its order and chained.
    const { records } = (await manager.call('get', '/api/jobs/7/room')).body as PressRoom;
    expect(records[0]).toMatchObject({
      id: 1,
      at: '2026-11-29T02:50:18.959Z',
      by: 'Production manager',
      event: { kind: 'artwork', note: 'proof 3, signed' },
    });
    const check = (await manager.call('get', '/api/book/check')).body as BookCheck;
    expect([check.faults, check.entries]).toEqual([[], records.length]);
    const open = (await manager.call('get', '/api/jobs/1')).body as Revision;
    const saved = await manager.call('put', '/api/jobs/1/draft', {
      version: open.version,
      job: { ...open.job, title: 'Anew' },
    });
    expect(saved.status).toBe(200);
  });
});
