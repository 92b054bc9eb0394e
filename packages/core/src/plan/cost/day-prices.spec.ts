import { figureOf, valueAt } from '../../kernel/index.js';
import type { Job } from '../../job/index.js';
import { paperOfLayout } from '../../press-sheet/index.js';
import { type SupplyPrice, type Works, SHIPPED_WORKS, inkKey, paperKey, paperPriceKey } from '../../works/index.js';
import { findWays } from '../../ways/index.js';
import { bestPlan } from '../../best/index.js';
import { example } from '../examples.fixture.js';
import { type Plan, atDayPrices, plan, worksWithoutPrices } from '../index.js';

const DAY = '2026-11-30';
const job = example('trail-map');
const planned = (works: Works, of: Job = job): Plan => {
  const made = plan(of, works);
  if (!made.ok) throw new Error('not planned');
  return made.value;
};
const before = planned(SHIPPED_WORKS);
const [layout] = Object.values(before.layouts);
if (!layout) throw new Error('no layout');
const stock = layout.stock.id;
const kg = valueAt(before, 'component.map.paperKg') ?? 0;
const supplied = (...sellers: readonly (readonly SupplyPrice[])[]): Works => ({
  ...SHIPPED_WORKS,
  supplied: { day: DAY, sellers: sellers.map((prices, i) => ({ id: i + 1, name: `Merchant ${i + 1}`, prices })) },
});
const paper = (price: number, change: Partial<SupplyPrice> = {}): SupplyPrice => ({
  ...{ item: paperPriceKey(stock), price, per: 100, measure: 'kg' },
  ...change,
});
const paperCost = (works: Works, of: Job = job): number => valueAt(planned(works, of), 'cost.paper.map') ?? 0;

