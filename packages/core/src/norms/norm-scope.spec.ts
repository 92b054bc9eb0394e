import { type Works, SHIPPED_WORKS } from '../works/index.js';
import { example, planned, withoutNorms } from '../plan/examples.fixture.js';
import type { Job } from '../job/job.js';
import { plan } from '../plan/plan.js';
import { normById } from './norm-catalogue.js';
import { setNorms } from './norm-scope.js';
import { normLevels, withStockNorms } from './resolve.js';

const PRACTICE = { label: 'practice' } as const;
const worksWith = (norms: Readonly<Record<string, number>>): Works => ({
  ...SHIPPED_WORKS,
  norms: Object.fromEntries(Object.entries(norms).map(([id, value]) => [id, { value, source: PRACTICE }])),
});
const map = withoutNorms(example('trail-map'));
const running = (works: Works, job: Job = map) => planned(job, works).steps.find(({ id }) => id === 'fold')?.running;
const folder = planned(map).steps.find(({ id }) => id === 'fold')?.machine ?? '';
const BASE = 'spoil.fold.running';

describe('a norm told for a machine, a run length or a surface', () => {
  it('is in force where it fits, and nowhere else', () => {
    expect(running(SHIPPED_WORKS)).toBe(0.01);
    expect(running(worksWith({ [`${BASE}@machine=${folder}`]: 0.02 }))).toBe(0.02);
    expect(running(worksWith({ [`${BASE}@machine=hand`]: 0.02 }))).toBe(0.01);
    expect(running(worksWith({ [`${BASE}@stock=coated`]: 0.03 }))).toBe(0.03);
    expect(running(worksWith({ [`${BASE}@stock=uncoated`]: 0.03 }))).toBe(0.01);
    // 10,000 maps are folded: the band up to 10,000.
    expect(running(worksWith({ [`${BASE}@run=10000`]: 0.04 }))).toBe(0.04);
    expect(running(worksWith({ [`${BASE}@run=5000`]: 0.04 }))).toBe(0.01);
  });

  it('goes by the run of the step, not of the order: 5,000 sheets are printed for 10,000 maps', () => {
    const print = planned(map).steps[0];
    const works = worksWith({ 'spoil.print-side.setup@run=5000': 500 });
    expect(planned(map, works).steps[0]?.setup).toBe((print?.setup ?? 0) + 420);
  });

  it('gives way to what is nearer: job, machine, run length, surface, house', () => {
    const all = {
      [BASE]: 0.011,
      [`${BASE}@stock=coated`]: 0.012,
      [`${BASE}@run=10000`]: 0.013,
      [`${BASE}@machine=${folder}`]: 0.014,
    };
    const order = Object.entries(all).reverse();
    order.forEach(([, value], i) => {
      expect(running(worksWith(Object.fromEntries(order.slice(i))))).toBe(value);
    });
    expect(running(worksWith(all), { ...map, norms: { [BASE]: 0.05 } })).toBe(0.05);
    const levels = normLevels(worksWith(all), { [BASE]: 0.05 }, BASE, { machine: folder, run: 10_000, coated: true });
    expect(levels.map(({ value }) => value)).toEqual([0.05, 0.014, 0.013, 0.012, 0.011, 0.01]);
    expect(levels.filter(({ inForce }) => inForce).map(({ name }) => name)).toEqual(['in this job']);
  });

  it('is a figure of its own that says what it is told for, and what it would be otherwise', () => {
    const { figures } = planned(map, worksWith({ [`${BASE}@stock=coated`]: 0.03 }));
    expect(figures[`norm.${BASE}@stock=coated`]).toMatchObject({
      name: 'Fold: running spoilage, on coated stock',
      otherwise: 0.01,
    });
  });

  it('of the table is told for a machine, so that each process has its own', () => {
    const press = map.components[0]?.press ?? '';
    const byTable = (works: Works) => planned(map, works).schools.table['map'] ?? NaN;
    // 5,000 net at 4 colours, two passes, two finishing steps: 16.75 % (handbook chapter 6); 10 instead of 8.5 % a pass: 19 %.
    expect(byTable(SHIPPED_WORKS)).toBe(5838);
    expect(byTable(worksWith({ [`table.5000.c3@machine=${press}`]: 0.1 }))).toBe(5950);
    expect(byTable(worksWith({ [`table.5000.c3@machine=heatset-web`]: 0.1 }))).toBe(5838);
    expect(normById(SHIPPED_WORKS, 'table.5000.c3@run=5000')).toBeUndefined();
  });

  it('is known for machines and places that there are, and for operations alone', () => {
    expect(normById(SHIPPED_WORKS, `${BASE}@machine=${folder}`)?.name).toContain('Running spoilage, on ');
    for (const id of [
      `${BASE}@machine=none`,
      `${BASE}@moon=full`,
      'price.ink@stock=coated',
      'flow.percentOf@stock=coated',
    ])
      expect(normById(SHIPPED_WORKS, id)).toBeUndefined();
    const outcome = plan({ ...map, norms: { [`${BASE}@stock=coated`]: 0.03 } }, SHIPPED_WORKS);
    expect(outcome.ok ? [] : outcome.issues.map(({ code }) => code)).toEqual(['job.unknown-norm']);
  });
});

describe('norms that a works has set', () => {
  it('are looked through for what is told apart, by run length, and of stocks', () => {
    const told = (norms: Readonly<Record<string, number>>) => setNorms(worksWith(norms).norms);
    expect(told({ [BASE]: 0.02, 'stock.silk-115.packets': 2 })).toEqual({
      apart: new Map(),
      byRun: false,
      ofStocks: false,
    });
    const { apart, byRun, ofStocks } = told({ [`${BASE}@run=5000`]: 0.02, 'stock.silk-115.gsm': 118 });
    expect([...apart]).toEqual([[BASE, new Set([`${BASE}@run=5000`])]]);
    expect([byRun, ofStocks]).toEqual([true, true]);
    expect(told({ [`${BASE}@machine=hand`]: 0.02 }).byRun).toBe(false);
  });

  it('make one works with their stocks, in which the others are the same; what a job sets is its own', () => {
    const works = worksWith({ 'stock.silk-115.gsm': 118 });
    const made = withStockNorms(works, {});
    expect(withStockNorms(works, {})).toBe(made);
    for (const [i, stock] of made.stocks.entries()) {
      if (stock.id === 'silk-115') expect(stock).toEqual({ ...works.stocks[i], gsm: 118 });
      else expect(stock).toBe(works.stocks[i]);
    }
    const inJob = withStockNorms(works, { 'stock.silk-115.gsm': 121 });
    expect(inJob.stocks.find(({ id }) => id === 'silk-115')?.gsm).toBe(121);
    expect(withStockNorms(works, {}).stocks.find(({ id }) => id === 'silk-115')?.gsm).toBe(118);
    expect(withStockNorms(SHIPPED_WORKS, {})).toBe(SHIPPED_WORKS);
  });
});
