import { ROUTE_RULES, RULE_IDS, type Operation, type RuleId } from '../route/index.js';
import type { ArtworkPages, Job, Step } from '../job/index.js';
import { FAMILY_RULES, makeJob as newJob } from '../families/index.js';
import { plan } from '../plan/index.js';
import { example } from '../plan/examples.fixture.js';
import { answersOf } from '../families/families.fixture.js';
import { type Works, SHIPPED_WORKS } from '../works/index.js';
import { houseRuleId } from '../norms/index.js';
import { applyMend, checkRoute } from './check-route.js';

function findings(job: Job, works: Works = SHIPPED_WORKS) {
  const outcome = plan(job, works);
  if (!outcome.ok) throw new Error(outcome.issues.map(({ code, path }) => `${code} ${path}`).join('; '));
  return checkRoute(job, outcome.value, works);
}
const broken = (job: Job, works?: Works): string[] => [...new Set(findings(job, works).map(({ rule }) => rule))];

const family = (name: keyof typeof FAMILY_RULES, change: object = {}): Job =>
  newJob(name, { ...answersOf(name), ...change }, SHIPPED_WORKS);

/** The job with one step's fields changed, wherever it stands. */
const step = (job: Job, id: string, change: Partial<Step>): Job => ({
  ...job,
  route: job.route.map((one) => (one.id === id ? { ...one, ...change } : one)),
});
/** The job with a step's operation gone: what it took goes on. */
function without(job: Job, id: string): Job {
  const gone = job.route.find((one) => one.id === id);
  const material = gone?.from?.[0]?.material ?? '';
  return {
    ...job,
    route: job.route
      .filter((one) => one !== gone)
      .map((one) => ({
        ...one,
        ...(one.from ? { from: one.from.map((f) => (f.material === id ? { ...f, material } : f)) } : {}),
      })),
  };
}
/** Two neighbours of a lane change places. */
function swapped(job: Job, first: string, then: string): Job {
  const [one, two] = [first, then].map((id) => job.route.find((s) => s.id === id));
  if (!one || !two) throw new Error(`no ${first}, ${then}`);
  const moved = without(job, first);
  const rewired = moved.route.map((s) =>
    s.from?.some((f) => f.material === then)
      ? { ...s, from: s.from.map((f) => (f.material === then ? { ...f, material: first } : f)) }
      : s,
  );
  const at = rewired.findIndex((s) => s.id === then);
  return {
    ...job,
    route: [...rewired.slice(0, at + 1), { ...one, from: [{ material: then }] }, ...rewired.slice(at + 1)],
  };
}
const put = (job: Job, before: string, operation: Operation): Job =>
  applyMend(job, { kind: 'insert', before, operation });
const withNorms = (job: Job, norms: Record<string, number>): Job => ({ ...job, norms: { ...job.norms, ...norms } });

const card = family('flat', { cover: 'film', foil: true });
const filmedCarton = family('carton', { cover: 'film', foil: true });
const book = family('perfect-bound', { twoUp: true, pages: 64 });
const atlas = family('case-bound', { pages: 64 });
const tickets = family('numbered');
const box = family('laminated-box');
const heavy = family('folded', { stock: 'gloss-250' });
const thin = family('perfect-bound', { pages: 32, stock: 'silk-90' });
const bare = without(heavy, 'score');

const withStockOf = (job: Job, component: string, stock: string): Job => ({
  ...job,
  components: job.components.map((one) => (one.id === component ? { ...one, stock } : one)),
});

/** Two designs in packs of one each, one of them laid five times on a form and the other three times. */
const ASSORTED: Job = (() => {
  const gang = example('garden-cards');
  const [form] = gang.components;
  const [a, b] = gang.items ?? [];
  if (!form || !a || !b) throw new Error('no gang');
  const items = [a, b].map((item) => ({ ...item, quantity: 1000 }));
  const carries = items.map(({ id }, i) => ({ item: id, count: i === 0 ? 5 : 3 }));
  return {
    ...gang,
    order: { ...gang.order, quantity: 1000 },
    items,
    components: [{ ...form, carries }],
    route: [
      ...gang.route.filter(({ component }) => component === form.id),
      { id: 'pack', operation: 'hand', from: items.map(({ id }) => ({ material: `item.${id}` })) },
      { id: 'box', operation: 'box', perPack: 100, from: [{ material: 'pack' }] },
    ],
  };
})();

