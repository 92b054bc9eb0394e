import fc from 'fast-check';
import { SHIPPED_WORKS, type Works } from '../works/index.js';
import type { Job } from '../job/job.js';
import { example } from './examples.fixture.js';
import { plan } from './plan.js';

/** A works of the same content that nothing has been planned in: its plans are made from nothing. */
const fresh = (works: Works): Works => structuredClone(works);

/** A change that somebody makes to a job. */
type Edit = (job: Job) => Job;
const quantity =
  (value: number): Edit =>
  (job) =>
    job.items ? job : { ...job, order: { ...job.order, quantity: value, deliveries: undefined } };
const overs =
  (value: number): Edit =>
  (job) => ({ ...job, order: { ...job.order, plannedOvers: value } });
const norm =
  (id: string, value: number): Edit =>
  (job) => ({ ...job, norms: { ...job.norms, [id]: value } });
const samples =
  (at: number, value: number): Edit =>
  (job) => ({
    ...job,
    route: job.route.map((step, i) => (i === at % job.route.length ? { ...step, samples: value } : step)),
  });
const school =
  (value: Job['school']): Edit =>
  (job) => ({ ...job, school: value });

const edit: fc.Arbitrary<Edit> = fc.oneof(
  { weight: 5, arbitrary: fc.integer({ min: 1, max: 200_000 }).map(quantity) },
  fc.integer({ min: 0, max: 500 }).map(overs),
  fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 60 })).map(([at, value]) => samples(at, value)),
  fc
    .constantFrom(
      ...([
        ['spoil.cut.running', 0.02],
        ['spoil.fold.setup', 77],
        ['layout.bleed', 4],
        ['price.people', 33],
        ['plate.life', 9_000],
        ['ink.fill', 0.4],
      ] as const),
    )
    .map(([id, value]) => norm(id, value)),
  fc.constantFrom<Job['school'][]>('step', 'added', 'table').map(school),
);

describe('a plan that is kept', () => {
  // The same works object all along, so that whatever is remembered is used.
  const works = fresh(SHIPPED_WORKS);

  it('is the plan from nothing after any row of edits, to the last figure', () => {
    let [edited, planned] = [0, 0];
    fc.assert(
      fc.property(
        fc.constantFrom(
          'concert-programme',
          'trail-map',
          'seed-packets',
          'ferry-timetable',
          'star-atlas',
          'garden-cards',
          'permit-stickers',
        ),
        fc.array(edit, { minLength: 1, maxLength: 6 }),
        (name, edits) => {
          let job = example(name);
          for (const change of edits) {
            job = change(job);
            const [kept, whole] = [plan(job, works), plan(structuredClone(job), fresh(SHIPPED_WORKS))];
            edited++;
            if (kept.ok) planned++;
            expect(JSON.parse(JSON.stringify(kept))).toEqual(JSON.parse(JSON.stringify(whole)));
          }
        },
      ),
      { numRuns: 40 },
    );
    // What is refused is compared too, but is not what this is about.
    expect(planned).toBeGreaterThan(edited / 2);
  });

  it('is reckoned anew where a job is changed in place', () => {
    const job = structuredClone(example('concert-programme'));
    const before = plan(job, works);
    const [first] = job.route;
    if (!first) throw new Error('no route');
    Object.assign(first, { setup: 5_000 });
    const after = plan(job, works);
    expect(before.ok && after.ok && after.value.totals.paperKg > before.value.totals.paperKg).toBe(true);
  });

  it('of before keeps its figures when the quantity has changed since', () => {
    const job = example('concert-programme');
    const before = plan(job, works);
    const paper = before.ok ? before.value.totals.paperKg : 0;
    plan({ ...job, order: { ...job.order, quantity: job.order.quantity * 3 } }, works);
    expect(before.ok && before.value.figures['total.paperKg']?.value).toBe(paper);
  });
});
