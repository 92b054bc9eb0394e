import type { AskedFamily, FamilyRule } from './answers.js';



const A4 = { widthMm: 210, heightMm: 297 } as const;
const A5 = { widthMm: 148, heightMm: 210 } as const;
const B1 = { press: 'b1-perfector' } as const;

/** Families with their questions and usual answers. Source: handbook chapter 2 (the families); the answers are examples. */
export const FAMILY_RULES: Readonly<Record<AskedFamily, FamilyRule>> = {
  flat: {
    name: 'Flat sheet work: poster, card',
    counts: 'copies',
    asks: ['size', 'stock', 'press', 'cover', 'foil', 'emboss', 'perPack'],
    press: 'sheet',
    usual: { ...A5, ...B1, quantity: 5000, stock: 'gloss-250', cover: 'none', foil: false, perPack: 50 },
  },
  folded: {
    name: 'Folded leaflet or map',
    counts: 'copies',
    asks: ['size', 'fold', 'stock', 'press'],
    press: 'sheet',
    usual: { ...A4, ...B1, quantity: 5000, stock: 'silk-115', folds: 2, fold: 'letter' },
  },
  'web-leaflet': {
    name: 'Leaflet on the web',
    counts: 'copies',
    asks: ['size', 'pages', 'stock', 'press'],
    press: 'cut-off web',
    usual: { ...A5, quantity: 50_000, pages: 16, stock: 'web-silk-80', press: 'heatset-web' },
  },
  'saddle-stitched': {
    name: 'Saddle-stitched booklet',
    counts: 'copies',
    asks: ['size', 'pages', 'stock', 'coverStock', 'press'],
    press: 'sheet',
    usual: { ...A4, ...B1, quantity: 5000, pages: 16, stock: 'silk-115', coverStock: 'silk-170' },
  },
  'perfect-bound': {
    name: 'Perfect-bound book',
    counts: 'books',
    asks: ['size', 'pages', 'stock', 'coverStock', 'press', 'cover', 'twoUp', 'spine'],
    press: 'sheet',
    usual: {
      ...A5,
      ...B1,
      quantity: 2000,
      pages: 192,
      stock: 'offset-100',
      coverStock: 'gloss-250',
      cover: 'film',
      spine: 'milled',
    },
  },
  'case-bound': {
    name: 'Sewn case-bound book',
    counts: 'books',
    asks: ['size', 'pages', 'stock', 'press', 'foil'],
    press: 'sheet',
    usual: { ...A4, ...B1, quantity: 1500, pages: 192, stock: 'silk-135', foil: true },
  },
  carton: {
    name: 'Folding carton',
    counts: 'cartons',
    asks: ['structure', 'measures', 'depth', 'stock', 'press', 'cover', 'foil', 'emboss'],
    press: 'sheet',
    usual: { ...B1, widthMm: 85, heightMm: 60, quantity: 5000, stock: 'board-300', cover: 'none', foil: false },
  },
  wallet: {
    name: 'Board wallet with tray and insert',
    counts: 'wallets',
    asks: ['measures', 'depth', 'stock', 'press', 'cover', 'emboss'],
    press: 'sheet',
    usual: { ...B1, widthMm: 145, heightMm: 12, quantity: 3000, stock: 'board-300', cover: 'film' },
  },
  'laminated-box': {
    name: 'Litho-laminated box',
    counts: 'boxes',
    asks: ['measures', 'depth', 'stock', 'press'],
    press: 'sheet',
    usual: { ...B1, widthMm: 260, heightMm: 180, quantity: 4000, stock: 'silk-170' },
  },
  'corrugated-case': {
    name: 'Corrugated case',
    counts: 'cases',
    asks: ['measures', 'depth', 'stock', 'press', 'perPack'],
    press: 'case',
    usual: { press: 'case-flexo', widthMm: 300, heightMm: 200, quantity: 6000, stock: 'corrugated-b', perPack: 25 },
  },
  envelope: {
    name: 'Envelope or packet',
    counts: 'envelopes',
    asks: ['measures', 'depth', 'stock', 'press', 'closure', 'perPack'],
    press: 'envelope',
    usual: { ...B1, widthMm: 82, heightMm: 2, quantity: 40_000, stock: 'packet-90', closure: 'gum', perPack: 500 },
  },
  'paper-roll': {
    name: 'Decorative paper on rolls',
    counts: 'rolls',
    asks: ['measures', 'rollM', 'stock', 'press', 'perPack'],
    press: 'gravure',
    usual: {
      press: 'gravure-web',
      widthMm: 510,
      heightMm: 640,
      quantity: 8000,
      stock: 'shelf-paper-100',
      rollM: 5,
      perPack: 24,
    },
  },
  labels: {
    name: 'Pressure-sensitive labels and sheets',
    counts: 'labels',
    asks: ['measures', 'stock', 'press', 'perPack'],
    press: 'cylinder web',
    usual: { press: 'narrow-web', widthMm: 85, heightMm: 60, quantity: 20_000, stock: 'label-80', perPack: 100 },
  },
  numbered: {
    name: 'Accountable numbered documents',
    counts: 'documents',
    asks: ['measures', 'stock', 'press', 'perPack'],
    press: 'sheet',
    usual: { ...B1, widthMm: 148, heightMm: 74, quantity: 12_000, stock: 'offset-120', perPack: 100 },
  },
  stationery: {
    name: 'Engraved or raised-print stationery',
    counts: 'cards',
    asks: ['measures', 'raised', 'stock', 'perPack'],
    press: 'sheet',
    usual: { widthMm: 148, heightMm: 105, quantity: 600, stock: 'wove-300', raised: 'plate', perPack: 50 },
  },
  'on-demand': {
    name: 'Book on demand',
    counts: 'books',
    asks: ['size', 'pages', 'stock', 'coverStock', 'press'],
    press: 'digital',
    usual: {
      ...A5,
      quantity: 1,
      pages: 160,
      stock: 'offset-100',
      coverStock: 'gloss-250',
      press: 'digital-cut-sheet',
      cover: 'film',
    },
  },
};
