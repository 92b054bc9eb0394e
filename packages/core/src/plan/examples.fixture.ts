import fs from 'node:fs';
import { SHIPPED_WORKS, type Works } from '../works/index.js';
import type { Job } from '../job/job.js';
import { type Plan, plan } from './plan.js';

export const example = (name: string): Job =>
  JSON.parse(fs.readFileSync(new URL(`../../../../docs/examples/${name}.json`, import.meta.url), 'utf8')) as Job;

export function planned(job: Job, works: Works = SHIPPED_WORKS): Plan {
  const outcome = plan(job, works);
  if (!outcome.ok) throw new Error(outcome.issues.map(({ code, path }) => `${code} ${path}`).join('; '));
  return outcome.value;
}

/** The job without the norms of its own, so that the shipped ones decide. */
export const withoutNorms = (job: Job): Job => ({
  ...job,
  route: job.route.map(({ setup: _setup, running: _running, ...step }) => step),
});

/** A gang whose first item lies on a second form too, three tenths of it there. */
export function twoForms(job: Job): Job {
  const [form] = job.components;
  const [first, ...others] = form?.carries ?? [];
  if (!form || !first) throw new Error('no gang');
  const second = { ...form, id: 'form-2', name: 'Form 2', carries: [{ item: first.item, count: 16, share: 0.3 }] };
  const twin = (id: string): string => id.replace('form-1', 'form-2');
  const lane = job.route
    .filter(({ component }) => component === form.id)
    .map((step) => ({
      ...step,
      id: twin(step.id),
      component: second.id,
      ...(step.from ? { from: step.from.map(({ material }) => ({ material: twin(material) })) } : {}),
    }));
  return {
    ...job,
    components: [{ ...form, carries: [{ ...first, share: 0.7 }, ...others] }, second],
    route: [...job.route, ...lane],
  };
}
