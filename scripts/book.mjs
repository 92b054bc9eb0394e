#!/usr/bin/env node
// npm run book [-- HASH]: walks the chain of the book, and looks a hash up that somebody has on paper. Takes the demo's database, or
// DATABASE_URL. Ends with 1 where the chain is broken or the hash is not there.
import path from 'node:path';
import { buildPackages, buildServer, installPackages, repo } from './build-steps.mjs';
import { withKeptDatabase } from './database.mjs';
import { $localize, fail, say, speakHere } from './terminal.mjs';

const hash = process.argv[2]?.toLowerCase();
if (hash !== undefined && !/^[0-9a-f]{64}$/.test(hash))
  fail($localize`A hash has 64 digits and letters a to f: npm run book -- HASH`, 2);
installPackages();
buildPackages();
buildServer();
await speakHere();
const { checkBookAt } = await import(path.join(repo, 'apps/server/dist/features/room/command.js'));
const { entries, faults, head, asked } = await withKeptDatabase(({ DATABASE_URL }) => checkBookAt(DATABASE_URL, hash));
for (const { id, fault } of faults) say($localize`Entry ${id}: ${fault}`);
say(faults.length > 0 ? $localize`The chain is broken.` : $localize`The chain holds: ${entries} entries.`);
if (head) say($localize`Last entry ${head.id}, hash ${head.sha256}`);
if (asked)
  say(
    asked.entry
      ? $localize`The hash is that of entry ${asked.entry.id}, entered ${asked.entry.at}.`
      : $localize`No entry has this hash.`,
  );
process.exitCode = faults.length > 0 || (asked && !asked.entry) ? 1 : 0;
