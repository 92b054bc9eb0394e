import { authenticator } from 'otplib';
import type { Account, MadeLink, NewFactor, People, Problem, SignIns } from '@druckerei/contract';
import { type TestServer, type Visitor, startServer, visitor } from '../../server.fixture.js';
import { setFirstManager } from '../accounts/accounts.js';
import { stepOf } from '../accounts/second-factor.js';

let server: TestServer;
let manager: Visitor;
beforeAll(async () => {
  server = await startServer('people_test');
  manager = await visitor(server.app, 'manager');
});
afterAll(() => server.stop());

const PASSWORD = 'seven herons at the sluice';
const people = async (): Promise<People> => (await manager.call('get', '/api/people')).body as People;
const personBy = async (login: string) => {
  const found = (await people()).people.find((one) => one.login === login);
  if (!found) throw new Error(`no ${login}`);
  return found;
};
const tokenOf = ({ path }: MadeLink): string => path.split('#')[1] ?? '';
const invite = async (login: string, role = 'viewer'): Promise<MadeLink> => {
  const answer = await manager.call('post', '/api/people', { login, name: `Name of ${login}`, role });
  expect(answer.status).toBe(201);
  return answer.body as MadeLink;
};
/** Somebody who was invited, and is in. */
async function join(login: string, role = 'viewer'): Promise<Visitor> {
  const someone = await visitor(server.app);
  const answer = await someone.call('post', '/api/welcome', {
    token: tokenOf(await invite(login, role)),
    password: PASSWORD,
  });
  expect(answer.status).toBe(200);
  await someone.arrive();
  return someone;
}
const change = async (login: string, to: object, by = manager) => {
  const { id, name, role, disabled } = await personBy(login);
  return by.call('put', `/api/people/${id}`, { name, role, disabled, ...to });
};

describe('an invitation', () => {
  it('is a link, once: a password is chosen by it, and its holder is in', async () => {
    const link = await invite('anna');
    expect(await personBy('anna')).toMatchObject({ invited: true, sessions: 0 });
    const someone = await visitor(server.app);
    expect((await someone.signIn('anna', '')).status).toBe(422);
    expect((await someone.signIn('anna', 'nobody')).status).toBe(401);
    const token = tokenOf(link);
    expect((await someone.call('post', '/api/welcome/look', { token })).body).toEqual({
      login: 'anna',
      name: 'Name of anna',
    });
    const weak = await someone.call('post', '/api/welcome', { token, password: 'anna-anna-anna' });
    expect([weak.status, (weak.body as Problem).errors?.[0]?.message]).toEqual([
      422,
      expect.stringMatching(/guessed easily/),
    ]);
    const answer = await someone.call('post', '/api/welcome', { token, password: PASSWORD });
    expect((answer.body as { account: Account }).account).toMatchObject({
      login: 'anna',
      role: 'viewer',
      rights: ['prices'],
    });
    expect(await personBy('anna')).toMatchObject({ invited: false, sessions: 1 });
    const late = await visitor(server.app);
    const again = await late.call('post', '/api/welcome', { token, password: `${PASSWORD} again` });
    expect([again.status, (again.body as Problem).detail]).toEqual([410, expect.stringMatching(/Ask a manager/)]);
    expect((await late.signIn('anna', PASSWORD)).status).toBe(200);
  });

  it('two at once by one link: one is in', async () => {
    const token = tokenOf(await invite('berta'));
    const both = await Promise.all(
      ['one', 'two'].map(async (word) =>
        (await visitor(server.app)).call('post', '/api/welcome', { token, password: `${PASSWORD} ${word}` }),
      ),
    );
    expect(both.map(({ status }) => status).sort()).toEqual([200, 410]);
  });

  it('whose time is over is refused', async () => {
    const token = tokenOf(await invite('carl'));
    await server.owner.pool.query("UPDATE account_link SET expires_at = now() - interval '1 minute'");
    expect((await (await visitor(server.app)).call('post', '/api/welcome/look', { token })).status).toBe(410);
  });

  it.each([
    ['a name that is taken', { login: 'Manager' }, 'login', /already/],
    ['a role that is none', { role: 'wizard' }, 'role', /no role/],
    ['no name', { name: ' ' }, 'name', /./],
  ])('with %s is refused', async (_, wrong, path, message) => {
    const answer = await manager.call('post', '/api/people', { login: 'dora', name: 'Dora', role: 'viewer', ...wrong });
    expect(answer.status).toBe(422);
    expect((answer.body as Problem).errors).toContainEqual({ path, message: expect.stringMatching(message) as string });
  });
});

