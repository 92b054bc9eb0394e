// The part of npm run bench about long lists: 100,000 customers, lots and counts, sent and taken in.
import fs from 'node:fs';
import path from 'node:path';
import { repo } from './build-steps.mjs';
import { spawnServer, stopServer, untilReady, withCluster } from './demo-server.mjs';
import { signedIn } from './signed-in.mjs';

const PORT = 3957;
const LINES = 100_000;
/** A shorter list, whose memory the long one is held against. */
const FEWER = 20_000;
const JOBS = 40;
const FROM = Date.parse('2026-01-05T06:00:00Z');
/** Milliseconds between two looks at the memory. */
const LOOK_MS = 50;

const lines = (head, count, entry) =>
  [head, ...Array.from({ length: count }, (_, i) => entry(i))].map((one) => JSON.stringify(one)).join('\n');
const LISTS = {
  customers: (count, part) => [
    '/api/customers/list',
    lines({}, count, (i) => ({
      name: `Customer ${part} ${i}`,
      reference: `K-${i}`,
      places: [{ name: 'Works', address: `Millrace ${i}` }],
    })),
  ],
  'lots of the stores': (count, part) => [
    '/api/stores/holdings/list',
    lines({ reason: 'counted' }, count, (i) => ({
      other: { key: `packing/${part} ${i}`, kind: 'packing', name: `Box ${part} ${i}`, unit: 'pcs' },
      quantity: i + 1,
      place: `Row ${i % 500}`,
    })),
  ],
  'counts of stations': (count, part) => [
    '/api/book/counts',
    lines({ device: `Counter ${part}` }, count, (i) => ({
      ...{ job: `TAKEN-${i % JOBS}`, station: 'Box', good: 1, spoiled: 0 },
      at: new Date(FROM + (i + (part === 'long' ? FEWER : 0)) * 1_000).toISOString(),
    })),
  ],
};

/** The most memory of a process while something is done, MB. */
async function mostMemory(pid, work) {
  const now = () => Number(/VmRSS:\s+(\d+)/.exec(fs.readFileSync(`/proc/${pid}/status`, 'utf8'))[1]) / 1_000;
  let most = now();
  const look = setInterval(() => (most = Math.max(most, now())), LOOK_MS);
  try {
    await work();
  } finally {
    clearInterval(look);
  }
  return most;
}

async function taken(call, [url, body]) {
  const begun = performance.now();
  const answer = await call('POST', url, body);
  const text = await answer.text();
  if (!answer.ok) throw new Error(`${answer.status} ${text.slice(0, 500)}`);
  return performance.now() - begun;
}

/** Sends each list, and tells how long it took to be taken in and how much memory the server had. */
export async function benchTaken(say, ratio) {
  await withCluster(async (cluster) => {
    const server = spawnServer(PORT, cluster.database('taken'));
    const address = `http://127.0.0.1:${PORT}`;
    try {
      await untilReady(address);
      const call = await signedIn(address);
      const job = JSON.parse(fs.readFileSync(path.join(repo, 'docs/examples/trail-map.json'), 'utf8'));
      for (let i = 0; i < JOBS; i++) await call('POST', '/api/jobs', { ...job, number: `TAKEN-${i}` });
      for (const [what, list] of Object.entries(LISTS)) {
        const fewer = await mostMemory(server.pid, () => taken(call, list(FEWER, 'short')));
        let ms = 0;
        const most = await mostMemory(server.pid, async () => (ms = await taken(call, list(LINES, 'long'))));
        say(`a list of ${LINES} ${what}, taken in`, `${(ms / 1_000).toFixed(1)} s`, ratio(ms, 20_000));
        say('  memory of the server at most', `${most.toFixed(0)} MB`, `${fewer.toFixed(0)} MB with ${FEWER}`);
      }
    } finally {
      await stopServer(server);
    }
  });
}
