import { randomUUID } from 'node:crypto';
import type { IncomingMessage } from 'node:http';
import request, { type Test } from 'supertest';
import {
  type Endpoint,
  type MadeToken,
  type Right,
  ENDPOINTS,
  RIGHT_IDS,
  isAudited,
  problemSchema,
  rightsOf,
} from '@druckerei/contract';
import { addAccount } from '../features/accounts/add-account.js';
import { SEEN, type TestServer, type Visitor, exampleJob, startServer, visitor } from '../server.fixture.js';

let server: TestServer;
/** An account that nobody uses, for calls about somebody. */
let spare = 0;
/** A program, and its token. */
let program = 0;
let token = '';
beforeAll(async () => {
  server = await startServer('http_test');
  // A role, and somebody in it, for each right alone.
  for (const right of [...RIGHT_IDS, 'spare']) {
    const rights = right === 'spare' ? [] : [right];
    await server.database.one('people/put-role', `only-${right}`, `Only ${right}`, rights, null);
    const account = { login: right, name: right, role: `only-${right}`, password: 'weir-and-wheel', demo: true };
    await addAccount(server.database, account);
  }
  spare = (await server.database.one<{ id: number }>('people/by-login', 'spare'))?.id ?? 0;
  const manager = await visitor(server.app, 'manager');
  const added = await manager.call('post', '/api/programs', { name: 'Feeder', role: 'manager', days: null });
  ({ token } = added.body as MadeToken);
  await manager.call('post', '/api/hooks', HOOK);
  program = (await server.database.one<{ id: number }>('people/by-login', 'program Feeder'))?.id ?? 0;
});
afterAll(() => server.stop());

const endpoints: readonly Endpoint[] = ENDPOINTS;

/** Questions that have to be asked with something. */
const QUERIES: Readonly<Record<string, string>> = {
  itemVersions: '?kind=machine&id=b2-four',
  difference: '?from=1&to=1',
  changes: '?kind=reservation',
  pictures: '?jobs=1,2',
  tickets: '?jobs=1',
  labels: '?of=boxes&size=a6',
  scan: '?code=HB-2041',
  happened: '?month=2026-11',
  readings: '?days=30',
  faults: '?days=30',
};

/** Calls that are let in and then refused: out of date, or of a book that is not there. */
const REFUSED: Readonly<Record<string, number>> = {
  firstManager: 409,
  settleEntry: 409,
  decideNorms: 422,
  destructionPdf: 404,
  photo: 404,
  stopPlan: 404,
  shiftBookPdf: 404,
  shiftBookCsv: 404,
  floorFeed: 404,
  saveDraft: 409,
  release: 409,
  putAside: 409,
  withdrawToken: 404,
  dropHook: 404,
  sendAgain: 409,
  callOff: 409,
  moveSingles: 422,
  kitSingle: 422,
  changeHolding: 409,
  dropFold: 404,
  changeCustomer: 409,
  changeOrder: 409,
  setOffer: 409,
  changePurchase: 409,
  setPurchase: 409,
  receive: 409,
  changeSupplier: 409,
  setHours: 409,
  takeSchedule: 404,
  dropTrial: 404,
  tryMove: 409,
  moveStation: 409,
  takeOffer: 409,
  restore: 415,
  ownPassword: 422,
  setSecondFactor: 422,
  linkFor: 410,
  welcome: 410,
};

/** An address that is told nothing. */
const HOOK = { name: 'Shop', url: 'http://127.0.0.1:9/told', events: ['job.late'], paused: true };

/** Settings of the demo works. */
const SETTINGS = { name: 'Haldenbruck Print Works', currency: 'EUR', numberPattern: 'HB-{yy}-####' };

const SINGLE = {
  title: 'Guide',
  widthMm: 148,
  heightMm: 210,
  pages: 64,
  stock: 'cream 90 g',
  film: 'matt',
  due: '2026-12-09',
};

/** A picture of one dot, as PNG. */
const DOT = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==';

