import { example, planned, withoutNorms } from '../plan/examples.fixture.js';
import type { Job } from '../job/index.js';
import { cutSheetFirst } from '../edit/index.js';
import { SHIPPED_WORKS } from '../works/index.js';
import { CIRCULAR_PITCH_MM, chooseRepeat } from '../webs/index.js';
import { type WayTarget, withWay } from './apply-way.js';
import { findWays } from './find-ways.js';
import { RANKINGS, type Way, type Ways, breakEven, rankWays } from './way.js';

const map = example('trail-map');
const programme = example('concert-programme');

function found(job: Job, target: WayTarget): Ways {
  const outcome = findWays(job, SHIPPED_WORKS, target);
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.issues));
  return outcome.value;
}

const run = (job: Job, target: WayTarget, way: Way): Job => ({
  ...withWay(job, target, way, SHIPPED_WORKS),
  school: 'step',
});

/** A lane that parts cannot be reckoned by itself. */
const cutApart: Job = {
  ...map,
  route: map.route.map((step) => (step.id === 'cut' ? { ...step, makes: [{ material: 'cut', share: 1 }] } : step)),
};

describe.each<[string, Job, WayTarget]>([
  ['trail map', map, { kind: 'component', id: 'map' }],
  ['trail map at shipped norms', withoutNorms(map), { kind: 'component', id: 'map' }],
  ['cover of the programme', programme, { kind: 'component', id: 'cover' }],
  ['one section of the programme', programme, { kind: 'component', id: 'section-1' }],
  ['text of the programme', programme, { kind: 'text' }],
  ['tea shipper', example('tea-shipper'), { kind: 'component', id: 'case' }],
  ['tea caddy', example('tea-caddy'), { kind: 'component', id: 'carton' }],
  ['cloth of the star atlas', example('star-atlas'), { kind: 'component', id: 'cloth' }],
  ['permit stickers on their web', example('permit-stickers'), { kind: 'component', id: 'label' }],
  ['form of the garden cards', example('garden-cards'), { kind: 'component', id: 'form-1' }],
  ['trail map, cut apart', cutApart, { kind: 'component', id: 'map' }],
  ['tray of the puzzle wallet', example('puzzle-wallet'), { kind: 'component', id: 'tray' }],
])('ways of the %s', (_name, job, target) => {
  const { ways, considered, refusals, current } = found(job, target);

  it('reckons every way as the plan does once it is chosen (differential, against plan)', () => {
    const every = Math.max(1, Math.floor(ways.length / 40));
    const tried = ways.filter((_, i) => i % every === 0);
    expect(tried.length).toBeGreaterThan(3);
    for (const way of tried) {
      const { totals, layouts, advice } = planned(run(job, target, way));
      const own = Object.keys(layouts).filter((id) =>
        target.kind === 'text' ? /^(form-)?section/.test(id) : id === target.id,
      );
      const sum = (of: Readonly<Record<string, number>>): number => own.reduce((n, id) => n + (of[id] ?? 0), 0);
      expect({ id: way.id, sheets: sum(totals.pressSheets) }).toEqual({ id: way.id, sheets: way.pressSheets });
      expect(sum(totals.paperKgByComponent)).toBeCloseTo(way.paperKg, 6);
      expect(sum(totals.platesByComponent)).toBe(way.plates);
      expect(totals.cost.total).toBeCloseTo(way.cost, 6);
      expect(advice.map(({ code }) => code)).not.toContain('layout.several-up-not-cut');
    }
  });

  it('counts all that it considered: each is a way or has its reason', () => {
    const refused = refusals.reduce((sum, { count }) => sum + count, 0);
    expect(ways.length + refused).toBe(considered);
    expect(new Set(ways.map(({ id }) => id)).size).toBe(ways.length);
  });

  it('finds the way that the job is in now, at its own cost', () => {
    const now = ways.find(({ id }) => id === current);
    expect(now?.cost).toBeCloseTo(planned({ ...job, school: 'step' }).totals.cost.total, 6);
  });
});

