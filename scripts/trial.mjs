#!/usr/bin/env node
// npm run trial [-- NAME ...] [--short] [--seed N]: attacks on what we promise (docs/trust.md), each with its table.
// Bounded, on loopback only, and the same for the same seed.
import { buildPackages, installPackages } from './build-steps.mjs';
import { flexible } from './trial/flexible.mjs';
import { hostile } from './trial/hostile.mjs';
import { mutants } from './trial/mutants.mjs';
import { outages } from './trial/outages.mjs';
import { races } from './trial/races.mjs';
import { restore } from './trial/restore.mjs';
import { scale } from './trial/scale.mjs';
import { typing } from './trial/typing.mjs';

const args = process.argv.slice(2);
const short = args.includes('--short');
// `npm test` does not ask the clock: in the short forms times are told and do not count.
const clock = !short;
const seedAt = args.indexOf('--seed');
const seed = seedAt < 0 ? 1 : Number(args[seedAt + 1]);
const TRIALS = {
  mutants: () => mutants(short ? 1_500 : 100_000, seed, clock),
  hostile: () => hostile(short ? 1_500 : 40_000, seed, clock),
  ...(short ? {} : { scale: () => scale(10_000) }),
  // The browser tests of `npm test` are its short form.
  ...(short ? {} : { typing }),
  // Wants minizinc of Debian; the tests hold core against the answers that are kept.
  ...(short ? {} : { flexible }),
  outages: () =>
    outages(
      short
        ? { postmasters: 2, backends: 2, restarts: 1, servers: 2 }
        : { postmasters: 30, backends: 30, restarts: 5, servers: 40 },
      clock,
    ),
  races: () => races(short ? 4 : 40),
  restore: () => restore(clock),
};
const names = args.filter((arg, i) => !arg.startsWith('--') && (seedAt < 0 || i !== seedAt + 1));

installPackages();
buildPackages();
let met = true;
for (const [name, run] of Object.entries(TRIALS)) {
  if (names.length > 0 && !names.includes(name)) continue;
  process.stdout.write(`\n${name}, seed ${seed}\n`);
  const { rows, met: reached } = await run();
  for (const [what, value, wanted] of rows)
    process.stdout.write(`  ${String(what).padEnd(48)} ${String(value).padStart(10)}   ${wanted}\n`);
  met &&= reached;
}
process.exitCode = met ? 0 : 1;