/** A file that another program wrote, in base64. */
const XJDF = Buffer.from(
  '<XJDF xmlns="http://www.CIP4.org/JDFSchema_2_0" JobID="X-1" Types="Folding"><ProductList/></XJDF>',
).toString('base64');

const PURCHASE = {
  supplier: 1,
  expected: '2026-12-18',
  lines: [{ key: 'rolls/silk-90/870', paper: { stock: 'silk-90', widthMm: 870 }, quantity: 2, jobs: [] }],
};

/** A call of every endpoint that would go through for who may make it. */
function goodCall(endpoint: Endpoint): { path: string; body?: object } {
  // The concert programme is the demo's first job, the season tickets, which are numbered, its eleventh.
  const path = endpoint.path
    .replace('/api/people/{id}', `/api/people/${spare}`)
    .replace('/api/programs/{id}', `/api/programs/${endpoint.id === 'withdrawToken' ? spare : program}`)
    .replace('/api/roles/{id}', '/api/roles/only-spare')
    .replace('/api/floor/schedules/{id}', '/api/floor/schedules/999999')
    .replace('/api/floor/runs/{id}', '/api/floor/runs/999999')
    .replace('/api/hooks/{id}', `/api/hooks/${endpoint.id === 'dropHook' ? 999_999 : 1}`)
    .replace('{message}', '999999')
    .replace('{token}', 'x'.repeat(32))
    .replace('{id}', endpoint.id.startsWith('numbers') ? '11' : '1')
    .replace('{step}', endpoint.id.startsWith('numbers') ? 'number' : 'box')
    .replace('{revision}', '1')
    .replace('{record}', '1')
    .replace('{sha256}', 'a'.repeat(64))
    .replace('{norm}', 'spoil.cut.setup')
    .replace('{name}', 'nothing')
    .replace('{component}', 'cover')
    .replace('{kind}', 'spine');
  const bodies: Record<string, object> = {
    signIn: { login: 'viewer', password: 'weir-and-wheel' },
    firstManager: { code: 'none', login: 'x', name: 'X', password: 'a lantern in the weir' },
    ownPassword: { now: 'not mine', next: 'a lantern in the weir' },
    beginSecondFactor: {},
    dropSecondFactor: { old: '000000' },
    setSecondFactor: { secret: 'ABCDEFGHIJKLMNOP', code: '000000' },
    linkFor: { token: 'none' },
    welcome: { token: 'none', password: 'a lantern in the weir' },
    invite: { login: `T-${Math.random()}`, name: 'Somebody', role: 'viewer' },
    changePerson: { name: 'spare', role: 'only-spare', disabled: false },
    recover: {},
    enterCounts: {
      device: 'Counter',
      lines: [{ job: 'HB-2042', station: 'box', at: '2026-11-30T14:05', good: 1, spoiled: 0 }],
    },
    readExchange: { file: XJDF },
    addProgram: { name: `P-${Math.random()}`, role: 'viewer', days: null },
    renewToken: { days: 30 },
    fillExercise: { kind: 'spine', seed: 1, grade: 1, answers: [{ row: 'block', value: 12 }] },
    playShift: { seed: 1, decisions: Array.from({ length: 12 }, () => ({ moves: {}, keys: {} })), extra: 0 },
    addHook: { ...HOOK, name: `H-${Math.random()}` },
    changeHook: HOOK,
    putRole: { name: 'Only spare', rights: [] },
    ownSettings: { locale: null },
    changeSettings: { settings: SETTINGS, seen: SETTINGS },
    setLogo: { image: DOT },
    changeNorms: { changes: [{ norm: 'spoil.cut.setup', value: 5, expected: 5 }], seen: SEEN, reason: '' },
    changeItems: { machines: [], stocks: [], norms: [], seen: SEEN, normsSeen: SEEN, reason: '' },
    itemEffect: { machines: [], stocks: [], skip: 0 },
    normEffect: { changes: [{ norm: 'spoil.cut.setup', value: 6 }], skip: 0 },
    changeNorm: { value: 5, expected: 5, seen: SEEN, reason: '' },
    addFold: { name: `F-${Math.random()}`, columns: 2, rows: 1, folds: 'right over left' },
    createJob: exampleJob('trail-map', { number: `T-${Math.random()}` }),
    createJobs: { jobs: [exampleJob('trail-map', { number: `S-${Math.random()}` })] },
    copyJob: { number: `C-${Math.random()}`, title: 'Copy' },
    saveDraft: { version: 999, job: exampleJob('concert-programme') },
    release: { version: 999, mark: 0 },
    putAside: { version: 999, aside: true },
    countHoldings: { lots: [{ paper: { stock: 'silk-90', widthMm: 870 }, quantity: 2 }], reason: '' },
    addHolding: { paper: { stock: 'silk-90', widthMm: 870 }, quantity: 2, place: 'Row 1', reason: '' },
    changeHolding: {
      quantity: 4200,
      expected: 1,
      version: 1,
      place: 'Bay 3, low',
      reason: 'counted',
    },
    reserve: { key: 'sheets/silk-115/1020x720/width', quantity: 0, seen: SEEN },
    addFinished: { job: 1, pieces: 100, place: 'Hall B' },
    callOff: { pieces: 1, expected: 999_999, version: 1, seen: SEEN, destination: 'Tea house', transitDays: 2 },
    addSingles: { orders: [{ ...SINGLE, id: `T-${Math.floor(Math.random() * 1e9)}` }] },
    moveSingles: { books: [{ id: 'NONE-1', version: 1 }], state: 'printed' },
    kitSingle: { cover: 'NONE-1', block: 'NONE-1' },
    addCustomer: { name: `Customer ${Math.random()}` },
    addCustomers: { customers: [{ name: `Listed ${Math.random()}` }] },
    changeCustomer: { version: 999, customer: { name: 'Lichtmoor Botanic Garden' } },
    addOrder: { number: `A-${Math.random()}`, jobs: [] },
    changeOrder: { version: 999, order: { number: 'A-1', jobs: [] } },
    addOffer: { number: `O-${Math.random()}`, margin: 0.2, until: '2099-12-31', jobs: [exampleJob('trail-map')] },
    setOffer: { version: 999, state: 'declined' },
    takeOffer: { version: 999, line: 0, number: `T-${Math.random()}` },
    setHours: {
      version: 999,
      hours: { press: [], finishing: [{ days: [1], from: '06:00', until: '14:00' }], machines: {}, exceptions: [] },
    },
    setPin: { job: 1, step: 'print' },
    noteDesk: { key: 'nothing', state: 'open' },
    planFloor: { effort: 'rule' },
    takeSchedule: { id: 999_999 },
    tryMove: { schedule: 999_999, job: 1, step: 'print' },
    moveStation: { schedule: 999_999, job: 1, step: 'print' },
    promiseAs: exampleJob('concert-programme'),
    addSupplier: { name: `Supplier ${Math.random()}` },
    changeSupplier: { version: 999, supplier: { name: 'Millrace Paper Merchants' } },
    addPurchase: { ...PURCHASE, number: `P-${Math.random()}` },
    changePurchase: { version: 999, purchase: { ...PURCHASE, number: 'P-1' } },
    setPurchase: { version: 999, state: 'sent' },
    receive: { version: 999, lines: [{ line: 0, quantity: 1, place: '' }] },
    enterBook: {
      device: 'Tablet 1',
      seen: 0,
      entries: [
        {
          uid: randomUUID(),
          at: new Date().toISOString(),
          late: false,
          event: { kind: 'note', step: 'box', text: 'Tape ran out' },
        },
      ],
    },
    settleEntry: { taken: true, why: 'seen' },
    enterEvent: { event: { kind: 'artwork', component: 'cover', approved: true }, seen: SEEN },
  };
  const body = bodies[endpoint.id];
  return { path: path + (QUERIES[endpoint.id] ?? ''), ...(body ? { body } : {}) };
}

