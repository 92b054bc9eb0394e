import type { Component, Job } from '../job/index.js';
import { normsOf } from '../norms/index.js';
import { example, planned } from '../plan/examples.fixture.js';
import { SHIPPED_WORKS, paperKey } from '../works/index.js';
import { type Need, type NeedKind, NEED_KINDS, paperName, purchaseNeeds } from './needs.js';

const needsIn = (job: Job): Need[] => purchaseNeeds(job, planned(job), SHIPPED_WORKS);
const kindsOf = (job: Job): Set<NeedKind> => new Set(needsIn(job).map(({ kind }) => kind));
const withComponents = (job: Job, change: (component: Component) => Component): Job => ({
  ...job,
  components: job.components.map(change),
});
const EXAMPLES = ['puzzle-wallet', 'season-tickets', 'star-atlas', 'shelf-lining', 'ferry-timetable', 'board-game-box'];
const PAPER = { stock: 'silk-115', widthMm: 1020, heightMm: 720, grain: 'width' } as const;

describe('paper in the store', () => {
  it('is known by stock, size and grain; a roll by its width', () => {
    expect(paperKey(PAPER)).toBe('sheets/silk-115/1020x720/width');
    expect(paperKey({ ...PAPER, grain: 'height' })).toBe('sheets/silk-115/1020x720/height');
    expect(paperKey({ ...PAPER, grain: undefined })).toBe('sheets/silk-115/1020x720/any');
    expect(paperKey({ stock: 'web-silk-80', widthMm: 905 })).toBe('rolls/web-silk-80/905');
  });

  it('is named with the side that lies along the grain', () => {
    const name = SHIPPED_WORKS.stocks.find(({ id }) => id === PAPER.stock)?.name ?? '';
    expect(paperName(PAPER, SHIPPED_WORKS)).toBe(`${name}, 1020 × 720 mm, grain along 1020`);
    expect(paperName({ ...PAPER, grain: 'height' }, SHIPPED_WORKS)).toBe(`${name}, 1020 × 720 mm, grain along 720`);
    expect(paperName({ stock: PAPER.stock, widthMm: 905 }, SHIPPED_WORKS)).toBe(`${name}, roll 905 mm`);
    expect(paperName({ stock: 'gone', widthMm: 905 }, SHIPPED_WORKS)).toBe('gone, roll 905 mm');
  });
});

