import { SHIPPED_WORKS, type Works } from '../works/index.js';
import { isWithin, normCatalogue } from '../norms/index.js';
import { diffJobs } from '../job/diff.js';
import { withStock, withWorkStyle } from '../edit/edit-job.js';
import { foldsText, type OwnFolding } from '../imposition/index.js';
import type { Component } from '../job/component.js';
import type { Job } from '../job/job.js';
import type { Step } from '../job/step.js';
import type { FamilyAnswers } from '../families/answers.js';
import { sectionPages } from '../families/bound.js';
import { makeJob as newJob } from '../families/new-job.js';
import { example, planned, withoutNorms } from './examples.fixture.js';
import { plan } from './plan.js';

const map = example('trail-map');
const programme = example('concert-programme');
const codes = (job: Job): string[] => {
  const outcome = plan(job, SHIPPED_WORKS);
  return outcome.ok
    ? outcome.value.advice.map(({ code }) => code)
    : outcome.issues.map(({ code, path }) => `${code} ${path}`);
};
const component = (job: Job, change: Partial<Component>, at = 0): Job => ({
  ...job,
  components: job.components.map((c, i) => (i === at ? { ...c, ...change } : c)),
});
const step = (job: Job, id: string, change: Partial<Step>): Job => ({
  ...job,
  route: job.route.map((s) => (s.id === id ? { ...s, ...change } : s)),
});

describe('what a plan refuses, naming the field', () => {
  it.each<[string, Job, string]>([
    ['unknown stock', component(map, { stock: 'velvet' }), 'job.unknown-stock components[0].stock'],
    ['unknown press', component(map, { press: 'loom' }), 'job.unknown-machine components[0].press'],
    ['a press that is none', component(map, { press: 'coater' }), 'job.machine-cannot components[0].press'],
    ['unknown machine', step(map, 'fold', { machine: 'loom' }), 'job.unknown-machine route[5].machine'],
    ['a machine for something else', step(map, 'fold', { machine: 'coater' }), 'job.machine-cannot route[5].machine'],
    ['unknown component', step(map, 'fold', { component: 'ghost' }), 'job.unknown-component route[5].component'],
    [
      'two components of one name',
      { ...map, components: [...map.components, ...map.components] },
      'job.duplicate-component components[1].id',
    ],
    ['unknown norm', { ...map, norms: { 'spoil.magic': 1 } }, 'job.unknown-norm norms["spoil.magic"]'],
    [
      'a norm out of range',
      { ...map, norms: { 'spoil.fold.running': 1 } },
      'job.norm-out-of-range norms["spoil.fold.running"]',
    ],
    [
      'a sheet too large',
      component(map, { sheet: { widthMm: 1400, heightMm: 1000, grain: 'width' } }),
      'press.sheet-too-large components[0].sheet',
    ],
    [
      'a sheet too small',
      component(map, { sheet: { widthMm: 300, heightMm: 200, grain: 'width' } }),
      'press.sheet-too-small components[0].sheet',
    ],
    [
      'a piece that does not fit',
      component(map, { widthMm: 900, heightMm: 1200 }),
      'layout.does-not-fit components[0].sheet',
    ],
    [
      'one up for work-and-turn',
      component(map, { widthMm: 680, heightMm: 900 }),
      'layout.turn-needs-even-rows components[0].workStyle',
    ],
    [
      'one up for work-and-tumble',
      withWorkStyle(component(map, { widthMm: 680, heightMm: 900 }), 'map', 'work-and-tumble'),
      'layout.tumble-needs-even-rows components[0].workStyle',
    ],
    [
      'too many colours',
      component(programme, { front: Array.from({ length: 5 }, (_, i) => ({ name: `spot ${i}` })) }),
      'press.too-few-units components[0].front',
    ],
    [
      'perfecting on a straight press',
      component(
        component(programme, { press: 'b2-four', sheet: { widthMm: 740, heightMm: 520, grain: 'width' } }, 1),
        { front: [], back: [] },
        1,
      ),
      'press.cannot-perfect components[1].workStyle',
    ],
    [
      'a back on a single-sided style',
      component(map, { workStyle: 'single' }),
      'press.back-without-work-style components[0].workStyle',
    ],
    [
      'passes that do not fit the style',
      component(map, { workStyle: 'perfecting' }),
      'press.passes-do-not-match components[0].workStyle',
    ],
    [
      'no pass at all',
      { ...map, route: map.route.filter(({ operation }) => operation !== 'print') },
      'job.no-press-step components[0]',
    ],
    [
      'pages that are no multiple of 4',
      component(programme, { pages: 30 }),
      'job.pages-not-multiple-of-four components[0].pages',
    ],
    [
      'pages that do not fold from a sheet',
      component(programme, { pages: 20 }),
      'layout.section-not-whole components[0].pages',
    ],
    ['several ends', step(map, 'band', { from: [{ material: 'cut' }] }), 'flow.no-end route'],
    ['a circle', step(map, 'cut', { from: [{ material: 'box' }] }), 'flow.cycle route[4].from'],
    ['w = 1', step(map, 'cut', { running: 1 }), 'flow.spoilage-too-high route[4].running'],
  ])('%s', (_, job, code) => {
    expect(codes(job)).toContain(code);
  });

  it('refuses stock that the press cannot feed', () => {
    const board: Works = { ...SHIPPED_WORKS, stocks: SHIPPED_WORKS.stocks.map((stock) => ({ ...stock, gsm: 900 })) };
    const outcome = plan(map, board);
    expect(outcome.ok ? [] : outcome.issues.map(({ code }) => code)).toContain('press.caliper-out-of-range');
  });
});

