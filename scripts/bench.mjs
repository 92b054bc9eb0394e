#!/usr/bin/env node
// npm run bench: what is measured, as medians and ratios. It never fails for being slow.
import fs from 'node:fs';
import path from 'node:path';
import { gzipSync } from 'node:zlib';
import { buildAll, installPackages, repo } from './build-steps.mjs';
import { webFolder, withDemoServer } from './demo-server.mjs';

const median = (values) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)];
const say = (name, value, target) => process.stdout.write(`${name.padEnd(62)} ${value.padStart(12)}   ${target}\n`);
const ms = (value) => `${value.toFixed(2)} ms`;
const ratio = (value, target) => `target ${target} ms, ${(value / target).toFixed(2)} of it`;

installPackages();
buildAll();
const core = await import('@druckerei/core');
const example = (name) => JSON.parse(fs.readFileSync(path.join(repo, 'docs/examples', `${name}.json`), 'utf8'));

/** A booklet of many sections: eight components and sixty steps, as the target has it. */
function largeJob() {
  const programme = example('concert-programme');
  const section = programme.components[1];
  const components = Array.from({ length: 8 }, (_, i) => ({ ...section, id: `part-${i}`, name: `Part ${i}` }));
  const lane = (id) => {
    const operations = ['print', 'dry', 'coat', 'cut', 'score', 'fold', 'band'];
    return operations.map((operation, i) => ({
      id: `${operation}-${id}`,
      operation,
      component: id,
      ...(operation === 'print' ? { side: 'both' } : {}),
      ...(i > 0 ? { from: [{ material: `${operations[i - 1]}-${id}` }] } : {}),
    }));
  };
  const lanes = components.map(({ id }) => lane(id));
  const joined = [
    { id: 'stitch', operation: 'stitch', from: lanes.map((steps) => ({ material: steps.at(-1).id })) },
    { id: 'trim', operation: 'trim', from: [{ material: 'stitch' }] },
    { id: 'band-all', operation: 'band', from: [{ material: 'trim' }] },
    { id: 'box', operation: 'box', from: [{ material: 'band-all' }] },
  ];
  return { ...programme, pages: undefined, components, route: [...lanes.flat(), ...joined] };
}

function timePlan(job, runs) {
  const times = [];
  for (let i = 0; i < runs + 50; i++) {
    const start = performance.now();
    const outcome = core.plan(job, core.SHIPPED_WORKS);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues));
    if (i >= 50) times.push(performance.now() - start);
  }
  return median(times);
}

const programme = timePlan(example('concert-programme'), 500);
say('plan() of the concert programme, median of 500', ms(programme), '');
const large = largeJob();
const largeMs = timePlan(large, 300);
say(
  `plan() of ${large.components.length} components, ${large.route.length} steps, median of 300`,
  ms(largeMs),
  ratio(largeMs, 5),
);

const { benchLayout } = await import('./bench-layout.mjs');
await benchLayout(core, say, ratio, example('concert-programme'));
const { benchSure } = await import('./bench-sure.mjs');
benchSure(core, say, ratio);
const { benchPressRoom } = await import('./bench-press-room.mjs');
benchPressRoom(core, say, ratio);
const { benchZones } = await import('./bench-zones.mjs');
await benchZones(await import('@druckerei/formats/artwork'), say, ratio);

// Everything that the first page asks for before it can run.
const index = fs.readFileSync(path.join(webFolder, 'index.html'), 'utf8');
const initial = new Set([...index.matchAll(/(?:src|href)="([^"]+\.js)"/g)].map(([, file]) => file));
const bytes = [...initial].reduce((sum, file) => sum + gzipSync(fs.readFileSync(path.join(webFolder, file))).length, 0);
say(
  `initial JavaScript, ${initial.size} files, gzip`,
  `${(bytes / 1000).toFixed(0)} kB`,
  `target 450 kB, ${(bytes / 450_000).toFixed(2)} of it`,
);

const { measureRepaint } = await import('../e2e/tools/repaint.mjs');
await withDemoServer(async (address) => {
  for (const { name, value } of await measureRepaint(address, large)) say(name, ms(value), ratio(value, 50));
});
