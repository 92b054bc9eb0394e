/** Operations of this program's routes, roughly in the order in which a sheet meets them. */
export const OPERATIONS = [
  'corrugate',
  'print',
  'dry',
  'overprint',
  'raise',
  'coat',
  'laminate',
  'foil',
  'emboss',
  'mount',
  'cut',
  'die-cut',
  'convert',
  'score',
  'fold',
  'window',
  'glue',
  'envelope',
  'gum',
  'rivet',
  'tip',
  'gather',
  'sew',
  'spine',
  'stitch',
  'kit',
  'bind',
  'cool',
  'split',
  'trim',
  'line',
  'case',
  'case-in',
  'press',
  'rewind',
  'number',
  'inspect',
  'count',
  'hand',
  'outside',
  'band',
  'wrap',
  'box',
  'pallet',
] as const;
export type Operation = (typeof OPERATIONS)[number];

/** How an operation's hours are reckoned. */
export type TimeModel = 'press' | 'lag' | 'rate' | 'lifts' | 'belt';

export interface OperationRule {
  readonly name: string;
  readonly process: MachineProcess | undefined;
  readonly time: TimeModel;
  /** Counts as a finishing step of the spoilage table: from cut, coat, fold to trim. Source: handbook chapter 6. */
  readonly finishing: boolean;
  /** What leaves the station is called otherwise than what came. */
  readonly makes?: string;
}

/** What kinds of machine the works has. */
export const MACHINE_PROCESSES = [
  'sheet-fed',
  'digital',
  'inkjet-web',
  'web',
  'narrow-web',
  'corrugator',
  'powder-melter',
  'coater',
  'laminator',
  'foil-press',
  'board-laminator',
  'guillotine',
  'die-cutter',
  'converter',
  'scorer',
  'folder',
  'window-patcher',
  'folder-gluer',
  'envelope-folder',
  'envelope-web',
  'riveter',
  'tipper',
  'gatherer',
  'sewer',
  'spine-gluer',
  'stitcher',
  'binder',
  'splitter',
  'trimmer',
  'case-maker',
  'caser-in',
  'rewinder',
  'numberer',
  'bander',
  'shrink-tunnel',
  'hand',
] as const;
export type MachineProcess = (typeof MACHINE_PROCESSES)[number];

/** What machines do in one go with printing, one station behind another on the web. Source: handbook chapter 7 "Envelopes". */
const IN_LINE: Partial<Readonly<Record<MachineProcess, readonly Operation[]>>> = {
  'envelope-web': ['die-cut', 'window', 'score', 'envelope', 'gum', 'count'],
};

/** Whether a kind of machine does an operation in line with its printing units. */
export const runsInLine = (process: MachineProcess, operation: Operation): boolean =>
  IN_LINE[process]?.includes(operation) ?? false;

export const OPERATION_RULES: Readonly<Record<Operation, OperationRule>> = {
  corrugate: { name: 'Corrugate', process: 'corrugator', time: 'rate', finishing: false },
  print: { name: 'Print', process: 'sheet-fed', time: 'press', finishing: false },
  dry: { name: 'Dry', process: undefined, time: 'lag', finishing: false },
  overprint: { name: 'Print again, another press', process: 'sheet-fed', time: 'press', finishing: false },
  raise: { name: 'Powder and melt', process: 'powder-melter', time: 'rate', finishing: true },
  coat: { name: 'Coat', process: 'coater', time: 'rate', finishing: true },
  laminate: { name: 'Laminate with film', process: 'laminator', time: 'rate', finishing: true },
  foil: { name: 'Foil', process: 'foil-press', time: 'rate', finishing: true },
  emboss: { name: 'Emboss', process: 'foil-press', time: 'rate', finishing: true },
  mount: { name: 'Laminate to board', process: 'board-laminator', time: 'rate', finishing: true, makes: 'sheet' },
  cut: { name: 'Guillotine', process: 'guillotine', time: 'lifts', finishing: true },
  'die-cut': { name: 'Die cut and strip', process: 'die-cutter', time: 'rate', finishing: true },
  convert: { name: 'Perforate and kiss-cut', process: 'converter', time: 'rate', finishing: true },
  score: { name: 'Score', process: 'scorer', time: 'rate', finishing: true },
  fold: { name: 'Fold', process: 'folder', time: 'belt', finishing: true },
  window: { name: 'Patch windows', process: 'window-patcher', time: 'rate', finishing: true },
  glue: { name: 'Fold and glue', process: 'folder-gluer', time: 'belt', finishing: true },
  envelope: {
    name: 'Fold and glue envelopes',
    process: 'envelope-folder',
    time: 'rate',
    finishing: true,
    makes: 'envelope',
  },
  gum: { name: 'Seal gum, dried open', process: 'envelope-folder', time: 'rate', finishing: false },
  rivet: { name: 'Rivet the string closure', process: 'riveter', time: 'rate', finishing: true },
  tip: { name: 'Tip on', process: 'tipper', time: 'rate', finishing: false },
  gather: { name: 'Gather', process: 'gatherer', time: 'rate', finishing: true, makes: 'book block' },
  sew: { name: 'Sew', process: 'sewer', time: 'rate', finishing: true, makes: 'book block' },
  spine: {
    name: 'Press and glue the spine',
    process: 'spine-gluer',
    time: 'rate',
    finishing: true,
    makes: 'book block',
  },
  stitch: { name: 'Gather and stitch', process: 'stitcher', time: 'rate', finishing: true, makes: 'copy' },
  kit: { name: 'Match cover and block', process: 'hand', time: 'rate', finishing: false, makes: 'kit' },
  bind: { name: 'Bind with hot melt', process: 'binder', time: 'rate', finishing: true, makes: 'book' },
  cool: { name: 'Cool on the conveyor', process: undefined, time: 'lag', finishing: false },
  split: { name: 'Split two-up', process: 'splitter', time: 'rate', finishing: false, makes: 'book' },
  trim: { name: 'Trim three sides', process: 'trimmer', time: 'rate', finishing: true },
  line: { name: 'Line the spine', process: 'spine-gluer', time: 'rate', finishing: true, makes: 'book block' },
  case: { name: 'Make cases', process: 'case-maker', time: 'rate', finishing: true, makes: 'case' },
  'case-in': { name: 'Case in', process: 'caser-in', time: 'rate', finishing: true, makes: 'book' },
  press: { name: 'Press books', process: undefined, time: 'lag', finishing: false },
  rewind: { name: 'Rewind', process: 'rewinder', time: 'rate', finishing: false, makes: 'roll' },
  number: { name: 'Number', process: 'numberer', time: 'rate', finishing: false },
  inspect: { name: 'Inspect', process: 'hand', time: 'rate', finishing: false },
  count: { name: 'Count', process: 'hand', time: 'rate', finishing: false },
  hand: { name: 'Hand work', process: 'hand', time: 'rate', finishing: false },
  outside: { name: 'Outside work', process: undefined, time: 'lag', finishing: false },
  band: { name: 'Band', process: 'bander', time: 'rate', finishing: false },
  wrap: { name: 'Shrink wrap', process: 'shrink-tunnel', time: 'rate', finishing: false },
  box: { name: 'Box', process: 'hand', time: 'rate', finishing: false },
  pallet: { name: 'Build pallets', process: 'hand', time: 'rate', finishing: false },
};
