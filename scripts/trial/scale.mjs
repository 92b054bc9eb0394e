// Ten thousand jobs: the list, the needs and one job, beside people who fetch tickets.
import pg from 'pg';
import { buildServer } from '../build-steps.mjs';
import { spawnServer, stopServer, withCluster } from '../demo-server.mjs';
import { Client, untilHealthy } from './client.mjs';

const PORT = 3965;
const address = `http://127.0.0.1:${PORT}`;
const CLIENTS = 8;
/** Requests ahead of those that are timed. */
const WARM = 1_000;

/** The demo's jobs over and over, each with what was reckoned of it. */
const MANY = `
WITH copies AS (
  SELECT j.id AS from_id, n, nextval(pg_get_serial_sequence('job', 'id'))::integer AS id
  FROM generate_series(1, $1::integer) n JOIN job j ON j.id = 1 + n % 17
), made AS (
  INSERT INTO job (id, number) OVERRIDING SYSTEM VALUE SELECT id, 'SCALE-' || n FROM copies RETURNING id
), revised AS (
  INSERT INTO revision (job_id, revision, version, body, changed_by, changed_at)
  SELECT c.id, 1, 1, jsonb_set(r.body, '{number}', to_jsonb('SCALE-' || c.n)), r.changed_by, now() - c.n * interval '1 minute'
  FROM copies c JOIN made ON made.id = c.id JOIN revision r ON r.job_id = c.from_id AND r.revision = 1
  RETURNING job_id
)
INSERT INTO assessment (job_id, revision, version, basis, body)
SELECT c.id, 1, 1, a.basis, a.body
FROM copies c JOIN revised ON revised.job_id = c.id JOIN assessment a ON a.job_id = c.from_id AND a.revision = 1`;

const sorted = (times) => [...times].sort((a, b) => a - b);
const p95 = (times) => sorted(times)[Math.floor(times.length * 0.95)] ?? 0;
const median = (times) => sorted(times)[Math.floor(times.length / 2)] ?? 0;

/** Milliseconds of each of so many calls, spread over the clients. */
async function timed(clients, count, call) {
  const times = [];
  let left = count;
  await Promise.all(
    clients.map(async (client) => {
      while (left-- > 0) {
        const began = performance.now();
        await call(client);
        times.push(performance.now() - began);
      }
    }),
  );
  return times;
}

/** @returns rows of the table, and whether all of it was reached. */
export function scale(jobs) {
  buildServer();
  return withCluster((cluster) => measure(cluster.database('scale'), jobs));
}

async function measure(environment, jobs) {
  const server = spawnServer(PORT, { ...environment, SIGN_IN_TRIES: '1000', SIGN_IN_TRIES_ADDRESS: '1000' });
  const database = new pg.Client({ connectionString: environment.DATABASE_URL });
  try {
    await untilHealthy(address);
    await database.connect();
    await database.query(MANY, [jobs]);
    await database.query('ANALYZE job, revision, assessment');
    const clients = await Promise.all(
      Array.from({ length: CLIENTS }, async () => {
        const client = new Client(address);
        await client.signIn();
        return client;
      }),
    );
    const one = [clients[0]];
    const get = (at) => async (client) => {
      const status = await client.get(at);
      if (status !== 200) throw new Error(`${at}: ${status}`);
    };
    // Warm, as a server is that has run for a while.
    await timed(clients, WARM, get('/api/jobs?limit=100'));
    await timed(one, WARM / 10, get('/api/jobs/1'));
    const list = p95(await timed(clients, 1_000, get('/api/jobs?limit=100')));
    const search = p95(await timed(clients, 200, get('/api/jobs?search=atlas%20scale-12&by=due&limit=100')));
    const needs = median(await timed(one, 3, get('/api/needs')));
    const raw = async () => {
      await database.query(
        'SELECT r.*, a.name FROM revision r JOIN account a ON a.id = r.changed_by WHERE r.job_id = 1 ORDER BY revision DESC LIMIT 1',
      );
      await database.query('SELECT body FROM works');
      await database.query('SELECT * FROM norm');
      await database.query('SELECT revision, state, changed_at FROM revision WHERE job_id = 1');
    };
    const statements = median(await timed(one, 60, raw));
    const job = median(await timed(one, 60, get('/api/jobs/1')));
    let fetching = true;
    const tickets = Promise.all(
      clients.slice(0, 2).map(async (client) => {
        while (fetching) await get('/api/jobs/10/revisions/1/ticket.pdf')(client);
      }),
    );
    const health = [];
    for (let i = 0; i < 100; i++) {
      const [time = 0] = await timed([clients[7]], 1, get('/api/health'));
      health.push(time);
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
    fetching = false;
    await tickets;
    const ms = (value) => value.toFixed(1);
    return {
      rows: [
        ['jobs', jobs, ''],
        ['list page p95, ms', ms(list), 'under 50'],
        ['search and sort p95, ms', ms(search), ''],
        ['needs of all, ms', ms(needs), 'under 1,000'],
        ['one job, ms', ms(job), `at most twice ${ms(statements)}`],
        ['health p95 beside tickets, ms', ms(p95(health)), 'under 100'],
      ],
      met: list < 50 && needs < 1_000 && job <= 2 * statements && p95(health) < 100,
    };
  } finally {
    await database.end().catch(() => undefined);
    await stopServer(server);
  }
}
