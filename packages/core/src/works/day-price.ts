import type { SupplyPrice } from './asked-price.js';
import { type Priced, type Purchase, type Seller, paperPriceKey, sellersOf } from './supply-price.js';
import type { Supplied, SupplierPrices, Works } from './works.js';

/** Who asks what for each thing: a plan asks for few of thousands. */
const sellersByItem = new WeakMap<Supplied, ReadonlyMap<string, readonly SupplierPrices[]>>();

function byItem(supplied: Supplied): ReadonlyMap<string, readonly SupplierPrices[]> {
  const known = sellersByItem.get(supplied);
  if (known) return known;
  const made = new Map<string, SupplierPrices[]>();
  for (const { prices, ...seller } of supplied.sellers) {
    const items = new Map<string, SupplyPrice[]>();
    for (const price of prices) items.set(price.item, [...(items.get(price.item) ?? []), price]);
    for (const [item, own] of items) made.set(item, [...(made.get(item) ?? []), { ...seller, prices: own }]);
  }
  sellersByItem.set(supplied, made);
  return made;
}

/** The prices of one supplier for a thing, told for its size and for the paper. */
function joined(sellers: readonly SupplierPrices[]): SupplierPrices[] {
  const made = new Map<number, SupplierPrices>();
  for (const seller of sellers) {
    const before = made.get(seller.id);
    made.set(seller.id, before ? { ...before, prices: [...before.prices, ...seller.prices] } : seller);
  }
  return [...made.values()];
}

/** What a supplier asks today for so much of something: who, and at which price. */
export interface DayPrice {
  readonly seller: Seller & Pick<SupplierPrices, 'name'>;
  readonly priced: Priced;
}

/**
 * The least that a supplier asks today; undefined where nobody asks anything for it. Rolls are weighed: theirs are bought by
 * the kilogram, and no price of a piece is taken for them. Source: common practice, no source.
 */
export function dayPrice(works: Works, bought: Purchase): DayPrice | undefined {
  const { supplied } = works;
  if (!supplied) return undefined;
  const known = byItem(supplied);
  const { key, paper, unit } = bought;
  const keys = paper ? [key, paperPriceKey(paper.stock)] : [key];
  const isRoll = paper !== undefined && paper.heightMm === undefined;
  const asking = keys.flatMap((one) => known.get(one) ?? []);
  if (asking.length === 0) return undefined;
  const told = joined(asking).map((seller) => ({
    ...seller,
    prices: isRoll && unit === 'kg' ? seller.prices.filter(({ measure }) => measure === 'kg') : seller.prices,
  }));
  const [least] = sellersOf(told, bought, supplied.day, works);
  return least;
}