describe('what a plan advises', () => {
  it('is silent about sound jobs', () => {
    expect(codes(map)).toEqual([]);
    expect(codes(programme)).toEqual([]);
  });

  it('warns above what the order takes, and where sections do not hold the pages', () => {
    expect(codes({ ...map, order: { ...map.order, plannedOvers: 600 } })).toEqual(['order.above-limit']);
    expect(codes({ ...map, order: { ...map.order, plannedOvers: 1, policy: { kind: 'exact' } } })).toEqual([
      'order.above-limit',
    ]);
    expect(codes({ ...programme, pages: 40 })).toEqual(['job.page-sum']);
  });
});

describe('norms', () => {
  it('resolve in the order step, job, works, shipped', () => {
    const job = withoutNorms(map);
    const works: Works = {
      ...SHIPPED_WORKS,
      norms: { 'spoil.cut.setup': { value: 7, source: { label: 'set by user' } } },
    };
    const setup = (j: Job, w: Works) => planned(j, w).figures['step.cut.setup'];
    expect(setup(job, SHIPPED_WORKS)?.value).toBe(5); // practice, handbook chapter 6
    expect(setup(job, works)?.value).toBe(7);
    expect(setup({ ...job, norms: { 'spoil.cut.setup': 9 } }, works)?.value).toBe(9);
    expect(setup(step({ ...job, norms: { 'spoil.cut.setup': 9 } }, 'cut', { setup: 11 }), works)).toMatchObject({
      value: 11,
      otherwise: 9,
    });
  });

  it('are shipped within their own limits, each id once', () => {
    const norms = [...normCatalogue(SHIPPED_WORKS).values()];
    expect(norms.filter((norm) => !isWithin(norm, norm.value)).map(({ id }) => id)).toEqual([]);
    expect(norms.length).toBeGreaterThan(100);
  });

  it('reach the sheet count: a floor of the table, a bleed, a plate life', () => {
    expect(planned({ ...map, school: 'table', norms: { 'table.floorBase': 5000 } }).totals.pressSheets).toEqual({
      map: 10_100,
    });
    expect(planned({ ...map, norms: { 'plate.life': 5000 } }).totals.plates).toBe(12);
    expect(codes({ ...map, norms: { 'layout.bleed': 50 } })[0]).toMatch(/^layout\./);
  });
});

describe('families', () => {
  const answers: FamilyAnswers = {
    number: 'HB-1',
    title: 'New',
    customer: 'Greywater Ferry',
    quantity: 2000,
    widthMm: 210,
    heightMm: 297,
    pages: 36,
    stock: 'silk-90',
    coverStock: 'silk-170',
    press: 'b1-perfector',
    folds: 2,
    die: { kind: 'structure', structure: 'straight-tuck', depthMm: 130 },
  };

  it('plan from their questions alone', () => {
    const folded = planned(newJob('folded', answers, SHIPPED_WORKS));
    expect(folded.steps.map(({ operation }) => operation)).toEqual(['print', 'dry', 'cut', 'fold', 'band', 'box']);
    expect(folded.advice).toEqual([]);
    const stitched = planned(newJob('saddle-stitched', { ...answers, widthMm: 148, heightMm: 210 }, SHIPPED_WORKS));
    expect(Object.keys(stitched.layouts)).toEqual(['section-1', 'section-2', 'cover']);
    expect(stitched.advice).toEqual([]);
  });

  it('score what is too heavy to fold as it is', () => {
    expect(
      newJob('folded', { ...answers, stock: 'gloss-250' }, SHIPPED_WORKS).route.map(({ operation }) => operation),
    ).toContain('score');
    expect(
      newJob('saddle-stitched', { ...answers, coverStock: 'gloss-250' }, SHIPPED_WORKS).route.map(({ id }) => id),
    ).toContain('score-cover');
  });

  it('choose a style and sheet that the press takes', () => {
    const [leaflet] = newJob('folded', { ...answers, press: 'b2-four' }, SHIPPED_WORKS).components;
    expect(leaflet).toMatchObject({ workStyle: 'sheetwise', sheet: { widthMm: 740, heightMm: 520 } });
  });

  it('split the text by what the stock folds', () => {
    expect(sectionPages(36, 90)).toEqual([32, 4]);
    expect(sectionPages(36, 120)).toEqual([16, 16, 4]);
  });
});

