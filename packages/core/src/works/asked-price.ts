/** What a supplier's price is told for: the unit that jobs need it in, or the kilogram, which papers are sold by. */
export const PRICE_MEASURES = ['unit', 'kg'] as const;

/** How many of the measure a price is told for. */
export const PRICE_COUNTS = [1, 100, 1000] as const;

/** What a supplier asks for one thing. */
export interface SupplyPrice {
  /** Key of what is sold, or that of a paper in every size of it ({@link paperPriceKey}). */
  readonly item: string;
  /** For `per` of the measure, in the currency of the works. */
  readonly price: number;
  readonly per: (typeof PRICE_COUNTS)[number];
  readonly measure: (typeof PRICE_MEASURES)[number];
  /** From how much of the measure on it holds; from the first on where absent. */
  readonly from?: number | undefined;
  /** First and last day that it holds, ISO 8601 dates. */
  readonly validFrom?: string | undefined;
  readonly validUntil?: string | undefined;
}
