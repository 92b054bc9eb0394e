import request from 'supertest';
import { type TestServer, startServer, visitor } from '../server.fixture.js';

let server: TestServer;
beforeAll(async () => {
  server = await startServer('druckerei_tongue');
}, 60_000);
afterAll(() => server.stop());

const titleOf = async (headers: Record<string, string>): Promise<string> =>
  ((await request(server.app).get('/api/nowhere').set(headers)).body as { title: string }).title;

describe('the language of an answer', () => {
  it.each([
    [{}, 'This address does not exist'],
    [{ 'Accept-Language': 'de-AT, en;q=0.5' }, 'Diese Adresse gibt es nicht'],
    [{ 'Accept-Language': 'fr, en;q=0.5' }, 'This address does not exist'],
    [{ 'Accept-Language': 'sv' }, 'This address does not exist'],
    [{ Cookie: 'language=de' }, 'Diese Adresse gibt es nicht'],
    [{ Cookie: 'a=b; language=en', 'Accept-Language': 'de' }, 'This address does not exist'],
    [{ Cookie: 'language=zz', 'Accept-Language': 'de' }, 'This address does not exist'],
    [{ Cookie: 'language=de; other=1' }, 'Diese Adresse gibt es nicht'],
  ])('with %j', async (headers, title) => {
    expect(await titleOf(headers)).toBe(title);
  });

  it('is that of each of several who ask at once', async () => {
    const asked = Array.from({ length: 40 }, (_, i) => titleOf({ Cookie: `language=${i % 2 ? 'de' : 'en'}` }));
    const titles = await Promise.all(asked);
    titles.forEach((title, i) => expect(title).toMatch(i % 2 ? /^Diese/ : /^This/));
  });

  it('holds for what is wrong with a body, read and checked on the way', async () => {
    const manager = await visitor(server.app, 'manager');
    const answer = await manager.call('post', '/api/customers', { name: '' }).set('Accept-Language', 'de');
    expect(answer.status).toBe(422);
    expect(answer.body).toMatchObject({ title: 'Einige Werte lassen sich nicht verwenden' });
  });

  it('holds for what a thread works out', async () => {
    const manager = await visitor(server.app, 'manager');
    const jobs = await manager.call('get', '/api/jobs?limit=30');
    const { id, revision } = (jobs.body as { id: number; revision: number }[])[0] ?? { id: 0, revision: 0 };
    const { job } = (await manager.call('get', `/api/jobs/${id}`)).body as { job: { route: { id: string }[] } };
    const sheet = `/api/jobs/${id}/revisions/${revision}/stations/${job.route[0]?.id}.json`;
    const english = await manager.call('get', sheet);
    const german = await manager.call('get', sheet).set('Accept-Language', 'de');
    expect([english.status, german.status]).toEqual([200, 200]);
    expect(JSON.stringify(german.body)).not.toBe(JSON.stringify(english.body));
  });
});
