import { example, planned } from '../plan/examples.fixture.js';
import { normsOf } from '../norms/index.js';
import { type PaperItem, SHIPPED_WORKS, paperKey } from '../works/index.js';
import type { Job } from '../job/index.js';
import { type Holding, alternativesFor, buyList, freeOf, stillNeeded } from './buy.js';
import { type Need, purchaseNeeds } from './needs.js';
import { restsOf } from './rests.js';

const PAPER = { stock: 'silk-115', widthMm: 1020, heightMm: 720, grain: 'width' } as const;
const need = (quantity: number, change: Partial<Need> = {}): Need => ({
  key: paperKey(PAPER),
  kind: 'sheets',
  name: 'Silk',
  quantity,
  unit: 'sheets',
  pack: 500,
  paper: PAPER,
  perPallet: 9000,
  ...change,
});
const lot = (quantity: number, change: Partial<PaperItem> = {}, id = 1): Holding & { paper: PaperItem } => {
  const paper = { ...PAPER, ...change };
  return { id, key: paperKey(paper), paper, quantity, place: 'Bay 3' };
};
const needsIn = (job: Job): Need[] => purchaseNeeds(job, planned(job), SHIPPED_WORKS);

describe('what a job has drawn already', () => {
  it('is not needed again; of a thing that it has all of nothing is', () => {
    const jobs = [
      { job: 1, needs: [need(1_000), need(4, { key: 'ink/K', kind: 'ink' })] },
      { job: 2, needs: [need(700)] },
    ];
    const drawn = [
      { job: 1, key: need(0).key, quantity: 400 },
      { job: 1, key: 'ink/K', quantity: 5 },
    ];
    const left = stillNeeded(jobs, drawn).map(({ needs }) => needs.map(({ quantity }) => quantity));
    expect(left).toEqual([[600], [700]]);
    const [line] = buyList(stillNeeded(jobs, drawn), [lot(300)], [], [], SHIPPED_WORKS);
    expect([line?.fromStock, line?.short]).toEqual([300, 1_000]);
  });
});

describe('needs of a job', () => {
  it('are paper, ink, carriers and packing, each as the plan says', () => {
    const job = example('trail-map');
    const { totals, figures } = planned(job);
    const needs = needsIn(job);
    const of = (kind: Need['kind']) => needs.filter((one) => one.kind === kind);
    expect(of('sheets').map(({ quantity }) => quantity)).toEqual([5484]);
    expect(of('carriers').map(({ quantity }) => quantity)).toEqual([totals.plates]);
    expect(of('ink').reduce((sum, { quantity }) => sum + quantity, 0)).toBeCloseTo(totals.inkKg, 9);
    for (const { figure, quantity } of needs) if (figure) expect(figures[figure]?.value).toBe(quantity);
  });

  it('gather what several components take: three forms of one stock are one line', () => {
    const programme = example('concert-programme');
    const sheets = needsIn(programme).filter(({ kind }) => kind === 'sheets');
    const total = Object.values(planned(programme).totals.pressSheets).reduce((a, b) => a + b, 0);
    expect(sheets.reduce((sum, { quantity }) => sum + quantity, 0)).toBe(total);
    expect(new Set(sheets.map(({ key }) => key)).size).toBe(sheets.length);
  });

  it('of a web are rolls, and of work out of house its pieces', () => {
    expect(needsIn(example('ferry-timetable'))[0]).toMatchObject({
      kind: 'rolls',
      quantity: 11,
      key: 'rolls/web-silk-80/905',
    });
    const map = example('trail-map');
    const band = map.route.find(({ id }) => id === 'band');
    const away: Job = {
      ...map,
      route: [
        ...map.route.map((step) => (step.id === 'band' ? { ...step, from: [{ material: 'away' }] } : step)),
        { id: 'away', operation: 'outside', note: 'laminate', ...(band?.from ? { from: band.from } : {}) },
      ],
    };
    expect(needsIn(away).find(({ kind }) => kind === 'outside')).toMatchObject({ quantity: 10_113 });
  });
});

