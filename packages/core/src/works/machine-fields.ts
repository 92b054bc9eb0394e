import { INK_SCHOOLS, PRINT_PROCESSES } from '../press/index.js';
import type { MachineProcess } from '../route/index.js';
import { CONTACTS } from './house-inks.js';
import { type WorksField, MOST_MM, choice, flag, mm, text, um, wanted, whole } from './works-field.js';
import { FLUTE_IDS, type Machine } from './works.js';

/** Fields that are told together, or not at all. */
export interface FieldGroup {
  readonly id: string;
  readonly name: string;
  /** Path of what the fields stand in; the machine itself where empty. */
  readonly at: string;
  readonly fields: readonly WorksField[];
  /** Whether a machine of a process may have them, and whether it has to. */
  readonly of: (process: MachineProcess) => 'has to' | 'may' | 'never';
}

/** Processes that print; their machines are told as presses. */
export const PRINTING: readonly MachineProcess[] = [
  'sheet-fed',
  'digital',
  'inkjet-web',
  'web',
  'narrow-web',
  'envelope-web',
];
/** Of these, the ones that print from the roll. */
export const FROM_THE_ROLL: readonly MachineProcess[] = ['inkjet-web', 'web', 'narrow-web', 'envelope-web'];

/** Wider margins are a slip of the keys whatever the sheet. */
const MOST_MARGIN_MM = 1_000;

const always = (): 'has to' => 'has to';
/** A guillotine without units is what boards and cloth are laid and cut on. */
const pressOf = (process: MachineProcess): 'has to' | 'may' | 'never' =>
  PRINTING.includes(process) ? 'has to' : process === 'guillotine' ? 'may' : 'never';
const printing = (process: MachineProcess): 'may' | 'never' => (PRINTING.includes(process) ? 'may' : 'never');
const fromRoll = (process: MachineProcess): 'has to' | 'never' =>
  FROM_THE_ROLL.includes(process) ? 'has to' : 'never';
const finishing = (process: MachineProcess): 'may' | 'never' => (PRINTING.includes(process) ? 'never' : 'may');

/**
 * Everything that a works tells of a machine, group by group. Its speeds, set-up, people and hour rate are norms. Source of the
 * limits: common practice, no source.
 */
export const MACHINE_FIELDS: readonly FieldGroup[] = [
  {
    id: 'machine',
    name: $localize`Machine`,
    at: '',
    of: always,
    fields: [
      wanted(text('name', $localize`Name`, 80, 1)),
      { ...flag('cutsStacks', $localize`Cuts through a stack at one stroke`), only: 'die-cutter' },
      flag('retired', $localize`Retired: nothing new is planned on it`),
    ],
  },
  {
    id: 'press',
    name: $localize`Sheet or web`,
    at: 'press',
    of: pressOf,
    fields: [
      wanted(mm('press.maxSheetMm.0', $localize`Largest, width`, 1)),
      wanted(mm('press.maxSheetMm.1', $localize`Largest, height`, 1)),
      wanted(mm('press.minSheetMm.0', $localize`Smallest, width`, 1)),
      wanted(mm('press.minSheetMm.1', $localize`Smallest, height`, 1)),
      um('press.minCaliperUm', $localize`Thinnest`),
      um('press.maxCaliperUm', $localize`Thickest`),
      wanted(mm('press.gripperMm', $localize`Gripper margin`, 0, MOST_MARGIN_MM)),
      wanted(mm('press.tailMm', $localize`Tail margin`, 0, MOST_MARGIN_MM)),
      wanted(mm('press.sideMm', $localize`Side margins, each`, 0, MOST_MARGIN_MM)),
      mm('press.colourBarMm', $localize`Colour bar in the tail`, 0, 50),
    ],
  },
  {
    id: 'units',
    name: $localize`Printing`,
    at: 'press',
    of: pressOf,
    fields: [
      wanted(whole('press.units', $localize`Printing units`, 0, 24)),
      choice('press.printing', $localize`Prints from`, PRINT_PROCESSES),
      whole('press.coatingUnits', $localize`Coating units`, 0, 4),
      choice('press.inkSchool', $localize`Order of process colours`, INK_SCHOOLS),
      wanted(flag('press.perfects', $localize`Prints both sides in one pass`)),
      wanted(flag('press.turnsSheet', $localize`Turns the sheet tail to lead`)),
      flag('press.plateless', $localize`Prints without plates`),
      flag('press.handLaid', $localize`Sheets are laid by hand`),
    ],
  },
  {
    id: 'web',
    name: $localize`Cylinders`,
    at: 'press.web',
    of: fromRoll,
    fields: [
      mm('press.web.cutOffMm', $localize`Cut-off, where it is fixed`, 1),
      {
        path: 'press.web.cylinderTeeth',
        name: $localize`Cylinders in the store`,
        kind: 'numbers',
        unit: 'teeth',
        min: 8,
        max: 1000,
      },
      flag('press.web.anyRepeat', $localize`Cylinders are made for the job`),
      wanted(whole('press.web.platesAcross', $localize`Plates across`, 1, 16)),
      wanted(whole('press.web.platesAround', $localize`Plates around`, 1, 16)),
      flag('press.web.trimsInLine', $localize`Trims in line`),
    ],
  },
  {
    id: 'plate',
    name: $localize`Plates`,
    at: 'press.plate',
    of: printing,
    fields: [
      wanted(mm('press.plate.widthMm', $localize`Plate, width`, 1)),
      wanted(mm('press.plate.heightMm', $localize`Plate, height`, 1)),
      wanted(mm('press.plate.gaugeMm', $localize`Plate, gauge`, 0.01, 20)),
      text('press.plate.pins', $localize`Pins`, 80),
      mm('press.plate.baseMm', $localize`Base under a relief`, 0, 10),
      flag('press.plate.inTheRound', $localize`Imaged in the round`),
    ],
  },
  {
    id: 'zones',
    name: $localize`Ink zones`,
    at: 'press.zones',
    of: printing,
    fields: [
      wanted(whole('press.zones.count', $localize`Zones`, 1, 100)),
      wanted(mm('press.zones.widthMm', $localize`Width of a zone`, 1, 200)),
    ],
  },
  {
    id: 'register',
    name: $localize`Register controls`,
    at: 'press.register',
    of: printing,
    fields: [
      wanted(mm('press.register.moveMm', $localize`Smallest move`, 0.001, 5)),
      wanted({ ...mm('press.register.cockMmPerM', $localize`Smallest cock`, 0.001, 10), unit: 'mm/m' }),
      flag('press.register.packing', $localize`Length altered by packing`),
      flag('press.register.fanOut', $localize`Tail can be fanned`),
    ],
  },
  {
    id: 'takes',
    name: $localize`What it takes`,
    at: 'takes',
    of: finishing,
    fields: [
      wanted(mm('takes.maxMm.0', $localize`Largest piece, one side`, 1)),
      wanted(mm('takes.maxMm.1', $localize`Largest piece, other side`, 1)),
      wanted(mm('takes.minMm.0', $localize`Smallest piece, one side`, 1)),
      wanted(mm('takes.minMm.1', $localize`Smallest piece, other side`, 1)),
      um('takes.minCaliperUm', $localize`Thinnest`),
      um('takes.maxCaliperUm', $localize`Thickest`),
      {
        ...choice('takes.grain', $localize`Grain has to run along the side that is`, ['long', 'short']),
        names: { long: $localize`long`, short: $localize`short` },
      },
      { ...mm('takes.maxG', $localize`Heaviest piece`, 1, 1_000_000), unit: 'g' },
      whole('takes.stations', $localize`Feeders or stations`, 1, 100),
      { ...whole('takes.clamps', $localize`Clamps`, 1, 100), only: 'binder' },
      { ...mm('takes.forceKn', $localize`Most force`, 1, 50_000), unit: 'kN' },
      { ...whole('takes.parallelFolds', $localize`Folds the same way in one unit`, 1, 12), only: 'folder' },
      { ...whole('takes.crossFolds', $localize`Turns by a right angle`, 0, 6), only: 'folder' },
    ],
  },
];

