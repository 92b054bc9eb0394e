import type { Machine, MachineTakes } from './works.js';

const takes = (
  maxMm: readonly [number, number],
  minMm: readonly [number, number],
  caliperUm: readonly [number, number],
  more: Partial<MachineTakes> = {},
): { readonly takes: MachineTakes } => ({
  takes: { maxMm, minMm, minCaliperUm: caliperUm[0], maxCaliperUm: caliperUm[1], ...more },
});

/** Boards and cloth that nobody prints are laid and cut here. */
export const BOARD_CUTTER: Machine = {
  id: 'board-cutter',
  name: $localize`Board and cloth cutter`,
  process: 'guillotine',
  press: {
    units: 0,
    plateless: true,
    perfects: false,
    turnsSheet: false,
    maxSheetMm: [1400, 1000],
    minSheetMm: [300, 200],
    minCaliperUm: 50,
    maxCaliperUm: 8000,
    gripperMm: 5,
    tailMm: 5,
    sideMm: 5,
  },
};

/** Where people work by hand. */
export const HAND_BENCH: Machine = { id: 'hand-bench', name: $localize`Hand bench`, process: 'hand' };

/** Finishing machines of the shipped works with what they take. Limits are common practice, no source: each works has its own. */
export const FINISHING_MACHINES: readonly Machine[] = [
  { id: 'corrugator', name: $localize`Corrugator`, process: 'corrugator' },
  {
    id: 'powder-melter',
    name: $localize`Powder and melting tunnel`,
    process: 'powder-melter',
    ...takes([460, 640], [80, 50], [80, 600]),
  },
  { id: 'coater', name: $localize`Coater`, process: 'coater', ...takes([1020, 720], [210, 148], [60, 800]) },
  {
    id: 'laminator',
    name: $localize`Film laminator`,
    process: 'laminator',
    ...takes([1020, 740], [210, 148], [90, 800]),
  },
  {
    id: 'foil-press',
    name: $localize`Foil press`,
    process: 'foil-press',
    ...takes([1040, 740], [100, 70], [80, 6000]),
  },
  {
    id: 'board-laminator',
    name: $localize`Sheet-to-board laminator`,
    process: 'board-laminator',
    ...takes([1450, 1300], [400, 400], [200, 8000]),
  },
  {
    id: 'guillotine-115',
    name: $localize`Guillotine 115`,
    process: 'guillotine',
    ...takes([1150, 1150], [30, 30], [30, 6000]),
  },
  {
    id: 'die-cutter-b1',
    name: $localize`Flatbed die cutter B1`,
    process: 'die-cutter',
    ...takes([1040, 740], [300, 250], [80, 4000], { forceKn: 2600 }),
  },
  {
    id: 'high-die',
    name: $localize`High die, cuts through a stack`,
    process: 'die-cutter',
    cutsStacks: true,
    ...takes([1040, 740], [100, 100], [40, 300], { forceKn: 600 }),
  },
  {
    id: 'slotter',
    name: $localize`Rotary slotter and die cutter`,
    process: 'die-cutter',
    ...takes([1600, 1200], [300, 200], [1000, 8000]),
  },
  {
    id: 'converter',
    name: $localize`Perforating and kiss-cutting machine`,
    process: 'converter',
    ...takes([520, 740], [50, 50], [60, 500]),
  },
  { id: 'scorer', name: $localize`Scoring machine`, process: 'scorer', ...takes([1050, 750], [100, 70], [80, 800]) },
  {
    id: 'buckle-folder',
    name: $localize`Buckle folder`,
    process: 'folder',
    ...takes([1020, 720], [100, 70], [40, 400]),
  },
  {
    id: 'window-patcher',
    name: $localize`Window patcher`,
    process: 'window-patcher',
    ...takes([1000, 1000], [100, 100], [150, 4000]),
  },
  {
    id: 'folder-gluer',
    name: $localize`Folder-gluer`,
    process: 'folder-gluer',
    ...takes([1100, 1000], [80, 60], [150, 4000]),
  },
  {
    id: 'envelope-folder',
    name: $localize`Envelope folder`,
    process: 'envelope-folder',
    ...takes([500, 500], [90, 70], [60, 400]),
  },
  {
    id: 'riveter',
    name: $localize`Riveter for string closures`,
    process: 'riveter',
    ...takes([500, 500], [90, 70], [60, 2000]),
  },
  {
    id: 'tipper',
    name: $localize`Tipping machine`,
    process: 'tipper',
    ...takes([420, 320], [120, 80], [60, 4000], { maxG: 1500 }),
  },
  {
    id: 'gatherer',
    name: $localize`Gathering machine, sixteen stations`,
    process: 'gatherer',
    ...takes([320, 430], [90, 120], [60, 60000], { stations: 16, maxG: 4000 }),
  },
  {
    id: 'sewer',
    name: $localize`Sewing machine`,
    process: 'sewer',
    ...takes([320, 430], [90, 120], [60, 80000], { maxG: 4000 }),
  },
  {
    id: 'spine-gluer',
    name: $localize`Spine gluing and lining machine`,
    process: 'spine-gluer',
    ...takes([320, 430], [90, 120], [3000, 80000], { maxG: 4000 }),
  },
  {
    id: 'stitcher',
    name: $localize`Twelve-station gatherer-stitcher`,
    process: 'stitcher',
    ...takes([330, 660], [90, 120], [80, 12000], { stations: 12, maxG: 1000 }),
  },
  {
    id: 'binder',
    name: $localize`Eighteen-clamp binder with cooling conveyor`,
    process: 'binder',
    ...takes([320, 640], [100, 120], [2000, 60000], { stations: 20, clamps: 18, maxG: 3000 }),
  },
  {
    id: 'splitter',
    name: $localize`Book splitter`,
    process: 'splitter',
    ...takes([320, 640], [90, 200], [2000, 60000]),
  },
  {
    id: 'trimmer',
    name: $localize`Three-knife trimmer`,
    process: 'trimmer',
    ...takes([320, 460], [90, 120], [80, 80000], { maxG: 3000 }),
  },
  {
    id: 'case-maker',
    name: $localize`Case maker`,
    process: 'case-maker',
    ...takes([400, 700], [100, 140], [1000, 5000], { grain: 'short' }),
  },
  {
    id: 'casing-in-line',
    name: $localize`Casing-in line`,
    process: 'caser-in',
    ...takes([330, 450], [90, 120], [4000, 80000], { maxG: 5000 }),
  },
  {
    id: 'numbering-press',
    name: $localize`Numbering press`,
    process: 'numberer',
    ...takes([740, 520], [100, 70], [50, 500]),
  },
  { id: 'bander', name: $localize`Bander`, process: 'bander' },
  { id: 'shrink-tunnel', name: $localize`Shrink tunnel`, process: 'shrink-tunnel' },
  { id: 'rewinder', name: $localize`Rewinder`, process: 'rewinder' },
  HAND_BENCH,
];
