import { money, numberText, unitText } from '../kernel/index.js';
import type { PaperItem } from './paper-item.js';
import type { SupplyPrice } from './asked-price.js';
import type { Works } from './works.js';

/** So much of one thing. */
export interface Purchase {
  readonly key: string;
  readonly quantity: number;
  readonly paper?: PaperItem | undefined;
  /** What it is counted in. */
  readonly unit: string;
}

/** What a paper is known by to a supplier who sells it in every size at one price. */
export const paperPriceKey = (stock: string): string => `paper/${stock}`;

const G_PER_KG = 1000;
const MM_PER_M = 1000;

/**
 * Kilograms of what is bought; undefined where nobody can say, as with rolls, which are weighed. Source: identity, grammage is
 * mass over area.
 */
export function kilograms({ quantity, paper, unit }: Purchase, works: Works): number | undefined {
  if (unit === 'kg') return quantity;
  const gsm = works.stocks.find(({ id }) => id === paper?.stock)?.gsm;
  if (gsm === undefined || paper?.heightMm === undefined) return undefined;
  return (quantity * (paper.widthMm / MM_PER_M) * (paper.heightMm / MM_PER_M) * gsm) / G_PER_KG;
}

const amountOf = (bought: Purchase, { measure }: SupplyPrice, works: Works): number | undefined =>
  measure === 'kg' ? kilograms(bought, works) : bought.quantity;

const cents = (money: number): number => Math.round(money * 100) / 100;

/** What it costs at a price, to the hundredth; undefined where the price is told for kilograms that nobody can say. Source: identity. */
export function costAt(bought: Purchase, price: SupplyPrice, works: Works): number | undefined {
  const amount = amountOf(bought, price, works);
  return amount === undefined ? undefined : cents((amount * price.price) / price.per);
}

/** Whether a price is for this, on this day. */
const holds = ({ key, paper }: Purchase, day: string, { item, validFrom, validUntil }: SupplyPrice): boolean =>
  (item === key || (paper !== undefined && item === paperPriceKey(paper.stock))) &&
  (validFrom === undefined || validFrom <= day) &&
  (validUntil === undefined || day <= validUntil);

/** A price that was found for something, what it comes to there, and where taking more costs less in all. */
export interface Priced {
  readonly price: SupplyPrice;
  readonly cost: number;
  /** From how much of the unit on the next price is paid, where all of that costs less than what is wanted. */
  readonly moreCostsLess?: { readonly quantity: number; readonly cost: number } | undefined;
}

/**
 * What something costs with a supplier on a day: of the prices that hold, the one that is told for the size itself before that for
 * the paper, then with the highest quantity that is reached, then that which began last. Undefined where none holds.
 * @param day ISO 8601 date. Source: common practice, no source.
 */
export function priceOn(
  prices: readonly SupplyPrice[],
  bought: Purchase,
  day: string,
  works: Works,
): Priced | undefined {
  const told = prices.filter((price) => holds(bought, day, price) && amountOf(bought, price, works) !== undefined);
  const own = told.filter(({ item }) => item === bought.key);
  const of = own.length > 0 ? own : told;
  const reached = of
    .filter((price) => (price.from ?? 0) <= (amountOf(bought, price, works) ?? 0))
    .sort((a, b) => (b.from ?? 0) - (a.from ?? 0) || (b.validFrom ?? '').localeCompare(a.validFrom ?? ''));
  const [price] = reached;
  const cost = price && costAt(bought, price, works);
  if (!price || cost === undefined) return undefined;
  return { price, cost, moreCostsLess: dearerThanMore(of, bought, cost, works) };
}

/** The next price that is cheaper in all, for more than is wanted. */
function dearerThanMore(
  prices: readonly SupplyPrice[],
  bought: Purchase,
  cost: number,
  works: Works,
): Priced['moreCostsLess'] {
  const more = prices.flatMap((price) => {
    const amount = amountOf(bought, price, works) ?? 0;
    if (price.from === undefined || price.from <= amount || amount <= 0) return [];
    const quantity = Math.ceil((bought.quantity * price.from) / amount - 1e-9);
    const all = costAt({ ...bought, quantity }, price, works);
    return all !== undefined && all < cost ? [{ quantity, cost: all }] : [];
  });
  return more.sort((a, b) => a.cost - b.cost)[0];
}

/** The same as it is opened: what is put into it, and how. */
export function costWorking(bought: Purchase, { price: { price, per, measure }, cost }: Priced, works: Works): string {
  const amount = measure === 'kg' ? (kilograms(bought, works) ?? 0) : bought.quantity;
  const unit = measure === 'kg' ? 'kg' : bought.unit;
  return $localize`cost = ${numberText(amount)} ${unitText(unit, 2)} × ${numberText(price)} / ${numberText(per)} ${unitText(unit, per)} = ${money(cost)}`;
}

/** Who sells it, and at which prices. */
export interface Seller {
  readonly id: number;
  readonly prices: readonly SupplyPrice[];
}

/** What each supplier asks, the cheapest first; those who tell no price that holds are not among them. */
export const sellersOf = <One extends Seller>(
  sellers: readonly One[],
  bought: Purchase,
  day: string,
  works: Works,
): { readonly seller: One; readonly priced: Priced }[] =>
  sellers
    .flatMap((seller) => {
      const priced = priceOn(seller.prices, bought, day, works);
      return priced ? [{ seller, priced }] : [];
    })
    .sort((a, b) => a.priced.cost - b.priced.cost);

/** What a supplier asks for several things together: for how many of them a price is told, and the sum of those. */
export interface AskedTogether<One extends Seller> {
  readonly seller: One;
  readonly told: number;
  readonly cost: number;
}

/** The sum of the prices that are told, to the hundredth; those that are not told count nothing. Source: identity. */
export const sumOfPrices = (prices: readonly (number | null | undefined)[]): number =>
  cents(prices.reduce<number>((sum, price) => sum + (price ?? 0), 0));

/** Suppliers of several things together: who sells most of them first, of those the cheapest. Source: common practice, no source. */
export const sellersOfAll = <One extends Seller>(
  sellers: readonly One[],
  bought: readonly Purchase[],
  day: string,
  works: Works,
): AskedTogether<One>[] =>
  sellers
    .map((seller) => {
      const costs = bought.flatMap((one) => priceOn(seller.prices, one, day, works)?.cost ?? []);
      return { seller, told: costs.length, cost: sumOfPrices(costs) };
    })
    .sort((a, b) => b.told - a.told || a.cost - b.cost);