describe('edits', () => {
  it('set the passes of a work style and join them to what follows', () => {
    const perfected = withWorkStyle(map, 'map', 'perfecting');
    expect(perfected.route.map(({ id }) => id)).toEqual(['print-map', 'dry-map', 'cut', 'fold', 'band', 'box']);
    expect(perfected.route[2]?.from).toEqual([{ material: 'dry-map' }]);
    expect(perfected.route[0]).toMatchObject({ side: 'both', setup: 200 });
    const back = withWorkStyle(perfected, 'map', 'work-and-turn');
    expect(back.route.map(({ id }) => id)).toEqual(map.route.map(({ id }) => id));
  });

  it('drop and bring back the colours of the back', () => {
    const single = withWorkStyle(map, 'map', 'single');
    expect(single.components[0]?.back).toEqual([]);
    expect(withWorkStyle(single, 'map', 'sheetwise').components[0]?.back).toEqual(map.components[0]?.front);
  });

  it('keep a sheet size that the new stock comes in', () => {
    const stock = SHIPPED_WORKS.stocks.find(({ id }) => id === 'offset-80');
    if (!stock) throw new Error('no stock');
    expect(withStock(map, 'map', stock).components[0]).toMatchObject({
      stock: 'offset-80',
      sheet: map.components[0]?.sheet,
    });
    const narrow = { ...stock, sheets: stock.sheets.slice(2, 3) };
    expect(withStock(map, 'map', narrow).components[0]?.sheet).toEqual(narrow.sheets[0]);
  });

  it('are told apart field by field, list members by id', () => {
    const changed = step({ ...map, order: { ...map.order, quantity: 12_000 } }, 'fold', { setup: 75 });
    expect(diffJobs(map, changed)).toEqual([
      { path: 'order.quantity', before: 10_000, after: 12_000 },
      { path: 'route.fold.setup', before: 60, after: 75 },
    ]);
    expect(diffJobs(map, { ...map, route: map.route.slice(1) }).map(({ path }) => path)).toEqual(['route.print-map']);
    expect(diffJobs(map, structuredClone(map))).toEqual([]);
  });
});

describe('a section folded by a list of the house', () => {
  const programme = example('concert-programme');
  const folded = (folding: OwnFolding) =>
    plan(
      {
        ...programme,
        components: programme.components.map((one) => (one.id === 'section-1' ? { ...one, folding } : one)),
      },
      SHIPPED_WORKS,
    );
  const pages = programme.components.find(({ id }) => id === 'section-1')?.pages ?? 0;

  it('is laid by it, and refused where it does not come to the pages or cannot be read', () => {
    const scheme = planned(programme).layouts['section-1']?.section?.scheme;
    if (!scheme) throw new Error('no scheme');
    const grid = { columns: scheme.columns, rows: scheme.rows };
    const made = folded({ ...grid, folds: foldsText(scheme.folds) });
    expect(made.ok && made.value.layouts['section-1']?.section?.outer.map(({ page }) => page)).toEqual(
      planned(programme).layouts['section-1']?.section?.outer.map(({ page }) => page),
    );
    const codes = (folding: OwnFolding): string[] => {
      const outcome = folded(folding);
      return outcome.ok ? [] : outcome.issues.map(({ code }) => code);
    };
    expect(codes({ columns: 1, rows: pages, folds: 'right over left' })).toContain('fold.grid-not-for-pages');
    expect(codes({ ...grid, folds: 'twice' })).toContain('fold.unreadable');
    expect(codes({ ...grid, folds: 'right over left' })).toContain('fold.not-one-packet');
  });
});
