import type { Sum } from './sum.js';
import { BOOK_SUMS } from './sums/book-sums.js';
import { CONVERT_SUMS } from './sums/convert-sums.js';
import { BALANCE_SUMS, COUNT_SUMS } from './sums/count-sums.js';
import { FINISHING_SUMS } from './sums/finishing-sums.js';
import { LAYOUT_SUMS } from './sums/layout-sums.js';
import { ORDER_SUMS } from './sums/order-sums.js';
import { PACKING_SUMS } from './sums/packing-sums.js';
import { PAPER_SUMS } from './sums/paper-sums.js';
import { PRESS_SUMS } from './sums/press-sums.js';
import { QUALITY_SUMS } from './sums/quality-sums.js';
import { ROLL_SUMS } from './sums/roll-sums.js';

/** All sums, group by group. */
export const SUMS: readonly Sum[] = [
  ...PAPER_SUMS,
  ...CONVERT_SUMS,
  ...ROLL_SUMS,
  ...LAYOUT_SUMS,
  ...BOOK_SUMS,
  ...COUNT_SUMS,
  ...BALANCE_SUMS,
  ...PRESS_SUMS,
  ...ORDER_SUMS,
  ...FINISHING_SUMS,
  ...PACKING_SUMS,
  ...QUALITY_SUMS,
];

const byId = new Map(SUMS.map((sum) => [sum.id, sum]));
/** The sum of an id; undefined where there is none. */
export const sumOf = (id: string): Sum | undefined => byId.get(id);