describe('a password', () => {
  it('is changed by who knows it, and every other session ends', async () => {
    const here = await join('emil');
    const there = await visitor(server.app);
    await there.signIn('emil', PASSWORD);
    const next = 'eleven barges in the fog';
    expect((await here.call('put', '/api/session/password', { now: 'wrong', next })).status).toBe(422);
    expect((await here.call('put', '/api/session/password', { now: PASSWORD, next: 'password123' })).status).toBe(422);
    expect((await here.call('put', '/api/session/password', { now: PASSWORD, next })).status).toBe(204);
    expect((await here.call('get', '/api/jobs')).status).toBe(200);
    expect((await there.call('get', '/api/jobs')).status).toBe(401);
    expect((await there.arrive()) && (await there.signIn('emil', next)).status).toBe(200);
    expect((await here.call('delete', '/api/session/others')).status).toBe(204);
    expect((await there.call('get', '/api/jobs')).status).toBe(401);
  });

  it('that is forgotten is chosen anew by a link of a manager', async () => {
    const someone = await join('fritz');
    const { id } = await personBy('fritz');
    const link = (await manager.call('post', `/api/people/${id}/link`, {})).body as MadeLink;
    expect((await someone.call('get', '/api/jobs')).status).toBe(401);
    const fresh = await visitor(server.app);
    const answer = await fresh.call('post', '/api/welcome', {
      token: tokenOf(link),
      password: 'nine lamps under the weir',
    });
    expect(answer.status).toBe(200);
    expect((await (await visitor(server.app)).signIn('fritz', PASSWORD)).status).toBe(401);
    const history = (await manager.call('get', `/api/people/${id}/sign-ins`)).body as SignIns;
    expect(history.slice(0, 2).map(({ what, result }) => [what, result])).toEqual([
      ['sign in', 'refused'],
      ['link', 'done'],
    ]);
  });
});

describe('rights', () => {
  it('of a role of the house are what its holders may do, from the next call on', async () => {
    const rights = ['plan'];
    expect((await manager.call('put', '/api/roles/planner', { name: 'Planner', rights })).status).toBe(200);
    const someone = await join('greta', 'planner');
    expect((await someone.call('get', '/api/job-numbers/next')).status).toBe(200);
    expect((await someone.call('get', '/api/people')).status).toBe(403);
    await manager.call('put', '/api/roles/planner', { name: 'Planner', rights: [] });
    const refused = await someone.call('get', '/api/job-numbers/next');
    expect([refused.status, (refused.body as Problem).title]).toEqual([403, 'The role Planner may not do this']);
    const twice = await manager.call('put', '/api/roles/other', { name: 'planner', rights: [] });
    expect((twice.body as Problem).errors?.[0]?.path).toBe('name');
  });

  it('the manager’s are not taken from it, and nobody disables themselves', async () => {
    expect((await manager.call('put', '/api/roles/manager', { name: 'Manager', rights: ['plan'] })).status).toBe(409);
    expect((await change('manager', { disabled: true })).status).toBe(409);
  });

  it('the last who may manage people stays', async () => {
    const answer = await change('manager', { role: 'viewer' });
    expect([answer.status, (answer.body as Problem).title]).toEqual([
      409,
      'Nobody would be left who may manage people',
    ]);
    expect((await personBy('manager')).role).toBe('manager');
    await invite('hugo', 'manager');
    expect((await change('manager', { role: 'viewer' })).status).toBe(409);
  });

  it('two managers who disable each other: one of them stays', async () => {
    const other = await join('ida', 'manager');
    const both = await Promise.all([change('ida', { disabled: true }), change('manager', { disabled: true }, other)]);
    expect(both.map(({ status }) => status).sort()).toEqual([200, 403]);
    const left = (await server.database.many<{ login: string }>('people/all')).filter(({ login }) =>
      ['ida', 'manager'].includes(login),
    );
    expect(left.filter((one) => !(one as unknown as { disabled: boolean }).disabled)).toHaveLength(1);
    await server.owner.pool.query("UPDATE account SET disabled_at = NULL WHERE login = 'manager'");
    manager = await visitor(server.app, 'manager');
  });

  it('somebody who is disabled is out at once, and in again when they are let in', async () => {
    const someone = await join('jakob');
    expect((await change('jakob', { disabled: true })).status).toBe(200);
    expect((await someone.call('get', '/api/jobs')).status).toBe(401);
    expect((await (await visitor(server.app)).signIn('jakob', PASSWORD)).status).toBe(401);
    expect((await manager.call('post', `/api/people/${(await personBy('jakob')).id}/link`, {})).status).toBe(409);
    await change('jakob', { disabled: false });
    expect((await (await visitor(server.app)).signIn('jakob', PASSWORD)).status).toBe(200);
  });
});

describe('a works that nobody can get into', () => {
  it('lets in whom its environment names, disabled or not', async () => {
    await join('mona', 'manager');
    expect((await change('mona', { disabled: true })).status).toBe(200);
    const next = 'four swans by the lock';
    expect(await setFirstManager(server.database, 'mona', next)).toBe('changed');
    expect((await (await visitor(server.app)).signIn('mona', next)).status).toBe(200);
    expect(await setFirstManager(server.database, 'mona', next)).toBe('same');
  });
});

