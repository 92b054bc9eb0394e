#!/usr/bin/env node
// npm run demo: installs what is missing, builds what changed, starts the database and the server with demo data.
// PORT (3900) and DATABASE_URL (another PostgreSQL server) may be set. Ctrl-C stops what this started.
import path from 'node:path';
import { buildAll, installPackages, keptSecret, repo } from './build-steps.mjs';
import { demoCluster, installPostgres } from './database.mjs';
import { answers, keepRunning } from './keep-running.mjs';
import { $localize, fail, say } from './terminal.mjs';

const port = process.env.PORT ?? '3900';
const address = `http://127.0.0.1:${port}`;

if (await answers(address))
  fail($localize`Druckerei is already running at ${address}; stop it first, or set PORT to another port.`);

installPackages();
buildAll();

let cluster = null;
let database = {};
if (process.env.DATABASE_URL === undefined) {
  installPostgres();
  const kept = demoCluster();
  if (kept.start()) cluster = kept;
  database = kept.database('druckerei');
}

const running = keepRunning(
  {
    ...database,
    PORT: port,
    DEMO: '1',
    DEMO_FLOOR: '1',
    WEB_DIR: path.join(repo, 'apps/web/dist'),
    LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
    SESSION_SECRET: process.env.SESSION_SECRET ?? keptSecret('session-secret'),
  },
  () => cluster?.stop(),
);

const until = Date.now() + 60_000;
while (!running.isStopping() && Date.now() < until) {
  if (await answers(address)) {
    const { DEMO_ACCOUNTS } = await import('../apps/server/dist/demo/load-demo.js');
    say(`\n${$localize`Druckerei is at ${address}`}\n\n${$localize`Demo sign-ins:`}`);
    for (const { login, password, name } of DEMO_ACCOUNTS) say(`  ${login.padEnd(10)} ${password.padEnd(16)} ${name}`);
    say(`\n${$localize`Ctrl-C stops it.`}`);
    break;
  }
  await new Promise((resolve) => setTimeout(resolve, 100));
}