/** What the shipped roles may do. */
const SHIPPED_ROLES: Readonly<Record<string, readonly Right[]>> = {
  manager: RIGHT_IDS,
  operator: ['record', 'accountable', 'stores', 'prices'],
  viewer: ['prices'],
};
const rightsFor = (who: string): readonly string[] =>
  SHIPPED_ROLES[who] ?? rightsOf({ id: who, rights: [who as Right] });

/** Asks for a stream, and leaves where it begins; what is refused is read to its end. */
const leaving = (call: Test): Test =>
  call.buffer(true).parse((response, done) => {
    const wire = response as unknown as IncomingMessage;
    let text = '';
    wire.on('error', () => undefined);
    wire.on('data', (part: Buffer) => {
      text += part.toString();
      if (text.startsWith('retry:')) {
        wire.destroy();
        done(null, undefined);
      }
    });
    wire.on('end', () => done(null, JSON.parse(text)));
  });

describe('every route for every right', () => {
  const visitors = new Map<string, Visitor>();
  const visit = async (who: string, anew: boolean): Promise<Visitor> => {
    const known = anew ? undefined : visitors.get(who);
    const someone = known ?? (await visitor(server.app, who === 'nobody' ? undefined : who));
    visitors.set(who, someone);
    return someone;
  };
  // What everybody signed in may do is not asked of each right again.
  const cases = endpoints.flatMap((endpoint) => {
    const alone = RIGHT_IDS.some((right) => right === endpoint.right) ? RIGHT_IDS : [];
    return [...Object.keys(SHIPPED_ROLES), ...alone, 'nobody'].map((who) => [endpoint.id, who, endpoint] as const);
  });
  it.each(endpoints.map((endpoint) => [endpoint.id, endpoint] as const))('%s as a program', async (id, endpoint) => {
    // Its own token would end, and the tests behind with it.
    const { path, body } = goodCall(id === 'renewToken' ? { ...endpoint, id: 'withdrawToken' } : endpoint);
    const call = request(server.app)[endpoint.method](path).set('Authorization', `Bearer ${token}`);
    const { status } = await (body ? call.send(body) : call);
    const onlyPeople = endpoint.browser === true || ['people', 'backup'].includes(endpoint.right);
    expect(status).toBe(onlyPeople ? 403 : (REFUSED[id] ?? endpoint.status));
  });
  it.each(cases)('%s as %s', async (id, who, endpoint) => {
    const changesWho = ['signIn', 'signOut', 'session'].includes(id);
    const someone = await visit(who, changesWho);
    const { path, body } = goodCall(endpoint);
    const call = someone.call(endpoint.method, path, body);
    const response = await (endpoint.stream ? leaving(call) : call);
    if (changesWho) visitors.delete(who);
    const signedIn = who !== 'nobody';
    const allowed =
      endpoint.right === 'public' ||
      (signedIn && (endpoint.right === 'signed in' || rightsFor(who).includes(endpoint.right)));
    if (!allowed) {
      expect(response.status).toBe(signedIn ? 403 : 401);
      expect(problemSchema.parse(response.body).title).not.toBe('');
    } else {
      expect(response.status).toBe(REFUSED[endpoint.id] ?? endpoint.status);
    }
  });
});

