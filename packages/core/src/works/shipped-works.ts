import type { Machine, Stock, Works } from './works.js';

/** Machines of the shipped works: described, not branded. Limits and margins are practice, handbook chapter 4. */
const MACHINES: readonly Machine[] = [
  {
    id: 'b1-perfector',
    name: 'B1 eight-unit perfector 4/4',
    process: 'sheet-fed',
    press: {
      units: 8,
      perfects: true,
      turnsSheet: true,
      maxSheetMm: [1020, 720],
      minSheetMm: [520, 360],
      minCaliperUm: 40,
      maxCaliperUm: 600,
      gripperMm: 12,
      tailMm: 8,
      sideMm: 5,
      colourBarMm: 6,
    },
  },
  {
    id: 'b2-four',
    name: 'B2 four-colour',
    process: 'sheet-fed',
    press: {
      units: 4,
      perfects: false,
      turnsSheet: false,
      maxSheetMm: [740, 520],
      minSheetMm: [400, 280],
      minCaliperUm: 40,
      maxCaliperUm: 500,
      gripperMm: 10,
      tailMm: 6,
      sideMm: 5,
      colourBarMm: 6,
    },
  },
  {
    id: 'digital-cut-sheet',
    name: 'Cut-sheet digital 4/4',
    process: 'digital',
    press: {
      units: 8,
      plateless: true,
      perfects: true,
      turnsSheet: false,
      maxSheetMm: [488, 330],
      minSheetMm: [210, 148],
      minCaliperUm: 60,
      maxCaliperUm: 400,
      gripperMm: 4,
      tailMm: 4,
      sideMm: 4,
    },
  },
  {
    id: 'heatset-web',
    name: 'Heatset web, 578 mm cut-off',
    process: 'web',
    press: {
      units: 8,
      perfects: true,
      turnsSheet: false,
      maxSheetMm: [965, 578],
      minSheetMm: [420, 578],
      minCaliperUm: 35,
      maxCaliperUm: 150,
      gripperMm: 0,
      tailMm: 0,
      sideMm: 6,
      web: { cutOffMm: 578, platesAcross: 1, platesAround: 1 },
    },
  },
  {
    id: 'narrow-web',
    name: 'Narrow web, eight flexo units',
    process: 'narrow-web',
    press: {
      units: 8,
      perfects: false,
      turnsSheet: false,
      maxSheetMm: [330, 508],
      minSheetMm: [100, 190.5],
      minCaliperUm: 20,
      maxCaliperUm: 400,
      gripperMm: 0,
      tailMm: 0,
      sideMm: 8,
      web: {
        cylinderTeeth: [64, 72, 76, 80, 82, 88, 96, 104, 112, 120, 128, 144, 160],
        platesAcross: 1,
        platesAround: 1,
      },
    },
  },
  { id: 'coater', name: 'Coater', process: 'coater' },
  { id: 'guillotine-115', name: 'Guillotine 115', process: 'guillotine' },
  { id: 'die-cutter-b1', name: 'Flatbed die cutter B1', process: 'die-cutter' },
  { id: 'scorer', name: 'Scoring machine', process: 'scorer' },
  { id: 'buckle-folder', name: 'Buckle folder', process: 'folder' },
  { id: 'folder-gluer', name: 'Folder-gluer', process: 'folder-gluer' },
  { id: 'stitcher', name: 'Twelve-station gatherer-stitcher', process: 'stitcher' },
  { id: 'trimmer', name: 'Three-knife trimmer', process: 'trimmer' },
  { id: 'bander', name: 'Bander', process: 'bander' },
  { id: 'hand-bench', name: 'Hand bench', process: 'hand' },
];

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
  stock('board-300', 'Folding boxboard 300 g', 300, 1.5, true),
  webStock('web-silk-80', 'Web silk coated 80 g', 80, 0.92, true, [578, 630, 870, 905]),
  webStock('label-80', 'Label paper coated 80 g, with liner', 145, 1, true, [160, 250, 330]),
];

/** The works that Druckerei ships with, before anybody has edited a norm. */
export const SHIPPED_WORKS: Works = {
  name: 'Haldenbruck Print Works',
  currency: 'EUR',
  machines: MACHINES,
  stocks: STOCKS,
  norms: {},
};
