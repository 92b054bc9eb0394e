import { once } from 'node:events';
import net from 'node:net';
import express from 'express';
import request from 'supertest';
import pg from 'pg';
import { pino } from 'pino';
import { createApp } from '../app.js';
import { type Database, connect } from '../db/database.js';
import { SEEN, type TestServer, Visitor, exampleJob, startServer, visitor } from '../server.fixture.js';
import { listen, stopListening } from './listen.js';

let server: TestServer;
beforeAll(async () => {
  server = await startServer('trust_test');
});
afterAll(() => server.stop());

/** A wire to the database that can be cut, or fall silent. */
class Wire {
  private readonly sockets = new Set<net.Socket>();
  private readonly proxy: net.Server;
  silent = false;
  cut = false;

  constructor(private readonly target: URL) {
    this.proxy = net.createServer((near) => {
      if (this.cut) {
        near.destroy();
        return;
      }
      const far = net.connect(Number(this.target.port), this.target.hostname);
      for (const socket of [near, far]) {
        this.sockets.add(socket);
        socket.on('error', () => socket.destroy());
        socket.on('close', () => this.sockets.delete(socket));
      }
      near.on('data', (data) => (this.silent ? undefined : far.write(data)));
      far.on('data', (data) => (this.silent ? undefined : near.write(data)));
      near.on('close', () => far.destroy());
      far.on('close', () => near.destroy());
    });
  }
  async open(): Promise<string> {
    this.proxy.listen(0, '127.0.0.1');
    await once(this.proxy, 'listening');
    const url = new URL(this.target);
    url.port = String((this.proxy.address() as net.AddressInfo).port);
    return url.href;
  }
  breakAll(): void {
    for (const socket of this.sockets) socket.destroy();
  }
  close(): void {
    this.breakAll();
    this.proxy.close();
  }
}

const databaseUrl = (): URL => {
  const url = new URL(process.env['DATABASE_URL'] ?? '');
  url.pathname = '/trust_test';
  return url;
};
const quiet = pino({ level: 'silent' });

describe('a database that goes away', () => {
  let wire: Wire;
  let database: Database;
  let someone: Visitor;
  beforeAll(async () => {
    wire = new Wire(databaseUrl());
    database = connect(await wire.open(), () => undefined);
    const app = await createApp({
      database,
      workshop: server.workshop,
      live: server.live,
      log: quiet,
      sessionSecret: 'test',
      demo: true,
      rememberMs: 0,
    });
    someone = await visitor(app, 'manager');
  });
  afterAll(async () => {
    wire.silent = false;
    wire.cut = false;
    await database.close();
    wire.close();
  });

  it('ends no process when it breaks a connection at work, and is there again by itself', async () => {
    const broken = database.transaction(async (queries) => {
      await queries.one('accounts/health');
      wire.breakAll();
      return queries.one('accounts/health');
    });
    await expect(broken).rejects.toThrow();
    expect((await someone.call('get', '/api/jobs')).status).toBe(200);
  });

  it('ends no process when it ends our backends, each in the middle of a transaction', async () => {
    const admin = new pg.Client({ connectionString: process.env['DATABASE_URL'] });
    await admin.connect();
    for (let i = 0; i < 5; i++) {
      const ended = database.transaction(async (queries) => {
        const row = await queries.one<{ alive: number }>('accounts/health');
        await admin.query(
          "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = 'trust_test' AND usename = current_user",
        );
        await new Promise((resolve) => setTimeout(resolve, 20));
        await queries.one('accounts/health');
        return row;
      });
      await expect(ended).rejects.toThrow();
    }
    await admin.end();
    expect((await someone.call('get', '/api/jobs')).status).toBe(200);
  });

  it('is answered with 503 and when to come again, whatever is asked', async () => {
    wire.cut = true;
    wire.breakAll();
    const answers = [
      await someone.call('get', '/api/jobs'),
      await someone.call('post', '/api/jobs', exampleJob('trail-map', { number: 'AWAY-1' })),
      await someone.call('get', '/api/session'),
      await someone.call('get', '/api/health'),
    ];
    expect(answers.map(({ status }) => status)).toEqual([503, 503, 503, 503]);
    expect(answers.every(({ headers }) => headers['retry-after'] === '2')).toBe(true);
    wire.cut = false;
    expect((await someone.call('get', '/api/jobs')).status).toBe(200);
  });

  it('that falls silent is told by health, long before a question gives up waiting', async () => {
    wire.silent = true;
    const order: string[] = [];
    const answered = async (path: string): Promise<number> => {
      const { status } = await someone.call('get', path);
      order.push(path);
      return status;
    };
    const jobs = answered('/api/jobs');
    expect(await answered('/api/health')).toBe(503);
    wire.silent = false;
    wire.breakAll();
    expect(await jobs).toBe(503);
    expect(order).toEqual(['/api/health', '/api/jobs']);
  });
});

