import type { Mm } from '../kernel/index.js';

/** Something bought ready made that the route takes in: envelopes, endpapers, inserts, windows, cases. */
export interface Part {
  readonly id: string;
  readonly name: string;
  readonly widthMm?: Mm | undefined;
  readonly heightMm?: Mm | undefined;
  readonly caliperUm?: number | undefined;
  /** Grams of one. */
  readonly massG?: number | undefined;
  /** The customer sends it: it is not charged. */
  readonly owner?: 'house' | 'customer' | undefined;
  /** Price of one, in the currency of the works. */
  readonly price?: number | undefined;
}

/** Material id of a bought part. */
export const partMaterial = (part: string): string => `part.${part}`;