describe('the audit', () => {
  const writing = endpoints.filter(
    (endpoint) => isAudited(endpoint) && endpoint.right !== 'public' && !(endpoint.id in REFUSED),
  );
  it.each(writing.map((endpoint) => [endpoint.id, endpoint] as const))('has a line of %s', async (_, endpoint) => {
    const manager = await visitor(server.app, 'manager');
    const lines = async () => (await manager.call('get', '/api/audit?limit=5')).body as { what: string; by: string }[];
    const total = async () => Number((await manager.call('get', '/api/audit')).headers['x-total-count']);
    const before = await total();
    const { path, body } = goodCall(endpoint);
    expect((await manager.call(endpoint.method, path, body)).status).toBe(endpoint.status);
    expect(await total()).toBe(before + 1);
    expect((await lines())[0]).toMatchObject({ what: endpoint.summary, by: 'Production manager' });
  });
  it('is written of nothing that others may have open without telling them', () => {
    // What is one's own is nobody else's to see.
    const own = ['ownPassword', 'ownSessions', 'setSecondFactor', 'dropSecondFactor', 'makeFeed', 'dropFeed'];
    const silent = endpoints.filter(
      (endpoint) => isAudited(endpoint) && endpoint.right !== 'public' && !endpoint.tells && !own.includes(endpoint.id),
    );
    expect(silent).toEqual([]);
  });
  it('is searched, given as a table, and never changed', async () => {
    const manager = await visitor(server.app, 'manager');
    const found = (await manager.call('get', '/api/audit?search=Invite%20somebody')).body as { what: string }[];
    expect(new Set(found.map(({ what }) => what.slice(0, 15)))).toEqual(new Set(['Invite somebody']));
    expect((await manager.call('get', '/api/audit?search=%25')).body).toEqual([]);
    // As it is called by who asks, too.
    const inGerman = await manager.call('get', '/api/audit?search=jemanden%20EINGELADEN').set('Accept-Language', 'de');
    expect(inGerman.body).toEqual(found);
    const table = (await manager.bytes('/api/audit.csv')).toString();
    expect(table.split('\r\n')[0]).toBe('When,Who,What,Of which');
    await expect(server.owner.pool.query('DELETE FROM audit_record')).rejects.toThrow(/stays as it is/);
  });
});

