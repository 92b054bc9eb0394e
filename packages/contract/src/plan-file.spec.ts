import { type Job, SHIPPED_WORKS, drawLayout, plan } from '@druckerei/core';
import fs from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { readPlan, writePlan } from './index.js';

const EXAMPLES = new URL('../../../docs/examples/', import.meta.url);
const jobs = fs
  .readdirSync(EXAMPLES)
  .map((name) => JSON.parse(fs.readFileSync(new URL(name, EXAMPLES), 'utf8')) as Job);

function planned(job: Job) {
  const outcome = plan(job, SHIPPED_WORKS);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues));
  return outcome.value;
}

describe('a plan that is kept', () => {
  it.each(jobs.map((job) => [job.title, job] as const))('of %s is read as it was written, layouts too', (_, job) => {
    const made = planned(job);
    const read = readPlan(writePlan(made));
    if (!read.ok) throw new Error(read.why);
    expect(JSON.parse(JSON.stringify(read.plan))).toEqual(JSON.parse(JSON.stringify(made)));
    for (const [id, layout] of Object.entries(made.layouts)) {
      const kept = read.plan.layouts[id];
      expect(kept && drawLayout(kept, 'front')).toEqual(drawLayout(layout, 'front'));
    }
    expect('constructor' in read.plan.figures).toBe(false);
  });

  it('of version 1 is still read', () => {
    const file = new URL('../../../docs/kept/plan-1.json.gz', import.meta.url);
    const read = readPlan(gunzipSync(fs.readFileSync(file)).toString('utf8'));
    expect(read.ok && read.plan.figures['total.cost']?.unit).toBe('EUR');
  });

  it('is refused in one line where it is of another version, broken or something else', () => {
    const [job] = jobs;
    if (!job) throw new Error('no example');
    const body = JSON.parse(writePlan(planned(job))) as { plan: Record<string, unknown> };
    const why = (value: unknown): string => {
      const read = readPlan(typeof value === 'string' ? value : JSON.stringify(value));
      return read.ok ? '' : read.why;
    };
    expect(why({ ...body, version: 2 })).toContain('has version 2');
    expect(why({ ...body, format: 'druckerei-job' })).toContain('format');
    expect(why({ ...body, plan: { ...body.plan, figures: { 'total.cost': 7 } } })).toContain('figures');
    expect(why('{')).toContain('no JSON');
  });
});