/** A map whose artwork fits but for what is changed. */
const withArtwork = (change: Partial<ArtworkPages>): Job => {
  const map = example('trail-map');
  const inks = ['C', 'M', 'Y', 'K'];
  const fits = { count: 2, widthMm: 420, heightMm: 594, bleedMm: 3, boundBleedMm: 3, inks };
  return { ...map, artwork: [{ name: 'map.pdf', of: ['map'], pages: [{ ...fits, ...change }] }] };
};

/** Where the shipped works does not break a rule, one that does: a gatherer of two feeders, a web whose folder trims nothing. */
const CASE_WORKS: Partial<Readonly<Record<RuleId, Works>>> = {
  'machine-stations': {
    ...SHIPPED_WORKS,
    machines: SHIPPED_WORKS.machines.map((machine) =>
      machine.takes?.stations === undefined ? machine : { ...machine, takes: { ...machine.takes, stations: 2 } },
    ),
  },
  'machine-folds': {
    ...SHIPPED_WORKS,
    machines: SHIPPED_WORKS.machines.map((machine) =>
      machine.process === 'folder' && machine.takes
        ? { ...machine, takes: { ...machine.takes, crossFolds: 1 } }
        : machine,
    ),
  },
  'machine-there': {
    ...SHIPPED_WORKS,
    machines: SHIPPED_WORKS.machines.filter(({ process }) => process !== 'folder'),
  },
  'still-in-use': {
    ...SHIPPED_WORKS,
    stocks: SHIPPED_WORKS.stocks.map((stock) => ({ ...stock, retired: stock.id === 'silk-115' })),
  },
  'web-heads-open': {
    ...SHIPPED_WORKS,
    machines: SHIPPED_WORKS.machines.map((machine) =>
      machine.press?.web?.trimsInLine
        ? { ...machine, press: { ...machine.press, web: { ...machine.press.web, trimsInLine: false } } }
        : machine,
    ),
  },
};

