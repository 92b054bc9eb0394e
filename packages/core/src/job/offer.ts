import { money, numberText } from '../kernel/index.js';

/** What a customer is offered: so many at a price. */
export interface OfferPrice {
  /** Price of all of them, and of a thousand, in the currency of the works. */
  readonly total: number;
  readonly perThousand: number;
}

/** The most that may be earned of a price, as a share of it: beyond this the price runs away. Source: common practice, no source. */
export const MOST_MARGIN = 0.9;

const cents = (money: number): number => Math.max(0, Math.ceil(money * 100 - 1e-6)) / 100;

/**
 * The price at which a share of it is earned: cost / (1 - margin), up to the next hundredth; and of a thousand pieces.
 * @param cost what the works spends, 0 or more. @param margin share of the price that is earned, 0 to {@link MOST_MARGIN}.
 * @param quantity pieces, 1 or more. Source: identity.
 */
export function offerPrice(cost: number, margin: number, quantity: number): OfferPrice {
  const total = cents(cost / (1 - margin));
  return { total, perThousand: cents((total / quantity) * 1000) };
}

/** The same as it is opened: what is put into it, and how. */
export const offerWorking = (cost: number, margin: number): string =>
  $localize`price = cost / (1 - margin) = ${money(cost)} / (1 - ${numberText(margin)}) = ${money(offerPrice(cost, margin, 1).total)}`;