/** Everything that a works tells of a paper or board beside its sheets. Its price is a norm. Source of the limits: common practice, no source. */
export const STOCK_FIELDS: readonly WorksField[] = [
  wanted(text('name', $localize`Name`, 80, 1)),
  wanted({ ...mm('gsm', $localize`Weight`, 1, 5_000), unit: 'g/m²' }),
  wanted({ ...mm('bulk', $localize`Bulk`, 0.3, 20), unit: 'cm³/g' }),
  wanted(flag('coated', $localize`Coated`)),
  flag('waxed', $localize`Waxed: cold glue does not hold`),
  { path: 'rollWidthsMm', name: $localize`Roll widths`, kind: 'numbers', unit: 'mm', min: 20, max: MOST_MM },
  text('paperMark', $localize`Mark in the paper`, 80),
  flag('retired', $localize`Retired: nothing new is planned on it`),
];

/** Choices of a stock that hold several: flutes and contacts, with the words that they are. */
export const STOCK_LISTS = { flutes: FLUTE_IDS, cleared: CONTACTS } as const;

type Tree = Readonly<Record<string, unknown>>;
const isTree = (value: unknown): value is Tree => typeof value === 'object' && value !== null;

/** The value at a path; undefined where nothing is. */
export function fieldAt(of: unknown, path: string): unknown {
  return path === ''
    ? of
    : path.split('.').reduce<unknown>((at, key) => (isTree(at) && Object.hasOwn(at, key) ? at[key] : undefined), of);
}

/** The same with another value at a path, or none; what stands around it is made where it is not there. */
export function withField<T>(of: T, path: string, value: unknown): T {
  const [key = '', ...rest] = path.split('.');
  if (key === '') return value as T;
  const inner = rest.length === 0 ? value : withField<unknown>(fieldAt(of, key), rest.join('.'), value);
  if (/^\d+$/.test(key)) {
    const list: unknown[] = Array.isArray(of) ? [...(of as unknown[])] : [];
    list[Number(key)] = inner;
    return list as T;
  }
  const { [key]: _before, ...others } = (isTree(of) ? of : {}) as Tree;
  return (inner === undefined ? others : { ...others, [key]: inner }) as unknown as T;
}

/** Groups that a machine has, or of its process may have, with the fields that say something of it. */
export const groupsFor = (process: MachineProcess): readonly FieldGroup[] =>
  MACHINE_FIELDS.filter(({ of }) => of(process) !== 'never').map((group) => ({
    ...group,
    fields: group.fields.filter(({ only = process }) => only === process),
  }));

/** Whether a group is told of a machine. */
export const hasGroup = (machine: Machine, { at }: FieldGroup): boolean => fieldAt(machine, at) !== undefined;
