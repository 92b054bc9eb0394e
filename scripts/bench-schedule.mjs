// The schedule part of npm run bench: a crowded works, the instances of the literature, a planner's move.
import fs from 'node:fs';
import path from 'node:path';
import { repo } from './build-steps.mjs';

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const CROWDED = { jobs: 200, steps: 7, machines: 30, slack: 1.2 };
const BETTERING_MS = 30_000;

/** Numbers 0 to below 1, the same every time. */
function draws(seed) {
  let state = seed;
  return () => {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    return state / 2 ** 32;
  };
}

/** Jobs through kinds of machines that differ in speed, with set-ups by colour; due so that the busiest kind is crowded. */
function crowded(always, { jobs, steps, machines, slack }) {
  const draw = draws(7);
  const whole = (from, to) => from + Math.floor(draw() * (to - from + 1));
  const resources = Array.from({ length: machines }, (_, i) => ({ id: `m${i}`, kind: 'machine', open: always }));
  const speed = resources.map(() => 0.8 + 0.6 * draw());
  const load = Array(steps).fill(0);
  const operations = [];
  for (let j = 0; j < jobs; j++)
    for (let k = 0; k < steps; k++) {
      const minutes = whole(30, 240);
      const dress = k * 8 + whole(0, 7);
      const able = resources.flatMap((_, m) => (m % steps === k ? [m] : []));
      const modes = able.map((m) => ({ machine: m, beside: [], setUp: 15, run: Math.ceil(minutes / speed[m]), dress }));
      load[k] += minutes / able.length;
      const after = k === 0 ? [] : [{ operation: operations.length - 1, lag: draw() < 0.2 ? whole(60, 480) : 0 }];
      operations.push({ id: `${j}.${k}`, order: j, after, modes, release: 0 });
    }
  const orders = Array.from({ length: jobs }, (_, j) => ({
    id: `${j}`,
    due: Math.round(Math.max(...load) * slack * (0.15 + 0.85 * draw())),
    weight: whole(1, 4),
  }));
  const setUp = (before, after) => (before === undefined || before === after ? 0 : before < after ? 15 : 35);
  return { resources, operations, orders, dresses: steps * 8, setUp, weights: { late: 1, setUp: 0.1, through: 1e-4 } };
}

function jobShop(always, rows) {
  const told = rows.map((row) => row.trim().split(/\s+/).map(Number));
  const machines = told[0].length / 2;
  const operations = told.flatMap((row, j) =>
    Array.from({ length: machines }, (_, k) => ({
      id: `${j}.${k}`,
      order: 0,
      after: k === 0 ? [] : [{ operation: j * machines + k - 1, lag: 0 }],
      modes: [{ machine: row[2 * k], beside: [], setUp: 0, run: row[2 * k + 1], dress: 0 }],
      release: 0,
    })),
  );
  const resources = Array.from({ length: machines }, (_, i) => ({ id: `m${i}`, kind: 'machine', open: always }));
  const orders = [{ id: 'all', due: 0, weight: 1 }];
  return { resources, operations, orders, dresses: 1, setUp: () => 0, weights: { late: 1, setUp: 0, through: 0 } };
}

/** Betters until the best possible is met or the time is over. */
function meet(improver, best, ms) {
  const start = performance.now();
  while (performance.now() - start < ms && improver.judged.late > best) improver.run(500);
  return performance.now() - start;
}

export function benchSchedule({ schedule }, say, ratio) {
  const { OpenTime, Improver, firstSchedule, moved, timetable, pricedBound, BOUND_ROUNDS } = schedule;
  const shop = crowded(OpenTime.ALWAYS, CROWDED);
  const name = `${CROWDED.jobs} jobs x ${CROWDED.steps} operations on ${CROWDED.machines} machines`;
  const times = Array.from({ length: 9 }, () => {
    const start = performance.now();
    firstSchedule(shop);
    return performance.now() - start;
  });
  const first = firstSchedule(shop);
  say(`first schedule of ${name}, median of 9`, `${median(times).toFixed(0)} ms`, ratio(median(times), 150));
  const improver = new Improver(shop, first, 1);
  const before = improver.judged.late;
  meet(improver, 0, BETTERING_MS);
  const less = 1 - improver.judged.late / before;
  say(
    `weighted lateness less after 30 s of bettering (30 % wanted); ${improver.evaluations} tries`,
    `${(100 * less).toFixed(1)} %: ${Math.round(before)} to ${Math.round(improver.judged.late)}`,
  );
  // Where most jobs are late the bound says something: orders alone say nothing of what they take from each other.
  for (const size of [
    { jobs: 30, steps: 4, machines: 8 },
    { jobs: 100, steps: 5, machines: 20 },
    { jobs: 200, steps: 7, machines: 30 },
  ]) {
    const late = crowded(OpenTime.ALWAYS, { ...size, slack: 0.4 });
    const bettered = new Improver(late, firstSchedule(late), 1);
    meet(bettered, 0, BETTERING_MS);
    const table = timetable(late, bettered.best());
    const begun = performance.now();
    const { bound } = pricedBound(late, bettered.judged.late, Math.max(...table.through), BOUND_ROUNDS);
    say(
      `bound of ${size.jobs} jobs x ${size.steps} operations, ${bettered.judged.lateOrders} of them late (60 % of what was found in 30 s wanted)`,
      `${((100 * bound) / bettered.judged.late).toFixed(0)} % in ${((performance.now() - begun) / 1000).toFixed(1)} s`,
    );
  }
  const best = improver.best();
  const moves = Array.from({ length: 21 }, (_, i) => {
    const start = performance.now();
    const changed = moved(shop, best, best.order[700 + i], { before: best.order[400 + i] });
    timetable(shop, changed ?? best);
    return performance.now() - start;
  });
  say(
    `effect of a move among ${shop.operations.length} operations, median of 21`,
    `${median(moves).toFixed(1)} ms`,
    ratio(median(moves), 100),
  );
  const instances = JSON.parse(fs.readFileSync(path.join(repo, 'docs/job-shops.json'), 'utf8'));
  for (const [id, limit, seeds] of [
    ['ft06', 1000, 1],
    ['la01', 1000, 1],
    ['la02', 1000, 1],
    ['la05', 1000, 1],
    ['ft10', 20_000, 5],
  ]) {
    const { name: told, best: wanted, jobs } = instances[id];
    const found = Array.from({ length: seeds }, (_, seed) => {
      const one = jobShop(OpenTime.ALWAYS, jobs);
      const bettered = new Improver(one, firstSchedule(one), seed + 1);
      const ms = meet(bettered, wanted, limit);
      return `${bettered.judged.late} in ${(ms / 1000).toFixed(1)} s`;
    });
    say(`${told}: best possible ${wanted}, ${limit / 1000} s`, found.join('; '));
  }
}
