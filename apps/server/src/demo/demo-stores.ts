import type { PaperItem } from '@druckerei/core';

/** Paper on hand when the demo begins. Invented. */
export const DEMO_STORES: readonly { paper: PaperItem; quantity: number; place: string }[] = [
  { paper: { stock: 'silk-115', widthMm: 1020, heightMm: 720, grain: 'width' }, quantity: 4_200, place: 'Bay 3, low' },
  { paper: { stock: 'silk-90', widthMm: 1020, heightMm: 720, grain: 'width' }, quantity: 2_500, place: 'Bay 3, high' },
  { paper: { stock: 'offset-120', widthMm: 740, heightMm: 520, grain: 'width' }, quantity: 900, place: 'Bay 5' },
  { paper: { stock: 'gloss-250', widthMm: 1020, heightMm: 720, grain: 'width' }, quantity: 1_100, place: 'Bay 1' },
  { paper: { stock: 'board-300', widthMm: 1020, heightMm: 720, grain: 'width' }, quantity: 350, place: 'Bay 7' },
  { paper: { stock: 'web-silk-80', widthMm: 905 }, quantity: 6, place: 'Roll store, row 2' },
  { paper: { stock: 'label-80', widthMm: 250 }, quantity: 1, place: 'Roll store, row 4' },
];