describe('transactions', () => {
  it('that PostgreSQL gives up for another are run again, and both are done', async () => {
    const { owner: database } = server;
    await database.pool.query('CREATE TABLE two (id integer PRIMARY KEY, n integer NOT NULL)');
    await database.pool.query('INSERT INTO two VALUES (1, 0), (2, 0)');
    let runs = 0;
    let held = 0;
    let bothHold = (): void => undefined;
    const crossed = new Promise<void>((resolve) => (bothHold = resolve));
    const crossing = (first: number, second: number) =>
      database.transaction(async () => {
        runs++;
        const client = await database.pool.connect();
        try {
          await client.query('BEGIN');
          await client.query('UPDATE two SET n = n + 1 WHERE id = $1', [first]);
          if (++held === 2) bothHold();
          await crossed;
          await client.query('UPDATE two SET n = n + 1 WHERE id = $1', [second]);
          await client.query('COMMIT');
        } catch (error) {
          await client.query('ROLLBACK');
          throw error;
        } finally {
          client.release();
        }
      });
    await Promise.all([crossing(1, 2), crossing(2, 1)]);
    const { rows } = await database.pool.query<{ n: number }>('SELECT n FROM two ORDER BY id');
    expect(rows.map(({ n }) => n)).toEqual([2, 2]);
    expect(runs).toBeGreaterThan(2);
  });
});

describe('requests that cannot be read', () => {
  it.each([
    ['a token of another length', { 'X-XSRF-TOKEN': 'short' }, '{}', 403],
    ['a token of letters that take two bytes', { 'X-XSRF-TOKEN': encodeURIComponent('ä'.repeat(40)) }, '{}', 403],
    ['a plain body that says that it is packed', { 'Content-Encoding': 'gzip' }, '{"a":1}', 400],
    ['a packing that nobody knows', { 'Content-Encoding': 'zstd-9' }, '{}', 415],
    ['a character set that nobody knows', { 'Content-Type': 'application/json; charset=klingon' }, '{}', 415],
  ])('%s is told, never 5xx', async (_, headers, body, status) => {
    const someone = await visitor(server.app, 'manager');
    const response = await someone.call('post', '/api/jobs', body).set(headers);
    expect(response.status).toBe(status);
    expect(response.type).toBe('application/problem+json');
  });
});

