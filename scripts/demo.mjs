#!/usr/bin/env node
// npm run demo: installs what is missing, builds what changed, starts the database and the server with demo data.
// PORT (3900) and DATABASE_URL (another PostgreSQL server) may be set. Ctrl-C stops what this started.
import { spawn } from 'node:child_process';
import path from 'node:path';
import { buildAll, installPackages, keptSecret, repo } from './build-steps.mjs';
import { demoCluster, installPostgres } from './database.mjs';

const port = process.env.PORT ?? '3900';
const address = `http://127.0.0.1:${port}`;
const say = (text) => process.stdout.write(`${text}\n`);
const healthy = () =>
  fetch(`${address}/api/health`).then(
    (response) => response.ok,
    () => false,
  );

if (await healthy()) {
  process.stderr.write(`Druckerei is already running at ${address}; stop it first, or set PORT to another port.\n`);
  process.exit(1);
}

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

/** Milliseconds before a server that ended by itself is started again, and how often within a minute. */
const AGAIN_MS = 500;
const MOST_STARTS = 10;

let stopping = false;
let server;
const starts = [];
function start() {
  starts.push(Date.now());
  server = spawn(process.execPath, ['--enable-source-maps', 'apps/server/dist/main.js'], {
    cwd: repo,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      ...database,
      PORT: port,
      DEMO: '1',
      WEB_DIR: path.join(repo, 'apps/web/dist'),
      LOG_LEVEL: process.env.LOG_LEVEL ?? 'warn',
      SESSION_SECRET: process.env.SESSION_SECRET ?? keptSecret(),
    },
  });
  server.on('exit', (code) => {
    const lately = starts.filter((at) => at > Date.now() - 60_000).length;
    if (!stopping && lately < MOST_STARTS) {
      process.stderr.write(`The server ended (${code}); starting it again.\n`);
      setTimeout(start, AGAIN_MS);
      return;
    }
    cluster?.stop();
    process.exit(stopping ? 0 : (code ?? 1));
  });
}
function stop() {
  if (stopping) return;
  stopping = true;
  server.kill('SIGTERM');
}
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
start();

const until = Date.now() + 60_000;
while (!stopping && Date.now() < until) {
  if (await healthy()) {
    const { DEMO_ACCOUNTS } = await import('../apps/server/dist/demo/load-demo.js');
    say(`\nDruckerei is at ${address}\n\nDemo sign-ins:`);
    for (const { login, password, name } of DEMO_ACCOUNTS) say(`  ${login.padEnd(10)} ${password.padEnd(16)} ${name}`);
    say('\nCtrl-C stops it.');
    break;
  }
  await new Promise((resolve) => setTimeout(resolve, 100));
}
