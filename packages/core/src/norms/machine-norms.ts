import { type Source, table } from '../kernel/index.js';
import type { PrintProcess } from '../press/index.js';
import type { MachineProcess } from '../route/index.js';
import { type Counted, type Norm, ABOVE_ZERO } from './norm.js';
import { UNSOURCED } from './shipped-norms.js';

/** A norm of a kind of machine, before it is told for one. */
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
/** Rated speed, with what it counts. */
const speed = (value: number, counts: Counted, source?: Source): MachineNorm => ({
  ...(counts === 'metres'
    ? above0('speed', $localize`Rated speed`, 'm/min', value, 2_000, source)
    : above0('speed', $localize`Rated speed`, `${counts}/h`, value, 1_000_000, source)),
  counts,
});
/** Belt machines: belt speed and gap, and the most that they let through. */
const belt = (mPerMin: number, most: number, counts: Counted, fed: string, source?: Source): MachineNorm[] => [
  above0('beltSpeed', $localize`Belt speed`, 'm/min', mPerMin, 1_000, source),
  above0('gap', $localize`Gap between ${fed}`, 'm', 0.1, 5, UNSOURCED),
  { ...above0('speed', $localize`Most ${fed} an hour`, `${counts}/h`, most, 1_000_000, UNSOURCED), counts },
];

/**
 * Where speed depends on the stock: shares of the rated speed at calipers, and at sheet lengths, drawn as a line from point
 * to point. Level as shipped, for no table gives them: the works enters what its machine does.
 */
export const SPEED_CURVES = {
  caliper: { points: [60, 120, 250, 500], unit: 'µm', name: $localize`Share of the speed at a caliper of` },
  format: { points: [350, 700, 1_000], unit: 'mm', name: $localize`Share of the speed at a length of` },
} as const;
/** What a speed may depend on. */
export type SpeedCurve = keyof typeof SPEED_CURVES;
const curves: readonly MachineNorm[] = (Object.keys(SPEED_CURVES) as SpeedCurve[]).flatMap((curve) =>
  SPEED_CURVES[curve].points.map((point): MachineNorm => ({
    id: `${curve}.${point}`,
    name: `${SPEED_CURVES[curve].name} ${point} ${SPEED_CURVES[curve].unit}`,
    unit: 'share',
    value: 1,
    min: 0.01,
    max: 1.5,
    source: UNSOURCED,
  })),
);

/** Share of its speed that a corrugator runs a flute at, and two flutes at once. */
const flutes: readonly MachineNorm[] = [
  ...(
    [
      ['E', 1],
      ['B', 1],
      ['C', 0.95],
      ['A', 0.9],
    ] as const
  ).map(([id, value]) => [`flute.${id}`, $localize`${id} flute`, value] as const),
  ['doubleWall', $localize`double wall`, 0.7] as const,
].map(([id, name, value]) => ({
  id,
  name: $localize`Share of the speed at ${name}`,
  unit: 'share',
  value,
  min: 0.01,
  max: 1.5,
  source: UNSOURCED,
}));

/** Rolls that a web press takes, and the web that it holds when it is threaded. */
const rolls = (threadM: number, outerMm: number): MachineNorm[] => [
  { ...above0('thread', $localize`Web held when threaded`, 'm', threadM, 10_000, UNSOURCED), min: 0 },
  above0('rollOuter', $localize`Full roll, outer diameter`, 'mm', outerMm, 2_000, UNSOURCED),
  above0('rollCore', $localize`Core, outside diameter`, 'mm', 76, 500, UNSOURCED),
];
/** Running efficiency, hour rate and crew: every machine has them. Rates are examples, the works enters its own. */
const running = (rate: number, crew: number): MachineNorm[] => [
  {
    id: 'efficiency',
    name: $localize`Efficiency at usual stock`,
    unit: 'share',
    value: 1,
    min: 0.01,
    max: 1,
    source: UNSOURCED,
  },
  {
    id: 'rate',
    name: $localize`Hour rate`,
    unit: 'currency/h',
    value: rate,
    min: 0,
    max: 100_000,
    source: { label: 'practice', note: $localize`example price, enter your own` },
  },
  { id: 'crew', name: $localize`People`, unit: 'people', value: crew, min: 0, max: 100, source: UNSOURCED },
];

