import request from 'supertest';
import { type Account, type MadeToken, type People, TOKEN_MARK } from '@druckerei/contract';
import { type TestServer, type Visitor, exampleJob, startServer, visitor } from '../../server.fixture.js';

let server: TestServer;
let manager: Visitor;
beforeAll(async () => {
  server = await startServer('programs_test');
  manager = await visitor(server.app, 'manager');
});
afterAll(() => server.stop());

const add = async (name: string, role = 'manager', days: number | null = null): Promise<MadeToken> => {
  const answer = await manager.call('post', '/api/programs', { name, role, days });
  expect(answer.status).toBe(201);
  return answer.body as MadeToken;
};
const programBy = async (name: string) => {
  const { people } = (await manager.call('get', '/api/people')).body as People;
  const found = people.find((one) => one.name === name);
  if (!found) throw new Error(`no ${name}`);
  return found;
};
const ask = (token: string, path = '/api/jobs') =>
  request(server.app).get(path).set('Authorization', `Bearer ${token}`);

const send = (token: string, job: object) =>
  request(server.app).post('/api/jobs').set('Authorization', `Bearer ${token}`).send(job);

describe('a program', () => {
  it('comes in by its token, reads and writes as its role may, and is named in what was done', async () => {
    const { token, until } = await add('Order desk', 'manager');
    expect(token.startsWith(TOKEN_MARK)).toBe(true);
    expect(until).toBeNull();
    expect((await programBy('Order desk')).program).toEqual({ holds: true, until: null, used: null });
    expect((await ask(token)).status).toBe(200);
    expect((await programBy('Order desk')).program?.used).toEqual(expect.any(String));
    const made = await send(token, exampleJob('trail-map', { number: 'P-1' }));
    expect(made.status).toBe(201);
    const [line] = (await manager.call('get', '/api/audit?limit=1')).body as { by: string; subject: string }[];
    expect(line).toMatchObject({ by: 'Order desk', subject: expect.stringContaining('P-1') as string });
  });

  it('may no more than its role, and never what only people do', async () => {
    const { token } = await add('Reader', 'viewer');
    expect((await send(token, exampleJob('trail-map', { number: 'P-2' }))).status).toBe(403);
    const { token: strong } = await add('Strong', 'manager');
    for (const path of ['/api/people', '/api/audit', '/api/session', '/api/live'])
      expect((await ask(strong, path)).status).toBe(403);
    expect((await request(server.app).delete('/api/session').set('Authorization', `Bearer ${strong}`)).status).toBe(
      403,
    );
  });

  it('is refused without a token that holds, and told what to send', async () => {
    for (const token of ['', 'nonsense', `${TOKEN_MARK}nonsense`]) {
      const answer = await ask(token);
      expect([answer.status, answer.headers['www-authenticate']]).toEqual([401, 'Bearer']);
      expect((answer.body as { detail: string }).detail).toMatch(/whoever manages people makes them/);
    }
    expect((await request(server.app).get('/api/jobs').set('Authorization', 'Basic bWFuYWdlcjp4')).status).toBe(401);
  });

  it('has one token at a time: a new one ends it, withdrawing ends all, and its time does', async () => {
    const { token } = await add('Counter', 'operator', 30);
    const { id, program } = await programBy('Counter');
    const days = (Date.parse(program?.until ?? '') - Date.now()) / 86_400_000;
    expect(days).toBeGreaterThan(29.9);
    expect(days).toBeLessThan(30.1);
    const next = (await manager.call('post', `/api/programs/${id}/token`, { days: null })).body as MadeToken;
    expect((await ask(token)).status).toBe(401);
    expect((await ask(next.token)).status).toBe(200);
    await server.owner.pool.query(
      `UPDATE program_token SET expires_at = now() - interval '1 second' WHERE account_id = $1`,
      [id],
    );
    expect((await ask(next.token)).status).toBe(401);
    expect((await programBy('Counter')).program?.holds).toBe(false);
    const last = (await manager.call('post', `/api/programs/${id}/token`, { days: 1 })).body as MadeToken;
    expect((await manager.call('delete', `/api/programs/${id}/token`)).status).toBe(200);
    expect((await ask(last.token)).status).toBe(401);
    expect((await manager.call('delete', `/api/programs/${id}/token`)).status).toBe(404);
  });

  it('is disabled and let in again like anybody, without a link or a password', async () => {
    const { token } = await add('Feeder', 'viewer');
    const { id, name, role } = await programBy('Feeder');
    await manager.call('put', `/api/people/${id}`, { name, role, disabled: true });
    expect((await ask(token)).status).toBe(401);
    await manager.call('put', `/api/people/${id}`, { name, role, disabled: false });
    expect((await ask(token)).status).toBe(200);
    expect((await manager.call('post', `/api/people/${id}/link`, {})).status).toBe(409);
    const someone = await visitor(server.app);
    expect((await someone.signIn('program Feeder', 'anything at all')).status).toBe(401);
  });

  it('of the same name, or of somebody, is refused with the place', async () => {
    await add('Twice', 'viewer');
    const again = await manager.call('post', '/api/programs', { name: 'twice', role: 'viewer', days: null });
    expect([again.status, JSON.stringify(again.body)]).toEqual([422, expect.stringContaining('"path":"name"')]);
    const gone = await manager.call('post', '/api/programs', { name: 'Other', role: 'nobody', days: null });
    expect(gone.status).toBe(422);
    const { people } = (await manager.call('get', '/api/people')).body as People;
    const person = people.find(({ program }) => program === null);
    expect((await manager.call('post', `/api/programs/${person?.id}/token`, { days: null })).status).toBe(404);
  });

  it('needs no second factor where the works wants one of everybody', async () => {
    const { token } = await add('Night run', 'viewer');
    await server.owner.pool.query(`UPDATE works SET body = body || '{"secondFactor": "everybody"}'`);
    expect((await ask(token)).status).toBe(200);
    await server.owner.pool.query(`UPDATE works SET body = body || '{"secondFactor": "nobody"}'`);
    expect(((await manager.call('get', '/api/session')).body as { account: Account }).account.program).toBe(false);
  });
});