describe('work styles of the trail map at shipped norms (identity, handbook chapter 4)', () => {
  const { ways } = found(withoutNorms(map), { kind: 'component', id: 'map' });
  it.each([
    ['work-and-turn', 5489, 4],
    ['sheetwise', 5673, 8],
    ['perfecting', 5487, 8],
  ])('%s: %i sheets, %i plates', (style, sheets, plates) => {
    // 5,102 good sheets from the guillotine at the worked norms of the finishing steps; here those are the shipped ones.
    const job = {
      ...withoutNorms(map),
      route: map.route.map((step) =>
        step.operation === 'print' ? { ...step, setup: undefined, running: undefined } : step,
      ),
    };
    const way = found(job, { kind: 'component', id: 'map' }).ways.find(
      (w) =>
        w.workStyle === style &&
        w.press === 'b1-perfector' &&
        w.sheet.widthMm === 1020 &&
        w.sheet.grain === 'width' &&
        !w.bought &&
        w.stock === 'silk-115',
    );
    expect([way?.pressSheets, way?.plates]).toEqual([sheets, plates]);
    expect(ways.length).toBeGreaterThan(0);
  });
});

describe('a section and a cover of one paper on a common form', () => {
  const text = programme.components.find(({ id }) => id === 'section-1');
  const alike: Job = {
    ...programme,
    pages: 8,
    components: programme.components
      .filter(({ id }) => id !== 'section-2')
      .map((one) =>
        one.kind === 'cover' && text
          ? { ...text, id: one.id, name: one.name, kind: 'cover', pages: 4 }
          : { ...one, pages: 8 },
      ),
    route: programme.route
      .filter(({ component, operation }) => component !== 'section-2' && operation !== 'coat')
      .map((step) => {
        if (step.id === 'cut-cover') return { ...step, from: [{ material: 'dry-cover' }] };
        return {
          ...step,
          ...(step.from ? { from: step.from.filter(({ material }) => material !== 'fold-section-2') } : {}),
        };
      }),
  };

  it('are offered with half the plates, reckoned as the plan has them (differential, against plan)', () => {
    const { ways } = found(alike, { kind: 'text' });
    const shared = ways.filter((way) => way.shared);
    expect(shared.length).toBeGreaterThan(0);
    for (const way of shared) {
      const { totals } = planned(run(alike, { kind: 'text' }, way));
      expect(totals.plates).toBe(way.plates);
      expect(totals.cost.total).toBeCloseTo(way.cost, 6);
      expect(way.wasteShare).toBeGreaterThan(0);
    }
  });
});

describe('unlike sections on common forms', () => {
  const guide = example('orchid-field-guide');
  const { ways, current } = found(guide, { kind: 'text' });
  const now = ways.find(({ id }) => id === current);
  const shared = ways.find(({ id }) => id === `${current ?? ''} | shared forms`);

  it('halve the plates of the orchid guide: 48 where 96 were, and save paper and money (identity)', () => {
    expect([now?.plates, shared?.plates]).toEqual([96, 48]);
    expect(shared?.paperKg).toBeLessThan(now?.paperKg ?? 0);
    expect(shared?.cost).toBeLessThan(now?.cost ?? 0);
  });

  it('are reckoned as the plan has them, are the current way once taken, and give way again', () => {
    if (!shared || !now) throw new Error('no shared way');
    const taken = run(guide, { kind: 'text' }, shared);
    const { totals } = planned(taken);
    expect(totals.cost.total).toBeCloseTo(shared.cost, 6);
    const again = found(taken, { kind: 'text' });
    expect(again.current).toBe(shared.id);
    const back = planned(run(taken, { kind: 'text' }, now));
    expect(back.totals.cost.total).toBeCloseTo(now.cost, 6);
  });
});

describe('ranking', () => {
  const { ways } = found(map, { kind: 'component', id: 'map' });
  it.each(RANKINGS)('by %s never falls', (ranking) => {
    const key = { cost: 'cost', paper: 'paperKg', hours: 'hours', plates: 'plates' } as const;
    const values = rankWays(ways, ranking).map((way) => way[key[ranking]]);
    expect([...values].sort((a, b) => a - b)).toEqual(values);
  });
  it('tells why the others fell out', () => {
    const { refusals } = found(map, { kind: 'component', id: 'map' });
    expect(refusals.map(({ issue }) => issue.code)).toEqual(
      expect.arrayContaining(['press.cannot-perfect', 'layout.does-not-fit']),
    );
  });
});

