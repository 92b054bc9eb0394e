// Hostile requests over every endpoint: bodies, headers, encodings, ids and names that nobody sane would send.
import fs from 'node:fs';
import path from 'node:path';
import { buildServer, repo } from '../build-steps.mjs';
import { spawnServer, stopServer, withCluster } from '../demo-server.mjs';
import { Client, untilHealthy } from './client.mjs';
import { seeded } from './seeded.mjs';

const PORT = 3963;
const ODD = [
  'constructor',
  '__proto__',
  'toString',
  '..%2f..%2fetc',
  '%00',
  '%E0%A4%A',
  'a'.repeat(3_000),
  '-1',
  '0',
  '1e9',
  '9999999999999',
  "1'--",
  '%F0%9F%98%80',
  'NaN',
  ' ',
];
const VALUES = [
  null,
  true,
  -1,
  0,
  1e308,
  0.1,
  '',
  'x'.repeat(5_000),
  '\u0000',
  '\ud800',
  '__proto__',
  [],
  {},
  [[[[]]]],
  { $ne: 1 },
  '2026-02-30',
];
const HEADERS = [
  { 'content-encoding': 'gzip' },
  { 'content-encoding': 'br' },
  { 'content-type': 'text/plain' },
  { 'content-type': 'application/json; charset=klingon' },
  { 'x-xsrf-token': 'short' },
  { 'x-xsrf-token': '%C3%A4'.repeat(60) },
  { 'idempotency-key': 'x' },
  { 'idempotency-key': 'the-same-key-again-and-again' },
  { 'x-forwarded-for': '1.2.3.4, "x' },
  { 'accept-encoding': 'gzip;q=oops' },
  { range: 'bytes=5-1' },
  { cookie: 'druckerei.sid=s%3Axxxx.yyyy; XSRF-TOKEN=%E0%A4%A' },
];

function body(endpoint, draw, jobs) {
  const kind = draw.below(6);
  const job = draw.of(jobs);
  const near = {
    createJob: { ...job, number: `H-${draw.below(1e6)}` },
    saveDraft: { version: draw.below(4), job },
    changeNorm: { value: draw.of(VALUES), expected: draw.below(9), seen: draw.below(9), reason: '' },
    addHolding: { paper: { stock: 'silk-90', widthMm: 870 }, quantity: draw.below(9), place: 'x', reason: '' },
    enterEvent: {
      seen: draw.below(99),
      event: {
        kind: draw.of(['artwork', 'carrier', 'count', 'ink', 'take-back']),
        component: 'map',
        approved: true,
        step: 'box',
        good: 1,
      },
    },
  }[endpoint.id] ?? { version: 1, number: 'X', title: 'Y', login: 'viewer', password: 'wrong', key: 'a', quantity: 1 };
  if (kind === 0)
    return draw.of(['', '{', 'null', '[]', '"x"', '['.repeat(3_000), '{"__proto__":{"a":1}}', '\ufeff{}']);
  if (kind === 1) return JSON.stringify(draw.of(VALUES));
  const made = structuredClone(near);
  if (kind > 2) {
    // One thing in it, deep or shallow, is otherwise.
    let at = made;
    for (let depth = draw.below(5); depth > 0; depth--) {
      const inner = Object.values(at).filter((one) => typeof one === 'object' && one !== null);
      if (inner.length > 0) at = draw.of(inner);
    }
    const keys = Object.keys(at);
    if (keys.length > 0) at[draw.of(keys)] = draw.of(VALUES);
    else at[draw.of(['constructor', 'x'])] = draw.of(VALUES);
  }
  return JSON.stringify(made);
}

/** @param clock whether times count. @returns rows of the table, and whether all of it was reached. */
export function hostile(count, seed, clock) {
  buildServer();
  return withCluster((cluster) => attack(cluster.database('hostile'), count, seed, clock));
}

async function attack(database, count, seed, clock) {
  const { ENDPOINTS } = await import('@druckerei/contract');
  const folder = path.join(repo, 'docs/examples');
  const jobs = ['trail-map', 'tea-caddy', 'season-tickets'].map((name) =>
    JSON.parse(fs.readFileSync(path.join(folder, `${name}.json`), 'utf8')),
  );
  const address = `http://127.0.0.1:${PORT}`;
  const server = spawnServer(PORT, {
    ...database,
    LOG_LEVEL: 'silent',
    SIGN_IN_TRIES: '1000000',
    SIGN_IN_TRIES_ADDRESS: '1000000',
  });
  let exits = 0;
  server.on('exit', () => exits++);
  const draw = seeded(seed);
  const told = new Map();
  let signedOut = false;
  let [wrong, hangs, sent, longest, done] = [0, 0, 0, 0, 0];
  try {
    await untilHealthy(address);
    const client = new Client(address);
    await client.signIn();
    const one = async () => {
      const endpoint = draw.of(ENDPOINTS);
      // Documents take a second each: a few of them are enough.
      if (endpoint.media && !draw.chance(0.05)) return;
      if (endpoint.id === 'signOut') return;
      const at = endpoint.path.replaceAll(/\{\w+\}/g, () =>
        draw.chance(0.6) ? String(1 + draw.below(17)) : draw.of(ODD),
      );
      const query = draw.chance(0.3)
        ? `?${draw.of(['from', 'to', 'side', 'search', 'by', 'limit', 'skip', 'norm', '__proto__'])}=${draw.of(ODD)}`
        : '';
      const method = draw.chance(0.95) ? endpoint.method.toUpperCase() : draw.of(['PATCH', 'OPTIONS', 'DELETE', 'PUT']);
      const text = method === 'GET' || method === 'OPTIONS' ? undefined : body(endpoint, draw, jobs);
      const headers = draw.chance(0.2) ? draw.of(HEADERS) : {};
      sent++;
      const began = performance.now();
      const { status } = await client
        .raw(method, at + query, text, headers)
        .catch((error) => ({ status: String(error.cause?.code ?? error.name) }));
      const took = performance.now() - began;
      longest = Math.max(longest, took);
      if (took > 5_000) hangs++;
      if (status >= 200 && status < 300) done++;
      if (status === 401 && headers.cookie === undefined) signedOut = true;
      if (typeof status === 'string' ? status !== 'ERR_INVALID_URL' && status !== 'TypeError' : status >= 500) {
        wrong++;
        const what = `${status} ${method} ${endpoint.path} ${JSON.stringify(headers)} ${String(text).slice(0, 160)}`;
        if (told.size < 20) told.set(`${status} ${endpoint.id}`, what);
      }
    };
    while (sent < count && exits === 0) {
      await Promise.all(Array.from({ length: 8 }, one));
      // Some of what is sent signs out.
      if (signedOut) await client.signIn();
      signedOut = false;
    }
    for (const what of told.values()) process.stderr.write(`${what}\n`);
    const alive = await client.raw('GET', '/api/health').then(({ status }) => status);
    return {
      rows: [
        ['requests', sent, ''],
        ['carried out', done, ''],
        ['5xx or no answer', wrong, '0'],
        ['over 5 s', hangs, '0'],
        ['longest, ms', Math.round(longest), ''],
        ['exits of the server', exits, '0'],
        ['health afterwards', alive, '200'],
      ],
      met: wrong === 0 && (!clock || hangs === 0) && exits === 0 && alive === 200,
    };
  } finally {
    await stopServer(server);
  }
}
