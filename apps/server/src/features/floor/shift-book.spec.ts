import request from 'supertest';
import type { Floor, MadeFloorFeed, Revision, Schedule } from '@druckerei/contract';
import { withoutToken } from '../../db/errors.js';
import { type TestServer, type Visitor, exampleJob, plannedFloor, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
let viewer: Visitor;
let schedule: Schedule;
beforeAll(async () => {
  server = await startServer('shift_book_test');
  manager = await visitor(server.app, 'manager');
  viewer = await visitor(server.app, 'viewer');
  const due = new Date(Date.now() + 30 * 86_400_000).toISOString().slice(0, 10);
  const draft = exampleJob('trail-map', { number: 'SB-1', due });
  const job = (await manager.call('post', '/api/jobs', draft)).body as Revision;
  await manager.call('post', `/api/jobs/${job.id}/release`, { version: job.version, mark: job.works.mark ?? 0 });
  schedule = await plannedFloor(manager);
});
afterAll(() => server.stop());

describe('the shift book', () => {
  it('is given for print and as a table, of all machines or one; of no schedule that is not there', async () => {
    const path = `/api/floor/schedules/${schedule.id}/shift-book`;
    const pdf = await viewer.bytes(`${path}.pdf`);
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    const lines = (await viewer.bytes(`${path}.csv`)).toString().split('\r\n');
    const runs = schedule.plan.slots.filter(({ machine }) => machine !== null);
    expect(lines.length).toBe(runs.length + 1);
    expect(lines.some((line) => line.includes('SB-1'))).toBe(true);
    const machine = runs[0]?.machine ?? '';
    const own = (await viewer.bytes(`${path}.csv?machine=${machine}`)).toString().split('\r\n');
    expect(own.length).toBe(runs.filter((slot) => slot.machine === machine).length + 1);
    expect((await viewer.call('get', '/api/floor/schedules/999999/shift-book.csv')).status).toBe(404);
  });
});

describe('the feed', () => {
  const read = (path: string) => request(server.app).get(path);

  it('is the schedule in force for whoever has its address, until another is made or it is ended', async () => {
    expect((await viewer.call('get', '/api/session/floor-feed')).body).toEqual({ madeAt: null });
    const made = (await viewer.call('post', '/api/session/floor-feed')).body as MadeFloorFeed;
    expect((await read(made.path)).text).not.toContain('BEGIN:VEVENT'); // nothing is in force yet
    await manager.call('post', '/api/floor/in-force', { id: schedule.id });
    const feed = await read(made.path);
    expect(feed.headers['content-type']).toMatch(/^text\/calendar/);
    const events = feed.text.match(/BEGIN:VEVENT/g) ?? [];
    const floor = (await manager.call('get', '/api/floor')).body as Floor;
    expect(events.length).toBe(floor.inForce?.plan.slots.filter(({ machine }) => machine !== null).length);
    expect(feed.text).toContain('SB-1');

    const again = (await viewer.call('post', '/api/session/floor-feed')).body as MadeFloorFeed;
    expect((await read(made.path)).status).toBe(404);
    expect((await read(again.path)).status).toBe(200);
    expect((await viewer.call('get', '/api/session/floor-feed')).body).toEqual({ madeAt: again.madeAt });
    await viewer.call('delete', '/api/session/floor-feed');
    expect((await read(again.path)).status).toBe(404);
    expect((await read('/api/feeds/short/floor.ics')).status).toBe(400);
  });
  it('is one of each person, ends with the account, and its address is in no log', async () => {
    const [mine, hers] = [
      (await manager.call('post', '/api/session/floor-feed')).body as MadeFloorFeed,
      (await viewer.call('post', '/api/session/floor-feed')).body as MadeFloorFeed,
    ];
    expect((await read(mine.path)).status).toBe(200);
    await server.owner.pool.query("UPDATE account SET disabled_at = now() WHERE login = 'viewer'");
    expect((await read(hers.path)).status).toBe(404);
    await server.owner.pool.query("UPDATE account SET disabled_at = NULL WHERE login = 'viewer'");
    const { rows } = await server.owner.pool.query<{ hash: string }>('SELECT token_hash AS hash FROM floor_feed');
    expect(rows.some(({ hash }) => mine.path.includes(hash))).toBe(false);
    expect(withoutToken({ url: mine.path }).url).toBe('/api/feeds/…/floor.ics');
    expect(withoutToken({ url: '/api/floor' }).url).toBe('/api/floor');
  });
});