/** Set-up hours and speeds. Source: handbook chapter 8, "Shipped speeds", unless marked. */
export const MACHINE_NORMS: Readonly<Record<MachineProcess, readonly MachineNorm[]>> = {
  'sheet-fed': [
    hours('setup', $localize`Set-up`, 0.25),
    hours('setupPer', $localize`Set-up, each plate`, 0.04),
    speed(12_000, 'sheets'),
    ...curves,
    ...running(130, 2),
  ],
  digital: [hours('setup', $localize`Set-up`, 0.1), speed(4_000, 'sides'), ...curves, ...running(70, 1)],
  'inkjet-web': [
    hours('setup', $localize`Set-up`, 0.2),
    { ...hours('setupPer', $localize`Set-up, each colour`, 0), source: UNSOURCED },
    speed(60, 'metres'),
    ...rolls(30, 1_000),
    ...running(160, 1),
  ],
  web: [
    hours('setup', $localize`Set-up`, 1),
    hours('setupPer', $localize`Set-up, each plate`, 0.05),
    speed(30_000, 'cut-offs'),
    ...rolls(40, 1_000),
    ...running(420, 4),
  ],
  'narrow-web': [
    hours('setup', $localize`Set-up`, 0.5),
    hours('setupPer', $localize`Set-up, each colour`, 0.2),
    speed(100, 'metres'),
    ...rolls(20, 600),
    ...running(140, 2),
  ],
  coater: [hours('setup', $localize`Set-up`, 0.3), speed(8_000, 'sheets'), ...curves, ...running(95, 1)],
  guillotine: [
    { ...hours('setup', $localize`Set-up`, 0.1), source: UNSOURCED },
    above0('liftHeight', $localize`Lift height`, 'mm', 100, 200),
    above0('minutesPerLift', $localize`Jog, load and unload a lift`, 'min', 2.5, 60, UNSOURCED),
    above0('secondsPerCut', $localize`One cut`, 's', 8, 600, UNSOURCED),
    ...running(70, 1),
  ],
  'die-cutter': [hours('setup', $localize`Set-up`, 1.5), speed(6_000, 'strokes'), ...curves, ...running(150, 2)],
  'folder-gluer': [hours('setup', $localize`Set-up`, 1), ...belt(150, 60_000, 'blanks', 'blanks'), ...running(110, 2)],
  scorer: [
    { ...hours('setup', $localize`Set-up`, 0.5), source: UNSOURCED },
    speed(5_000, 'pieces', UNSOURCED),
    ...running(60, 1),
  ],
  folder: [
    hours('setup', $localize`Set-up`, 0.5),
    hours('setupPer', $localize`Set-up, each fold`, 0.1),
    ...belt(150, 30_000, 'pieces', 'sheets'),
    ...curves,
    ...running(75, 1),
  ],
  stitcher: [hours('setup', $localize`Set-up`, 1), speed(8_000, 'sets'), ...running(140, 3)],
  trimmer: [hours('setup', $localize`Set-up`, 0.3), speed(2_000, 'books'), ...running(55, 1)],
  bander: [
    { ...hours('setup', $localize`Set-up`, 0.1), source: UNSOURCED },
    speed(1_200, 'packs', UNSOURCED),
    ...running(25, 1),
  ],
  rewinder: [
    { ...hours('setup', $localize`Set-up`, 0.3), source: UNSOURCED },
    { ...speed(3_000, 'rolls'), source: { label: 'practice', note: $localize`handbook, chapter 3` } },
    ...running(60, 1),
  ],
  corrugator: [hours('setup', $localize`Set-up`, 0.25), speed(180, 'metres'), ...flutes, ...running(380, 4)],
  'powder-melter': [
    { ...hours('setup', $localize`Set-up`, 0.4), source: UNSOURCED },
    speed(2_500, 'sheets', UNSOURCED),
    ...running(60, 1),
  ],
  laminator: [hours('setup', $localize`Set-up`, 0.4), speed(40, 'metres'), ...running(90, 2)],
  'foil-press': [hours('setup', $localize`Set-up`, 1.5), speed(3_000, 'strokes'), ...curves, ...running(140, 2)],
  'board-laminator': [hours('setup', $localize`Set-up`, 0.75), speed(4_000, 'sheets'), ...running(140, 3)],
  converter: [
    { ...hours('setup', $localize`Set-up`, 0.75), source: UNSOURCED },
    speed(4_000, 'repeats', UNSOURCED),
    ...running(70, 1),
  ],
  'window-patcher': [hours('setup', $localize`Set-up`, 1), speed(10_000, 'blanks'), ...running(85, 2)],
  'envelope-folder': [hours('setup', $localize`Set-up`, 1), speed(20_000, 'pieces'), ...running(80, 2)],
  'envelope-web': [
    hours('setup', $localize`Set-up`, 2),
    { ...hours('setupPer', $localize`Set-up, each plate`, 0), source: UNSOURCED },
    speed(60_000, 'repeats'),
    ...rolls(25, 1_000),
    ...running(180, 2),
  ],
  riveter: [
    { ...hours('setup', $localize`Set-up`, 0.3), source: UNSOURCED },
    speed(1_500, 'pieces', UNSOURCED),
    ...running(45, 1),
  ],
  tipper: [
    { ...hours('setup', $localize`Set-up`, 0.4), source: UNSOURCED },
    speed(3_000, 'pieces', UNSOURCED),
    ...running(50, 1),
  ],
  gatherer: [
    { ...hours('setup', $localize`Set-up`, 0.8), source: UNSOURCED },
    speed(5_000, 'sets', UNSOURCED),
    ...running(110, 3),
  ],
  sewer: [hours('setup', $localize`Set-up`, 0.5), speed(5_000, 'sections'), ...running(65, 1)],
  'spine-gluer': [
    { ...hours('setup', $localize`Set-up`, 0.5), source: UNSOURCED },
    speed(1_500, 'books', UNSOURCED),
    ...running(70, 2),
  ],
  binder: [
    hours('setup', $localize`Set-up`, 0.75),
    speed(4_000, 'books'),
    above0('conveyor', $localize`Length of the cooling conveyor`, 'm', 72, 1_000, UNSOURCED),
    above0('spacing', $localize`Distance from book to book on the conveyor`, 'm', 0.4, 10, UNSOURCED),
    ...running(190, 4),
  ],
  splitter: [
    { ...hours('setup', $localize`Set-up`, 0.2), source: UNSOURCED },
    speed(4_000, 'books', UNSOURCED),
    ...running(40, 1),
  ],
  'case-maker': [hours('setup', $localize`Set-up`, 1), speed(1_500, 'cases'), ...running(90, 2)],
  'caser-in': [hours('setup', $localize`Set-up`, 0.75), speed(1_200, 'books'), ...running(150, 3)],
  numberer: [hours('setup', $localize`Set-up`, 0.75), speed(6_000, 'sheets'), ...running(75, 2)],
  'shrink-tunnel': [
    { ...hours('setup', $localize`Set-up`, 0.2), source: UNSOURCED },
    speed(900, 'packs', UNSOURCED),
    ...running(30, 1),
  ],
  hand: [
    { ...hours('setup', $localize`Set-up`, 0.1), source: UNSOURCED },
    speed(60, 'packs', UNSOURCED),
    ...running(0, 1),
  ],
};