describe('the price of the day', () => {
  it('is what the cheapest supplier asks for as much as the job buys (identity: kilograms by price)', () => {
    expect(kg).toBeGreaterThan(100);
    expect(paperCost(supplied([paper(90)]))).toBeCloseTo(kg * 0.9, 6);
    expect(paperCost(supplied([paper(90)], [paper(80)]))).toBeCloseTo(kg * 0.8, 6);
    expect(paperCost(supplied([paper(90), paper(70, { from: kg - 1 }), paper(50, { from: kg + 1 })]))).toBeCloseTo(
      kg * 0.7,
      6,
    );
  });

  it('holds between its days, and where none holds the norm stands', () => {
    const norm = paperCost(SHIPPED_WORKS);
    expect(paperCost(supplied([paper(90, { validUntil: '2026-11-29' })]))).toBe(norm);
    expect(paperCost(supplied([paper(90, { validFrom: '2026-12-01' })]))).toBe(norm);
    expect(paperCost(supplied([paper(90, { validFrom: DAY, validUntil: DAY })]))).toBeCloseTo(kg * 0.9, 6);
    expect(paperCost(supplied([]))).toBe(norm);
    expect(paperCost(supplied([paper(1, { item: paperPriceKey('of-no-job') })]))).toBe(norm);
  });

  it('of a sheet counts the sheets that are bought (identity)', () => {
    const item = paperKey(paperOfLayout(layout));
    const field = layout.supply.kind === 'bought sheet' ? 'boughtSheets' : 'pressSheets';
    const sheets = valueAt(before, `component.map.${field}`) ?? 0;
    const works = supplied([{ item, price: 95, per: 1000, measure: 'unit' }]);
    expect(paperCost(works)).toBeCloseTo((sheets * 95) / 1000, 6);
  });

  it('gives way to a price that the job sets itself, and is told by whom and of which day', () => {
    const works = supplied([paper(90)]);
    expect(paperCost(works, { ...job, norms: { ...job.norms, [`price.stock.${stock}`]: 2 } })).toBeCloseTo(kg * 2, 6);
    const figure = figureOf(planned(works), `norm.price.stock.${stock}`);
    expect(figure?.source).toMatchObject({ note: `Merchant 1 asks 90 for 100 kg, ${DAY}` });
  });

  it('that no norm may be is not taken', () => {
    expect(paperCost(supplied([paper(999_999_999, { per: 1 })]))).toBe(paperCost(SHIPPED_WORKS));
  });

  it('does not hang on what was planned before in the same works', () => {
    const works = supplied([paper(90), paper(70, { from: kg + 1 })]);
    const more: Job = { ...job, order: { ...job.order, quantity: job.order.quantity * 3 } };
    const alone = paperCost(supplied([paper(90), paper(70, { from: kg + 1 })]), more);
    expect(paperCost(works)).toBeCloseTo(kg * 0.9, 6);
    expect(paperCost(works, more)).toBe(alone);
    expect(paperCost(works)).toBeCloseTo(kg * 0.9, 6);
  });

  it('changes no figure but those of money', () => {
    const after = planned(supplied([paper(90)]));
    const changed = Object.values(before.figures).filter(({ id, value }) => after.figures[id]?.value !== value);
    expect(changed.length).toBeGreaterThan(2);
    expect(changed.filter(({ unit }) => !unit.startsWith('EUR'))).toEqual([]);
    expect(valueAt(after, 'total.cost')).toBeCloseTo(
      (valueAt(before, 'total.cost') ?? 0) + kg * 0.9 - paperCost(SHIPPED_WORKS),
      6,
    );
  });

  it('of what stations use up stands in the place of its norm too', () => {
    const [use] = before.uses;
    if (!use) throw new Error('the example uses nothing up');
    const works = supplied([{ item: `packing/${use.supply}`, price: 7, per: 1, measure: 'unit' }]);
    const used = before.uses.filter(({ supply }) => supply === use.supply);
    const quantity = used.reduce((sum, { figure }) => sum + (valueAt(before, figure) ?? 0), 0);
    const cost = (works: Works): number => valueAt(planned(works), 'cost.packing') ?? 0;
    const each = figureOf(before, `norm.price.supply.${use.supply}`)?.value ?? 0;
    expect(cost(works)).toBeCloseTo(cost(SHIPPED_WORKS) + quantity * (7 - each), 6);
  });

  it('of inks is what each costs with whoever sells it, the others at their norm (identity: kilograms by price)', () => {
    const inks = Object.entries(before.totals.inkKgByName);
    const [first, ...others] = inks;
    if (!first) throw new Error('no ink');
    const [name, drawn] = first;
    expect(others.length).toBeGreaterThan(0);
    const norm = figureOf(before, 'norm.price.ink')?.value ?? 0;
    const ask = (item: string, price: number): SupplyPrice => ({ item, price, per: 1, measure: 'kg' });
    const cost = (works: Works, of = job): number => valueAt(planned(works, of), 'cost.ink') ?? 0;
    const rest = others.reduce((sum, [, kg]) => sum + kg, 0);
    const one = supplied([ask(inkKey(name), 40)], [ask(inkKey(name), 30)]);
    expect(cost(one)).toBeCloseTo(drawn * 30 + rest * norm, 6);
    const all = supplied(inks.map(([of], i) => ask(inkKey(of), 10 + i)));
    expect(cost(all)).toBeCloseTo(
      inks.reduce((sum, [, kg], i) => sum + kg * (10 + i), 0),
      6,
    );
    expect(figureOf(planned(one), 'norm.price.ink')?.source.note).toBe(
      `${name}: Merchant 2 asks 30 for 1 kg, ${DAY}; ${others.length} more at ${norm}`,
    );
    expect(cost(one, { ...job, norms: { ...job.norms, 'price.ink': 3 } })).toBeCloseTo((drawn + rest) * 3, 6);
    expect(cost(supplied([ask('ink/Of no job', 1)]))).toBe(cost(SHIPPED_WORKS));
  });

  it('is one for all ways and for the best plan, which agree with the plan', () => {
    const works = supplied([paper(90), paper(60, { from: kg - 1 })]);
    const ways = findWays(job, works, { kind: 'component', id: 'map' });
    if (!ways.ok) throw new Error('no ways');
    const own = ways.value.ways.find(({ id }) => id === ways.value.current);
    expect(own?.cost).toBeCloseTo(valueAt(planned(works, { ...job, school: 'step' }), 'total.cost') ?? 0, 6);
    const best = bestPlan(job, works);
    if (!best.ok) throw new Error('no best plan');
    expect(best.value.now.cost).toBeCloseTo(own?.cost ?? 0, 6);
  });

  it('is that of other papers, too, where ways are compared; a plan asks for its own alone', () => {
    const other = SHIPPED_WORKS.stocks.find(({ id }) => id !== stock)?.id ?? '';
    const works = supplied([paper(90), paper(40, { item: paperPriceKey(other) })]);
    const own = planned(works);
    const compared = atDayPrices(job, works);
    expect(compared.norms[`price.stock.${other}`]?.value).toBe(0.4);
    expect(compared.norms[`price.stock.${stock}`]?.value).toBe(0.9);
    expect(planned(compared).figures).toEqual(own.figures);
  });

  it('is frozen by being put into the works once, and hidden with all other prices', () => {
    const works = supplied([paper(90)]);
    const frozen = atDayPrices(job, works);
    expect(frozen.supplied).toBeUndefined();
    expect(atDayPrices(job, frozen)).toBe(frozen);
    expect(atDayPrices(job, works)).toBe(frozen);
    expect(paperCost(frozen)).toBe(paperCost(works));
    expect(JSON.stringify(worksWithoutPrices(works))).not.toContain('Merchant');
  });
});
