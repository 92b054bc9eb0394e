// The database and the server go down under load, again and again: what was acknowledged stays, and all comes back by itself.
import { randomUUID } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import pg from 'pg';
import { buildServer, repo } from '../build-steps.mjs';
import { spawnServer, stopServer, withCluster } from '../demo-server.mjs';
import { Client, untilHealthy } from './client.mjs';

const PORT = 3961;
const address = `http://127.0.0.1:${PORT}`;
const CLIENTS = 4;

/** The server, started again when it ends; counts the times that nobody asked it to. */
class Supervised {
  own = 0;
  asked = 0;
  ended = false;
  constructor(env) {
    this.env = env;
    this.start();
  }
  start() {
    this.child = spawnServer(PORT, this.env);
    this.child.on('exit', () => {
      if (this.ended) return;
      if (this.killed) this.killed = false;
      else this.own++;
      setTimeout(() => this.start(), 100);
    });
  }
  kill() {
    this.asked++;
    this.killed = true;
    this.child.kill('SIGKILL');
  }
  async stop() {
    this.ended = true;
    await stopServer(this.child);
  }
}

/** Saves one job over and over; remembers what was acknowledged and what was sent. */
async function write(client, job, state) {
  const file = JSON.parse(fs.readFileSync(path.join(repo, 'docs/examples/trail-map.json'), 'utf8'));
  let [version, quantity] = [undefined, 1_000];
  while (!state.stopped) {
    try {
      if (version === undefined) {
        const { status, body } = await client.call('GET', `/api/jobs/${job.id}`);
        state.statuses.add(status);
        if (status === 200) version = body.version;
        else await wait(20);
        continue;
      }
      quantity++;
      job.sent = quantity;
      const next = { ...file, number: job.number, order: { ...file.order, quantity } };
      const { status, body } = await client.call('PUT', `/api/jobs/${job.id}/draft`, { version, job: next });
      state.statuses.add(status);
      if (status === 200) {
        version = body.version;
        Object.assign(job, { acknowledged: quantity, version });
        state.writes++;
      } else version = undefined;
    } catch {
      // Nobody answered: the server was killed. What stands is asked for again.
      version = undefined;
      await wait(20);
    }
  }
}

/** Entries of a tablet that it sends at once. */
const BATCH = 5;

/** A tablet at a station: what it has made waits in its outbox, and is sent again until the server says that it has it. */
async function enter(client, job, state) {
  const outbox = [];
  // What is made goes out to the end, also when nothing more is made.
  while (!state.stopped || outbox.length > 0) {
    if (!state.stopped)
      while (outbox.length < BATCH) {
        job.made++;
        const event = { kind: 'note', step: 'cut', text: `Entry ${job.made}` };
        outbox.push({ uid: randomUUID(), at: new Date().toISOString(), late: false, event });
      }
    try {
      const entries = outbox.slice(0, BATCH);
      const { status, body } = await client.call('POST', `/api/jobs/${job.id}/book`, {
        device: 'Tablet',
        seen: 2_147_483_647,
        entries: entries.map((entry) => ({ ...entry, late: true })),
      });
      state.statuses.add(status);
      if (status === 200) outbox.splice(0, body.entries.filter(({ outcome }) => outcome !== 'refused').length);
      else await wait(20);
    } catch {
      await wait(20);
    }
  }
}

/** Entries that are missing, twice, or out of their order in the book of a job. */
async function astray(client, job) {
  const { body } = await client.call('GET', `/api/jobs/${job.id}/book`);
  const texts = body.records.map(({ event }) => event.text);
  const wanted = Array.from({ length: job.made }, (_, i) => `Entry ${i + 1}`);
  return Math.max(texts.length, wanted.length) - wanted.filter((text, i) => texts[i] === text).length;
}

/** @param clock whether times count. @returns rows of the table, and whether all of it was reached. */
export function outages(counts, clock) {
  buildServer();
  // A careless cluster forgets what it has just acknowledged when it is killed.
  return withCluster((cluster) => strike(cluster, counts, clock), true);
}

/** Nobody else's server may answer for ours. */
async function refuseTaken() {
  const taken = await fetch(`${address}/api/health`).then(
    () => true,
    () => false,
  );
  if (taken) throw new Error(`Something answers at ${address} already: end it, and try again.`);
}

