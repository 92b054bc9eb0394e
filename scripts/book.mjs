#!/usr/bin/env node
// npm run book [-- HASH]: walks the chain of the book, and looks a hash up that somebody has on paper. Takes the demo's database, or
// DATABASE_URL. Ends with 1 where the chain is broken or the hash is not there.
import path from 'node:path';
import { buildPackages, buildServer, installPackages, repo } from './build-steps.mjs';
import { withKeptDatabase } from './database.mjs';

const hash = process.argv[2]?.toLowerCase();
if (hash !== undefined && !/^[0-9a-f]{64}$/.test(hash)) {
  process.stderr.write('A hash has 64 digits and letters a to f: npm run book -- HASH\n');
  process.exit(2);
}
installPackages();
buildPackages();
buildServer();
const { checkBookAt } = await import(path.join(repo, 'apps/server/dist/features/room/command.js'));
const { entries, faults, head, asked } = await withKeptDatabase(({ DATABASE_URL }) => checkBookAt(DATABASE_URL, hash));
const say = (text) => process.stdout.write(`${text}\n`);
for (const { id, fault } of faults) say(`Entry ${id}: ${fault}`);
say(faults.length > 0 ? 'The chain is broken.' : `The chain holds: ${entries} entries.`);
if (head) say(`Last entry ${head.id}, hash ${head.sha256}`);
if (asked)
  say(
    asked.entry ? `The hash is that of entry ${asked.entry.id}, entered ${asked.entry.at}.` : 'No entry has this hash.',
  );
process.exitCode = faults.length > 0 || (asked && !asked.entry) ? 1 : 0;
