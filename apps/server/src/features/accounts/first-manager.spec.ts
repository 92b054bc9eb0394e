import type { Account, Problem } from '@druckerei/contract';
import { refuseMixing } from '../../demo/load-demo.js';
import { type TestServer, type Visitor, startServer, visitor } from '../../server.fixture.js';
import { firstCode } from './first-manager.js';

let server: TestServer;
let stranger: Visitor;
beforeAll(async () => {
  server = await startServer('first_manager_test', { demo: false });
  stranger = await visitor(server.app);
});
afterAll(() => server.stop());

const FIRST = { login: 'anna', name: 'Production, early', password: 'a lantern in the weir' };
const make = (who: Visitor, change: object = {}) =>
  who.call('post', '/api/first-manager', { ...FIRST, code: firstCode('test'), ...change });
const first = async (): Promise<boolean> =>
  ((await (await visitor(server.app)).call('get', '/api/session')).body as { first: boolean }).first;

describe('the first manager of a works', () => {
  it('has a code that differs by the secret and can be read out', () => {
    expect(firstCode('one')).toMatch(/^([2-9A-HJ-NP-Z]{4}-){3}[2-9A-HJ-NP-Z]{4}$/);
    expect(firstCode('one')).toBe(firstCode('one'));
    expect(firstCode('one')).not.toBe(firstCode('two'));
  });

  it('is not made with another code, a short password or no name', async () => {
    expect(await first()).toBe(true);
    const refused = await make(stranger, { code: 'AAAA-BBBB-CCCC-DDDD' });
    expect([refused.status, (refused.body as Problem).errors?.[0]?.path]).toEqual([422, 'code']);
    for (const wrong of [{ password: 'short' }, { login: ' ' }, { name: '' }, { code: undefined }])
      expect((await make(stranger, wrong)).status).toBe(422);
    expect(await first()).toBe(true);
  });

  it('is one, whoever is first; the code is worth nothing afterwards', async () => {
    const code = ` ${firstCode('test').toLowerCase().replaceAll('-', ' ')} `;
    const others = await Promise.all(['b', 'c'].map(() => visitor(server.app)));
    const answers = await Promise.all(
      [stranger, ...others].map((who, i) => make(who, { code, login: `manager-${i}` })),
    );
    expect(answers.map(({ status }) => status).sort((a, b) => a - b)).toEqual([201, 409, 409]);
    const made = answers.find(({ status }) => status === 201)?.body as { account: Account };
    expect(made.account).toMatchObject({ name: 'Production, early', role: 'manager' });
    expect(await first()).toBe(false);
    expect((await make(await visitor(server.app))).status).toBe(409);
    // They are signed in, and may what a manager may.
    const who = [stranger, ...others][answers.findIndex(({ status }) => status === 201)];
    expect((await who?.call('get', '/api/works'))?.status).toBe(200);
    const { rows } = await server.owner.pool.query<{ what: string; result: string }>(
      "SELECT what, result FROM security_record WHERE what = 'first manager' ORDER BY id",
    );
    expect(rows.filter(({ result }) => result === 'done').length).toBe(1);
    expect(rows.length).toBeGreaterThan(3);
  });

  it('keeps the demo away: it is not loaded where people work, nor a works begun in its database', async () => {
    await expect(refuseMixing(server.database, true)).rejects.toThrow('people work on this database');
    await expect(refuseMixing(server.database, false)).resolves.toBeUndefined();
    await server.owner.pool.query('UPDATE account SET demo = true');
    await expect(refuseMixing(server.database, false)).rejects.toThrow('holds the demo works');
    await expect(refuseMixing(server.database, true)).resolves.toBeUndefined();
  });
});