describe('bad input', () => {
  let manager: Visitor;
  beforeAll(async () => {
    manager = await visitor(server.app, 'manager');
  });

  // A body of nothing is right where nothing is asked for.
  const writes = endpoints.filter(({ body }) => body !== undefined && !body.safeParse({}).success);
  const hostile: [string, object | string][] = [
    ['malformed JSON', '{"title":'],
    ['null', 'null'],
    ['a list', []],
    ['a number', '7'],
    ['an empty object', {}],
    ['unknown fields', { __proto__: null, constructor: 1, x: { $ne: 1 } }],
    ['text where numbers belong', { version: 'one', value: 'two', login: 3, number: {}, job: 'none' }],
    [
      'numbers past all sense',
      {
        version: Number.MAX_VALUE,
        value: 1e308,
        expected: -1,
        reason: 'x'.repeat(5000),
        login: 'x'.repeat(5000),
        password: 'y',
      },
    ],
    ['deep nesting', `${'['.repeat(5000)}${']'.repeat(5000)}`],
    ['a null character', { login: '\u0000', password: '\u0000', number: '\u0000', title: '\u0000' }],
  ];
  it.each(writes.flatMap((endpoint) => hostile.map(([name, body]) => [endpoint.id, name, endpoint, body] as const)))(
    '%s with %s is a problem, never 5xx',
    async (_, __, endpoint, body) => {
      const someone = endpoint.id === 'signIn' ? await visitor(server.app) : manager;
      const response = await someone.call(endpoint.method, goodCall(endpoint).path, body);
      expect(response.status).toBeGreaterThanOrEqual(400);
      expect(response.status).toBeLessThan(500);
      expect(response.type).toBe('application/problem+json');
      expect(problemSchema.parse(response.body).status).toBe(response.status);
    },
  );

  it.each([
    ['/api/jobs/nonsense', 400],
    ['/api/jobs/0', 400],
    ['/api/jobs/99999999999999', 400],
    ['/api/jobs/4711', 404],
    ['/api/jobs/1/revisions/77', 404],
    ['/api/jobs/1/revisions/77/ticket.pdf', 404],
    ['/api/jobs/1/revisions/1/layouts/nothing.pdf', 404],
    ['/api/jobs/1/revisions/1/stations/nothing.pdf', 404],
    ['/api/jobs/1/revisions/1/stations/nothing.json', 404],
    ['/api/jobs/1/revisions/1/stations/box.svg?drawing=9', 404],
    ['/api/jobs/1/revisions/1/stations/box.csv', 404],
    ['/api/jobs/1/revisions/1/stations/Box.svg', 400],
    ['/api/jobs/1/revisions/1/layouts/Nothing.svg', 400],
    ['/api/jobs/1/revisions/1/layouts/cover.svg?side=inside', 400],
    ['/api/jobs/1/revisions/77/layouts/cover.dxf', 404],
    ['/api/jobs/1/revisions/1/layouts/cover.cdr', 404],
    ['/api/jobs/1/difference', 400],
    ['/api/jobs/%E0%A4%A', 400],
    ['/api/norms/history?norm=%00', 400],
    ['/api/nowhere', 404],
  ])('%s answers %i', async (path, status) => {
    const response = await manager.call('get', path);
    expect(response.status).toBe(status);
    expect(response.type).toBe('application/problem+json');
  });

  it('refuses a body of more than 2 MB', async () => {
    const response = await manager.call('post', '/api/jobs', { title: 'x'.repeat(2_100_000) });
    expect(response.status).toBe(413);
  });

  it('names the field and the limit', async () => {
    const job = exampleJob('trail-map');
    const response = await manager.call('post', '/api/jobs', {
      ...job,
      route: job.route.map((step) => (step.id === 'cut' ? { ...step, running: 1 } : step)),
    });
    expect(response.status).toBe(422);
    expect(problemSchema.parse(response.body).errors).toEqual([
      { path: 'route[4].running', message: 'Running spoilage is a share below 100 %' },
    ]);
  });

  it.each(['null \u0000', 'half a pair \ud800'])('refuses text that the database cannot keep: %j', async (title) => {
    const response = await manager.call('post', '/api/jobs', exampleJob('trail-map', { number: 'T-odd', title }));
    expect(response.status).toBe(422);
    expect((response.body as { errors: { path: string }[] }).errors).toMatchObject([{ path: 'title' }]);
  });

  it('left nothing unexpected in the log', () => {
    expect(server.errors).toEqual([]);
  });
});

