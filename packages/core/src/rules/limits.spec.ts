import type { FoldKind, Job } from '../job/index.js';
import { type FAMILY_RULES, makeJob } from '../families/index.js';
import { answersOf } from '../families/families.fixture.js';
import { UM } from '../kernel/index.js';
import { normsOf } from '../norms/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import { type MachineTakes, type Works, SHIPPED_WORKS } from '../works/index.js';
import { checkRoute } from './check-route.js';
import type { Finding } from './finding.js';

const family = (name: keyof typeof FAMILY_RULES, change: object = {}): Job =>
  makeJob(name, { ...answersOf(name), ...change }, SHIPPED_WORKS);
const findings = (job: Job, works: Works = SHIPPED_WORKS): readonly Finding[] =>
  checkRoute(job, planned(job, works), works);
const found = (rule: string, job: Job, works?: Works): Finding | undefined =>
  findings(job, works).find((one) => one.rule === rule);
const withNorms = (job: Job, norms: Record<string, number>): Job => ({ ...job, norms: { ...job.norms, ...norms } });

/** What comes to a station of a job, and the works with other limits of the machine there. */
function at(job: Job, stepId: string) {
  const plan = planned(job);
  const machine = plan.steps.find(({ id }) => id === stepId)?.machine ?? '';
  const [edge] = plan.edges.filter(({ to }) => to === stepId);
  if (!edge) throw new Error(`nothing comes to ${stepId}`);
  const { widthMm, heightMm, caliperUm, massG } = edge.state;
  const takes = SHIPPED_WORKS.machines.find(({ id }) => id === machine)?.takes;
  if (!takes) throw new Error(`${machine} takes anything`);
  return {
    machine,
    long: Math.max(widthMm, heightMm),
    short: Math.min(widthMm, heightMm),
    caliperUm,
    massG,
    /** Only the machine itself does this work, so that none other is offered. */
    works: (change: Partial<MachineTakes>): Works => ({
      ...SHIPPED_WORKS,
      machines: SHIPPED_WORKS.machines.map((one) =>
        one.id === machine ? { ...one, takes: { ...takes, ...change } } : one,
      ),
    }),
  };
}

