import type { Source } from '../kernel/index.js';
import type { PrintProcess } from '../press/index.js';
import type { MachineProcess } from '../route/index.js';
import type { Norm } from './norm.js';

/**
 * House norms as shipped. All are practice, editable by the works. Source: handbook chapters 5, 6 and 8 unless a line
 * says otherwise.
 */
const HANDBOOK: Source = { label: 'practice', note: 'house norm as shipped' };
/** No table gives these; they are ours. */
const UNSOURCED: Source = { label: 'practice', note: 'common practice, no source' };
const MOST_UNITS = 1_000_000;

/** key, subject, set-up, set-up per (colour or fold), running, running per colour. Set-up of a narrow web is metres. */
const SPOILAGE = [
  ['print-side', 'Print, a side', 80, 30, 0.008, 0.002, HANDBOOK],
  ['print-perfect', 'Print, perfecting', 80, 25, 0.012, 0.001, HANDBOOK],
  ['print-second', 'Print, second pass with the same plates', 50, 0, 0.01, 0, HANDBOOK],
  ['print-digital', 'Print, digital', 5, 0, 0.005, 0, HANDBOOK],
  ['print-web', 'Print, heatset web', 2_500, 0, 0.03, 0, HANDBOOK],
  ['print-narrow', 'Print, narrow web', 100, 40, 0.03, 0, HANDBOOK],
  ['print-gravure', 'Print, gravure', 300, 60, 0.025, 0, HANDBOOK],
  ['print-screen', 'Print, screen', 20, 0, 0.015, 0, HANDBOOK],
  ['print-recessed', 'Print, recessed plate', 60, 0, 0.03, 0, HANDBOOK],
  ['dry', 'Dry', 0, 0, 0, 0, UNSOURCED],
  ['coat', 'Coat', 40, 0, 0.005, 0, HANDBOOK],
  ['cut', 'Guillotine', 5, 0, 0.002, 0, HANDBOOK],
  ['die-cut', 'Die cut and strip', 80, 0, 0.012, 0, HANDBOOK],
  ['score', 'Score', 50, 0, 0.01, 0, HANDBOOK],
  ['fold', 'Fold', 50, 10, 0.01, 0, HANDBOOK],
  ['glue', 'Fold and glue', 100, 0, 0.01, 0, HANDBOOK],
  ['stitch', 'Gather and stitch', 60, 0, 0.015, 0, HANDBOOK],
  ['trim', 'Trim three sides', 5, 0, 0.002, 0, HANDBOOK],
  ['band', 'Band', 0, 0, 0.001, 0, HANDBOOK],
  ['box', 'Box', 0, 0, 0, 0, UNSOURCED],
] as const;

export type SpoilageKey = (typeof SPOILAGE)[number][0];

export const SPOILAGE_NORMS: readonly Norm[] = SPOILAGE.flatMap(
  ([key, subject, setup, setupPer, running, runningPer, source]) => {
    const each = key === 'fold' ? 'fold' : 'colour';
    const setUp = (id: string, name: string, value: number): Norm => ({
      id: `spoil.${key}.${id}`,
      group: 'spoilage',
      subject,
      name,
      unit: key === 'print-narrow' || key === 'print-gravure' ? 'm' : 'units',
      value,
      min: 0,
      max: MOST_UNITS,
      whole: true,
      source,
    });
    const share = (id: string, name: string, value: number): Norm => ({
      id: `spoil.${key}.${id}`,
      group: 'spoilage',
      subject,
      name,
      unit: 'share',
      value,
      min: 0,
      max: 1,
      below: true,
      source,
    });
    const per = key.startsWith('print-') || key === 'fold';
    return [
      setUp('setup', 'Set-up', setup),
      ...(per ? [setUp('setupPer', `Set-up, each ${each}`, setupPer)] : []),
      share('running', 'Running spoilage', running),
      ...(key.startsWith('print-') ? [share('runningPer', 'Running spoilage, each colour', runningPer)] : []),
    ];
  },
);

/** Upper end of the band in net sheets, per cent for 1, 2, 3-4, 5 and more colours, and for each finishing step. */
export const TABLE_ROWS = [
  [1_000, 8, 11, 16, 18, 3],
  [2_500, 6, 8, 11, 13, 2.5],
  [5_000, 5, 6.5, 8.5, 10, 2],
  [10_000, 4, 5, 6.5, 7.5, 1.5],
  [25_000, 3, 4, 5, 6, 1.25],
  [Infinity, 2.5, 3, 4, 5, 1],
] as const;