describe('protection', () => {
  it('asks for the CSRF token on writes', async () => {
    const manager = await visitor(server.app, 'manager');
    const response = await manager.forge('put', '/api/norms/spoil.cut.setup', {
      value: 6,
      expected: 5,
      seen: SEEN,
      reason: '',
    });
    expect(response.status).toBe(403);
  });

  it('sends a strict content security policy and no powered-by', async () => {
    const someone = await visitor(server.app);
    const { headers } = await someone.call('get', '/api/health');
    // WebAssembly alone may be compiled (the solver); no text is ever run as a script.
    expect(headers['content-security-policy']).toContain("script-src 'self' 'wasm-unsafe-eval';");
    expect(headers['content-security-policy']).not.toContain("'unsafe-eval'");
    expect(headers).not.toHaveProperty('x-powered-by');
    expect(headers['x-content-type-options']).toBe('nosniff');
  });

  it('keeps the session in a cookie that no script and no other site gets', async () => {
    const someone = await visitor(server.app);
    const response = await someone.signIn('viewer');
    const cookie = (response.get('Set-Cookie') ?? []).find((text) => text.startsWith('druckerei.sid='));
    expect(cookie).toMatch(/HttpOnly/);
    expect(cookie).toMatch(/SameSite=Strict/);
  });

  it('gives a new session at sign-in', async () => {
    const someone = await visitor(server.app);
    const before = await server.database.pool.query<{ sid: string }>('SELECT sid FROM session');
    await someone.signIn('viewer');
    const after = await server.database.pool.query<{ sid: string }>(
      "SELECT sid FROM session WHERE sess ->> 'accountId' IS NOT NULL",
    );
    const known = new Set(before.rows.map(({ sid }) => sid));
    expect(after.rows.some(({ sid }) => !known.has(sid))).toBe(true);
  });

  it('stops guessing after a number of tries, counted in the database', async () => {
    const guarded = await startServer('limit_test', { signInTries: { account: 3, address: 6 } });
    const statuses: number[] = [];
    for (let i = 0; i < 5; i++) statuses.push((await (await visitor(guarded.app)).signIn('manager', 'wrong')).status);
    expect(statuses).toEqual([401, 401, 401, 429, 429]);
    expect((await (await visitor(guarded.app)).signIn('viewer')).status).toBe(200); // another name is not held up
    // Nor is a device that signed in well before; it has tries of its own.
    const known = await visitor(guarded.app, 'operator');
    for (let i = 0; i < 5; i++) await (await visitor(guarded.app)).signIn('operator', 'wrong');
    expect((await (await visitor(guarded.app)).signIn('operator')).status).toBe(429);
    await known.call('delete', '/api/session');
    await known.arrive();
    expect((await known.signIn('operator')).status).toBe(200);
    // Every name from one address together: six failed ones.
    expect((await (await visitor(guarded.app)).signIn('somebody', 'wrong')).status).toBe(429);
    const { rows } = await guarded.database.pool.query<{ actor: string; result: string }>(
      "SELECT actor, result FROM security_record WHERE what = 'tries' ORDER BY id",
    );
    expect(rows.map(({ actor }) => actor)).toEqual(['manager', 'operator', 'somebody']);
    await guarded.stop();
  });

  it('says the same about an unknown name and a wrong password', async () => {
    const [unknown, wrong] = [
      await (await visitor(server.app)).signIn('ghost'),
      await (await visitor(server.app)).signIn('manager', 'wrong'),
    ];
    expect(unknown.body).toEqual(wrong.body);
  });

  it('keeps passwords as argon2id', async () => {
    const { rows } = await server.database.pool.query<{ password_hash: string }>(
      'SELECT password_hash FROM account WHERE password_hash IS NOT NULL',
    );
    expect(rows.every(({ password_hash }) => password_hash.startsWith('$argon2id$'))).toBe(true);
  });

  it('forgets a session at sign-out', async () => {
    const someone = await visitor(server.app, 'viewer');
    expect((await someone.call('delete', '/api/session')).status).toBe(204);
    expect((await someone.call('get', '/api/jobs')).status).toBe(401);
  });
});