/** Every rule with a job that breaks it; the families as they come are silent. */
const CASES: Readonly<Record<RuleId, Job>> = {
  'dry-before-back-up': without(tickets, 'dry'),
  'dry-before-cut': without(family('flat'), 'dry-piece'),
  'dry-before-die': without(family('carton'), 'dry-carton'),
  'dry-before-fold': without(family('saddle-stitched'), 'dry-section-1'),
  'dry-before-film': without(card, 'dry-piece'),
  'hand-after-wet': without(tickets, 'dry-2'),
  'coat-before-die': swapped(family('carton', { cover: 'varnish' }), 'coat', 'die-cut'),
  'foil-after-film': swapped(card, 'laminate', 'foil'),
  'foil-before-die': swapped(filmedCarton, 'foil', 'die-cut'),
  'emboss-after-foil': put(card, 'foil', 'emboss'),
  'score-before-fold': bare,
  'glue-area-free': { ...filmedCarton, finish: {} },
  'hot-melt-on-sealed': { ...family('carton'), finish: { adhesive: 'cold' } },
  'no-powder-under-film': step(card, 'print-piece', { powder: true }),
  'cut-before-fold': without(family('folded'), 'cut'),
  'die-before-glue': swapped(family('carton'), 'die-cut', 'glue'),
  'window-before-glue': swapped(box, 'window', 'glue'),
  'cool-before-trim': without(book, 'cool'),
  'split-before-trim': swapped(book, 'split', 'trim'),
  'sew-before-case': without(atlas, 'sew'),
  'number-before-cut': swapped(swapped(tickets, 'number', 'inspect-2'), 'number', 'cut'),
  'number-after-inspection': without(tickets, 'inspect'),
  'count-accountable': without(tickets, 'count'),
  'machine-size': step(family('corrugated-case'), 'die-cut', { machine: 'die-cutter-b1' }),
  'machine-caliper': step(family('envelope'), 'die-cut', { machine: 'slotter' }),
  // 360 leaves of A5 on 170 g, two-up: some 4 kg in the clamp.
  'machine-mass': family('perfect-bound', { twoUp: true, pages: 720, stock: 'silk-170' }),
  // Cloth with its grain along the longer side, across the spine.
  'machine-grain': {
    ...atlas,
    components: atlas.components.map((one) => (one.id === 'cloth' ? { ...one, grain: 'width' as const } : one)),
  },
  // Sections of sixteen pages: two turns, on a folder that turns once.
  'machine-folds': atlas,
  // Four sections at two feeders.
  'machine-stations': atlas,
  'hand-lift': step(family('web-leaflet'), 'box', { perPack: 5000 }),
  'least-spine': thin,
  'cover-fits-block': {
    ...book,
    components: book.components.map((one) => (one.kind === 'section' ? { ...one, stock: 'silk-90' } : one)),
  },
  'case-fits-block': {
    ...atlas,
    components: atlas.components.map((one) => (one.kind === 'section' ? { ...one, stock: 'silk-90' } : one)),
  },
  'saddle-thickness': withNorms(example('concert-programme'), { 'bind.saddleLimit': 1 }),
  'grain-along-spine': {
    ...atlas,
    components: atlas.components.map((one) => (one.id === 'board' ? { ...one, grain: 'any' } : one)),
  },
  'carton-grain': {
    ...family('carton'),
    components: family('carton').components.map((one) => ({ ...one, grain: 'any' as const })),
  },
  'food-glue': { ...family('carton'), contact: 'food' },
  'food-varnish': {
    ...family('carton', { cover: 'varnish' }),
    contact: 'food',
    finish: { glueFree: true, glueCleared: ['food'] },
  },
  // 16 leaves of 115 g in one section.
  'section-grammage': withStockOf(example('concert-programme'), 'section-1', 'silk-115'),
  'right-angle-folds': step(family('folded', { fold: 'map', folds: 4 }), 'fold', { folds: 6 }),
  'cover-scored': withStockOf(example('concert-programme'), 'cover', 'gloss-250'),
  'box-whole-packs': step(family('flat'), 'box', { perPack: 1010 }),
  'packs-equal-designs': ASSORTED,
  'machine-there': family('folded'),
  'still-in-use': family('folded'),
  'web-heads-open': family('web-leaflet'),
  'turning-stiff-board': family('flat', { stock: 'board-400' }),
  'die-with-counter': (() => {
    const relief = family('flat', { emboss: true });
    const tools = [{ id: 'emboss-die', kind: 'embossing-die', name: 'Embossing die' }] as const;
    return { ...relief, components: relief.components.map((one) => ({ ...one, tools })) };
  })(),
  'artwork-pages': withArtwork({ count: 3 }),
  'artwork-size': withArtwork({ widthMm: 410 }),
  'artwork-bleed': withArtwork({ bleedMm: 1 }),
  'artwork-inks': withArtwork({ inks: ['C', 'M', 'Y', 'K', 'Rose'] }),
  'artwork-empty-plates': withArtwork({ inks: ['M', 'Y', 'K'] }),
  'artwork-separated': withArtwork({ rgb: true }),
  'artwork-total-ink': withArtwork({ totalInk: 3.2 }),
  'gang-parts-late': (() => {
    const gang = example('garden-cards');
    const items = (gang.items ?? []).map(({ id }) => `item.${id}`);
    return {
      ...gang,
      route: [
        ...gang.route.map((one) => ({
          ...one,
          ...(one.from
            ? {
                from: one.from.map((f) =>
                  items.includes(f.material) ? { ...f, material: `coat-${f.material.slice(5)}` } : f,
                ),
              }
            : {}),
        })),
        ...items.map((material) => ({
          id: `coat-${material.slice(5)}`,
          operation: 'coat' as const,
          from: [{ material }],
        })),
      ],
    };
  })(),
};

