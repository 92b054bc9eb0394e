#!/usr/bin/env node
// npm run backup -- FILE: everything that the works keeps into a ZIP of JSON lines, while it goes on working.
// npm run restore -- FILE: such a file into an empty works. Both take the demo's database, or DATABASE_URL.
import fs from 'node:fs';
import path from 'node:path';
import { buildPackages, buildServer, installPackages, repo } from './build-steps.mjs';
import { withKeptDatabase } from './database.mjs';

const [what, name, ...more] = process.argv.slice(2);
if (name === undefined || more.length > 0) {
  process.stderr.write(`Say which file: npm run ${what} -- FILE\n`);
  process.exit(2);
}
const file = path.resolve(process.env.INIT_CWD ?? '.', name);
if (what === 'backup' && fs.existsSync(file)) {
  process.stderr.write(`${file} is there already; a backup overwrites nothing. Name another file.\n`);
  process.exit(2);
}
if (what === 'restore' && !fs.existsSync(file)) {
  process.stderr.write(`${file} is not there.\n`);
  process.exit(2);
}

installPackages();
buildPackages();
buildServer();
const { backupInto, restoreFrom } = await import(path.join(repo, 'apps/server/dist/features/backup/command.js'));
const began = performance.now();
try {
  const { made, tables } = await withKeptDatabase(({ DATABASE_URL: application, OWNER_DATABASE_URL: owner }) =>
    (what === 'backup' ? backupInto : restoreFrom)(file, { application, owner }),
  );
  for (const [table, { rows, sha256 }] of Object.entries(tables))
    process.stdout.write(`${table.padEnd(20)} ${String(rows).padStart(8)}  ${sha256.slice(0, 16)}\n`);
  const seconds = ((performance.now() - began) / 1000).toFixed(1);
  process.stdout.write(
    what === 'backup'
      ? `Written to ${file} in ${seconds} s. It holds the hashes of passwords: keep it safe.\n`
      : `Restored from ${file}, written ${made}, in ${seconds} s; what stands equals the backup.\n`,
  );
} catch (error) {
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 1;
}