export const TABLE_COLUMNS = [
  ['c1', '1 colour'],
  ['c2', '2 colours'],
  ['c3', '3 to 4 colours'],
  ['c5', '5 colours and more'],
  ['finishing', 'each finishing step'],
] as const;

const thousands = (n: number): string => n.toLocaleString('en-GB');
export const bandId = (upTo: number): string => (upTo === Infinity ? 'table.over' : `table.${upTo}`);
const bandName = (upTo: number): string =>
  upTo === Infinity ? 'Net sheets over the last band' : `Net sheets up to ${thousands(upTo)}`;

export const TABLE_NORMS: readonly Norm[] = [
  ...TABLE_ROWS.flatMap(([upTo, ...percents]) =>
    TABLE_COLUMNS.map(([column, name], i): Norm => ({
      id: `${bandId(upTo)}.${column}`,
      group: 'table',
      subject: bandName(upTo),
      name,
      unit: 'share',
      value: Math.round((percents[i] ?? 0) * 1e6) / 1e8,
      min: 0,
      max: 1,
      below: true,
      source: HANDBOOK,
    })),
  ),
  {
    id: 'table.floorBase',
    group: 'table',
    subject: 'Least spoils of a printed component',
    name: 'Base',
    unit: 'sheets',
    value: 100,
    min: 0,
    max: MOST_UNITS,
    whole: true,
    source: HANDBOOK,
  },
  {
    id: 'table.floorPerColour',
    group: 'table',
    subject: 'Least spoils of a printed component',
    name: 'Each colour',
    unit: 'sheets',
    value: 25,
    min: 0,
    max: MOST_UNITS,
    whole: true,
    source: HANDBOOK,
  },
];

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
  min: Number.MIN_VALUE,
  max,
  ...(source ? { source } : {}),
});
const speed = (value: number, unit: string, source?: Source) =>
  above0('speed', 'Rated speed', `${unit}/h`, value, 1_000_000, source);
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
    ...running(420, 4),
  ],
  'narrow-web': [
    hours('setup', 'Set-up', 0.5),
    hours('setupPer', 'Set-up, each colour', 0.2),
    above0('speed', 'Web speed', 'm/min', 100, 2_000),
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
  hand: [{ ...hours('setup', 'Set-up', 0.1), source: UNSOURCED }, speed(60, 'boxes', UNSOURCED), ...running(0, 1)],
};

/** Set-up and speed of presses that do not print as the others of their kind. Source: handbook chapter 8, unless marked. */
export const PRINTING_NORMS: Partial<Readonly<Record<PrintProcess, readonly MachineNorm[]>>> = {
  gravure: [
    hours('setup', 'Set-up', 2),
    hours('setupPer', 'Set-up, each colour', 0.3),
    above0('speed', 'Web speed', 'm/min', 200, 2_000),
  ],
  recessed: [hours('setup', 'Set-up', 2), hours('setupPer', 'Set-up, each plate', 0), speed(600, 'sheets')],
  screen: [hours('setup', 'Set-up', 0.5), hours('setupPer', 'Set-up, each stencil', 0), speed(1_500, 'sheets')],
  letterpress: [
    { ...hours('setup', 'Set-up', 0.75), source: UNSOURCED },
    { ...hours('setupPer', 'Set-up, each plate', 0.02), source: UNSOURCED },
    speed(6_000, 'sheets', UNSOURCED),
  ],
};

/** Norms of the sureness school. Source: practice, handbook chapter 6. */
const sureness = (id: string, name: string, unit: string, value: number, max: number): Norm => ({
  ...pressRoom(id, name, unit, value, max),
  group: 'spoilage',
  subject: 'Sureness',
});

const pressRoom = (
  id: string,
  name: string,
  unit: string,
  value: number,
  max: number,
  source: Source = HANDBOOK,
): Norm => ({
  id,
  group: 'press room',
  subject: 'Press room',
  name,
  unit,
  value,
  min: Number.MIN_VALUE,
  max,
  source,
});

