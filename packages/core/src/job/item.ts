import type { Mm } from '../kernel/index.js';

/** An item that shares press sheets with others: a product or a version of its own. */
export interface Item {
  readonly id: string;
  readonly name: string;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** Pieces ordered. The order's quantity is the sum over all items. */
  readonly quantity: number;
  /** May be turned by a quarter; where absent it may. */
  readonly mayTurn?: boolean | undefined;
}

/** Material id of an item once the sheet that carries it is cut apart. */
export const itemMaterial = (item: string): string => `item.${item}`;
