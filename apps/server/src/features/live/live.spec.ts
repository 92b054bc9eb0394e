import http, { type Server, createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import type express from 'express';
import { pino } from 'pino';
import { type LiveMessage, type Revision, TAB_HEADER } from '@druckerei/contract';
import { createApp } from '../../app.js';
import { Live } from '../../http/live.js';
import { type TestServer, type Visitor, startServer, visitor } from '../../server.fixture.js';

let first: TestServer;
let second: Server;
let live: Live;
let manager: Visitor;
/** Where the second instance listens, and the cookie of a planner who is signed in there. */
let address = '';
let cookie = '';

beforeAll(async () => {
  first = await startServer('live_test');
  live = new Live(first.url, () => undefined);
  await Promise.all([first.live.ready, live.ready]);
  const app = await createApp({
    database: first.database,
    workshop: first.workshop,
    live,
    log: pino({ level: 'silent' }),
    sessionSecret: 'test',
    demo: true,
    rememberMs: 0,
  });
  second = createServer(app).listen(0, '127.0.0.1');
  await new Promise((resolve) => second.once('listening', resolve));
  address = `http://127.0.0.1:${(second.address() as AddressInfo).port}`;
  cookie = await signIn('operator');
  manager = await visitor(first.app, 'manager');
});
afterAll(async () => {
  await live.close();
  second.closeAllConnections();
  second.close();
  await first.stop();
});

const cookiesOf = (response: Response): string[] =>
  response.headers.getSetCookie().map((one) => one.split(';')[0] ?? '');
async function signIn(login: string): Promise<string> {
  const arrived = cookiesOf(await fetch(`${address}/api/session`));
  const token = decodeURIComponent(arrived.find((one) => one.startsWith('XSRF-TOKEN='))?.slice(11) ?? '');
  const response = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token, Cookie: arrived.join('; ') },
    body: JSON.stringify({ login, password: 'weir-and-wheel' }),
  });
  return cookiesOf(response).join('; ');
}

/** Listens at the second instance: what it is told, one after another, and undefined where the stream has ended. */
async function listenThere(as = cookie) {
  const ended = new AbortController();
  const response = await fetch(`${address}/api/live`, { headers: { Cookie: as }, signal: ended.signal });
  const reader = (response.body ?? new ReadableStream<Uint8Array>()).getReader();
  let text = '';
  const next = async (): Promise<LiveMessage | undefined> => {
    for (;;) {
      const found = /event: change\ndata: (.*)\n\n/.exec(text);
      if (found) {
        text = text.slice(found.index + found[0].length);
        return JSON.parse(found[1] ?? '') as LiveMessage;
      }
      const { done, value } = await reader.read();
      if (done) return undefined;
      text += Buffer.from(value).toString();
    }
  };
  return { response, next, leave: () => ended.abort() };
}

describe('two instances on one database', () => {
  it('tell each other who has changed which job, and from which tab', async () => {
    const listener = await listenThere();
    expect(listener.response.headers.get('content-type')).toContain('text/event-stream');
    const open = (await manager.call('get', '/api/jobs/1')).body as Revision;
    const saved = await manager
      .call('put', '/api/jobs/1/draft', { version: open.version, job: { ...open.job, title: 'Programme, changed' } })
      .set(TAB_HEADER, 'tab1');
    expect(saved.status).toBe(200);
    expect(await listener.next()).toEqual({ topic: 'jobs', job: 1, by: 'Production manager', tab: 'tab1' });
    await manager.call('post', '/api/works/folds', { name: 'Live', columns: 2, rows: 1, folds: 'right over left' });
    expect(await listener.next()).toEqual({ topic: 'works', by: 'Production manager' });
    listener.leave();
  });

  it('say nothing of what was refused, and take no name of a tab that is none', async () => {
    const listener = await listenThere();
    await manager.call('delete', '/api/works/folds/nobody-has-this');
    const open = (await manager.call('get', '/api/jobs/2')).body as Revision;
    await manager
      .call('put', '/api/jobs/2/draft', { version: open.version, job: { ...open.job, title: 'Changed' } })
      .set(TAB_HEADER, '<script>');
    expect(await listener.next()).toEqual({ topic: 'jobs', job: 2, by: 'Production manager' });
    listener.leave();
  });

  it('end a stream when whoever listens has been disabled', async () => {
    const id = (await first.database.one<{ id: number }>('people/by-login', 'viewer'))?.id ?? 0;
    const listener = await listenThere(await signIn('viewer'));
    await manager.call('put', `/api/people/${id}`, { name: 'Visitor', role: 'viewer', disabled: true });
    expect((await listener.next())?.topic).toBe('people');
    expect(await listener.next()).toBeUndefined();
  });

  it('hear each other again when the connection was lost, and say that something may have been missed', async () => {
    const listener = await listenThere();
    await first.database.pool.query(
      "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = 'live_test' AND query LIKE 'LISTEN%'",
    );
    expect(await listener.next()).toEqual({ topic: 'all', by: '' });
    await manager.call('delete', '/api/works/folds/Live');
    expect((await listener.next())?.topic).toBe('works');
    listener.leave();
  });

  it('do not keep a connection for somebody who asks for the head alone', async () => {
    const agent = new http.Agent({ keepAlive: true, maxSockets: 1 });
    const ask = (method: string, path: string): Promise<number | undefined> =>
      new Promise((resolve, reject) => {
        http
          .request(`${address}${path}`, { agent, method, headers: { Cookie: cookie } }, (response) => {
            response.resume();
            response.once('end', () => resolve(response.statusCode));
          })
          .once('error', reject)
          .end();
      });
    expect(await ask('HEAD', '/api/live')).toBe(200);
    // On the same connection: it would wait for the end of the first.
    expect(await ask('GET', '/api/session')).toBe(200);
    agent.destroy();
  });

  it('write nothing behind the end of a stream: it would end the server', async () => {
    const errors: Error[] = [];
    let asked = 0;
    const server = createServer((_, response) => {
      response.on('error', (error) => errors.push(error));
      // Two looks at once: the first ends it, and the second would have it stay.
      live.join({ account: 0, response: response as express.Response, may: () => Promise.resolve(asked++ > 0) });
    }).listen(0, '127.0.0.1');
    await new Promise((resolve) => server.once('listening', resolve));
    const response = await fetch(`http://127.0.0.1:${(server.address() as AddressInfo).port}/`);
    const told = JSON.stringify({ topic: 'people', by: '' });
    await first.owner.pool.query('SELECT pg_notify($1, $2 || repeat($3, n)) FROM generate_series(0, 9) n', [
      'druckerei',
      told,
      ' ',
    ]);
    await response.text();
    server.close();
    expect(asked).toBeGreaterThan(1);
    expect(errors).toEqual([]);
  });

  it('let somebody listen from fifty windows and no more', async () => {
    const listeners = await Promise.all(Array.from({ length: 50 }, () => listenThere()));
    const one = await listenThere();
    expect(one.response.status).toBe(429);
    for (const listener of listeners) listener.leave();
  });

  it('end their streams when they stop', async () => {
    const listener = await listenThere();
    await live.close();
    expect(await listener.next()).toBeUndefined();
    expect((await listenThere()).response.status).toBe(503);
  });
});
