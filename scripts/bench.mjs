#!/usr/bin/env node
// npm run bench: what is measured, as medians and ratios. It never fails for being slow.
import fs from 'node:fs';
import path from 'node:path';
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

const exampleNames = fs.readdirSync(path.join(repo, 'docs/examples')).map((file) => path.basename(file, '.json'));
const OPERATIONS = ['print', 'dry', 'coat', 'cut', 'score', 'fold', 'band'];
/** A booklet of many sections: so many components, and so many steps in all. */
function largeJob(parts, steps) {
  const programme = example('concert-programme');
  const section = programme.components[1];
  const components = Array.from({ length: parts }, (_, i) => ({ ...section, id: `part-${i}`, name: `Part ${i}` }));
  const inLanes = steps - 4;
  const lane = (id, at) => {
    // The first lanes take what cannot be shared out evenly; every lane prints and cuts.
    const length = Math.floor(inLanes / parts) + (at < inLanes % parts ? 1 : 0);
    const operations = ['print', 'dry', 'cut', ...OPERATIONS.slice(4), 'coat'].slice(0, length);
    return operations.map((operation, i) => ({
      id: `${operation}-${id}`,
      operation,
      component: id,
      ...(operation === 'print' ? { side: 'both' } : {}),
      ...(i > 0 ? { from: [{ material: `${operations[i - 1]}-${id}` }] } : {}),
    }));
  };
  const lanes = components.map(({ id }, i) => lane(id, i));
  const joined = [
    { id: 'stitch', operation: 'stitch', from: lanes.map((steps) => ({ material: steps.at(-1).id })) },
    { id: 'trim', operation: 'trim', from: [{ material: 'stitch' }] },
    { id: 'band-all', operation: 'band', from: [{ material: 'trim' }] },
    { id: 'box', operation: 'box', from: [{ material: 'band-all' }] },
  ];
  return { ...programme, pages: undefined, components, route: [...lanes.flat(), ...joined] };
}

function timeOf(work, runs) {
  const times = [];
  for (let i = 0; i < runs + 50; i++) {
    const start = performance.now();
    work(i);
    if (i >= 50) times.push(performance.now() - start);
  }
  return median(times);
}

function planned(job, works = core.SHIPPED_WORKS) {
  const outcome = core.plan(job, works);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues));
  return outcome.value;
}
const timePlan = (job, runs) => timeOf(() => planned(job), runs);

/** Plain arithmetic that every machine does alike: what the times of this run are told against. */
const yardstick = timeOf(() => {
  let sum = 0;
  for (let i = 1; i < 1_000_000; i++) sum += Math.sqrt(i);
  if (!(sum > 0)) throw new Error('no sum');
}, 100);
say(
  'yardstick: a million square roots added up, median of 100',
  ms(yardstick),
  'every ratio of this run is of one machine',
);

const programme = timePlan(example('concert-programme'), 500);
say(
  'plan() of the concert programme, median of 500',
  ms(programme),
  `${(programme / yardstick).toFixed(2)} yardsticks`,
);
const large = largeJob(20, 120);
const sized = `${large.components.length} components, ${large.route.length} steps`;
const { graph } = core.flowOf(large, core.SHIPPED_WORKS).value;
const tableOf = () => core.spoilageTable(core.normsOf(core.SHIPPED_WORKS, large.norms), {});
const flow = timeOf(() => core.reckonFlow(graph, tableOf), 300);
say(`flow engine alone, ${sized}, median of 300`, ms(flow), `${(flow / yardstick).toFixed(2)} yardsticks`);
const inFlows = (time, target) =>
  `${ratio(time, target)}; ${(time / flow).toFixed(1)} x the flow engine, ${(time / yardstick).toFixed(2)} yardsticks`;
const again = timePlan(large, 300);
say(`plan() of ${sized}, its structure kept, median of 300`, ms(again), inFlows(again, 4));
const quantity = (i) => ({ ...large, order: { ...large.order, quantity: 3000 + i } });
const edited = timeOf((i) => planned(quantity(i)), 300);
say('  an edit of the quantity', ms(edited), inFlows(edited, 1.5));
const restrung = timeOf((i) => planned({ ...large, number: `J-${i}` }), 100);
say('  its structure made anew, layouts kept', ms(restrung), inFlows(restrung, 4));
const whole = timeOf((i) => planned(structuredClone({ ...large, number: `K-${i}` })), 100);
say('  from nothing, layouts too (and the copy of the job)', ms(whole), inFlows(whole, 4));
const written = timeOf((i) => Object.keys(planned(quantity(i)).figures).length, 100);
say('  and every figure of it written out', ms(written), `${Object.keys(planned(large).figures).length} figures`);
const sureMs = timePlan({ ...example('trail-map'), school: 'sure' }, 50);
say('plan() of the trail map by sureness, median of 50', ms(sureMs), '');