describe('sessions', () => {
  const rows = async (): Promise<number> =>
    Number((await server.database.pool.query<{ n: string }>('SELECT count(*) AS n FROM session')).rows[0]?.n);

  it('leave no row for who only looks', async () => {
    const before = await rows();
    for (let i = 0; i < 20; i++) await request(server.app).get('/api/session').expect(200);
    expect(await rows()).toBe(before);
  });

  it('end a day after sign-in, however busy', async () => {
    const someone = await visitor(server.app, 'viewer');
    expect((await someone.call('get', '/api/jobs')).status).toBe(200);
    await server.database.pool.query(
      `UPDATE session SET sess = jsonb_set(sess::jsonb, '{since}', to_jsonb((extract(epoch FROM now()) - 25 * 3600) * 1000))::json`,
    );
    expect((await someone.call('get', '/api/jobs')).status).toBe(401);
  });

  it('write down who signed in, who did not, and who tried what is not theirs; nobody changes it afterwards', async () => {
    const someone = await new Visitor(server.app).arrive();
    await someone.signIn('ghost "<b>', 'wrong');
    await someone.signIn('viewer', 'wrong');
    await someone.signIn('viewer');
    await someone.call('put', '/api/norms/spoil.cut.setup', { value: 1, expected: 5, seen: SEEN, reason: '' });
    await someone.call('delete', '/api/session');
    const { rows: log } = await server.database.pool.query<{
      actor: string;
      what: string;
      result: string;
      address: string;
    }>('SELECT actor, address, what, result FROM security_record ORDER BY id DESC LIMIT 5');
    expect(log.map(({ actor, what, result }) => [actor, what, result]).reverse()).toEqual([
      [expect.stringContaining('ghost'), 'sign in', 'refused'],
      ['viewer', 'sign in', 'refused'],
      ['viewer', 'sign in', 'done'],
      ['viewer', 'role', 'refused'],
      ['viewer', 'sign out', 'done'],
    ]);
    expect(log.every(({ address }) => address !== '')).toBe(true);
    await expect(server.owner.pool.query('DELETE FROM security_record')).rejects.toThrow('stays as it is');
  });

  it('let the published sign-ins in only where the demo says so', async () => {
    const app = await createApp({
      database: server.database,
      workshop: server.workshop,
      live: server.live,
      log: quiet,
      sessionSecret: 'test',
      demo: false,
    });
    expect((await (await visitor(app)).signIn('manager')).status).toBe(401);
  });

  it('behind TLS are kept in a cookie of this host alone', async () => {
    const app = await createApp({
      database: server.database,
      workshop: server.workshop,
      live: server.live,
      log: quiet,
      sessionSecret: 'test',
      demo: true,
      tls: true,
      trustProxy: 1,
    });
    const first = await request(app).get('/api/session').set('X-Forwarded-Proto', 'https');
    const token = /XSRF-TOKEN=([^;]+)/.exec((first.get('Set-Cookie') ?? []).join())?.[1] ?? '';
    const signedIn = await request(app)
      .post('/api/session')
      .set({ 'X-Forwarded-Proto': 'https', 'X-XSRF-TOKEN': decodeURIComponent(token) })
      .send({ login: 'viewer', password: 'weir-and-wheel' });
    const cookie = (signedIn.get('Set-Cookie') ?? []).find((one) => one.includes('sid='));
    expect(cookie).toMatch(/^__Host-druckerei\.sid=.*Path=\/;.*HttpOnly; Secure; SameSite=Strict/);
  });
});

describe('stopping', () => {
  it('answers what is under way and cuts what is half sent', async () => {
    const app = express();
    let under = 0;
    app.post('/slow', (_request, response) => {
      under++;
      setTimeout(() => response.send('done'), 300);
    });
    const listening = await listen(app, 0, '127.0.0.1');
    const { port } = listening.address() as net.AddressInfo;
    const half = net.connect(port, '127.0.0.1');
    half.on('error', () => undefined);
    half.write('POST /slow HTTP/1.1\r\nHost: x\r\nContent-Le');
    const answered = fetch(`http://127.0.0.1:${port}/slow`, { method: 'POST' }).then((response) => response.text());
    while (under === 0) await new Promise((resolve) => setTimeout(resolve, 5));
    const cut = once(half, 'close');
    await Promise.all([stopListening(listening, 600), cut]);
    expect(await answered).toBe('done');
    await expect(fetch(`http://127.0.0.1:${port}/slow`, { method: 'POST' })).rejects.toThrow();
  });

  it('closes a body that never ends', async () => {
    const app = express().use(express.json());
    const listening = await listen(app, 0, '127.0.0.1', {
      requestTimeout: 300,
      headersTimeout: 300,
      connectionsCheckingInterval: 50,
    } as never);
    const { port } = listening.address() as net.AddressInfo;
    const slow = net.connect(port, '127.0.0.1');
    slow.on('error', () => undefined);
    let said = '';
    slow.on('data', (data) => (said += data.toString()));
    slow.write('POST /x HTTP/1.1\r\nHost: x\r\nContent-Type: application/json\r\nContent-Length: 1000\r\n\r\n{');
    await once(slow, 'close');
    expect(said).toContain('408');
    await stopListening(listening, 100);
  });
});
