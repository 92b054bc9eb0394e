import fs from 'node:fs';
import type { School } from '../../flow/index.js';
import { example, planned } from '../examples.fixture.js';
import type { Job } from '../../job/index.js';

const EXAMPLES = fs
  .readdirSync(new URL('../../../../../docs/examples/', import.meta.url))
  .flatMap((name) => (name.endsWith('.json') ? [name.replace('.json', '')] : []));
const SCHOOLS: readonly School[] = ['step', 'added', 'table', 'sure'];

/** What goes through every station of a job by a school, what leaves it good, and what is bought for it. */
function counts(job: Job, school: School): string[] {
  const plan = planned({ ...job, school });
  const lost = plan.steps.flatMap(({ id }) =>
    ['setup', 'incidents', 'splices', 'carrierChanges'].flatMap((field) => {
      const value = plan.figures[`step.${id}.${field}`]?.value;
      return value === undefined || value === 0 ? [] : [`  ${id} ${field} ${value}`];
    }),
  );
  return [
    ...plan.steps.map(({ id, processUnits, needsOut }) => `${id}: ${processUnits} in, ${needsOut} good`),
    ...plan.edges.flatMap(({ from, to, count }) => (from === null ? [`  for ${to ?? 'the customer'}: ${count}`] : [])),
    ...lost,
  ];
}

/** Kept as they were last looked at: `--updateSnapshot` keeps them anew, and the difference is read before it is committed. */
describe('counts, as they were last looked at (kept, no source)', () => {
  it.each(EXAMPLES)('%s by every school', (name) => {
    const job = example(name);
    expect(Object.fromEntries(SCHOOLS.map((school) => [school, counts(job, school)]))).toMatchSnapshot();
  });

  /** Long runs: rolls are spliced, plates wear out. */
  it.each(['ferry-timetable', 'shelf-lining', 'permit-stickers', 'tea-shipper', 'trail-map', 'season-tickets'])(
    '%s, twenty times as many',
    (name) => {
      const job = example(name);
      const items = job.items?.map((item) => ({ ...item, quantity: item.quantity * 20 }));
      const long: Job = {
        ...job,
        ...(items ? { items } : {}),
        order: { ...job.order, quantity: job.order.quantity * 20, deliveries: undefined },
      };
      expect(counts(long, 'step')).toMatchSnapshot();
    },
  );
});
