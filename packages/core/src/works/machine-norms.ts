import type { Source } from '../kernel/index.js';
import type { PrintProcess } from '../press/index.js';
import type { MachineProcess } from '../route/index.js';
import { type Norm, ABOVE_ZERO } from './norm.js';
import { UNSOURCED } from './shipped-norms.js';

export type MachineNorm = Omit<Norm, 'group' | 'subject' | 'source'> & { readonly source?: Source };

const hours = (id: string, name: string, value: number): MachineNorm => ({
  id,
  name,
  unit: 'h',
  value,
  min: 0,
  max: 1_000,
});
const above0 = (id: string, name: string, unit: string, value: number, max: number, source?: Source): MachineNorm => ({
  id,
  name,
  unit,
  value,
  min: ABOVE_ZERO,
  max,
  ...(source ? { source } : {}),
});
const speed = (value: number, unit: string, source?: Source) =>
  above0('speed', 'Rated speed', `${unit}/h`, value, 1_000_000, source);
/** Rolls that a web press takes, and the web that it holds when it is threaded. */
const rolls = (threadM: number, outerMm: number): MachineNorm[] => [
  { ...above0('thread', 'Web held when threaded', 'm', threadM, 10_000, UNSOURCED), min: 0 },
  above0('rollOuter', 'Full roll, outer diameter', 'mm', outerMm, 2_000, UNSOURCED),
  above0('rollCore', 'Core, outside diameter', 'mm', 76, 500, UNSOURCED),
];
/** Running efficiency, hour rate and crew: every machine has them. Rates are examples, the works enters its own. */
const running = (rate: number, crew: number): MachineNorm[] => [
  {
    id: 'efficiency',
    name: 'Efficiency at usual stock',
    unit: 'share',
    value: 1,
    min: 0.01,
    max: 1,
    source: UNSOURCED,
  },
  {
    id: 'rate',
    name: 'Hour rate',
    unit: 'currency/h',
    value: rate,
    min: 0,
    max: 100_000,
    source: { label: 'practice', note: 'example price, enter your own' },
  },
  { id: 'crew', name: 'People', unit: 'people', value: crew, min: 0, max: 100, source: UNSOURCED },
];

