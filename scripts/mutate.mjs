#!/usr/bin/env node
// npm run mutate -- AREA [--mutants 100] [--seed 1] [--write]: puts faults into an area of core, one at a time, and counts
// those that the area's own tests notice. Tells the ones that they do not. With --write its score goes into docs/mutants.json.
// What only people read is no fault: texts are left alone, and so is `?.`, which the compiler holds.
import { spawn, spawnSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { parseArgs } from 'node:util';
import { Instrumenter } from '@stryker-mutator/instrumenter';
import { repo } from './build-steps.mjs';

/** An area: the folders whose files get faults, and the tests that are its own. */
const AREAS = {
  stations: { folders: ['stations'], tests: ['stations/'] },
  stores: { folders: ['stores'], tests: ['stores/'] },
  'press-room': { folders: ['press-room'], tests: ['press-room/'] },
  rules: { folders: ['rules'], tests: ['rules/'] },
  counting: {
    folders: ['plan/counting', 'flow'],
    tests: ['flow/', 'plan/counting/', 'plan/(runs|rolls|rates|in-line)'],
  },
  material: { folders: ['material'], tests: ['material/'] },
  uses: { folders: ['plan/uses'], tests: ['plan/', 'balance/', 'stores/'] },
  hours: { folders: ['plan/hours'], tests: ['plan/'] },
};
/** A copy of core in a folder as the repository is laid out, so that its settings and what it imports are found. */
const AWAY = fs.mkdtempSync(path.join(os.tmpdir(), 'druckerei-mutants-'));
const COPY = path.join(AWAY, 'packages/core');
const AROUND = ['node_modules', 'scripts', 'docs', 'package.json', 'tsconfig.base.json'];
const AT_ONCE = 2;
const LONGER = 4;
const HARMLESS = new Set(['StringLiteral', 'OptionalChaining']);
const QUIET = Object.fromEntries(
  ['trace', 'debug', 'info', 'warn', 'error', 'fatal'].flatMap((level) => [
    [level, () => undefined],
    [`is${level[0].toUpperCase()}${level.slice(1)}Enabled`, () => false],
  ]),
);

const { values: asked, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    mutants: { type: 'string', default: '100' },
    seed: { type: 'string', default: '1' },
    write: { type: 'boolean', default: false },
  },
});
const name = positionals[0];
if (!Object.hasOwn(AREAS, name ?? '')) {
  console.error(`Usage: npm run mutate -- ${Object.keys(AREAS).join(' | ')} [--mutants 100] [--seed 1] [--write]`);
  process.exit(2);
}
const { folders, tests } = AREAS[name];

/** The same picks for the same seed: a small linear congruence (Numerical Recipes, from memory). */
function pick(all, count, seed) {
  const rest = [...all];
  const picked = [];
  for (let state = seed; picked.length < count && rest.length > 0;) {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    picked.push(...rest.splice(state % rest.length, 1));
  }
  return picked;
}

/** Runs the area's tests. @returns milliseconds, and whether all passed; what takes too long is ended, and has not. */
function run(active, longestMs) {
  const started = performance.now();
  const child = spawn(
    process.execPath,
    [
      '--experimental-vm-modules',
      '--disable-warning=ExperimentalWarning',
      path.join(repo, 'node_modules/jest/bin/jest.js'),
      ...[
        '-c',
        path.join(COPY, 'jest.config.mjs'),
        '--bail',
        '--silent',
        '--runInBand',
        ...tests.map((test) => `src/${test}`),
      ],
    ],
    { cwd: COPY, stdio: 'ignore', env: { ...process.env, ...(active && { __STRYKER_ACTIVE_MUTANT__: active }) } },
  );
  const end = setTimeout(() => child.kill('SIGKILL'), longestMs);
  return new Promise((resolve) =>
    child.on('exit', (code) => {
      clearTimeout(end);
      resolve({ ms: performance.now() - started, passed: code === 0 });
    }),
  );
}

function copy() {
  fs.mkdirSync(path.dirname(COPY));
  for (const name of AROUND) fs.symlinkSync(path.join(repo, name), path.join(AWAY, name));
  fs.cpSync(path.join(repo, 'packages/core'), COPY, {
    recursive: true,
    filter: (file) => !/node_modules|dist|tsbuildinfo/.test(path.relative(repo, file)),
  });
}

/** Writes every fault into the copy, each asleep until its number is called. */
async function instrument() {
  const files = folders.flatMap((folder) =>
    fs
      .readdirSync(path.join(COPY, 'src', folder), { recursive: true })
      .map((file) => path.join(COPY, 'src', folder, file))
      .filter((file) => file.endsWith('.ts') && !/\.(spec|fixture)\.ts$|index\.ts$/.test(file)),
  );
  const made = await new Instrumenter(QUIET).instrument(
    files.map((file) => ({ name: file, content: fs.readFileSync(file, 'utf8'), mutate: true })),
    { plugins: null, ignorers: [], excludedMutations: [] },
  );
  for (const { name: file, content } of made.files) fs.writeFileSync(file, content);
  return made.mutants.filter(({ mutatorName }) => !HARMLESS.has(mutatorName));
}

const lineOf = ({ fileName, location, mutatorName, replacement }) =>
  `${path.relative(path.join(COPY, 'src'), fileName)}:${location.start.line + 1}:${location.start.column + 1} ${mutatorName}: ${replacement.replaceAll(/\s+/g, ' ').slice(0, 90)}`;

copy();
process.on('exit', () => fs.rmSync(AWAY, { recursive: true, force: true }));
process.on('SIGINT', () => process.exit(130));
const mutants = await instrument();
const dry = await run(undefined, 600_000);
if (!dry.passed) {
  console.error(`The tests of ${name} do not pass without a fault.`);
  process.exit(1);
}
const picked = pick(mutants, Number(asked.mutants), Number(asked.seed));
// The first run has read every file anew: the second says how long the tests take.
const again = await run(undefined, 600_000);
console.log(
  `${name}: ${mutants.length} faults, ${picked.length} tried; its tests take ${(again.ms / 1000).toFixed(1)} s`,
);
const survived = [];
let done = 0;
const queue = [...picked];
await Promise.all(
  Array.from({ length: AT_ONCE }, async () => {
    for (let mutant = queue.shift(); mutant; mutant = queue.shift()) {
      const { passed } = await run(mutant.id, LONGER * again.ms + 10_000);
      done++;
      if (!passed) continue;
      survived.push(mutant);
      console.log(`  not noticed (${done}): ${lineOf(mutant)}`);
    }
  }),
);
const score = Math.round((100 * (picked.length - survived.length)) / picked.length);
console.log(`${name}: ${score} % noticed, ${survived.length} of ${picked.length} not (seed ${asked.seed})`);
if (asked.write) {
  const file = path.join(repo, 'docs/mutants.json');
  const scores = fs.existsSync(file) ? JSON.parse(fs.readFileSync(file, 'utf8')) : {};
  scores[name] = { noticed: score, tried: picked.length, of: mutants.length, seed: Number(asked.seed) };
  fs.writeFileSync(file, `${JSON.stringify(scores, null, 2)}\n`);
  spawnSync(process.execPath, [path.join(repo, 'scripts/checks.mjs')], { stdio: 'inherit' });
}
