// Schema-valid mutants of the example jobs through the plan and all that follows: nothing throws, nothing holds anybody up.
import fs from 'node:fs';
import path from 'node:path';
import { repo } from '../build-steps.mjs';
import { seeded } from './seeded.mjs';

const NAMES = [
  'constructor',
  '__proto__',
  'toString',
  '',
  'a'.repeat(60),
  'Ä\u0301 "<&>\' ',
  '\u202e',
  'x\ny',
  '\ud800',
];
const NUMBERS = [0, 1, -1, 0.1, 0.5, 1.3, 2, 3, 7, 60, 999, 1e4, 1e6, 1e9, 1e-9, 0.999, 123.456];

/** Every place of a value, as paths. */
function places(value, at = [], found = []) {
  if (at.length > 0) found.push(at);
  if (Array.isArray(value)) value.forEach((one, i) => places(one, [...at, i], found));
  else if (typeof value === 'object' && value !== null)
    for (const key of Object.keys(value)) places(value[key], [...at, key], found);
  return found;
}

/** A value of the same kind that is otherwise. */
function other(value, draw) {
  if (typeof value === 'number') {
    const near = [value + 1, value - 1, value * 2, value / 2, value * 10, value / 10, -value];
    return draw.of(draw.chance(0.5) ? near : NUMBERS);
  }
  if (typeof value === 'string') return draw.of(NAMES);
  if (typeof value === 'boolean') return !value;
  if (Array.isArray(value)) {
    if (value.length === 0 || draw.chance(0.3)) return [];
    const copy = [...value];
    if (draw.chance(0.5)) copy.splice(draw.below(copy.length), 1);
    else copy.splice(draw.below(copy.length), 0, structuredClone(draw.of(copy)));
    return copy;
  }
  return undefined;
}

/** A job with one to four changes; what follows from nothing is left to the schema to refuse. */
function mutate(job, draw) {
  const made = structuredClone(job);
  for (let n = 1 + draw.below(4); n > 0; n--) {
    const at = draw.of(places(made));
    const key = at.at(-1);
    let parent = made;
    for (const part of at.slice(0, -1)) parent = parent[part];
    const next = draw.chance(0.12) ? undefined : other(parent[key], draw);
    if (next !== undefined) parent[key] = next;
    else if (Array.isArray(parent)) parent.splice(key, 1);
    else delete parent[key];
  }
  return made;
}

/** Keeps a job that did harm, where TRIAL_KEEP names a folder. */
function keep(name, job) {
  if (process.env.TRIAL_KEEP) fs.writeFileSync(path.join(process.env.TRIAL_KEEP, `${name}.json`), JSON.stringify(job));
}

/** What everybody does with a plan. */
async function follow(job, { core, formats }, ticket) {
  const works = core.SHIPPED_WORKS;
  const outcome = core.plan(job, works);
  core.completionOf(job);
  if (!outcome.ok) return false;
  const { value: plan } = outcome;
  for (const { value, id } of Object.values(plan.figures))
    if (!Number.isFinite(value)) throw new Error(`${id} is ${value}`);
  core.checkRoute(job, plan, works);
  core.listCarriers(job, plan, works);
  core.purchaseNeeds(job, plan, works);
  core.materialBalance(job, plan, works);
  for (const layout of Object.values(plan.layouts)) {
    formats.layoutSvg(core.drawLayout(layout, 'front'), { dimensions: true });
    formats.layoutDxf(core.drawLayout(layout, 'back'));
  }
  for (const { id } of job.route) core.stationSheet(job, plan, works, id);
  if (ticket) await formats.ticketPdf({ job, plan, works, revision: 1, state: 'draft', at: new Date(0) });
  return true;
}

/** @param count of schema-valid mutants. @param clock whether their times count. @returns rows of the table, and whether all of it was reached. */
export async function mutants(count, seed, clock) {
  const [core, contract, formats] = await Promise.all(
    ['core', 'contract', 'formats'].map((name) => import(`@druckerei/${name}`)),
  );
  const folder = path.join(repo, 'docs/examples');
  const jobs = fs
    .readdirSync(folder)
    .filter((file) => file.endsWith('.json'))
    .map((file) => JSON.parse(fs.readFileSync(path.join(folder, file), 'utf8')));
  const draw = seeded(seed);
  const told = new Map();
  let [valid, planned, slow, longest, most] = [0, 0, 0, 0, 0];
  while (valid < count) {
    const parsed = contract.jobSchema.safeParse(mutate(draw.of(jobs), draw));
    if (!parsed.success) continue;
    valid++;
    // Of this process alone: what else runs on the machine is not the mutant's doing.
    const began = process.cpuUsage();
    try {
      if (await follow(parsed.data, { core, formats }, valid % 200 === 0)) planned++;
    } catch (error) {
      const where = error.stack.split('\n').slice(0, 3).join(' | ');
      const before = told.get(where) ?? { times: 0, job: parsed.data };
      told.set(where, { ...before, times: before.times + 1 });
    }
    const { user, system } = process.cpuUsage(began);
    const took = (user + system) / 1_000;
    if (valid % 200 !== 0) {
      longest = Math.max(longest, took);
      if (took > 1_000) {
        slow++;
        keep(`slow-${slow}`, parsed.data);
      }
    }
    most = Math.max(most, process.memoryUsage().rss / 1e6);
  }
  const exceptions = [...told.values()].reduce((sum, { times }) => sum + times, 0);
  for (const [where, { times, job }] of told) {
    process.stderr.write(`${times} x ${where}\n`);
    keep(`thrown-${times}`, job);
  }
  return {
    rows: [
      ['mutants', valid, ''],
      ['planned', planned, ''],
      ['exceptions', exceptions, '0'],
      ['over 1 s', slow, '0'],
      ['longest, ms of computing', Math.round(longest), ''],
      ['memory, MB', Math.round(most), 'under 600'],
    ],
    met: exceptions === 0 && (!clock || slow === 0) && most < 600,
  };
}