/** Set-up hours and speeds. Source: handbook chapter 8, "Shipped speeds", unless marked. */
export const MACHINE_NORMS: Readonly<Record<MachineProcess, readonly MachineNorm[]>> = {
  'sheet-fed': [
    hours('setup', 'Set-up', 0.25),
    hours('setupPer', 'Set-up, each plate', 0.04),
    speed(12_000, 'sheets'),
    ...running(260, 2),
  ],
  digital: [
    hours('setup', 'Set-up', 0.1),
    above0('speed', 'Rated speed', 'sides/h', 4_000, 1_000_000),
    ...running(70, 1),
  ],
  web: [
    hours('setup', 'Set-up', 1),
    hours('setupPer', 'Set-up, each plate', 0.05),
    above0('speed', 'Rated speed', 'cut-offs/h', 30_000, 1_000_000),
    ...rolls(40, 1_000),
    ...running(420, 4),
  ],
  'narrow-web': [
    hours('setup', 'Set-up', 0.5),
    hours('setupPer', 'Set-up, each colour', 0.2),
    above0('speed', 'Web speed', 'm/min', 100, 2_000),
    ...rolls(20, 600),
    ...running(140, 2),
  ],
  coater: [hours('setup', 'Set-up', 0.3), speed(8_000, 'sheets'), ...running(95, 1)],
  guillotine: [
    { ...hours('setup', 'Set-up', 0.1), source: UNSOURCED },
    above0('liftHeight', 'Lift height', 'mm', 100, 200),
    above0('minutesPerLift', 'Jog, load and unload a lift', 'min', 2.5, 60, UNSOURCED),
    above0('secondsPerCut', 'One cut', 's', 8, 600, UNSOURCED),
    ...running(70, 1),
  ],
  'die-cutter': [hours('setup', 'Set-up', 1.5), speed(6_000, 'sheets'), ...running(150, 2)],
  'folder-gluer': [
    hours('setup', 'Set-up', 1),
    above0('beltSpeed', 'Belt speed', 'm/min', 150, 1_000),
    above0('gap', 'Gap between blanks', 'm', 0.1, 5, UNSOURCED),
    above0('speed', 'Most blanks an hour', 'units/h', 60_000, 1_000_000, UNSOURCED),
    ...running(110, 2),
  ],
  scorer: [
    { ...hours('setup', 'Set-up', 0.5), source: UNSOURCED },
    speed(5_000, 'units', UNSOURCED),
    ...running(60, 1),
  ],
  folder: [
    hours('setup', 'Set-up', 0.5),
    hours('setupPer', 'Set-up, each fold', 0.1),
    above0('beltSpeed', 'Belt speed', 'm/min', 150, 1_000),
    above0('gap', 'Gap between sheets', 'm', 0.1, 5, UNSOURCED),
    above0('speed', 'Most sheets an hour', 'units/h', 30_000, 1_000_000, UNSOURCED),
    ...running(75, 1),
  ],
  stitcher: [hours('setup', 'Set-up', 1), speed(8_000, 'sets'), ...running(140, 3)],
  trimmer: [hours('setup', 'Set-up', 0.3), speed(2_000, 'copies'), ...running(55, 1)],
  bander: [
    { ...hours('setup', 'Set-up', 0.1), source: UNSOURCED },
    speed(1_200, 'packs', UNSOURCED),
    ...running(25, 1),
  ],
  rewinder: [
    { ...hours('setup', 'Set-up', 0.3), source: UNSOURCED },
    speed(3_000, 'rolls', UNSOURCED),
    ...running(60, 1),
  ],
  corrugator: [
    { ...hours('setup', 'Set-up', 0.5), source: UNSOURCED },
    speed(6_000, 'sheets', UNSOURCED),
    ...running(380, 4),
  ],
  'powder-melter': [
    { ...hours('setup', 'Set-up', 0.4), source: UNSOURCED },
    speed(2_500, 'sheets', UNSOURCED),
    ...running(60, 1),
  ],
  laminator: [
    { ...hours('setup', 'Set-up', 0.4), source: UNSOURCED },
    speed(3_000, 'sheets', UNSOURCED),
    ...running(90, 2),
  ],
  'foil-press': [
    { ...hours('setup', 'Set-up', 2), source: UNSOURCED },
    speed(3_000, 'sheets', UNSOURCED),
    ...running(140, 2),
  ],
  'board-laminator': [
    { ...hours('setup', 'Set-up', 0.75), source: UNSOURCED },
    speed(4_000, 'sheets', UNSOURCED),
    ...running(140, 3),
  ],
  converter: [
    { ...hours('setup', 'Set-up', 0.75), source: UNSOURCED },
    speed(4_000, 'units', UNSOURCED),
    ...running(70, 1),
  ],
  'window-patcher': [
    { ...hours('setup', 'Set-up', 1), source: UNSOURCED },
    above0('beltSpeed', 'Belt speed', 'm/min', 80, 1_000, UNSOURCED),
    above0('gap', 'Gap between blanks', 'm', 0.1, 5, UNSOURCED),
    above0('speed', 'Most blanks an hour', 'units/h', 20_000, 1_000_000, UNSOURCED),
    ...running(95, 2),
  ],
  'envelope-folder': [
    { ...hours('setup', 'Set-up', 1), source: UNSOURCED },
    above0('beltSpeed', 'Belt speed', 'm/min', 60, 1_000, UNSOURCED),
    above0('gap', 'Gap between blanks', 'm', 0.1, 5, UNSOURCED),
    above0('speed', 'Most blanks an hour', 'units/h', 12_000, 1_000_000, UNSOURCED),
    ...running(80, 2),
  ],
  riveter: [
    { ...hours('setup', 'Set-up', 0.3), source: UNSOURCED },
    speed(1_500, 'units', UNSOURCED),
    ...running(45, 1),
  ],
  tipper: [
    { ...hours('setup', 'Set-up', 0.4), source: UNSOURCED },
    speed(3_000, 'units', UNSOURCED),
    ...running(50, 1),
  ],
  gatherer: [
    { ...hours('setup', 'Set-up', 0.8), source: UNSOURCED },
    speed(5_000, 'sets', UNSOURCED),
    ...running(110, 3),
  ],
  sewer: [
    { ...hours('setup', 'Set-up', 0.75), source: UNSOURCED },
    speed(450, 'book blocks', UNSOURCED),
    ...running(65, 1),
  ],
  'spine-gluer': [
    { ...hours('setup', 'Set-up', 0.5), source: UNSOURCED },
    speed(1_500, 'book blocks', UNSOURCED),
    ...running(70, 2),
  ],
  binder: [
    hours('setup', 'Set-up', 1),
    speed(5_000, 'books'),
    above0('conveyor', 'Length of the cooling conveyor', 'm', 72, 1_000, UNSOURCED),
    above0('spacing', 'Distance from book to book on the conveyor', 'm', 0.4, 10, UNSOURCED),
    ...running(190, 4),
  ],
  splitter: [
    { ...hours('setup', 'Set-up', 0.2), source: UNSOURCED },
    speed(4_000, 'books', UNSOURCED),
    ...running(40, 1),
  ],
  'case-maker': [
    { ...hours('setup', 'Set-up', 1.5), source: UNSOURCED },
    speed(1_800, 'cases', UNSOURCED),
    ...running(90, 2),
  ],
  'caser-in': [
    { ...hours('setup', 'Set-up', 1.5), source: UNSOURCED },
    speed(1_800, 'books', UNSOURCED),
    ...running(150, 3),
  ],
  numberer: [
    { ...hours('setup', 'Set-up', 0.75), source: UNSOURCED },
    speed(5_000, 'sheets', UNSOURCED),
    ...running(75, 2),
  ],
  'shrink-tunnel': [
    { ...hours('setup', 'Set-up', 0.2), source: UNSOURCED },
    speed(900, 'packs', UNSOURCED),
    ...running(30, 1),
  ],
  hand: [{ ...hours('setup', 'Set-up', 0.1), source: UNSOURCED }, speed(60, 'boxes', UNSOURCED), ...running(0, 1)],
};

/** Set-up and speed of presses that do not print as the others of their kind. Source: handbook chapter 8, unless marked. */
export const PRINTING_NORMS: Partial<Readonly<Record<PrintProcess | 'hand-laid', readonly MachineNorm[]>>> = {
  gravure: [
    hours('setup', 'Set-up', 2),
    hours('setupPer', 'Set-up, each colour', 0.3),
    above0('speed', 'Web speed', 'm/min', 200, 2_000),
  ],
  recessed: [hours('setup', 'Set-up', 2), hours('setupPer', 'Set-up, each plate', 0), speed(600, 'sheets')],
  screen: [hours('setup', 'Set-up', 0.5), hours('setupPer', 'Set-up, each stencil', 0), speed(1_500, 'sheets')],
  'hand-laid': [
    { ...hours('setup', 'Set-up with its counter', 1.5), source: UNSOURCED },
    hours('setupPer', 'Set-up, each plate', 0),
    speed(250, 'sheets', UNSOURCED),
  ],
  letterpress: [
    { ...hours('setup', 'Set-up', 0.75), source: UNSOURCED },
    { ...hours('setupPer', 'Set-up, each plate', 0.02), source: UNSOURCED },
    speed(6_000, 'sheets', UNSOURCED),
  ],
};
