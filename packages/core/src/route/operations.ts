/** Operations of this program's routes. */
export const OPERATIONS = [
  'print',
  'dry',
  'coat',
  'cut',
  'die-cut',
  'score',
  'fold',
  'glue',
  'stitch',
  'trim',
  'rewind',
  'band',
  'inspect',
  'hand',
  'outside',
  'box',
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
}

/** What kinds of machine the works has. */
export const MACHINE_PROCESSES = [
  'sheet-fed',
  'digital',
  'web',
  'narrow-web',
  'coater',
  'guillotine',
  'die-cutter',
  'scorer',
  'folder',
  'folder-gluer',
  'stitcher',
  'trimmer',
  'rewinder',
  'bander',
  'hand',
] as const;
export type MachineProcess = (typeof MACHINE_PROCESSES)[number];

export const OPERATION_RULES: Readonly<Record<Operation, OperationRule>> = {
  print: { name: 'Print', process: 'sheet-fed', time: 'press', finishing: false },
  dry: { name: 'Dry', process: undefined, time: 'lag', finishing: false },
  coat: { name: 'Coat', process: 'coater', time: 'rate', finishing: true },
  cut: { name: 'Guillotine', process: 'guillotine', time: 'lifts', finishing: true },
  'die-cut': { name: 'Die cut and strip', process: 'die-cutter', time: 'rate', finishing: true },
  score: { name: 'Score', process: 'scorer', time: 'rate', finishing: true },
  fold: { name: 'Fold', process: 'folder', time: 'belt', finishing: true },
  glue: { name: 'Fold and glue', process: 'folder-gluer', time: 'belt', finishing: true },
  stitch: { name: 'Gather and stitch', process: 'stitcher', time: 'rate', finishing: true },
  trim: { name: 'Trim three sides', process: 'trimmer', time: 'rate', finishing: true },
  rewind: { name: 'Rewind', process: 'rewinder', time: 'rate', finishing: false },
  band: { name: 'Band', process: 'bander', time: 'rate', finishing: false },
  inspect: { name: 'Inspect', process: 'hand', time: 'rate', finishing: false },
  hand: { name: 'Hand work', process: 'hand', time: 'rate', finishing: false },
  outside: { name: 'Outside work', process: undefined, time: 'lag', finishing: false },
  box: { name: 'Box', process: 'hand', time: 'rate', finishing: false },
};
