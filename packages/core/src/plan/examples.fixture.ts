import fs from 'node:fs';
import { SHIPPED_WORKS, type Works } from '../works/index.js';
import type { Job } from './job.js';
import { type Plan, plan } from './plan.js';

export const example = (name: string): Job =>
  JSON.parse(fs.readFileSync(new URL(`../../../../docs/examples/${name}.json`, import.meta.url), 'utf8')) as Job;

export function planned(job: Job, works: Works = SHIPPED_WORKS): Plan {
  const outcome = plan(job, works);
  if (!outcome.ok) throw new Error(outcome.issues.map(({ code, path }) => `${code} ${path}`).join('; '));
  return outcome.plan;
}

/** The job without the norms of its own, so that the shipped ones decide. */
export const withoutNorms = (job: Job): Job => ({
  ...job,
  route: job.route.map(({ setup: _setup, running: _running, ...step }) => step),
});
