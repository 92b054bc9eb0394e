// A built server with the demo data on a database of its own, for the bench, the pictures and the trials.
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { repo } from './build-steps.mjs';
import { installPostgres, needPackage, testCluster } from './database.mjs';

const PORT = 3959;
/** Milliseconds between two looks whether a server is there. */
const LOOK_MS = 200;
export const webFolder = path.join(repo, 'apps/web/dist');

/** Starts the built server. @param env what it is told beside the usual: its database first of all. */
export const spawnServer = (port, env) =>
  spawn(process.execPath, ['apps/server/dist/main.js'], {
    cwd: repo,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, NODE_ENV: 'production', PORT: String(port), DEMO: '1', LOG_LEVEL: 'error', ...env },
  });

/** Waits until a server answers questions of its works. */
export async function untilReady(address) {
  for (;;) {
    const answer = await fetch(`${address}/api/ready`).catch(() => undefined);
    if (answer?.ok) return;
    await new Promise((resolve) => setTimeout(resolve, LOOK_MS));
  }
}

/** Stops a server and waits until it is gone. */
export async function stopServer(server) {
  server.kill('SIGTERM');
  if (server.exitCode === null && server.signalCode === null)
    await new Promise((resolve) => server.once('exit', resolve));
}

/** Runs `work` on a throwaway cluster; it is gone afterwards. @param durable what is acknowledged outlives a kill of it. */
export async function withCluster(work, durable = false) {
  installPostgres();
  const cluster = testCluster(durable);
  cluster.start();
  try {
    return await work(cluster);
  } finally {
    cluster.destroy();
  }
}

/** Runs `work` with the address of a built server and the addresses of its database; both are gone afterwards. @param env settings beside the usual. */
export async function withDemoServer(work, env = {}) {
  needPackage('chromium', () => fs.existsSync('/usr/bin/chromium'));
  await withCluster(async (cluster) => {
    const database = cluster.database('throwaway');
    const server = spawnServer(PORT, { ...database, WEB_DIR: webFolder, ...env });
    try {
      await work(`http://127.0.0.1:${PORT}`, database);
    } finally {
      await stopServer(server);
    }
  });
}
