import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import type { Express } from 'express';
import pg from 'pg';
import { pino } from 'pino';
import request from 'supertest';
import { setTimeout as wait } from 'node:timers/promises';
import type { Job, RoomEvent } from '@druckerei/core';
import type { Effort, Floor, Schedule } from '@druckerei/contract';
import { createApp } from './app.js';
import { type Database, connect } from './db/database.js';
import { setUpSchema } from './db/schema.js';
import { type NewEntry, addEntries } from './features/room/entries.js';
import { type FloorRuns, planFloors } from './features/floor/runs.js';
import { Live } from './http/live.js';
import { makeMetrics } from './http/metrics.js';
import { learnTongues } from './http/tongue.js';
import { type Workshop, openWorkshop } from './work/workshop.js';
import { loadDemo, setUpWorks } from './demo/load-demo.js';

export interface TestServer {
  readonly app: Express;
  readonly database: Database;
  /** Address of the database, as the application. */
  readonly url: string;
  /** The same as the role that owns its tables. */
  readonly owner: Database;
  readonly workshop: Workshop;
  readonly live: Live;
  readonly runs: FloorRuns;
  readonly errors: string[];
  stop(): Promise<void>;
}

/** The addresses of a new and empty database in the cluster that `npm test` starts, for each of its roles. */
export async function freshDatabase(name: string): Promise<{ application: string; owner: string }> {
  const { DATABASE_URL, OWNER_DATABASE_URL } = process.env;
  if (DATABASE_URL === undefined || OWNER_DATABASE_URL === undefined)
    throw new Error('DATABASE_URL and OWNER_DATABASE_URL are not set: run the server tests through npm test');
  const admin = new pg.Client({ connectionString: OWNER_DATABASE_URL });
  await admin.connect();
  await admin.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`);
  await admin.query(`CREATE DATABASE ${name}`);
  await admin.end();
  const at = (base: string): string => Object.assign(new URL(base), { pathname: `/${name}` }).href;
  return { application: at(DATABASE_URL), owner: at(OWNER_DATABASE_URL) };
}

/** A server on a database of its own in the cluster that `npm test` starts. */
export async function startServer(
  name: string,
  { signInTries = { account: 1000, address: 1000 }, demo = true, rememberMs = 0, metrics = false } = {},
): Promise<TestServer> {
  const urls = await freshDatabase(name);
  const errors: string[] = [];
  const database = connect(urls.application, (error) => errors.push(error.message));
  const owner = connect(urls.owner, (error) => errors.push(error.message));
  await setUpSchema(urls.application, urls.owner);
  await setUpWorks(database);
  learnTongues();
  const workshop = openWorkshop();
  const live = new Live(urls.application, (error) => errors.push(error.message));
  if (demo) await loadDemo({ database, workshop });
  const runs = await planFloors({ database, workshop }, (error) => errors.push(String(error)));
  live.onHeard(() => runs.wake());
  const log = pino({ level: 'error' }, { write: (line: string) => void errors.push(line) });
  const app = await createApp({
    database,
    workshop,
    live,
    log,
    sessionSecret: 'test',
    checkAnswers: true,
    signInTries,
    demo,
    rememberMs,
    metrics: metrics ? makeMetrics() : undefined,
  });
  const stop = async (): Promise<void> => {
    await Promise.all([runs.stop(), live.close()]);
    await workshop.close();
    await Promise.all([database.close(), owner.close()]);
  };
  return { app, database, url: urls.application, owner, workshop, live, runs, errors, stop };
}

/** A schedule that somebody asks for, as soon as it is made. */
export async function plannedFloor(who: Visitor, effort: Effort = 'rule'): Promise<Schedule> {
  const asked = await who.call('post', '/api/floor/schedules', { effort, seed: 1 });
  if (asked.status !== 202) throw new Error(`the floor was not planned: ${JSON.stringify(asked.body)}`);
  for (;;) {
    const { run, trial } = (await who.call('get', '/api/floor')).body as Floor;
    if (run?.problem) throw new Error(run.problem);
    if (!run && trial) return trial;
    await wait(LOOK_MS);
  }
}
/** Milliseconds between two looks. */
const LOOK_MS = 50;

/** The mark of somebody who has seen everything, for tests of something else. */
export const SEEN = 2_147_483_647;

type Method = 'get' | 'post' | 'put' | 'delete';

/** A browser: keeps cookies and sends the CSRF header. */
export class Visitor {
  private readonly agent: ReturnType<typeof request.agent>;
  private token = '';

  constructor(app: Express) {
    this.agent = request.agent(app);
  }

  async arrive(): Promise<this> {
    this.learn(await this.agent.get('/api/session'));
    return this;
  }

  private learn(response: request.Response): request.Response {
    const cookies = response.get('Set-Cookie') ?? [];
    const found = cookies.map((cookie) => /^XSRF-TOKEN=([^;]+)/.exec(cookie)?.[1]).find(Boolean);
    if (found) this.token = decodeURIComponent(found);
    return response;
  }

  async signIn(login: string, password = 'weir-and-wheel'): Promise<request.Response> {
    return this.learn(await this.call('post', '/api/session', { login, password }));
  }

  /** Sends bytes as they are. */
  sendBytes(method: Method, path: string, type: string, bytes: Buffer): request.Test {
    return this.agent[method](path).set('X-XSRF-TOKEN', this.token).set('Content-Type', type).send(bytes);
  }

  /** The bytes that an address answers. */
  async bytes(path: string): Promise<Buffer> {
    const response = await this.agent.get(path).buffer(true).responseType('blob');
    return response.body as Buffer;
  }

  call(method: Method, path: string, body?: object | string): request.Test {
    const call = this.agent[method](path).set('X-XSRF-TOKEN', this.token);
    return body === undefined ? call : call.set('Content-Type', 'application/json').send(body);
  }

  /** Without the header, as another site's form would. */
  forge(method: Method, path: string, body: object): request.Test {
    return this.agent[method](path).send(body);
  }
}

export async function visitor(app: Express, login?: string): Promise<Visitor> {
  const someone = await new Visitor(app).arrive();
  if (login !== undefined) await someone.signIn(login);
  return someone;
}

export const exampleJob = (name: string, change: Partial<Job> = {}): Job => ({
  ...(JSON.parse(fs.readFileSync(new URL(`../../../docs/examples/${name}.json`, import.meta.url), 'utf8')) as Job),
  ...change,
});

/** Puts an entry into the book past the gates. @returns its number. */
export async function recordOf(
  { database }: TestServer,
  job: number,
  event: RoomEvent,
  carrier?: NewEntry['carrier'],
): Promise<number> {
  const [id = 0] = await addEntries(database, [
    { uid: randomUUID(), job, by: 1, happened: Date.now(), event, carrier },
  ]);
  return id;
}