describe('a purchase list', () => {
  it('takes the store first, less what others reserved, and rounds up to packs (handbook chapter 6 "Buying")', () => {
    const [line] = buyList(
      [{ job: 1, needs: [need(5484)] }],
      [lot(4200)],
      [{ job: 2, key: paperKey(PAPER), quantity: 1000 }],
      [],
      SHIPPED_WORKS,
    );
    // 4,200 - 1,000 are free; 2,284 are short: 5 packs of 500, 216 left.
    expect(line).toMatchObject({
      onHand: 4200,
      reserved: 1000,
      fromStock: 3200,
      short: 2284,
      packs: 5,
      ordered: 2500,
      left: 216,
      pallets: 1,
    });
  });

  it('buys over all jobs together, once rounded', () => {
    const jobs = [
      { job: 1, needs: [need(600)] },
      { job: 2, needs: [need(700)] },
    ];
    const [line] = buyList(jobs, [], [], [], SHIPPED_WORKS);
    expect(line).toMatchObject({ jobs: [1, 2], short: 1300, packs: 3, ordered: 1500 });
    const apart = jobs.flatMap((one) => buyList([one], [], [], [], SHIPPED_WORKS));
    expect(apart.reduce((sum, { packs }) => sum + packs, 0)).toBe(4);
  });

  it('has what the jobs on it have reserved, and buys nothing where the store has all', () => {
    const held = [{ job: 1, key: paperKey(PAPER), quantity: 600 }];
    expect(buyList([{ job: 1, needs: [need(600)] }], [lot(600)], held, [], SHIPPED_WORKS)[0]).toMatchObject({
      own: 600,
      short: 0,
      packs: 0,
      left: 0,
    });
  });
});

describe('the lines of a purchase list', () => {
  const other = (kind: Need['kind'], name: string, quantity = 10): Need => ({
    key: `${kind}/${name}`,
    kind,
    name,
    quantity,
    unit: 'pieces',
    pack: 1,
    figure: `${name}.count`,
  });

  it('stand with paper first, then by kind and name, whatever order the jobs come in', () => {
    const jobs = [
      { job: 1, needs: [other('packing', 'Pallets'), other('ink', 'Ink M'), other('ink', 'Ink K')] },
      { job: 2, needs: [other('carriers', 'Carriers'), need(10), other('outside', 'Away'), other('rolls', 'Roll')] },
    ];
    expect(buyList(jobs, [], [], [], SHIPPED_WORKS).map((line) => line.need.name)).toEqual([
      'Silk',
      'Roll',
      'Ink K',
      'Ink M',
      'Carriers',
      'Pallets',
      'Away',
    ]);
  });

  it('keep the figure of one job, and have none where several jobs add up', () => {
    const one = { job: 1, needs: [other('ink', 'Ink K', 3)] };
    expect(buyList([one], [], [], [], SHIPPED_WORKS)[0]?.need.figure).toBe('Ink K.count');
    const both = buyList([one, { job: 2, needs: [other('ink', 'Ink K', 4)] }], [], [], [], SHIPPED_WORKS);
    expect(both[0]?.need).toMatchObject({ quantity: 7, figure: undefined });
    expect(both[0]?.pallets).toBeUndefined();
  });

  it('take no more out of the store than there is, and nothing that others have all reserved', () => {
    const jobs = [{ job: 1, needs: [need(100)] }];
    const held = [
      { job: 2, key: paperKey(PAPER), quantity: 80 },
      { job: 3, key: 'sheets/other', quantity: 500 },
    ];
    expect(buyList(jobs, [lot(60), lot(5, { widthMm: 700 }, 2)], held, [], SHIPPED_WORKS)[0]).toMatchObject({
      onHand: 60,
      reserved: 80,
      own: 0,
      fromStock: 0,
      short: 100,
    });
    expect(freeOf([lot(60), lot(7, {}, 2)], held)(paperKey(PAPER))).toBe(-13);
  });
});

