import { MAX_QUANTITY } from '../flow/index.js';
import { uniform } from '../kernel/index.js';
import { SHIPPED_WORKS } from '../works/index.js';
import { normCatalogue } from '../norms/index.js';
import type { Job } from '../job/job.js';
import { example } from './examples.fixture.js';
import { plan } from './plan.js';

const NORMS = [...normCatalogue(SHIPPED_WORKS).values()];
const JOBS = ['trail-map', 'concert-programme', 'tea-caddy', 'ferry-timetable', 'permit-stickers', 'garden-cards'];

/** A job with some norms at the very ends of what they may be, now and then by sureness or of the largest quantity. */
function hostile(job: Job, seed: number): Job {
  const norms: Record<string, number> = {};
  for (let i = 0; i < 6; i++) {
    const norm = NORMS[Math.floor(uniform(seed, 2 * i) * NORMS.length)];
    if (!norm) continue;
    const at = uniform(seed, 2 * i + 1);
    const top = norm.below ? norm.max * (1 - 1e-9) : norm.max;
    const value = at < 0.4 ? norm.min : at < 0.8 ? top : norm.min + (top - norm.min) * uniform(seed, 100 + i);
    norms[norm.id] = norm.whole ? Math.floor(value) : value;
  }
  const quantity = seed % 5 === 0 && !job.items ? MAX_QUANTITY : job.order.quantity;
  return {
    ...job,
    norms: { 'sure.draws': 50, ...norms },
    order: { ...job.order, quantity },
    school: seed % 4 === 0 ? 'sure' : job.school,
    route: job.route.map(({ setup: _setup, running: _running, ...step }) => step),
  };
}

describe('norms at the very ends of their limits', () => {
  it.each(JOBS)('give a plan or a reason, never NaN, never an exception, never a hang: %s', (name) => {
    const job = example(name);
    let planned = 0;
    for (let seed = 1; seed <= 150; seed++) {
      const wild = hostile(job, seed);
      const outcome = plan(wild, SHIPPED_WORKS);
      if (!outcome.ok) {
        expect(outcome.issues.length).toBeGreaterThan(0);
        continue;
      }
      planned += 1;
      const wrong = Object.values(outcome.value.figures).filter(({ value }) => !Number.isFinite(value));
      expect([wild.norms, wrong.map(({ id }) => id)]).toEqual([wild.norms, []]);
    }
    expect(planned).toBeGreaterThan(50);
  });
});
