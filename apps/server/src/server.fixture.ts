import fs from 'node:fs';
import type { Express } from 'express';
import pg from 'pg';
import { pino } from 'pino';
import request from 'supertest';
import type { Job } from '@druckerei/core';
import { createApp } from './app.js';
import { type Database, connect } from './db/database.js';
import { migrate } from './db/migrate.js';
import { type Workshop, openWorkshop } from './work/workshop.js';
import { loadDemo, setUpWorks } from './demo/load-demo.js';

export interface TestServer {
  readonly app: Express;
  readonly database: Database;
  readonly workshop: Workshop;
  readonly errors: string[];
  stop(): Promise<void>;
}

/** A server on a database of its own in the cluster that `npm test` starts. */
export async function startServer(
  name: string,
  { signInTries = { account: 1000, address: 1000 }, demo = true } = {},
): Promise<TestServer> {
  const base = process.env['TEST_DATABASE_URL'];
  if (base === undefined) throw new Error('TEST_DATABASE_URL is not set: run the server tests through npm test');
  const admin = new pg.Client({ connectionString: base });
  await admin.connect();
  await admin.query(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`);
  await admin.query(`CREATE DATABASE ${name}`);
  await admin.end();
  const url = new URL(base);
  url.pathname = `/${name}`;
  const errors: string[] = [];
  const database = connect(url.href, (error) => errors.push(error.message));
  await migrate(database);
  await setUpWorks(database);
  const workshop = openWorkshop();
  await loadDemo({ database, workshop });
  const log = pino({ level: 'error' }, { write: (line: string) => void errors.push(line) });
  const app = await createApp({
    database,
    workshop,
    log,
    sessionSecret: 'test',
    checkAnswers: true,
    signInTries,
    demo,
  });
  const stop = async (): Promise<void> => {
    await workshop.close();
    await database.close();
  };
  return { app, database, workshop, errors, stop };
}

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
