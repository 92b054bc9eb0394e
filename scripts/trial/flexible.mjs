// Small shops with a choice of machines and set-ups by what was on before, solved by an outside solver (Debian's minizinc with gecode):
// its answers are kept in docs/flexible-shops.json, and core's schedules are held against them in schedule.spec.
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { format, resolveConfig } from 'prettier';
import { repo } from '../build-steps.mjs';

const KEPT = path.join(repo, 'docs/flexible-shops.json');
const MODEL = path.join(repo, 'scripts/trial/flexible.mzn');
const CASES = 8;
const SHAPE = { jobs: 3, steps: 3, machines: 3, dresses: 3 };

/** Numbers 0 to below 1, the same every time. */
function draws(seed) {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

/** A shop by chance: minutes of each operation on each machine (0 where it cannot be done), dresses, lags, dues, weights, set-ups. */
function shopOf(seed, { jobs, steps, machines, dresses }) {
  const draw = draws(seed);
  const whole = (from, to) => from + Math.floor(draw() * (to - from + 1));
  const operations = Array.from({ length: jobs }, () =>
    Array.from({ length: steps }, () => {
      const sure = whole(0, machines - 1);
      const run = Array.from({ length: machines }, (_, m) => (m === sure || draw() < 0.5 ? whole(2, 9) : 0));
      return { run, dress: whole(0, dresses - 1), lag: draw() < 0.3 ? whole(1, 6) : 0 };
    }),
  );
  // Row 0: on an empty machine.
  const setUp = Array.from({ length: dresses + 1 }, (_, from) =>
    Array.from({ length: dresses }, (_, to) => (from === to + 1 ? 0 : whole(0, 5))),
  );
  const due = Array.from({ length: jobs }, () => whole(6, 18));
  return { jobs: operations, setUp, due, weight: due.map(() => whole(1, 4)) };
}

const list = (values) => `[${values.join(', ')}]`;
const grid = (rows) => `[| ${rows.map((row) => row.join(', ')).join(' | ')} |]`;

/** The least weighted lateness there is. */
function solved({ jobs, setUp, due, weight }) {
  const operations = jobs.flatMap((steps, job) => steps.map((step, i) => ({ ...step, job, first: i === 0 })));
  const data = [
    `n = ${operations.length}; machines = ${operations[0].run.length}; jobs = ${jobs.length}; dresses = ${setUp[0].length};`,
    `run = ${grid(operations.map(({ run }) => run))};`,
    `dress = ${list(operations.map(({ dress }) => dress + 1))};`,
    `lag = ${list(operations.map(({ lag }) => lag))};`,
    `job = ${list(operations.map((one) => one.job + 1))};`,
    `begins = ${list(operations.map(({ first }) => first))};`,
    `setup = ${grid(setUp)};`,
    `due = ${list(due)}; weight = ${list(weight)};`,
  ].join('\n');
  const file = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'flexible-')), 'shop.dzn');
  fs.writeFileSync(file, data);
  const told = execFileSync('minizinc', ['--solver', 'gecode', MODEL, file], { encoding: 'utf8', timeout: 600_000 });
  if (!told.includes('==========')) throw new Error(`minizinc has not proved its answer: ${told}`);
  return Number(/late = (\d+)/.exec(told)[1]);
}

/** Solves every shop anew and keeps the answers. */
export async function flexible() {
  const before = fs.existsSync(KEPT) ? JSON.parse(fs.readFileSync(KEPT, 'utf8')).shops : [];
  const shops = Array.from({ length: CASES }, (_, i) => {
    const shop = shopOf(i + 1, SHAPE);
    return { ...shop, best: solved(shop) };
  });
  const source =
    'made up by chance; best: least weighted lateness by minizinc with gecode (scripts/trial/flexible.mjs)';
  const options = { ...(await resolveConfig(KEPT)), filepath: KEPT };
  fs.writeFileSync(KEPT, await format(JSON.stringify({ source, shops }), options));
  const same = before.filter(({ best }, i) => best === shops[i]?.best).length;
  return {
    rows: [['shops solved as they are kept', `${same} of ${before.length}`, 'all']],
    met: same === before.length,
  };
}