it('are the same where a lane that parts into one piece has to be planned in full (differential)', () => {
  const target = { kind: 'component', id: 'map' } as const;
  const sums = ({ ways }: Ways): Map<string, number[]> =>
    new Map(
      ways.map(({ id, cost, pressSheets, boughtSheets, paperKg, plates, passes, wasteShare, fixedCost }) => [
        id,
        [cost, pressSheets, boughtSheets, paperKg, plates, passes, wasteShare, fixedCost],
      ]),
    );
  const [quick, full] = [sums(found(map, target)), sums(found(cutApart, target))];
  expect([full.size, full.size > 20]).toEqual([quick.size, true]);
  for (const [id, values] of full)
    expect([id, quick.get(id)]).toEqual([id, values.map((value) => expect.closeTo(value, 6) as number)]);
});

it('tell what of the paper of a form ends in its items (identity)', () => {
  const gang = example('garden-cards');
  const { ways, current } = found(gang, { kind: 'component', id: 'form-1' });
  const area = gang.items?.reduce((sum, { widthMm, heightMm, quantity }) => sum + widthMm * heightMm * quantity, 0);
  const now = ways.find(({ id }) => id === current);
  // Gloss coated 250 g.
  expect(now?.wasteShare).toBeCloseTo(1 - ((area ?? 0) * 250) / 1e9 / (now?.paperKg ?? 1), 9);
  for (const { wasteShare } of ways) expect(wasteShare > 0 && wasteShare < 1).toBe(true);
});

it('counts webs among what falls out for a sheet', () => {
  const { refusals } = found(map, { kind: 'component', id: 'map' });
  // what prints by another process (flexo, gravure, screen, recessed plate) is no candidate at all
  expect(refusals.filter(({ issue }) => issue.code === 'ways.web-apart')).toHaveLength(1);
});

it('keeps the arrangement that the job is in, in the list and when it is taken', () => {
  const cards: Job = {
    ...withoutNorms(map),
    components: map.components.map((c) => ({ ...c, widthMm: 148, heightMm: 105, lay: { arrangement: 'turned' } })),
  };
  const target: WayTarget = { kind: 'component', id: 'map' };
  const { ways, current } = found(cards, target);
  const now = ways.find(({ id }) => id === current);
  expect(now?.arrangement).toBe('turned');
  expect(now?.cost).toBeCloseTo(planned(cards).totals.cost.total, 6);
  expect(now && withWay(cards, target, now, SHIPPED_WORKS).components[0]?.lay).toEqual({ arrangement: 'turned' });
});

it('tells sections of other trims apart', () => {
  // Eight pages with usual trims lie four up on B1, 302 x 432; with 45 mm at head and foot two up, 302 x 600.
  const small: Job = {
    ...programme,
    pages: 16,
    components: programme.components.map((c) => {
      if (c.kind !== 'section') return c;
      return { ...c, pages: 8, ...(c.id === 'section-2' ? { trims: { headMm: 45, footMm: 45 } } : {}) };
    }),
  };
  const job = cutSheetFirst(small, 'section-1', true);
  const { totals, layouts } = planned(job);
  expect([layouts['section-1']?.pattern.count, layouts['section-2']?.pattern.count]).toEqual([4, 2]);
  const { ways, current } = found(job, { kind: 'text' });
  const { 'section-1': first = 0, 'section-2': second = 0 } = totals.pressSheets;
  expect(ways.find(({ id }) => id === current)?.pressSheets).toBe(first + second);
});