/** Every shipped job again and again, as after a change of norms. */
function replanAll(count) {
  const jobs = [...exampleNames].map(example);
  const start = performance.now();
  for (let i = 0; i < count; i++) {
    const job = jobs[i % jobs.length];
    const quantity = job.items ? job.order.quantity : 100 + i;
    const outcome = core.plan({ ...job, order: { ...job.order, quantity } }, core.SHIPPED_WORKS);
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues));
  }
  return performance.now() - start;
}
const heapBefore = process.memoryUsage().heapUsed;
const replanned = replanAll(10_000);
say('10,000 jobs replanned headless', `${(replanned / 1000).toFixed(1)} s`, ratio(replanned, 20_000));
const grown = (process.memoryUsage().heapUsed - heapBefore) / 1e6;
say('  heap after them against before', `${grown.toFixed(0)} MB`, 'flat');

const { benchLayout } = await import('./bench-layout.mjs');
await benchLayout(core, say, ratio, example('concert-programme'));
const { benchReckoner } = await import('./bench-reckoner.mjs');
benchReckoner(core, say, timeOf, ratio);
const { benchRoutes } = await import('./bench-routes.mjs');
await benchRoutes(core, say, ratio, exampleNames.map(example), large);
const { benchSure } = await import('./bench-sure.mjs');
benchSure(core, say, ratio);
const { benchPressRoom } = await import('./bench-press-room.mjs');
benchPressRoom(core, say, ratio);
const { benchSchedule } = await import('./bench-schedule.mjs');
benchSchedule(core, say, ratio);
const { benchZones } = await import('./bench-zones.mjs');
await benchZones(await import('@druckerei/formats/artwork'), say, ratio);

const { benchLists } = await import('./bench-lists.mjs');
benchLists(core, await import('@druckerei/contract'), await import('@druckerei/formats/tables'), say, ratio);
const { benchXjdf } = await import('./bench-xjdf.mjs');
benchXjdf(await import('@druckerei/formats/xjdf'), exampleNames.map(example), planned, {
  say,
  ratio,
  works: core.SHIPPED_WORKS,
});
const { benchArtwork } = await import('./bench-artwork.mjs');
await benchArtwork(await import('@druckerei/formats/pdf-artwork'), say, ratio);

const kB = (bytes) => `${(bytes / 1000).toFixed(0)} kB`;
const sizeRatio = (bytes, target) => `target ${kB(target)}, ${(bytes / target).toFixed(2)} of it`;
const page = fs
  .readdirSync(webFolder)
  .find((file) => file.endsWith('.js') && fs.readFileSync(path.join(webFolder, file), 'utf8').includes('dk-job-page'));
const pageBytes = fs.statSync(path.join(webFolder, `${page}.br`)).size;
say('chunk of the job page, packed', kB(pageBytes), sizeRatio(pageBytes, 60_000));

const { measureFirstLoad, measureReckonerLoad } = await import('../e2e/tools/first-load.mjs');
const { measureRepaint } = await import('../e2e/tools/repaint.mjs');
const { measureOpening } = await import('../e2e/tools/opening.mjs');
const { measureWorkbench } = await import('../e2e/tools/workbench.mjs');
const { benchLive } = await import('./bench-live.mjs');
await benchLive(say, ratio);
const { benchTaken } = await import('./bench-taken.mjs');
await benchTaken(say, ratio);
const { benchBook } = await import('./bench-book.mjs');
await benchBook(core, say, ratio);
const { benchDemoFloor, benchFloor } = await import('./bench-floor.mjs');
await benchFloor(say, ratio);
await benchDemoFloor(say, ratio);
const { benchLargeWorks } = await import('./bench-large-works.mjs');
await benchLargeWorks(say, ms, ratio);
await withDemoServer(async (address) => {
  const { list, files, job } = await measureFirstLoad(address);
  say(`first load in the browser, ${files} files of JavaScript, packed`, kB(list), sizeRatio(list, 220_000));
  say('  and what the first job adds', kB(job), '');
  for (const locale of ['en-GB', 'de-DE']) {
    const alone = await measureReckonerLoad(address, locale);
    say(`first load of the reckoner alone, all of it, ${locale}, packed`, kB(alone), sizeRatio(alone, 120_000));
  }
  for (const { name, value } of await measureRepaint(address, large)) say(name, ms(value), ratio(value, 40));
  const { times, shift, hidden } = await measureWorkbench(address);
  for (const { name, value, target } of times) say(name, ms(value), ratio(value, target));
  say('layout shift after the first paint, most of any demo job', shift.toFixed(3), '(below 0.02)');
  say('stations not wholly in sight when chosen', String(hidden.length), hidden.slice(0, 4).join(', '));
  for (const { name, value, target } of await measureOpening(address)) say(name, ms(value), ratio(value, target));
});
