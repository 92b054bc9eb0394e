// Dump, destroy, restore, compare: by a backup of ours into a new cluster, and by PostgreSQL's own archive.
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import { buildServer, repo } from '../build-steps.mjs';
import { spawnServer, stopServer, withCluster } from '../demo-server.mjs';
import { Client, untilHealthy } from './client.mjs';

const PORT = 3967;
const address = `http://127.0.0.1:${PORT}`;
const seconds = (began) => (performance.now() - began) / 1000;

/** What people did: a few jobs, one of them released. */
async function work(from, to) {
  const client = new Client(address);
  await client.signIn();
  const file = JSON.parse(fs.readFileSync(path.join(repo, 'docs/examples/trail-map.json'), 'utf8'));
  for (let i = from; i < to; i++) {
    const { body } = await client.call('POST', '/api/jobs', { ...file, number: `DRILL-${i}` });
    if (i === from)
      await client.call('POST', `/api/jobs/${body.id}/release`, {
        version: body.version,
        mark: body.works.mark ?? 0,
      });
  }
}

/** A command of ours, with the addresses of a database. */
const command = (what, file, database) =>
  execFileSync(process.execPath, ['scripts/backup.mjs', what, file], {
    cwd: repo,
    env: { ...process.env, ...database },
    stdio: ['ignore', 'ignore', 'inherit'],
  });

/** @param clock whether times count. @returns rows of the table, and whether all of it was reached. */
export async function restore(clock) {
  buildServer();
  const { openBackup } = await import(path.join(repo, 'apps/server/dist/db/backup/read-backup.js'));
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'druckerei-drill-'));
  fs.chmodSync(folder, 0o755); // PostgreSQL's account has to come by
  const archive = path.join(folder, 'archive');
  const said = async (name, database) => {
    const file = path.join(folder, name);
    command('backup', file, database);
    const backup = await openBackup(file);
    backup.close();
    return backup.manifest.tables;
  };
  try {
    const { before, dumped, recovered, archiveS } = await withCluster(async (cluster) => {
      const database = cluster.database('drill');
      const server = spawnServer(PORT, { ...database, LOG_LEVEL: 'silent' });
      try {
        await untilHealthy(address);
        await work(0, 3);
        cluster.archive(archive);
        await untilHealthy(address);
        await work(3, 6);
      } finally {
        await stopServer(server);
      }
      const dump = performance.now();
      const before = await said('before.zip', database);
      const dumped = seconds(dump);
      cluster.settleArchive();
      cluster.destroy();
      const began = performance.now();
      cluster.recover(archive);
      const archiveS = seconds(began);
      return { before, dumped, archiveS, recovered: await said('recovered.zip', cluster.database('drill')) };
    });
    const { restored, restoreS } = await withCluster(async (cluster) => {
      const database = cluster.database('drill');
      const began = performance.now();
      command('restore', path.join(folder, 'before.zip'), database);
      const restoreS = seconds(began);
      return { restoreS, restored: await said('restored.zip', database) };
    });
    const rows = Object.values(before).reduce((sum, table) => sum + table.rows, 0);
    const byBackup = isDeepStrictEqual(restored, before);
    const byArchive = isDeepStrictEqual(recovered, before);
    return {
      rows: [
        ['rows', rows, ''],
        ['backup, s', dumped.toFixed(1), ''],
        ['restored, s', restoreS.toFixed(1), 'under 60'],
        ['restored', byBackup ? 'equal' : 'OTHER', 'equal'],
        ['out of the archive, s', archiveS.toFixed(1), ''],
        ['out of the archive', byArchive ? 'equal' : 'OTHER', 'equal'],
      ],
      met: byBackup && byArchive && rows > 100 && (!clock || restoreS < 60),
    };
  } finally {
    fs.rmSync(folder, { recursive: true, force: true });
  }
}