describe('break-even (identity, handbook chapter 8)', () => {
  it('is (fixed a - fixed b) / (unit b - unit a)', () => {
    // 400 + 0.10 n = 40 + 0.50 n at n = 900
    expect(breakEven({ fixedCost: 400, unitCost: 0.1 }, { fixedCost: 40, unitCost: 0.5 })).toBeCloseTo(900, 9);
    expect(breakEven({ fixedCost: 400, unitCost: 0.5 }, { fixedCost: 40, unitCost: 0.5 })).toBeUndefined();
    expect(breakEven({ fixedCost: 400, unitCost: 0.6 }, { fixedCost: 40, unitCost: 0.5 })).toBeUndefined();
  });
  it('lies between the two quantities where the cheaper way changes', () => {
    const flyer = (quantity: number): Job => ({
      ...withoutNorms(map),
      order: { ...map.order, quantity },
      components: map.components.map((c) => ({ ...c, widthMm: 148, heightMm: 210 })),
    });
    const best = (quantity: number, digital: boolean): Way | undefined =>
      found(flyer(quantity), { kind: 'component', id: 'map' }).ways.find(
        ({ press }) => (press === 'digital-cut-sheet') === digital,
      );
    const [offset, digital] = [best(1000, false), best(1000, true)];
    const quantity = offset && digital ? breakEven(offset, digital) : undefined;
    expect(quantity).toBeGreaterThan(10);
    const cheaper = (n: number): boolean => (best(n, true)?.cost ?? Infinity) < (best(n, false)?.cost ?? Infinity);
    expect([cheaper(Math.round((quantity ?? 0) / 3)), cheaper(Math.round((quantity ?? 0) * 3))]).toEqual([true, false]);
  });
});

describe('webs', () => {
  const stickers = example('permit-stickers');
  const label = { kind: 'component', id: 'label' } as const;

  it('come in every width of the paper on every cylinder', () => {
    const { ways, considered, current } = found(stickers, label);
    const works = SHIPPED_WORKS;
    const teeth = works.machines.find(({ id }) => id === 'narrow-web')?.press?.web?.cylinderTeeth ?? [];
    const widths = works.stocks.find(({ id }) => id === 'label-80')?.rollWidthsMm ?? [];
    // The cylinder that the job has now is one of them.
    expect(considered).toBe(teeth.length * widths.length);
    expect(ways.find(({ id }) => id === current)?.sheet).toEqual(stickers.components[0]?.sheet);
  });

  it('lay as many up as the bench of the cylinders does, upright or turned (identity, differential)', () => {
    const { widthMm = 0, heightMm = 0 } = stickers.components[0] ?? {};
    const gaps = { gapMm: 3, sideGapMm: 3, edgeMm: 8 };
    const components = stickers.components.map((one) => ({ ...one, lay: { bleedMm: 1.5 } }));
    const { ways } = found({ ...stickers, components }, label);
    const upOf = (width: number, height: number, web: number, repeat: number): number => {
      const size = { widthMm: width, heightMm: height, webWidthMm: web };
      const [choice] = chooseRepeat({ ...size, ...gaps, cylinders: [Math.round(repeat / CIRCULAR_PITCH_MM)] });
      return choice ? choice.around * choice.across : 0;
    };
    for (const { sheet, up } of ways) {
      const { widthMm: web, heightMm: repeat } = sheet;
      const most = Math.max(upOf(widthMm, heightMm, web, repeat), upOf(heightMm, widthMm, web, repeat));
      expect([web, repeat, up]).toEqual([web, repeat, most]);
    }
  });

  it('keep to the cut-off of their press, and to presses that print alike', () => {
    const { ways, refusals } = found(example('ferry-timetable'), { kind: 'text' });
    expect(new Set(ways.map(({ press, sheet }) => `${press} ${sheet.heightMm}`))).toEqual(new Set(['heatset-web 578']));
    // Widths that do not hold the pages fall out with their reason.
    expect(refusals.map(({ issue, count }) => [issue.code, count])).toEqual([['layout.does-not-fit', 2]]);
    const { ways: lining } = found(example('shelf-lining'), { kind: 'component', id: 'paper' });
    // Engraved cylinders have the repeat of the pattern.
    expect(new Set(lining.map(({ sheet }) => sheet.heightMm))).toEqual(new Set([640]));
  });
});

it('says so where a job has no such part', () => {
  const none = findWays(map, SHIPPED_WORKS, { kind: 'text' });
  expect(none.ok ? [] : none.issues.map(({ code, params }) => [code, params])).toEqual([
    ['ways.no-part', { component: 'text' }],
  ]);
});