describe('a second factor', () => {
  /** Published: RFC 6238, appendix B, for SHA-1; its eight digits end in the six that are used. Source: standard. */
  it.each([
    [59, '287082', 1],
    [1111111109, '081804', 37037036],
    [1111111111, '050471', 37037037],
    [1234567890, '005924', 41152263],
    [2000000000, '279037', 66666666],
  ])('at %i s is %s', (seconds, code, step) => {
    // The secret of the appendix, “12345678901234567890”, in base 32.
    const secret = 'GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ';
    expect(stepOf(secret, code, seconds * 1000)).toBe(step);
    expect(stepOf(secret, code, (seconds + 30) * 1000)).toBe(step);
    expect(stepOf(secret, code, (seconds + 90) * 1000)).toBeUndefined();
    expect(stepOf(secret, 'abcdef', seconds * 1000)).toBeUndefined();
  });

  it('is taken up by a code, asked for at sign-in, and no code counts twice', async () => {
    const someone = await join('klara');
    const { secret, address, drawing } = (await someone.call('post', '/api/session/second-factor', {}))
      .body as NewFactor;
    expect([address, drawing]).toEqual([expect.stringContaining(`secret=${secret}`), expect.stringContaining('<svg')]);
    const set = (code: string) => someone.call('put', '/api/session/second-factor', { secret, code });
    expect((await set('12345')).status).toBe(422);
    const code = authenticator.generate(secret);
    const { recoveryCodes } = (await set(code)).body as { recoveryCodes: string[] };
    expect(new Set(recoveryCodes).size).toBe(10);
    const signIn = async (given?: string) =>
      (await visitor(server.app)).call('post', '/api/session', {
        login: 'klara',
        password: PASSWORD,
        ...(given === undefined ? {} : { code: given }),
      });
    const asked = await signIn();
    expect([asked.status, (asked.body as Problem).title]).toEqual([401, 'The code of your second factor is wanted']);
    expect((await signIn(code)).status).toBe(401);
    await server.owner.pool.query("UPDATE account SET totp_step = totp_step - 2 WHERE login = 'klara'");
    expect((await signIn(authenticator.generate(secret))).status).toBe(200);
    const [lost = ''] = recoveryCodes;
    expect((await signIn(lost.toUpperCase())).status).toBe(200);
    expect((await signIn(lost)).status).toBe(401);
    // A wrong password is not told apart from one whose code is wanted.
    const guess = await (await visitor(server.app)).call('post', '/api/session', { login: 'klara', password: 'x' });
    expect((guess.body as Problem).title).toBe('Name or password is wrong');
    // Whoever sits at the open session has no code: the factor is neither changed nor taken away.
    const other = (await someone.call('post', '/api/session/second-factor', {})).body as NewFactor;
    const next = (old?: string) =>
      someone.call('put', '/api/session/second-factor', {
        secret: other.secret,
        code: authenticator.generate(other.secret),
        ...(old === undefined ? {} : { old }),
      });
    const bare = await next();
    expect([bare.status, (bare.body as Problem).errors?.[0]?.path]).toEqual([422, 'old']);
    expect((await next('000000')).status).toBe(422);
    const off = (old: string) => someone.call('post', '/api/session/second-factor/off', { old });
    expect((await off(lost)).status).toBe(422);
    const changed = (await next(recoveryCodes[1])).body as { recoveryCodes: string[] };
    expect(changed.recoveryCodes).toHaveLength(10);
    // The codes of the one before are gone with it.
    expect((await off(recoveryCodes[2] ?? '')).status).toBe(422);
    expect((await off(changed.recoveryCodes[0] ?? '')).status).toBe(204);
    expect((await signIn()).status).toBe(200);
  });

  it('is wanted of managers where the works says so', async () => {
    const someone = await join('lena', 'manager');
    const settings = { name: 'Haldenbruck Print Works', currency: 'EUR', numberPattern: 'HB-{yy}-####' };
    const wanted = { ...settings, secondFactor: 'managers' };
    expect((await manager.call('put', '/api/works/settings', { settings: wanted, seen: settings })).status).toBe(200);
    const refused = await someone.call('get', '/api/people');
    expect([refused.status, (refused.body as Problem).title]).toEqual([403, 'Take up a second factor first']);
    const { secret } = (await someone.call('post', '/api/session/second-factor', {})).body as NewFactor;
    await someone.call('put', '/api/session/second-factor', { secret, code: authenticator.generate(secret) });
    expect((await someone.call('get', '/api/people')).status).toBe(200);
    expect((await someone.call('post', '/api/session/second-factor/off', { old: '1' })).status).toBe(409);
    expect((await someone.call('put', '/api/works/settings', { settings, seen: wanted })).status).toBe(200);
    expect((await manager.call('get', '/api/people')).status).toBe(200);
  });
});