/** What the rate of each kind of machine counts. Lifts of a guillotine are timed cut by cut; its sheets are counted. */
export const MACHINE_COUNTS = table(
  Object.entries(MACHINE_NORMS).map(([process, norms]) => [
    process,
    norms.find(({ counts }) => counts !== undefined)?.counts ?? 'sheets',
  ]),
) as Readonly<Record<MachineProcess, Counted>>;

/** Whether a machine of this kind has speed curves. */
export const hasSpeedCurves = ({ process }: { readonly process: MachineProcess }): boolean =>
  MACHINE_NORMS[process].some(({ id }) => id.startsWith('caliper.'));

/** Set-up and speed of presses that do not print as the others of their kind. Source: handbook chapter 8, unless marked. */
export const PRINTING_NORMS: Partial<Readonly<Record<PrintProcess | 'hand-laid', readonly MachineNorm[]>>> = {
  gravure: [
    hours('setup', $localize`Set-up`, 2),
    hours('setupPer', $localize`Set-up, each colour`, 0.3),
    speed(200, 'metres'),
  ],
  recessed: [
    hours('setup', $localize`Set-up`, 2),
    hours('setupPer', $localize`Set-up, each plate`, 0),
    speed(600, 'sheets'),
  ],
  screen: [
    hours('setup', $localize`Set-up`, 0.5),
    hours('setupPer', $localize`Set-up, each stencil`, 0),
    speed(1_500, 'sheets'),
  ],
  'hand-laid': [
    hours('setup', $localize`Set-up with its counter`, 2),
    hours('setupPer', $localize`Set-up, each plate`, 0),
    speed(600, 'sheets'),
  ],
  letterpress: [
    { ...hours('setup', $localize`Set-up`, 0.75), source: UNSOURCED },
    { ...hours('setupPer', $localize`Set-up, each plate`, 0.02), source: UNSOURCED },
    speed(6_000, 'sheets', UNSOURCED),
  ],
};

/** Flexo on sheets: the case line. Source: handbook chapter 8. */
export const SHEET_FLEXO_NORMS: readonly MachineNorm[] = [
  hours('setup', $localize`Set-up`, 0.5),
  hours('setupPer', $localize`Set-up, each colour`, 0.15),
  speed(6_000, 'sheets'),
];

/** Hour rates of shipped machines that cost otherwise than the others of their kind: examples, the works enters its own. */
export const MACHINE_RATES: Readonly<Record<string, number>> = {
  'b1-perfector': 260,
  'b2-four': 120,
  'gravure-web': 380,
  'recessed-three': 150,
  'hand-engraver': 18,
  'letterpress-forms': 45,
  'screen-one': 48,
  'case-flexo': 140,
  'high-die': 60,
  slotter: 120,
  'board-cutter': 40,
};