export const PRESS_ROOM_NORMS: readonly Norm[] = [
  pressRoom('ink.film.coated', 'Ink film at full coverage, coated', 'g/m2', 1.15, 50),
  pressRoom('ink.film.uncoated', 'Ink film at full coverage, uncoated', 'g/m2', 1.75, 50),
  pressRoom('ink.film.flexo', 'Ink film at full coverage, flexo, dry', 'g/m2', 2.25, 50),
  pressRoom('ink.film.gravure', 'Ink film at full coverage, gravure, dry', 'g/m2', 3, 50),
  pressRoom('ink.film.screen', 'Ink film at full coverage, screen', 'g/m2', 27, 100),
  pressRoom('ink.film.recessed', 'Ink film at full coverage, recessed plate', 'g/m2', 15, 100, UNSOURCED),
  pressRoom('ink.film.letterpress', 'Ink film at full coverage, letterpress', 'g/m2', 2, 50, UNSOURCED),
  pressRoom('ink.film.varnish', 'Varnish film at full coverage', 'g/m2', 4, 50),
  pressRoom('ink.film.coating', 'Water-based coating at full coverage, wet', 'g/m2', 4, 50),
  pressRoom('ink.solids.flexo', 'Solids of flexo ink', 'share', 0.4, 1),
  pressRoom('ink.solids.gravure', 'Solids of gravure ink', 'share', 0.27, 1),
  { ...pressRoom('ink.fill', 'Fill of a unit: duct and rollers', 'kg', 0.5, 100, UNSOURCED), min: 0 },
  { ...pressRoom('ink.washLoss', 'Lost at a wash-up', 'kg', 0.2, 100, UNSOURCED), min: 0 },
  pressRoom('ink.pail', 'Weight of a pail', 'kg', 2.5, 1_000, UNSOURCED),
  sureness('sure.p', 'Sureness that the house plans for', 'share', 0.9, 0.9999),
  sureness('sure.best', 'Best set-up, of the usual one', 'share', 0.7, 1),
  { ...sureness('sure.worst', 'Worst set-up, of the usual one', 'share', 1.8, 20), min: 1 },
  sureness('sure.kappa', 'How alike runs are (kappa of their running spoilage)', 'number', 400, 1_000_000),
  pressRoom('ink.trialTolerance', 'Largest difference of an accepted trial, CIEDE2000', 'ΔE', 2, 50, UNSOURCED),
  pressRoom('ink.totalLimit', 'Total coverage above which area is shown', 'share', 3, 4, UNSOURCED),
  { ...pressRoom('press.washUp', 'Wash-up of a unit', 'h', 0.2, 10, UNSOURCED), min: 0 },
  pressRoom('carrier.plate.minutes', 'Imaging of an offset plate', 'min', 4, 600),
  pressRoom('carrier.plate.calibration', 'Calibration plates in an imaging batch', 'plates', 1, 10),
  pressRoom('carrier.flexo-plate.minutes', 'Making of a flexo plate', 'min', 90, 6_000, UNSOURCED),
  pressRoom('carrier.cylinder.base', 'Cylinder: making ready of the base', 'h', 2, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.copper', 'Cylinder: copper bath', 'h', 10, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.grind', 'Cylinder: grinding', 'h', 2, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.laser', 'Cylinder: engraving by laser on zinc', 'h', 1.5, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.etch', 'Cylinder: resist, exposing and etching', 'h', 6, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.inspect', 'Cylinder: inspection', 'h', 1, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.chrome', 'Cylinder: chrome bath', 'h', 4, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.polish', 'Cylinder: polishing', 'h', 2, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.proof', 'Cylinder: proof on the substrate of the job', 'h', 3, 1_000, UNSOURCED),
  pressRoom('carrier.cylinder.lines', 'Gravure screen', 'lines/cm', 60, 400),
  pressRoom('carrier.cylinder.cells', 'Cells that one stylus engraves', '1/s', 8_000, 100_000),
  pressRoom('carrier.cylinder.heads', 'Stylus heads at work together', 'heads', 1, 40, UNSOURCED),
  pressRoom(
    'carrier.cylinder.life',
    'Impressions of a gravure cylinder',
    'impressions',
    3_000_000,
    100_000_000,
    UNSOURCED,
  ),
  pressRoom(
    'carrier.flexo-plate.life',
    'Impressions of a flexo plate',
    'impressions',
    1_000_000,
    100_000_000,
    UNSOURCED,
  ),
  pressRoom(
    'carrier.recessed-plate.minutes',
    'Film, expose, etch and correct a recessed plate',
    'min',
    240,
    6_000,
    UNSOURCED,
  ),
  pressRoom(
    'carrier.recessed-plate.life',
    'Impressions of a recessed plate',
    'impressions',
    50_000,
    100_000_000,
    UNSOURCED,
  ),
  pressRoom('carrier.form-plate.minutes', 'Making and locking up of a page plate', 'min', 10, 600, UNSOURCED),
  pressRoom('carrier.form-plate.life', 'Impressions of a page plate', 'impressions', 300_000, 100_000_000, UNSOURCED),
  pressRoom('carrier.stencil.minutes', 'Making of a stencil', 'min', 60, 6_000, UNSOURCED),
  pressRoom('carrier.stencil.life', 'Impressions of a stencil', 'impressions', 20_000, 100_000_000, UNSOURCED),
  pressRoom('carrier.die.hours', 'Making of a die', 'h', 8, 1_000, UNSOURCED),
  pressRoom('carrier.die.life', 'Impressions of a die', 'impressions', 1_000_000, 100_000_000, UNSOURCED),
  pressRoom('register.offset', 'Colour to colour, sheet-fed', 'mm', 0.1, 5),
  pressRoom('register.accountable', 'Colour to colour, fine or accountable work', 'mm', 0.05, 5),
  pressRoom('register.web', 'Colour to colour, heatset web', 'mm', 0.125, 5),
  pressRoom('register.flexo', 'Colour to colour, flexo', 'mm', 0.3, 5),
  pressRoom('register.gravure', 'Colour to colour, gravure', 'mm', 0.15, 5, UNSOURCED),
  pressRoom('register.recessed', 'Colour to colour, recessed plate', 'mm', 0.2, 5, UNSOURCED),
  pressRoom('register.letterpress', 'Colour to colour, letterpress', 'mm', 0.15, 5, UNSOURCED),
  pressRoom('register.screen', 'Colour to colour, screen', 'mm', 0.2, 5, UNSOURCED),
  pressRoom('register.digital', 'Colour to colour, digital', 'mm', 0.1, 5, UNSOURCED),
  pressRoom('register.sides', 'Front to back', 'mm', 0.4, 10),
  pressRoom('register.fold', 'Print to fold', 'mm', 1, 10),
  pressRoom('register.cut', 'Print to cut', 'mm', 0.4, 10),
  pressRoom('register.perforation', 'Print to perforation', 'mm', 0.4, 10),
  pressRoom('register.die', 'Print to die', 'mm', 0.4, 10),
  pressRoom('register.foil', 'Print to foil', 'mm', 0.4, 10),
  pressRoom('register.cutOff', 'Print to cut-off of a web', 'mm', 0.5, 10, UNSOURCED),
  pressRoom('register.paperMark', 'Print to a mark in the paper', 'mm', 1, 20, UNSOURCED),
  pressRoom('register.leastTrap', 'Least trap, offset', 'mm', 0.08, 5),
  pressRoom('register.leastTrapFlexo', 'Least trap, flexo', 'mm', 0.25, 5),
  pressRoom('ink.coverage', 'Coverage where none is given', 'share', 0.2, 1, UNSOURCED),
  pressRoom('plate.life', 'Impressions of a plate', 'impressions', 200_000, 10_000_000),
  pressRoom('layout.bleed', 'Bleed or trim all round', 'mm', 3, 50),
  pressRoom('layout.strippingGap', 'Stripping gap between blanks', 'mm', 4, 50),
  pressRoom('sheeter.edgeTrim', 'Edge trim of a roll at the sheeter, each side', 'mm', 5, 100, UNSOURCED),
  pressRoom('bind.saddleLimit', 'Thickest saddle-stitched copy', 'mm', 4, 30),
  pressRoom('pile.height', 'Pile height', 'mm', 1_000, 3_000, UNSOURCED),
  pressRoom('sample.interval', 'Sheets between two samples', 'sheets', 500, MOST_UNITS, UNSOURCED),
];

const drying = (paper: string, before: string, name: string, value: number): Norm => ({
  id: `dry.${paper}.${before}`,
  group: 'drying',
  subject: `Drying, ${paper} paper`,
  name,
  unit: 'h',
  value,
  min: 0,
  max: 240,
  source: HANDBOOK,
});

/** Conventional sheet-fed ink, the middle of the ranges of handbook chapter 5. */
export const DRYING_NORMS: readonly Norm[] = [
  drying('coated', 'side', 'Before the second side', 4),
  drying('coated', 'cut', 'Before cutting or coating', 8),
  drying('coated', 'fold', 'Before folding', 18),
  drying('uncoated', 'side', 'Before the second side', 8),
  drying('uncoated', 'cut', 'Before cutting or coating', 24),
  drying('uncoated', 'fold', 'Before folding', 24),
];