async function strike(cluster, { postmasters, backends, restarts, servers }, clock) {
  await refuseTaken();
  const database = cluster.database('trial');
  const server = new Supervised({
    ...database,
    LOG_LEVEL: 'silent',
    SESSION_SECRET: 'a secret of the trial alone',
    SIGN_IN_TRIES: '10000',
    SIGN_IN_TRIES_ADDRESS: '10000',
  });
  const back = [];
  const state = { stopped: false, writes: 0, statuses: new Set() };
  try {
    await untilHealthy(address);
    const jobs = [];
    const writers = [];
    for (let i = 0; i < CLIENTS; i++) {
      const client = new Client(address);
      await client.signIn();
      const file = JSON.parse(fs.readFileSync(path.join(repo, 'docs/examples/trail-map.json'), 'utf8'));
      const made = await client.call('POST', '/api/jobs', { ...file, number: `TRIAL-${i}` });
      const job = { id: made.body.id, number: `TRIAL-${i}`, acknowledged: 0, sent: 0, version: 1 };
      jobs.push(job);
      writers.push(write(client, job, state));
    }
    const tablet = new Client(address);
    await tablet.signIn();
    const station = await tablet.call('POST', '/api/jobs', {
      ...JSON.parse(fs.readFileSync(path.join(repo, 'docs/examples/trail-map.json'), 'utf8')),
      number: 'TRIAL-book',
    });
    const book = { id: station.body.id, made: 0 };
    writers.push(enter(tablet, book, state));
    const pause = () => wait(300);
    const fromRunning = async (work) => {
      await pause();
      await work();
      back.push(await untilHealthy(address));
    };
    for (let i = 0; i < postmasters; i++)
      await fromRunning(async () => {
        const pid = Number(fs.readFileSync(path.join(cluster.data, 'postmaster.pid'), 'utf8').split('\n')[0]);
        process.kill(pid, 'SIGKILL');
        await wait(400);
        for (let tries = 0; ; tries++) {
          try {
            cluster.start();
            break;
          } catch (error) {
            if (tries > 20) throw error;
            await wait(200); // its children are still going
          }
        }
      });
    for (let i = 0; i < backends; i++)
      await fromRunning(async () => {
        const admin = new pg.Client({ connectionString: database.DATABASE_URL });
        await admin.connect();
        await admin.query(
          'SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = current_database() AND usename = current_user AND pid <> pg_backend_pid()',
        );
        await admin.end();
      });
    for (let i = 0; i < restarts; i++)
      await fromRunning(() => {
        cluster.stop();
        cluster.start();
      });
    const own = server.own;
    const fromDatabase = Math.max(0, ...back);
    for (let i = 0; i < servers; i++) await fromRunning(() => server.kill());
    await pause();
    state.stopped = true;
    await Promise.all(writers);
    const reader = new Client(address);
    await reader.signIn();
    const stray = await astray(reader, book);
    const { body: chain } = await reader.call('GET', '/api/book/check');
    let [lost, half] = [0, 0];
    for (const job of jobs) {
      const { body } = await reader.call('GET', `/api/jobs/${job.id}`);
      const stands = body.job.order.quantity;
      if (body.version < job.version || stands < job.acknowledged) lost++;
      if (stands > job.sent || body.job.number !== job.number) half++;
    }
    const odd = [...state.statuses].filter((status) => ![200, 409, 503].includes(status));
    return {
      rows: [
        ['postmaster kills', postmasters, ''],
        ['ended backends', backends, ''],
        ['restarts', restarts, ''],
        ['server kills', servers, ''],
        ['writes acknowledged', state.writes, ''],
        ['exits by the database', own, '0'],
        ['back within, ms', Math.round(fromDatabase), 'under 1,000'],
        ['acknowledged lost', lost, '0'],
        ['half written', half, '0'],
        ['entries of a tablet', book.made, ''],
        ['entries lost, twice or out of order', stray, '0'],
        ['faults of the chain', chain.faults.length, '0'],
        ['other than 200, 409, 503', odd.join(' ') || 'none', 'none'],
      ],
      met:
        own === 0 &&
        (!clock || fromDatabase < 1_000) &&
        lost === 0 &&
        half === 0 &&
        stray === 0 &&
        book.made > 0 &&
        chain.faults.length === 0 &&
        odd.length === 0 &&
        state.writes > 0,
    };
  } finally {
    state.stopped = true;
    await server.stop();
  }
}