describe('what a job needs, line by line', () => {
  it.each(EXAMPLES)('of %s is named once, in the order in which one buys, and never nothing', (name) => {
    const needs = needsIn(example(name));
    expect(new Set(needs.map(({ key }) => key)).size).toBe(needs.length);
    for (const need of needs) {
      expect(need.quantity).toBeGreaterThan(0);
      expect(need.key.startsWith(`${need.kind}/`)).toBe(true);
      expect(need.unit).not.toBe('');
    }
    const order = needs.map(({ kind }) => NEED_KINDS.indexOf(kind));
    expect(order.filter((at) => at < 5)).toEqual(order.filter((at) => at < 5).sort((a, b) => a - b));
  });

  it('is packed as it is sold: paper by the pack of its stock, ink by the pail, all else by the piece', () => {
    const norms = normsOf(SHIPPED_WORKS, {});
    const needs = needsIn(example('trail-map'));
    const packOf = (kind: NeedKind) => [...new Set(needs.filter((need) => need.kind === kind).map(({ pack }) => pack))];
    expect(packOf('sheets')).toEqual([norms(`stock.${PAPER.stock}.pack`).value]);
    expect(packOf('ink')).toEqual([norms('ink.pail').value]);
    expect(packOf('carriers')).toEqual([1]);
    expect(packOf('packing')).toEqual([1]);
  });

  it('fills a pallet up to the pile of the house: its height over the caliper (identity)', () => {
    const job = example('trail-map');
    const [sheets] = needsIn(job);
    const [layout] = Object.values(planned(job).layouts);
    const height = normsOf(SHIPPED_WORKS, {})('pile.height').value;
    expect(sheets?.perPallet).toBe(Math.floor((height * 1000) / (layout?.caliperUm ?? 0)));
    expect(needsIn(example('ferry-timetable'))[0]?.perPallet).toBeUndefined();
  });

  it('has dies and their counters, numbering boxes and cutting dies, each of its job and component', () => {
    const tools = needsIn(example('puzzle-wallet')).filter(({ kind }) => kind === 'tools');
    expect(tools.map(({ key, name, quantity }) => [key, name, quantity])).toEqual([
      ['tools/HB-26-0446/wallet/emboss-die/tools', 'Embossing die, Puzzle wallet', 5],
      ['tools/HB-26-0446/wallet/emboss-die/counters', 'Counters, embossing die, Puzzle wallet', 5],
      ['tools/HB-26-0446/wallet/cutting-die/tools', 'Cutting die, Puzzle wallet', 1],
      ['tools/HB-26-0446/tray/cutting-die/tools', 'Cutting die, Puzzle wallet', 1],
    ]);
    expect(needsIn(example('season-tickets')).find(({ kind }) => kind === 'tools')).toMatchObject({
      name: 'Numbering boxes, Season tickets',
      quantity: 27,
      unit: 'pieces',
    });
  });

  it('leaves out what the customer supplies: paper, carriers, tools, parts', () => {
    const wallet = example('puzzle-wallet');
    expect([...kindsOf(wallet)]).toEqual(expect.arrayContaining(['sheets', 'carriers', 'tools', 'parts']));
    const paper = withComponents(wallet, (component) => ({ ...component, paperOwner: 'customer' }));
    expect(kindsOf(paper).has('sheets')).toBe(false);
    expect(kindsOf(paper).has('carriers')).toBe(true);
    const carriers = withComponents(wallet, (component) => ({ ...component, carriers: { owner: 'customer' } }));
    expect(kindsOf(carriers).has('carriers')).toBe(false);
    const tools = withComponents(wallet, (component) => ({
      ...component,
      tools: component.tools?.map((tool) => ({ ...tool, owner: 'customer' })),
    }));
    // What cuts a blank is wanted also where nobody has told of a die.
    expect(needsIn(tools).some(({ name }) => name.includes('mbossing'))).toBe(false);
    const parts: Job = { ...wallet, parts: wallet.parts?.map((part) => ({ ...part, owner: 'customer' })) };
    expect(kindsOf(parts).has('parts')).toBe(false);
  });

  it('of a component that is printed without plates has no carriers', () => {
    const guide = example('walking-guide');
    expect(kindsOf(guide).has('carriers')).toBe(false);
    expect(kindsOf(guide).has('sheets') || kindsOf(guide).has('rolls')).toBe(true);
  });

  it('takes a bought sheet where one is cut to the press sheet, and the press sheets of another of the same size with it', () => {
    const map = example('trail-map');
    const bought = withComponents(map, (component) => ({
      ...component,
      bought: { kind: 'sheet', widthMm: 1280, heightMm: 720, grain: 'width' },
    }));
    const { figures } = planned(bought);
    expect(needsIn(bought)[0]).toMatchObject({
      key: 'sheets/silk-115/1280x720/width',
      quantity: figures['component.map.boughtSheets']?.value,
      figure: 'component.map.boughtSheets',
    });
    expect(needsIn(map)[0]?.figure).toBe('component.map.pressSheets');
    // Six sections on one stock and size: a sum, which is no figure of one of them.
    const atlas = needsIn(example('star-atlas')).filter(({ kind }) => kind === 'sheets');
    expect(atlas.some(({ figure }) => figure === undefined)).toBe(true);
  });

  it('has what holds the product together apart from what it is packed in', () => {
    const needs = needsIn(example('star-atlas'));
    const names = (kind: NeedKind) => needs.filter((need) => need.kind === kind).map(({ name }) => name.toLowerCase());
    expect(names('supplies').some((name) => name.includes('thread'))).toBe(true);
    expect(names('packing').some((name) => name.includes('pallet'))).toBe(true);
    expect(names('supplies').some((name) => name.includes('pallet'))).toBe(false);
  });

  it('asks for work out of house by its note, in the pieces that are sent', () => {
    const map = example('trail-map');
    const band = map.route.find(({ id }) => id === 'band');
    const away = (note?: string): Job => ({
      ...map,
      route: [
        ...map.route.map((step) => (step.id === 'band' ? { ...step, from: [{ material: 'away' }] } : step)),
        { id: 'away', operation: 'outside', note, ...(band?.from ? { from: band.from } : {}) },
      ],
    });
    const outside = (job: Job) => needsIn(job).find(({ kind }) => kind === 'outside');
    expect(outside(away('laminate'))).toMatchObject({
      key: `outside/${map.number}/away`,
      name: `Outside work, laminate, ${map.title}`,
      unit: 'units',
      figure: 'step.away.processUnits',
    });
    expect(outside(away())?.name).toBe(`Outside work, away, ${map.title}`);
  });
});
