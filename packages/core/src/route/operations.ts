import { BINDERY_STATIONS } from './stations/bindery-stations.js';
import { BOX_STATIONS } from './stations/box-stations.js';
import { PACK_STATIONS } from './stations/pack-stations.js';
import { PRESS_STATIONS } from './stations/press-stations.js';
import { SHEET_STATIONS } from './stations/sheet-stations.js';
import { SURFACE_STATIONS } from './stations/surface-stations.js';
import type { MachineProcess } from './stations/machine-process.js';
import type { OperationRule } from './stations/operation-rule.js';

export * from './stations/machine-process.js';
export type { DryFor, OperationRule, TimeModel } from './stations/operation-rule.js';

const STATIONS = {
  ...PRESS_STATIONS,
  ...SURFACE_STATIONS,
  ...SHEET_STATIONS,
  ...BOX_STATIONS,
  ...BINDERY_STATIONS,
  ...PACK_STATIONS,
};
/** One of the operations. */
export type Operation = keyof typeof STATIONS;
/** Operations of each kind of station, for records that are total kind by kind. */
export interface StationOf {
  readonly press: keyof typeof PRESS_STATIONS;
  readonly surface: keyof typeof SURFACE_STATIONS;
  readonly sheet: keyof typeof SHEET_STATIONS;
  readonly box: keyof typeof BOX_STATIONS;
  readonly bindery: keyof typeof BINDERY_STATIONS;
  readonly pack: keyof typeof PACK_STATIONS;
}

/** Every operation with what it is, roughly in the order in which a sheet meets them. */
export const OPERATION_RULES: Readonly<Record<Operation, OperationRule>> = STATIONS;
/** Every operation. */
export const OPERATIONS = Object.keys(STATIONS) as readonly Operation[];

/** What machines do in one go with printing, one station behind another on the web. Source: handbook chapter 7 "Envelopes". */
const IN_LINE: Partial<Readonly<Record<MachineProcess, readonly Operation[]>>> = {
  'envelope-web': ['die-cut', 'window', 'score', 'envelope', 'gum', 'count'],
};

/** Whether a kind of machine does an operation in line with its printing units. */
export const runsInLine = (process: MachineProcess, operation: Operation): boolean =>
  IN_LINE[process]?.includes(operation) ?? false;

/** Always said with the cautions. Source: handbook chapter 10. */
export const CAUTION_RULE = $localize`Local law, the machine’s manual and trained people come first.`;