describe('alternatives', () => {
  const short = buyList(
    [{ job: 1, needs: [need(100, { key: 'sheets/silk-115/510x720/width', paper: { ...PAPER, widthMm: 510 } })] }],
    [],
    [],
    [],
    SHIPPED_WORKS,
  )[0];
  const offered = (holdings: readonly Holding[]) =>
    short ? alternativesFor(short, holdings, freeOf(holdings, []), SHIPPED_WORKS) : [];

  it('are larger sheets of the same stock, grain kept', () => {
    expect(offered([lot(60)])).toEqual([{ holding: lot(60), out: 2, wanted: 50, otherStock: false }]);
    expect(offered([lot(49)])).toEqual([]);
    // The other grain: only one, turned, keeps it.
    expect(offered([lot(1000, { grain: 'height' })]).map(({ out }) => out)).toEqual([1]);
    expect(offered([lot(1000, { grain: 'height', widthMm: 700 })])).toEqual([]);
  });

  it('are none where nothing is short, and none of the very paper that is', () => {
    const holdings = [lot(1000)];
    const free = freeOf(holdings, []);
    const line = { need: need(100, { paper: { ...PAPER, widthMm: 510 }, key: 'x' }), short: 0 };
    expect(alternativesFor(line, holdings, free, SHIPPED_WORKS)).toEqual([]);
    expect(alternativesFor({ need: need(100), short: 100 }, holdings, free, SHIPPED_WORKS)).toEqual([]);
    expect(alternativesFor({ ...line, short: 100 }, holdings, free, SHIPPED_WORKS)).toHaveLength(1);
    const roll = need(100, { paper: { stock: PAPER.stock, widthMm: 905 } });
    expect(alternativesFor({ need: roll, short: 100 }, holdings, free, SHIPPED_WORKS)).toEqual([]);
  });

  it('leave to others what they have reserved, and never more than one lot has', () => {
    const held = [{ job: 9, key: paperKey(PAPER), quantity: 60 }];
    const ask = (holdings: readonly Holding[]) =>
      short ? alternativesFor(short, holdings, freeOf(holdings, held), SHIPPED_WORKS) : [];
    expect(ask([lot(110)])).toHaveLength(1);
    expect(ask([lot(109)])).toEqual([]);
    // 50 are wanted, 30 lie in each of two places.
    expect(offered([lot(30), lot(30, {}, 2)])).toEqual([]);
  });

  it('are of the same weight, surface and bulk, and lie flat', () => {
    const like = SHIPPED_WORKS.stocks.find(({ id }) => id === 'silk-115');
    if (!like) throw new Error('no such stock');
    const ask = (change: Partial<typeof like>) => {
      const works = { ...SHIPPED_WORKS, stocks: [...SHIPPED_WORKS.stocks, { ...like, id: 'other', ...change }] };
      const holdings = [lot(1000, { stock: 'other' })];
      return short ? alternativesFor(short, holdings, freeOf(holdings, []), works).length : undefined;
    };
    expect(ask({})).toBe(1);
    expect(ask({ gsm: like.gsm + 5 })).toBe(0);
    expect(ask({ coated: !like.coated })).toBe(0);
    expect(ask({ bulk: like.bulk + 0.1 })).toBe(0);
    expect(offered([lot(1000, { heightMm: undefined, grain: undefined })])).toEqual([]);
    expect(offered([lot(1000, { stock: 'gone' })])).toEqual([]);
  });

  it('come with the one first that wastes least', () => {
    const wasteful = lot(1000, { widthMm: 1000 }, 1);
    const exact = lot(1000, {}, 2);
    expect(offered([wasteful, exact]).map(({ holding }) => holding.id)).toEqual([2, 1]);
    expect(offered([exact, wasteful]).map(({ holding }) => holding.id)).toEqual([2, 1]);
  });

  it('put another stock of the same kind behind', () => {
    const works = {
      ...SHIPPED_WORKS,
      stocks: SHIPPED_WORKS.stocks.flatMap((s) => (s.id === 'silk-115' ? [s, { ...s, id: 'other-115' }] : [s])),
    };
    const holdings = [lot(1000, { stock: 'other-115' }), lot(1000, {}, 2)];
    const found = short ? alternativesFor(short, holdings, freeOf(holdings, []), works) : [];
    expect(found.map(({ holding, otherStock }) => [holding.id, otherStock])).toEqual([
      [2, false],
      [1, true],
    ]);
  });
});

describe('rests', () => {
  it('are kept where they are large enough: the strip beside a press sheet, the last roll', () => {
    const job = example('trail-map');
    const [component] = job.components;
    const { layouts, figures } = planned({
      ...job,
      components: component
        ? [{ ...component, bought: { kind: 'sheet', widthMm: 1280, heightMm: 720, grain: 'width' } }]
        : [],
    });
    const [layout] = Object.values(layouts);
    const norms = normsOf(SHIPPED_WORKS, {});
    // 1,280 - 1,020 = 260 mm, above the norm of 200 (common practice, no source).
    expect(layout && restsOf(layout, figures, norms)).toEqual([
      { kind: 'strip', widthMm: 260, heightMm: 720, count: 5484 },
    ]);
    const least = (mm: number) => normsOf(SHIPPED_WORKS, { 'rest.leastMm': mm });
    expect(layout && restsOf(layout, figures, least(300))).toEqual([]);
    expect(layout && restsOf(layout, figures, least(260))).toHaveLength(1);
    expect(layout && restsOf(layout, figures, least(261))).toEqual([]);
    // The press sheets are bought: nothing is cut off them.
    const whole = planned(job);
    const [asBought] = Object.values(whole.layouts);
    expect(asBought && restsOf(asBought, whole.figures, least(0))).toEqual([]);
    const web = planned(example('ferry-timetable'));
    const [leaflet] = Object.values(web.layouts);
    const [rest] = leaflet ? restsOf(leaflet, web.figures, norms) : [];
    expect(rest).toMatchObject({ kind: 'roll', widthMm: 905, count: 1 });
    const long = normsOf(SHIPPED_WORKS, { 'rest.leastM': (rest?.lengthM ?? 0) + 1 });
    expect(leaflet && restsOf(leaflet, web.figures, long)).toEqual([]);
    expect(rest?.lengthM).toBeCloseTo(
      11 * (web.figures['component.leaflet.rollUsable']?.value ?? 0) -
        (web.figures['component.leaflet.rollNeed']?.value ?? 0),
      6,
    );
  });
});
