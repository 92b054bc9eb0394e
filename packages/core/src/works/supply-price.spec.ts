import { SHIPPED_WORKS } from './shipped-works.js';
import {
  sellersOfAll,
  sumOfPrices,
  type Purchase,
  costAt,
  costWorking,
  kilograms,
  paperPriceKey,
  priceOn,
  sellersOf,
} from './supply-price.js';
import type { SupplyPrice } from './asked-price.js';
import { paperKey } from './paper-item.js';

const PAPER = { stock: 'silk-115', widthMm: 1000, heightMm: 700, grain: 'width' } as const;
const sheets = (quantity: number): Purchase => ({ key: paperKey(PAPER), quantity, paper: PAPER, unit: 'sheets' });
const ink = (quantity: number): Purchase => ({ key: 'ink/K', quantity, unit: 'kg' });
const perKg = (price: number, change: Partial<SupplyPrice> = {}): SupplyPrice => ({
  item: paperPriceKey('silk-115'),
  price,
  per: 100,
  measure: 'kg',
  ...change,
});
const DAY = '2026-12-01';
const on = (prices: readonly SupplyPrice[], bought: Purchase, day = DAY) => priceOn(prices, bought, day, SHIPPED_WORKS);

describe('what something weighs', () => {
  it('is its area by its grammage (identity): 10,000 of 0.7 m2 at 115 g/m2 are 805 kg', () => {
    expect(kilograms(sheets(10_000), SHIPPED_WORKS)).toBeCloseTo(805, 9);
    expect(kilograms(ink(12.5), SHIPPED_WORKS)).toBe(12.5);
  });

  it('is not known of rolls, pieces and papers that the works does not have', () => {
    expect(kilograms({ ...sheets(4), paper: { stock: 'silk-115', widthMm: 905 } }, SHIPPED_WORKS)).toBeUndefined();
    expect(kilograms({ key: 'packing/box', quantity: 4, unit: 'pieces' }, SHIPPED_WORKS)).toBeUndefined();
    expect(kilograms({ ...sheets(4), paper: { ...PAPER, stock: 'gone' } }, SHIPPED_WORKS)).toBeUndefined();
  });
});

describe('a price', () => {
  it('is asked for a hundred kilograms, a thousand sheets or a piece (identity)', () => {
    expect(costAt(sheets(10_000), perKg(98), SHIPPED_WORKS)).toBe(788.9);
    expect(costAt(sheets(2500), { item: '', price: 61, per: 1000, measure: 'unit' }, SHIPPED_WORKS)).toBe(152.5);
    expect(costAt(ink(0.333), { item: '', price: 9.9, per: 1, measure: 'unit' }, SHIPPED_WORKS)).toBe(3.3);
  });

  it('holds from its first day to its last, both included', () => {
    const held = [perKg(98, { validFrom: '2026-12-01', validUntil: '2026-12-31' })];
    expect(
      ['2026-11-30', '2026-12-01', '2026-12-31', '2027-01-01'].map((day) => on(held, sheets(100), day)?.cost),
    ).toEqual([undefined, 7.89, 7.89, undefined]);
  });

  it('is that of the highest quantity that is reached; of two the one that began last', () => {
    const prices = [perKg(120), perKg(110, { from: 500 }), perKg(100, { from: 1000 })];
    // 0.0805 kg a sheet: 6,211 sheets weigh just under 500 kg, 6,212 just over.
    expect([6211, 6212, 12_422, 12_423].map((n) => on(prices, sheets(n))?.price.price)).toEqual([120, 110, 110, 100]);
    const later = [perKg(120, { validFrom: '2026-01-01' }), perKg(125, { validFrom: '2026-11-01' }), perKg(90)];
    expect(on(later, sheets(1))?.price.price).toBe(125);
  });

  it('of the very size goes before that of the paper', () => {
    const own: SupplyPrice = { item: paperKey(PAPER), price: 70, per: 1000, measure: 'unit' };
    expect(on([perKg(1), own], sheets(1000))?.cost).toBe(70);
    expect(on([perKg(1), own], { ...sheets(1000), key: 'x', paper: { ...PAPER, widthMm: 500 } })?.price.price).toBe(1);
  });

  it('says where more costs less, and how much that is', () => {
    const prices = [perKg(120), perKg(100, { from: 500 })];
    // 480 kg at 120 are 576.00; 500 kg at 100 are 500.00: 6,212 sheets.
    const found = on(prices, sheets(480 / 0.0805));
    expect(found?.moreCostsLess).toEqual({ quantity: 6212, cost: 500.07 });
    expect(on(prices, sheets(1000))?.moreCostsLess).toBeUndefined();
    expect(on(prices, sheets(7000))?.moreCostsLess).toBeUndefined();
  });

  it('opens to its working', () => {
    const found = on([perKg(98)], sheets(10_000));
    expect(found && costWorking(sheets(10_000), found, SHIPPED_WORKS)).toBe('cost = 805 kg × 98 / 100 kg = 788.90');
  });
});

describe('suppliers of something', () => {
  it('stand with the cheapest first, and only those who sell it today', () => {
    const sellers = [
      { id: 1, prices: [perKg(98)] },
      { id: 2, prices: [perKg(97, { validUntil: '2026-06-30' })] },
      { id: 3, prices: [perKg(95)] },
      { id: 4, prices: [] },
      { id: 5, prices: [perKg(1, { from: 99_999 })] },
    ];
    expect(sellersOf(sellers, sheets(1000), DAY, SHIPPED_WORKS).map(({ seller }) => seller.id)).toEqual([3, 1]);
  });
});

describe('suppliers of several things together', () => {
  const all = [sheets(1000), ink(2)];
  const inkAt = (price: number): SupplyPrice => ({ item: 'ink/K', price, per: 1, measure: 'unit' });

  it('stand with those first who sell most of them, then by the sum (identity)', () => {
    const sellers = [
      { id: 1, prices: [perKg(1)] },
      { id: 2, prices: [perKg(100), inkAt(8)] },
      { id: 3, prices: [perKg(90), inkAt(9)] },
      { id: 4, prices: [] },
    ];
    // 80.5 kg at 90 a hundred are 72.45, with 18 of ink; at 100 they are 80.50, with 16.
    expect(
      sellersOfAll(sellers, all, DAY, SHIPPED_WORKS).map(({ seller, told, cost }) => [seller.id, told, cost]),
    ).toEqual([
      [3, 2, 90.45],
      [2, 2, 96.5],
      [1, 1, 0.81],
      [4, 0, 0],
    ]);
  });

  it('sum what is told to the hundredth, whatever is not told', () => {
    expect(sumOfPrices([0.1, 0.2, null, undefined])).toBe(0.3);
    expect(sumOfPrices([])).toBe(0);
  });
});