describe('OpenAPI', () => {
  it('documents every endpoint', async () => {
    const response = await (await visitor(server.app)).call('get', '/api/openapi.json');
    const { paths } = response.body as { paths: Record<string, Record<string, { operationId: string }>> };
    const documented = Object.values(paths).flatMap((methods) =>
      Object.values(methods).map(({ operationId }) => operationId),
    );
    expect(documented.sort()).toEqual(endpoints.map(({ id }) => id).sort());
    // Those who write programs see what is sent.
    expect(JSON.stringify(paths['/api/book/counts'])).toContain('"example":{"device":"Counter of the folder"');
  });
});

describe('who is signed in', () => {
  const REMEMBERED_MS = 300;
  let quick: TestServer;
  beforeAll(async () => {
    quick = await startServer('memory_test', { rememberMs: REMEMBERED_MS });
  });
  afterAll(() => quick.stop());
  const status = async (who: Visitor): Promise<number> => (await who.call('get', '/api/jobs')).status;

  it('is remembered no longer than a moment, however often it is asked', async () => {
    const someone = await visitor(quick.app, 'viewer');
    expect(await status(someone)).toBe(200);
    await quick.database.pool.query('DELETE FROM session');
    const until = Date.now() + 3 * REMEMBERED_MS;
    let last = 200;
    while (Date.now() < until) last = await status(someone);
    expect(last).toBe(401);
  });

  it('is forgotten at once when they sign out', async () => {
    const someone = await visitor(quick.app, 'viewer');
    expect(await status(someone)).toBe(200);
    await someone.call('delete', '/api/session');
    expect(await status(someone)).toBe(401);
  });
});
