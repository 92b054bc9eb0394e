#!/usr/bin/env node
// reckon FILE.json: plans a job file and prints the plan as JSON. --school step|added|table, --explain FIGURE_ID,
// --school sure [--p 0.95] [--seed 7] [--draws 20000] for quantities that are enough with probability p,
// --ways [--by cost|paper|hours|plates] for the ranked list of ways to run.
import fs from 'node:fs';
import { parseArgs } from 'node:util';
import { buildPackages } from './build-steps.mjs';

const fail = (...lines) => {
  for (const line of lines) process.stderr.write(`${line}\n`);
  process.exit(2);
};

let args;
try {
  args = parseArgs({
    allowPositionals: true,
    options: {
      school: { type: 'string' },
      explain: { type: 'string' },
      ways: { type: 'boolean' },
      by: { type: 'string' },
      p: { type: 'string' },
      seed: { type: 'string' },
      draws: { type: 'string' },
    },
  });
} catch (error) {
  fail(error.message);
}
const [file] = args.positionals;
if (!file)
  fail(
    'usage: npm run -s reckon -- FILE.json [--school step|added|table] [--school sure [--p 0.95] [--seed 7] [--draws 20000]] [--explain FIGURE_ID] [--ways [--by cost|paper|hours|plates]]',
  );
let text;
try {
  text = fs.readFileSync(file, 'utf8');
} catch (error) {
  fail(`${file}: cannot be read (${error.code ?? error.message})`);
}
buildPackages();
const { reckon } = await import('@druckerei/contract');
const result = reckon(text, args.values);
if (!result.ok) fail(...result.lines);
// Written whole before the process ends: a pipe would lose the rest of a long plan at process.exit.
process.stdout.on('error', () => process.exit(0)); // the reader has gone
process.stdout.write(`${JSON.stringify(result.output, null, 2)}\n`);
