// The part of npm run bench about a large works: 200 machines, 5,000 papers, 2,000 customers, 50 people.
import fs from 'node:fs';
import path from 'node:path';
import pg from 'pg';
import { repo } from './build-steps.mjs';
import { untilReady, withDemoServer } from './demo-server.mjs';

export async function benchLargeWorks(say, ms, ratio) {
  const { measureLargeWorks } = await import('../e2e/tools/large-works.mjs');
  await withDemoServer(async (address, { OWNER_DATABASE_URL }) => {
    await untilReady(address);
    const client = new pg.Client(OWNER_DATABASE_URL);
    await client.connect();
    await client.query(fs.readFileSync(path.join(repo, 'scripts/large-works.sql'), 'utf8'));
    await client.end();
    for (const { name, value, target } of await measureLargeWorks(address)) say(name, ms(value), ratio(value, target));
  });
}
