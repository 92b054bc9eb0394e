#!/usr/bin/env node
// npm run backup -- FILE: everything that the works keeps into a ZIP of JSON lines, while it goes on working.
// npm run restore -- FILE: such a file into an empty works. Both take the demo's database, or DATABASE_URL.
import fs from 'node:fs';
import path from 'node:path';
import { buildPackages, buildServer, installPackages, repo } from './build-steps.mjs';
import { withKeptDatabase } from './database.mjs';
import { $localize, fail, say, speakHere, warn } from './terminal.mjs';

const [what, name, ...more] = process.argv.slice(2);
if (name === undefined || more.length > 0) fail($localize`Say which file: npm run ${what} -- FILE`, 2);
const file = path.resolve(process.env.INIT_CWD ?? '.', name);
if (what === 'backup' && fs.existsSync(file))
  fail($localize`${file} is there already; a backup overwrites nothing. Name another file.`, 2);
if (what === 'restore' && !fs.existsSync(file)) fail($localize`${file} is not there.`, 2);

installPackages();
buildPackages();
buildServer();
await speakHere();
const { backupInto, restoreFrom } = await import(path.join(repo, 'apps/server/dist/features/backup/command.js'));
const began = performance.now();
try {
  const { made, tables } = await withKeptDatabase(({ DATABASE_URL: application, OWNER_DATABASE_URL: owner }) =>
    (what === 'backup' ? backupInto : restoreFrom)(file, { application, owner }),
  );
  for (const [table, { rows, sha256 }] of Object.entries(tables))
    say(`${table.padEnd(20)} ${String(rows).padStart(8)}  ${sha256.slice(0, 16)}`);
  const seconds = ((performance.now() - began) / 1000).toFixed(1);
  say(
    what === 'backup'
      ? $localize`Written to ${file} in ${seconds} s. It holds the hashes of passwords: keep it safe.`
      : $localize`Restored from ${file}, written ${made}, in ${seconds} s; what stands equals the backup.`,
  );
} catch (error) {
  warn(error.message);
  process.exitCode = 1;
}
