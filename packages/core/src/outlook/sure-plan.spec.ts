import { SHIPPED_WORKS } from '../works/index.js';
import { example } from '../plan/examples.fixture.js';
import type { Job } from '../job/job.js';
import { flowOf, plan } from '../plan/plan.js';
import { reckonSure } from './sure-plan.js';

const ask = { seed: 7, draws: 2000 };
const sure = (job: Job, p: number, change: Partial<typeof ask> = {}) => {
  const found = reckonSure(job, SHIPPED_WORKS, { ...ask, ...change, p });
  if (!found.ok) throw new Error(found.issues.map(({ code }) => code).join());
  return found.value;
};
const map = example('trail-map');
const programme = example('concert-programme');

describe('sureness of a job', () => {
  it('with no chance is what the step-by-step school puts in, for every shipped job (identity)', () => {
    const certain = { 'sure.best': 1, 'sure.worst': 1, 'sure.kappa': 1_000_000 };
    for (const name of ['trail-map', 'concert-programme', 'tea-caddy', 'constellation-cards']) {
      const job = example(name);
      const outcome = plan(job, SHIPPED_WORKS);
      const { quantities } = sure({ ...job, norms: { ...job.norms, ...certain } }, 0.5, { draws: 201 });
      for (const [id, wanted] of Object.entries(outcome.ok ? outcome.value.schools.step : {}))
        expect(Math.abs((quantities[id] ?? 0) - wanted)).toBeLessThanOrEqual(3);
    }
  });

  it('wants more the surer, of every component together', () => {
    const [half, most] = [sure(programme, 0.5), sure(programme, 0.99)];
    expect(Object.keys(half.quantities)).toEqual(['section-1', 'section-2', 'cover']);
    for (const id of Object.keys(half.quantities))
      expect(most.quantities[id]).toBeGreaterThan(half.quantities[id] ?? 0);
    expect(most.joint).toBeGreaterThanOrEqual(0.99);
  });

  it('finds a cheapest quantity that no other level undercuts, and names the step whose uncertainty costs most', () => {
    const { cheapest, steps, curve } = sure(map, 0.9);
    expect(cheapest.total).toBeGreaterThan(0);
    expect(cheapest.material).toBeGreaterThan(cheapest.again);
    expect(steps[0]?.saved).toBeGreaterThan(steps.at(-1)?.saved ?? 0);
    expect(curve[0]?.short).toBeGreaterThan(curve.at(-2)?.short ?? 1);
  });

  it('takes the fewest that may be delivered into the cheapest: a customer who takes 10 % less needs less', () => {
    const loose: Job = { ...map, order: { ...map.order, policy: { kind: 'percent', under: 10, over: 5 } } };
    expect(sure(loose, 0.9).cheapest.quantities['map']).toBeLessThan(sure(map, 0.9).cheapest.quantities['map'] ?? 0);
    expect(sure(loose, 0.9).quantities).toEqual(sure(map, 0.9).quantities);
  });

  it.each([0, 1, -0.5, NaN])('refuses a probability of %d', (p) => {
    const found = reckonSure(map, SHIPPED_WORKS, { ...ask, p });
    expect(found.ok ? [] : found.issues.map(({ code, path }) => `${code} ${path}`)).toEqual(['sure.p p']);
  });

  it('says why a job cannot be planned', () => {
    const broken: Job = { ...map, components: map.components.map((one) => ({ ...one, stock: 'none' })) };
    expect(flowOf(broken, SHIPPED_WORKS).ok).toBe(false);
    expect(reckonSure(broken, SHIPPED_WORKS, { ...ask, p: 0.9 }).ok).toBe(false);
  });
});

describe('more runs than can be drawn while somebody waits', () => {
  const job = example('star-atlas');
  const incidents = Array.from({ length: 20 }, () => ({ name: 'web break', rate: 0.0001, loss: 5 }));
  const many: Job = {
    ...job,
    route: job.route.map((step) => ({ ...step, incidents })),
    norms: { ...job.norms, 'sure.draws': 100_000 },
  };

  it('are refused with the field and how many may be drawn, and drawn where they are so many', () => {
    const stations = 21 * job.route.length;
    const outcome = plan({ ...many, school: 'sure' }, SHIPPED_WORKS);
    if (outcome.ok) throw new Error('was planned');
    const most = Math.floor(10_000_000 / stations);
    expect(outcome.issues).toEqual([
      expect.objectContaining({
        code: 'sure.too-many',
        path: 'norms.sure.draws',
        params: { draws: 100_000, stations, most },
      }),
    ]);
    const fewer = plan({ ...many, school: 'sure', norms: { ...many.norms, 'sure.draws': 1_000 } }, SHIPPED_WORKS);
    expect(fewer.ok).toBe(true);
  });

  it('are refused by the sureness school itself too, and hold up no plan by another school', () => {
    const asked = reckonSure(many, SHIPPED_WORKS, { seed: 1, draws: 100_000 });
    expect(asked.ok ? [] : asked.issues.map(({ code }) => code)).toEqual(['sure.too-many']);
    expect(plan(many, SHIPPED_WORKS).ok).toBe(true);
  });
});
