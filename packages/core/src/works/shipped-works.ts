import { BOARD_CUTTER, FINISHING_MACHINES, HAND_BENCH } from './finishing-machines.js';
import { PRESSES } from './shipped-presses.js';
import type { HouseInk } from './house-inks.js';
import type { Stock, Works } from './works.js';

const B1 = { widthMm: 1020, heightMm: 720 } as const;
const B2 = { widthMm: 740, heightMm: 520 } as const;
const SHEETS: Stock['sheets'] = [
  { ...B1, grain: 'width' },
  { ...B1, grain: 'height' },
  { ...B2, grain: 'width' },
  { ...B2, grain: 'height' },
];
const stock = (id: string, name: string, gsm: number, bulk: number, coated: boolean): Stock => ({
  id,
  name,
  gsm,
  bulk,
  coated,
  sheets: SHEETS,
  rollWidthsMm: [730, 1030],
});

/** Comes on rolls alone. */
const webStock = (
  id: string,
  name: string,
  gsm: number,
  bulk: number,
  coated: boolean,
  rollWidthsMm: readonly number[],
): Stock => ({ id, name, gsm, bulk, coated, sheets: [], rollWidthsMm });

/** Boards and cloths: large sheets, grain either way. */
const sheetStock = (id: string, name: string, gsm: number, bulk: number, coated: boolean): Stock => ({
  id,
  name,
  gsm,
  bulk,
  coated,
  sheets: [
    { widthMm: 1000, heightMm: 700, grain: 'width' },
    { widthMm: 1000, heightMm: 700, grain: 'height' },
    { widthMm: 1400, heightMm: 1000, grain: 'width' },
    { widthMm: 1400, heightMm: 1000, grain: 'height' },
  ],
});

/** Widths that liners and fluting are kept in. Source: common practice, no source. */
const DECKLES_MM = [1_250, 1_500, 1_800, 2_100, 2_500];
const corrugated = (id: string, name: string, gsm: number, bulk: number, flutes: Stock['flutes']): Stock => ({
  ...sheetStock(id, name, gsm, bulk, false),
  flutes,
  rollWidthsMm: DECKLES_MM,
});

/** Stocks of the shipped works. Bulks are the middle of the ranges of handbook chapter 3 (practice). */
const STOCKS: readonly Stock[] = [
  stock('silk-90', 'Silk coated 90 g', 90, 0.92, true),
  stock('silk-115', 'Silk coated 115 g', 115, 0.92, true),
  stock('silk-135', 'Silk coated 135 g', 135, 0.92, true),
  stock('silk-170', 'Silk coated 170 g', 170, 0.92, true),
  stock('gloss-115', 'Gloss coated 115 g', 115, 0.8, true),
  stock('gloss-250', 'Gloss coated 250 g', 250, 0.8, true),
  stock('offset-80', 'Uncoated offset 80 g', 80, 1.25, false),
  stock('offset-100', 'Uncoated offset 100 g', 100, 1.25, false),
  stock('offset-120', 'Uncoated offset 120 g', 120, 1.25, false),
  { ...stock('board-300', 'Folding boxboard 300 g', 300, 1.5, true), cleared: ['food', 'toy'] },
  {
    ...stock('board-400', 'Folding boxboard 400 g', 400, 1.5, true),
    cleared: ['food', 'toy'],
  },
  { ...stock('waxed-board-320', 'Waxed board 320 g', 320, 1.4, false), waxed: true, cleared: ['food'] },
  sheetStock('greyboard-1500', 'Grey board 1,500 g, 2.5 mm', 1500, 1.667, false),
  sheetStock('endpaper-140', 'Endpaper 140 g', 140, 1.15, false),
  { ...sheetStock('cloth-190', 'Book cloth 190 g', 190, 1.4, false), rollWidthsMm: [1_000, 1_400] },
  corrugated('corrugated-b', 'Corrugated board, B flute 430 g', 430, 6.98, ['B']),
  corrugated('corrugated-bc', 'Corrugated board, BC double wall 760 g', 760, 9.2, ['B', 'C']),
  { ...stock('packet-90', 'Packet paper 90 g', 90, 1.2, false), rollWidthsMm: [330, 440, 550, 660, 730, 1030] },
  webStock('shelf-paper-100', 'Decorative paper 100 g', 100, 1.1, false, [530, 1060]),
  stock('wove-300', 'Cotton wove 300 g', 300, 1.5, false),
  webStock('web-silk-80', 'Web silk coated 80 g', 80, 0.92, true, [578, 630, 870, 905]),
  webStock('label-80', 'Label paper coated 80 g, with liner', 145, 1, true, [160, 250, 330]),
];

/** Process inks of the house; whether they are cleared for a contact is the maker's word, to be entered by the works. */
const INKS: readonly HouseInk[] = ['K', 'C', 'M', 'Y'].map((name) => ({
  id: name.toLowerCase(),
  name,
  kind: 'process',
  cleared: ['food', 'toy'],
}));

/** The works that Druckerei ships with, before anybody has edited a norm. */
export const SHIPPED_WORKS: Works = {
  name: 'Haldenbruck Print Works',
  currency: 'EUR',
  machines: [...PRESSES, ...FINISHING_MACHINES, BOARD_CUTTER],
  stocks: STOCKS,
  inks: INKS,
  norms: {},
};

/** A works that has not told anything yet: it has hands, and the inks that everybody prints with. */
export const NEW_WORKS: Works = {
  name: 'New works',
  currency: 'EUR',
  numberPattern: '{yy}-####',
  machines: [HAND_BENCH],
  stocks: [],
  inks: INKS.map((ink) => ({ ...ink, cleared: [] })),
  norms: {},
};