describe('what a machine takes', () => {
  const leaflet = family('folded');
  const fold = at(leaflet, 'fold');
  const size = (change: Partial<MachineTakes>) => found('machine-size', leaflet, fold.works(change));
  const caliper = (change: Partial<MachineTakes>) => found('machine-caliper', leaflet, fold.works(change));
  const { long, short } = fold;

  it('is held to its largest and smallest size, whichever way round it is told, and at the size itself', () => {
    for (const maxMm of [
      [long, short],
      [short, long],
    ] as const)
      expect(size({ maxMm })).toBeUndefined();
    for (const minMm of [
      [long, short],
      [short, long],
    ] as const)
      expect(size({ minMm })).toBeUndefined();
  });

  it('says which side is beyond which limit', () => {
    const said = (change: Partial<MachineTakes>) => {
      const { value, limit, unit, step } = size(change) ?? {};
      return { value, limit, unit, step };
    };
    const as = (value: number, limit: number) => ({ value, limit, unit: 'mm', step: 'fold' });
    expect(said({ maxMm: [long - 1, short] })).toEqual(as(long, long - 1));
    expect(said({ maxMm: [long, short - 1] })).toEqual(as(short, short - 1));
    expect(said({ minMm: [long + 1, 10] })).toEqual(as(long, long + 1));
    expect(said({ minMm: [short + 1, short + 1] })).toEqual(as(short, short + 1));
    // Both sides are beyond: the longer is told.
    expect(said({ maxMm: [long - 1, short - 1] })).toEqual(as(long, long - 1));
  });

  it('is held to its calipers, told in millimetres', () => {
    const um = fold.caliperUm;
    expect(caliper({ minCaliperUm: um, maxCaliperUm: um })).toBeUndefined();
    expect(caliper({ maxCaliperUm: um - 1 })).toMatchObject({ limit: (um - 1) / UM, unit: 'mm', step: 'fold' });
    expect(caliper({ minCaliperUm: um + 1 })).toMatchObject({ limit: (um + 1) / UM, unit: 'mm', step: 'fold' });
  });

  it('is held to its mass, told in kilograms', () => {
    const book = family('perfect-bound', { pages: 64 });
    const clamp = at(book, 'trim');
    const heavy = (maxG: number) => found('machine-mass', book, clamp.works({ maxG }));
    expect(heavy(clamp.massG)).toBeUndefined();
    expect(heavy(clamp.massG - 0.001)).toMatchObject({ step: 'trim', limit: (clamp.massG - 0.001) / 1000, unit: 'kg' });
    expect(found('machine-mass', book, clamp.works({ maxG: undefined }))).toBeUndefined();
  });

  it('offers another machine that does the same and takes what comes, and none that does not', () => {
    const second = (takes: Partial<MachineTakes>): Works => {
      const works = fold.works({ maxMm: [long - 1, short] });
      const [own] = works.machines.filter(({ id }) => id === fold.machine);
      if (!own?.takes) throw new Error('no folder');
      const all = { ...own.takes, maxMm: [long, short] as const, ...takes };
      const others = works.machines.filter(({ id, process }) => id === own.id || process !== own.process);
      return { ...works, machines: [...others, { ...own, id: 'second-folder', takes: all }] };
    };
    const mend = (takes: Partial<MachineTakes>) => found('machine-size', leaflet, second(takes))?.mend;
    const index = leaflet.route.findIndex(({ id }) => id === 'fold');
    expect(mend({})).toEqual({ kind: 'set', path: ['route', index, 'machine'], value: 'second-folder' });
    expect(mend({ maxMm: [long - 2, short] })).toBeUndefined();
    expect(mend({ maxCaliperUm: fold.caliperUm - 1 })).toBeUndefined();
    expect(mend({ maxG: fold.massG / 2 })).toBeUndefined();
  });

  it('says which folds a folder cannot make, of sections and of flat pieces, and offers one that can', () => {
    const book = family('perfect-bound', { pages: 64 });
    const folder = at(book, 'fold-section-1');
    const folds = (takes: Partial<MachineTakes>) => found('machine-folds', book, folder.works(takes));
    expect(folds({})).toBeUndefined();
    // Three right angles: one fold in each of three units.
    expect(folds({ parallelFolds: 1, crossFolds: 2 })).toBeUndefined();
    expect(folds({ crossFolds: 1 })).toMatchObject({
      value: 2,
      limit: 1,
      unit: 'folds',
      mend: { kind: 'split-section' },
    });
    const flat = (kind: FoldKind, folds: number, takes: Partial<MachineTakes>) => {
      const of = { ...leaflet, finish: { ...leaflet.finish, fold: kind } };
      const route = leaflet.route.map((one) => (one.id === 'fold' ? { ...one, folds } : one));
      return found('machine-folds', { ...of, route }, fold.works(takes));
    };
    expect(flat('accordion', 5, { parallelFolds: 4 })).toMatchObject({ value: 5, limit: 4 });
    expect(flat('accordion', 4, { parallelFolds: 4, crossFolds: 0 })).toBeUndefined();
    expect(flat('right-angle', 2, { parallelFolds: 1, crossFolds: 0 })).toMatchObject({ value: 1, limit: 0 });
    expect(flat('map', 4, { parallelFolds: 3, crossFolds: 1 })).toBeUndefined();
    expect(flat('map', 4, { parallelFolds: 2, crossFolds: 1 })).toMatchObject({ value: 3, limit: 2 });
  });

  it('says how many sections come to how many feeders', () => {
    const atlas = family('case-bound', { pages: 64 });
    const gather = at(atlas, 'gather');
    const sections = atlas.components.filter(({ kind }) => kind === 'section').length;
    const feeders = (stations: number | undefined) => found('machine-stations', atlas, gather.works({ stations }));
    expect(feeders(undefined)).toBeUndefined();
    const told = feeders(1);
    expect(told).toMatchObject({ step: 'gather', limit: 1, unit: 'sections' });
    expect(told?.value).toBeGreaterThanOrEqual(sections);
    expect(feeders(told?.value)).toBeUndefined();
    expect(feeders((told?.value ?? 0) - 1)).toMatchObject({ value: told?.value, limit: (told?.value ?? 0) - 1 });
  });
});

