import type { MachineProcess } from '../route/index.js';

/** What a field of a machine or of a stock holds. */
export type FieldKind = 'number' | 'whole' | 'flag' | 'text' | 'choice' | 'numbers';

/** One field of a machine or a stock: where it stands, how it is called, and what it may be. */
export interface WorksField {
  /** Keys from the machine or stock down, parted by dots. */
  readonly path: string;
  readonly name: string;
  readonly kind: FieldKind;
  readonly unit?: string;
  /** Limits of a number, of each of several, or of the length of a text. */
  readonly min: number;
  readonly max: number;
  readonly choices?: readonly string[];
  /** What a choice is called, where that is not its word. */
  readonly names?: Readonly<Record<string, string>>;
  /** Machines that it says something of; of all where absent. */
  readonly only?: MachineProcess;
  /** Cannot be left out where its group is told. */
  readonly wanted?: boolean;
}

/** No sheet, web or plate is larger, millimetres. */
export const MOST_MM = 10_000;
const MOST_UM = 100_000;

export const mm = (path: string, name: string, min = 0, max = MOST_MM): WorksField => ({
  path,
  name,
  kind: 'number',
  unit: 'mm',
  min,
  max,
});
export const um = (path: string, name: string): WorksField => ({
  ...mm(path, name, 1, MOST_UM),
  unit: 'um',
  wanted: true,
});
export const wanted = (field: WorksField): WorksField => ({ ...field, wanted: true });
export const flag = (path: string, name: string): WorksField => ({ path, name, kind: 'flag', min: 0, max: 1 });
export const whole = (path: string, name: string, min: number, max: number, unit?: string): WorksField => ({
  path,
  name,
  kind: 'whole',
  ...(unit === undefined ? {} : { unit }),
  min,
  max,
});
export const choice = (path: string, name: string, choices: readonly string[]): WorksField => ({
  path,
  name,
  kind: 'choice',
  choices,
  min: 0,
  max: 0,
});
export const text = (path: string, name: string, max: number, min = 0): WorksField => ({
  path,
  name,
  kind: 'text',
  min,
  max,
});