describe('rules of the route', () => {
  it.each(Object.keys(FAMILY_RULES) as (keyof typeof FAMILY_RULES)[])('%s as it comes breaks none', (name) => {
    expect(broken(family(name))).toEqual([]);
  });

  it.each(RULE_IDS)('%s fires', (rule) => {
    const found = findings(CASES[rule], CASE_WORKS[rule]).filter((one) => one.rule === rule);
    expect(found.length).toBeGreaterThan(0);
    for (const one of found) {
      expect(one).toMatchObject({ name: ROUTE_RULES[rule].name, weight: ROUTE_RULES[rule].weight });
      expect(CASES[rule].route[Number(/\d+/.exec(one.path)?.[0])]?.id).toBe(one.step);
    }
  });

  it.each(
    RULE_IDS.filter((rule) => findings(CASES[rule], CASE_WORKS[rule]).some((one) => one.rule === rule && one.mend)),
  )('%s is silent once its mend is taken, and nothing new fires', (rule) => {
    const works = CASE_WORKS[rule];
    const before = broken(CASES[rule], works);
    let job = CASES[rule];
    for (let turns = 0; turns < 40; turns++) {
      const next = findings(job, works).find((one) => one.rule === rule);
      if (!next) break;
      if (!next.mend) throw new Error(`${rule} at ${next.step} has no mend`);
      job = applyMend(job, next.mend);
    }
    expect(broken(job, works)).not.toContain(rule);
    for (const one of broken(job, works)) expect(before).toContain(one);
  });

  it.each(RULE_IDS)('%s says and offers what it did when it was last looked at (kept, no source)', (rule) => {
    const said = findings(CASES[rule], CASE_WORKS[rule]).map(({ rule: id, path, step: at, value, limit, unit, mend }) =>
      JSON.stringify({ id, path, at, value, limit, unit, mend }),
    );
    expect(said).toMatchSnapshot();
  });

  it.each(['food-glue', 'food-varnish'] as const)(
    '%s is kept by what the works keeps, where all of it is cleared',
    (rule) => {
      const [cold, other] = (['glue', 'coating'] as const).map((supply) => ({
        ...{ id: supply, name: supply, supply, cleared: ['food'] as const },
      }));
      if (!cold || !other) throw new Error('no supplies');
      const kept = (...supplies: NonNullable<Works['supplies']>): string[] =>
        broken(CASES[rule], { ...SHIPPED_WORKS, supplies });
      expect(kept(cold, other)).not.toContain(rule);
      const plain = [cold, other].map((one) => ({ ...one, id: `${one.id}-2`, cleared: [] }));
      expect(kept(cold, other, ...plain)).toContain(rule);
      expect(kept(cold, other, ...plain.map((one) => ({ ...one, retired: true })))).not.toContain(rule);
      expect(kept({ ...cold, supply: 'paste' }, { ...other, cleared: ['toy'] })).toContain(rule);
    },
  );

  it('is switched off, made softer or harder by the works, and by a job', () => {
    const rule = 'rule.score-before-fold';
    const as = (value: number): Works => ({
      ...SHIPPED_WORKS,
      norms: { [rule]: { value, source: { label: 'set by user' } } },
    });
    expect(findings(bare, as(2))[0]?.weight).toBe('hard');
    expect(findings(bare, as(1))[0]?.weight).toBe('soft');
    expect(findings(bare, as(0))).toEqual([]);
    expect(findings(withNorms(bare, { [rule]: 0 }))).toEqual([]);
  });

  it('knows rules that the house has added, with their reason', () => {
    const works: Works = {
      ...SHIPPED_WORKS,
      norms: { [houseRuleId('coat', 'foil')]: { value: 2, source: { label: 'set by user', note: 'foil lifts' } } },
    };
    const job = put(family('flat', { foil: true }), 'cut', 'coat');
    expect(findings(job, works)).toMatchObject([
      {
        rule: 'order.coat.foil',
        name: 'Coat before foil',
        reason: 'foil lifts',
        weight: 'hard',
        mend: { kind: 'move', step: 'coat', before: 'foil' },
      },
    ]);
    expect(broken(family('flat', { foil: true, cover: 'varnish' }), works)).toEqual([]);
  });

  it('finds a score wanted across the grain and under a solid, on lighter stock too', () => {
    const map = family('folded', { stock: 'silk-170' });
    const [component] = map.components;
    const along = component?.grain;
    expect(along).toBe('any');
    const solid = (coverage: number): Job => ({
      ...map,
      components: map.components.map((one) => ({
        ...one,
        front: [{ name: 'K', coverage }],
        back: [],
        workStyle: 'single' as const,
      })),
      route: map.route.map((one) => (one.operation === 'print' ? { ...one, side: 'front' as const } : one)),
      norms: { 'fold.scoreAcrossOver': 999 },
    });
    expect(findings(solid(0.9)).map(({ rule, value, limit }) => [rule, value, limit])).toEqual([
      ['score-before-fold', 0.9, 0.7],
    ]);
    expect(findings(solid(0.3))).toEqual([]);
  });

  it('asks for hot melt on waxed board, glue flaps kept free or not', () => {
    const waxed = family('carton', { stock: 'waxed-board-320' });
    expect(findings(waxed).map(({ rule }) => rule)).toEqual(['hot-melt-on-sealed']);
    expect(broken({ ...waxed, finish: { adhesive: 'hot-melt' } })).toEqual([]);
  });

  it('tells wet ink once: at the first station that it reaches, or at the next where the works has that rule off', () => {
    const wet = without(family('folded'), 'dry-leaflet');
    const told = (job: Job): string[][] => findings(job).map(({ rule, step: at }) => [rule, at]);
    expect(told(wet)).toEqual([['dry-before-cut', 'cut']]);
    expect(told(withNorms(wet, { 'rule.dry-before-cut': 0 }))).toEqual([['dry-before-fold', 'fold']]);
  });

  it('leaves the job as it was where the route has changed under a mend', () => {
    expect(applyMend(card, { kind: 'move', step: 'gone', before: 'cut' })).toBe(card);
    expect(applyMend(card, { kind: 'insert', operation: 'dry', before: 'gone' })).toBe(card);
  });
});