describe('a limit of the works', () => {
  const booklet = example('concert-programme');
  const book = family('perfect-bound', { pages: 64 });
  const stitched = planned(booklet).edges.find(({ from }) => from === 'stitch')?.state.caliperUm ?? 0;
  const heavy: Job = {
    ...family('folded', { stock: 'gloss-250' }),
    route: family('folded').route.filter(({ operation }) => operation !== 'score'),
  };
  const stockOf = (job: Job): number =>
    SHIPPED_WORKS.stocks.find(({ id }) => id === job.components[0]?.stock)?.gsm ?? 0;
  const sixteen: Job = {
    ...booklet,
    components: booklet.components.map((one) => (one.id === 'section-1' ? { ...one, stock: 'silk-115' } : one)),
  };
  const solid: Job = {
    ...family('folded', { stock: 'silk-115' }),
    components: family('folded').components.map((one) => ({
      ...one,
      front: one.front.map((ink, i) => (i === 0 ? { ...ink, coverage: 0.7 } : ink)),
    })),
  };
  const scored: Job = {
    ...booklet,
    components: booklet.components.map((one) => (one.kind === 'cover' ? { ...one, stock: 'gloss-250' } : one)),
  };
  const stiff = family('flat', { stock: 'board-400' });
  const board = Math.round(
    planned(stiff).edges.find(({ to }) => stiff.route.find(({ id }) => id === to)?.operation === 'print')?.state
      .caliperUm ?? 0,
  );
  const folds: Job = {
    ...family('folded', { fold: 'map', folds: 4 }),
    route: family('folded', { fold: 'map', folds: 4 }).route.map((one) =>
      one.operation === 'fold' ? { ...one, folds: 6 } : one,
    ),
  };

  /** Rule, a job, the norm that limits it, what the job comes to, and the unit that it is told in. */
  const CASES: readonly (readonly [string, Job, string, number, string])[] = [
    ['saddle-thickness', booklet, 'bind.saddleLimit', stitched / UM, 'mm'],
    ['score-before-fold', withNorms(heavy, { 'fold.scoreAcrossOver': 999 }), 'fold.scoreOver', 250, 'g/m2'],
    ['score-before-fold', withNorms(solid, { 'fold.scoreOver': 999 }), 'fold.scoreSolid', 0.7, 'share'],
    ['section-grammage', sixteen, 'fold.section32Gsm', stockOf(sixteen), 'g/m2'],
    ['cover-scored', scored, 'fold.scoreOver', 250, 'g/m2'],
    ['right-angle-folds', folds, 'fold.mostFolds', 6, 'folds'],
    ['turning-stiff-board', stiff, 'press.turnCaliper', board, 'um'],
  ];
  it.each(CASES)('%s holds at the limit itself and breaks beyond it', (rule, job, norm, value, unit) => {
    expect(found(rule, withNorms(job, { [norm]: value }))).toBeUndefined();
    const less = unit === 'folds' ? value - 1 : value * 0.99;
    const over = found(rule, withNorms(job, { [norm]: less }));
    expect(over).toMatchObject({ limit: less, unit });
    expect(Math.abs((over?.value ?? 0) - value)).toBeLessThanOrEqual(0.05);
  });

  it('is a least spine for a bound book: the text alone, without its cover', () => {
    const [norm] = [normsOf(SHIPPED_WORKS, {})('bind.leastSpine').value];
    const spine = (limit: number) => found('least-spine', withNorms(book, { 'bind.leastSpine': limit }));
    const told = spine(5);
    expect(told).toMatchObject({ step: 'bind', limit: 5, unit: 'mm' });
    // 32 leaves of 115 g: with its cover it is thicker.
    const whole = (planned(book).edges.find(({ from }) => from === 'bind')?.state.caliperUm ?? 0) / UM;
    expect(told?.value).toBeLessThan(whole);
    expect(told?.value).toBeGreaterThan(norm);
    expect(spine((told?.value ?? 0) - 0.05)).toBeUndefined();
    expect(spine((told?.value ?? 0) + 0.05)).toBeDefined();
  });

  it('is what a person lifts: a box of whole packs within it is offered', () => {
    const boxed = (perPack: number, kg: number): Job => {
      const job = family('web-leaflet');
      return {
        ...withNorms(job, { 'pack.handKg': kg }),
        route: job.route.map((one) => (one.operation === 'box' ? { ...one, perPack } : one)),
      };
    };
    const told = found('hand-lift', boxed(5000, 10));
    expect(told).toMatchObject({ limit: 10, unit: 'kg', step: 'box' });
    const each = (told?.value ?? 0) / 5000;
    const mend = told?.mend;
    const value = mend?.kind === 'set' ? Number(mend.value) : NaN;
    expect(value * each).toBeLessThanOrEqual(10.01);
    expect((value + 5) * each).toBeGreaterThan(9.9);
    expect(found('hand-lift', boxed(value, 10))).toBeUndefined();
    // Nothing that a person lifts holds even one.
    expect(found('hand-lift', boxed(5000, 0.0001))?.mend).toBeUndefined();
  });

  it('is what a person lifts: where one pack is too heavy already, the pack is made smaller first', () => {
    const flat = family('flat');
    const packed = (inner: number, perBox: number, kg: number): Job => ({
      ...withNorms(flat, { 'pack.handKg': kg }),
      route: flat.route.map((one) =>
        one.operation === 'box'
          ? { ...one, perPack: perBox }
          : one.operation === 'band' || one.operation === 'wrap'
            ? { ...one, perPack: inner }
            : one,
      ),
    });
    const index = (operation: string) => flat.route.findIndex((one) => one.operation === operation);
    const pack = Math.max(index('band'), index('wrap'));
    const one = (planned(flat).edges.find(({ to }) => to === 'box')?.state.massG ?? 0) / 1000;
    const mend = (inner: number, perBox: number, pieces: number) =>
      found('hand-lift', packed(inner, perBox, one * pieces + 1e-9))?.mend;
    // 120 can be lifted: a pack of 200 cannot, packs of 50 are two to a box, and loose ones go by fives.
    expect(mend(200, 400, 120)).toEqual({ kind: 'set', path: ['route', pack, 'perPack'], value: 120 });
    expect(mend(50, 400, 120)).toEqual({ kind: 'set', path: ['route', index('box'), 'perPack'], value: 100 });
    expect(mend(120, 400, 120)).toEqual({ kind: 'set', path: ['route', index('box'), 'perPack'], value: 120 });
    expect(mend(1, 400, 123)).toEqual({ kind: 'set', path: ['route', index('box'), 'perPack'], value: 120 });
    expect(mend(1, 400, 18)).toEqual({ kind: 'set', path: ['route', index('box'), 'perPack'], value: 18 });
  });

  it('is a box of whole packs', () => {
    const job = family('flat');
    const box = (perPack: number): Job => ({
      ...job,
      route: job.route.map((one) => (one.operation === 'box' ? { ...one, perPack } : one)),
    });
    const inner = job.route.find(({ operation }) => operation === 'band' || operation === 'wrap')?.perPack ?? 0;
    expect(inner).toBeGreaterThan(1);
    const whole = (perPack: number) => found('box-whole-packs', box(perPack));
    const index = job.route.findIndex(({ operation }) => operation === 'box');
    const mended = (perPack: number, to: number) => ({
      value: perPack,
      limit: to,
      unit: 'pieces',
      mend: { kind: 'set', path: ['route', index, 'perPack'], value: to },
    });
    expect(whole(2 * inner)).toBeUndefined();
    expect(whole(2 * inner + 1)).toMatchObject(mended(2 * inner + 1, 2 * inner));
    expect(whole(3 * inner - 1)).toMatchObject(mended(3 * inner - 1, 3 * inner));
    // Never no pack at all.
    expect(whole(1)).toMatchObject(mended(1, inner));
  });
});

describe('parts that follow their block', () => {
  const book = family('perfect-bound', { pages: 64 });
  const at = book.components.findIndex(({ id }) => id === 'cover');
  const laid = (widthMm: number): Job => ({
    ...book,
    components: book.components.map((one, i) => (i === at ? { ...one, widthMm } : one)),
  });

  it('may be half a millimetre off, which a knife holds, and no more', () => {
    const told = found('cover-fits-block', laid(400));
    const wanted = told?.limit ?? 0;
    expect(told).toMatchObject({
      step: 'bind',
      value: 400,
      unit: 'mm',
      mend: { kind: 'set', path: ['components', at, 'widthMm'], value: wanted },
    });
    expect(found('cover-fits-block', laid(wanted + 0.4))).toBeUndefined();
    expect(found('cover-fits-block', laid(wanted - 0.4))).toBeUndefined();
    expect(found('cover-fits-block', laid(wanted + 0.6))?.limit).toBe(wanted);
    expect(found('cover-fits-block', laid(wanted - 0.6))?.limit).toBe(wanted);
  });
});
