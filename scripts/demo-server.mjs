// A throwaway server with the demo data, for the bench and the pictures.
import { spawn } from 'node:child_process';
import fs from 'node:fs';
import path from 'node:path';
import { repo } from './build-steps.mjs';
import { installPostgres, needPackage, testCluster } from './database.mjs';

const PORT = 3959;
export const webFolder = path.join(repo, 'apps/web/dist');

/** Runs `work` with the address of a built server on a database of its own; both are gone afterwards. */
export async function withDemoServer(work) {
  installPostgres();
  needPackage('chromium', () => fs.existsSync('/usr/bin/chromium'));
  const cluster = testCluster();
  cluster.start();
  const server = spawn(process.execPath, ['apps/server/dist/main.js'], {
    cwd: repo,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: {
      ...process.env,
      NODE_ENV: 'production',
      DATABASE_URL: cluster.database('throwaway'),
      PORT: String(PORT),
      DEMO: '1',
      WEB_DIR: webFolder,
      LOG_LEVEL: 'error',
    },
  });
  try {
    await work(`http://127.0.0.1:${PORT}`);
  } finally {
    server.kill('SIGTERM');
    await new Promise((resolve) => server.once('exit', resolve));
    cluster.destroy();
  }
}
