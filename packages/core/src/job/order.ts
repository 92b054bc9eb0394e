/** What the order lets us deliver. Percents of the quantity. */
export type OversPolicy =
  | { readonly kind: 'exact' }
  | { readonly kind: 'percent'; readonly under: number; readonly over: number }
  | { readonly kind: 'all-overs' };

/** Part of an order that is delivered by itself. */
export interface Delivery {
  readonly quantity: number;
  /** ISO 8601 date. */
  readonly due?: string | undefined;
}

/** What is ordered, and what may be delivered of it. */
export interface Order {
  readonly quantity: number;
  /** What is counted, many of them: sets, pads, packs; what leaves the last station where absent. */
  readonly unit?: string | undefined;
  /** Pieces planned beyond the order. */
  readonly plannedOvers: number;
  readonly policy: OversPolicy;
  /** Partial deliveries, which add to the quantity; one of all where absent. */
  readonly deliveries?: readonly Delivery[] | undefined;
  /** Single books: how many of the same format, paper and film run together and share their set-ups; by the norm where absent. */
  readonly batch?: number | undefined;
}

/** Fewest and most pieces that an order lets us deliver; no most where all overs go to the customer. */
export function orderLimits({ policy, quantity }: Order): { readonly least: number; readonly most: number } {
  switch (policy.kind) {
    case 'exact':
      return { least: quantity, most: quantity };
    case 'all-overs':
      return { least: quantity, most: Infinity };
    case 'percent':
      return {
        least: Math.ceil(quantity * (1 - policy.under / 100)),
        most: Math.floor(quantity * (1 + policy.over / 100)),
      };
  }
}
