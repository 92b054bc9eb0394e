// The part of npm run bench about several instances: how long until the other one says what somebody saved at this one.
import fs from 'node:fs';
import path from 'node:path';
import { repo } from './build-steps.mjs';
import { spawnServer, stopServer, untilReady, withCluster } from './demo-server.mjs';
import { signedIn } from './signed-in.mjs';

const PORTS = [3957, 3958];
const TIMES = 40;
/** Milliseconds in which a stream begins. */
const BEGUN_MS = 200;
const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];

/** When a stream says that something has changed, one after another, as performance.now() has it. */
async function* changes(call) {
  for await (const part of (await call('GET', '/api/live')).body)
    if (Buffer.from(part).includes('event: change')) yield performance.now();
}

/** Saves a draft at one instance, again and again, while somebody listens at another on the same database. */
export async function benchLive(say, ratio) {
  await withCluster(async (cluster) => {
    const database = cluster.database('together');
    const servers = PORTS.map((port) => spawnServer(port, database));
    try {
      const [here, there] = PORTS.map((port) => `http://127.0.0.1:${port}`);
      await Promise.all([untilReady(here), untilReady(there)]);
      const [writer, reader] = await Promise.all([signedIn(here), signedIn(there)]);
      const job = JSON.parse(fs.readFileSync(path.join(repo, 'docs/examples/trail-map.json'), 'utf8'));
      let revision = await (await writer('POST', '/api/jobs', { ...job, number: 'BENCH-1' })).json();
      const heard = changes(reader);
      // Asked for before anything is saved, so that the stream stands.
      let next = heard.next();
      await new Promise((resolve) => setTimeout(resolve, BEGUN_MS));
      const times = [];
      for (let i = 0; i < TIMES; i++) {
        const begun = performance.now();
        const body = { version: revision.version, job: { ...revision.job, title: `Trail map ${i}` } };
        revision = await (await writer('PUT', `/api/jobs/${revision.id}/draft`, body)).json();
        times.push((await next).value - begun);
        next = heard.next();
      }
      say(
        `from a save at one instance to word of it at another, median of ${TIMES}`,
        `${median(times).toFixed(0)} ms`,
        `${ratio(median(times), 300)}; slowest ${Math.max(...times).toFixed(0)} ms`,
      );
    } finally {
      await Promise.all(servers.map(stopServer));
    }
  });
}
