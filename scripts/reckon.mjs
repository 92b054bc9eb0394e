#!/usr/bin/env node
// reckon FILE.json: plans a job file and prints the plan as JSON. --school step|added|table, --explain FIGURE_ID,
// --school sure [--p 0.95] [--seed 7] [--draws 20000] for quantities that are enough with probability p,
// --counts COUNTS.csv (columns step,good) for the forecast of a running job,
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
      counts: { type: 'string' },
    },
  });
} catch (error) {
  fail(error.message);
}
const [file] = args.positionals;
if (!file)
  fail(
    'usage: npm run -s reckon -- FILE.json [--school step|added|table] [--school sure [--p 0.95] [--seed 7] [--draws 20000]] [--counts COUNTS.csv] [--explain FIGURE_ID] [--ways [--by cost|paper|hours|plates]]',
  );
let text;
try {
  text = fs.readFileSync(file, 'utf8');
} catch (error) {
  fail(`${file}: cannot be read (${error.code ?? error.message})`);
}
buildPackages();
const { reckon } = await import('@druckerei/contract');
const { counts: countsFile, ...options } = args.values;
let counts;
if (countsFile !== undefined) {
  const { default: Papa } = await import('papaparse');
  let csv;
  try {
    csv = fs.readFileSync(countsFile, 'utf8');
  } catch (error) {
    fail(`${countsFile}: cannot be read (${error.code ?? error.message})`);
  }
  const { data, errors, meta } = Papa.parse(csv.trim(), { header: true, skipEmptyLines: true });
  if (errors.length > 0) fail(...errors.map(({ row, message }) => `${countsFile}, line ${(row ?? 0) + 2}: ${message}`));
  if (!['step', 'good'].every((column) => meta.fields?.includes(column)))
    fail(`${countsFile}: the columns step and good are wanted`);
  counts = data.map(({ step, good }) => ({ step: step.trim(), good: good.trim() === '' ? NaN : Number(good) }));
}
const result = reckon(text, { ...options, counts });
if (!result.ok) fail(...result.lines);
// Written whole before the process ends: a pipe would lose the rest of a long plan at process.exit.
process.stdout.on('error', () => process.exit(0)); // the reader has gone
process.stdout.write(`${JSON.stringify(result.output, null, 2)}\n`);
