import type { Gsm, Mm, Source, Um } from '../kernel/index.js';
import type { OwnFolding } from '../imposition/index.js';
import type { Grain } from '../layout/index.js';
import type { InkSchool, PrintProcess, ZoneRow } from '../press/index.js';
import type { MachineProcess } from '../route/index.js';
import type { SupplyPrice } from './asked-price.js';
import type { Contact, HouseInk, HouseSupply } from './house-inks.js';

/** A machine of the works: what it can do and what it can take. Its speeds and prices are norms. */
export interface Machine {
  readonly id: string;
  readonly name: string;
  readonly process: MachineProcess;
  readonly press?: PressLimits;
  /** What a finishing machine takes; anything where absent. */
  readonly takes?: MachineTakes;
  /** A die that cuts through a stack at one stroke. */
  readonly cutsStacks?: boolean;
  /** The works has it no longer: jobs that were planned on it are still read, nothing new is planned on it. */
  readonly retired?: boolean;
}

/** Limits of a finishing machine: a piece of any turn between the least and the most, and its thickness. */
export interface MachineTakes {
  readonly maxMm: readonly [Mm, Mm];
  readonly minMm: readonly [Mm, Mm];
  readonly minCaliperUm: Um;
  readonly maxCaliperUm: Um;
  /** Side of what comes that its grain has to run along; either where absent. */
  readonly grain?: 'long' | 'short';
  /** Heaviest piece, g. */
  readonly maxG?: number;
  /** Feeders of a machine that gathers. */
  readonly stations?: number;
  /** Clamps of a binder, one block in each. */
  readonly clamps?: number;
  /** Most force of a die cutter, kN. */
  readonly forceKn?: number;
  /** Of a folder: folds the same way that one unit makes (pockets, or knives on top of each other), and turns by a right angle. */
  readonly parallelFolds?: number;
  readonly crossFolds?: number;
}

/** Limits of a sheet-fed press. Margins are practice, editable by press. */
export interface PressLimits {
  readonly units: number;
  /** Sheets are laid to the guides one by one by hand. */
  readonly handLaid?: boolean;
  /** Prints without plates; sides are charged by the click. */
  readonly plateless?: boolean;
  /** Prints both sides in one pass. */
  readonly perfects: boolean;
  /** Turns the sheet tail to lead for the second side, so that both edges are gripped. */
  readonly turnsSheet: boolean;
  readonly maxSheetMm: readonly [Mm, Mm];
  readonly minSheetMm: readonly [Mm, Mm];
  readonly minCaliperUm: Um;
  readonly maxCaliperUm: Um;
  readonly gripperMm: Mm;
  readonly tailMm: Mm;
  readonly sideMm: Mm;
  /** Height of the colour bar in the tail. */
  readonly colourBarMm?: Mm;
  /** How its carriers print; offset where absent, flexo on a narrow web, digital where plateless. */
  readonly printing?: PrintProcess;
  /** Order of process colours that the press is run in. */
  readonly inkSchool?: InkSchool;
  /** Coating units behind the last printing unit. */
  readonly coatingUnits?: number;
  readonly zones?: ZoneRow;
  readonly plate?: PlateSpec;
  readonly register?: RegisterControls;
  /** Prints a web: the largest and smallest sheet above are then web width by length printed at one turn. */
  readonly web?: WebLimits;
}

/**
 * What a web press prints at one turn of its cylinders. Its side margin is the edge trim of the web. Pieces are parted in
 * line: sections leave the folder folded, flat pieces leave the die station.
 */
export interface WebLimits {
  /** Length that the folder cuts off, where the press fixes it; else the cylinders of the store decide. */
  readonly cutOffMm?: Mm;
  /** Teeth of the print cylinders in the store, where the press has changeable ones. */
  readonly cylinderTeeth?: readonly number[];
  /** Cylinders are made for the job: any repeat within the press's limits. */
  readonly anyRepeat?: boolean;
  /** Plates side by side across the web and one behind another around the cylinder. */
  readonly platesAcross: number;
  readonly platesAround: number;
  /** The folder trims head, foot and fore edge, so that sections leave it open and in their size. */
  readonly trimsInLine?: boolean;
}

/** Plates as a press takes them. */
export interface PlateSpec {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly gaugeMm: Mm;
  /** Punched pin holes that all plates of a form share. */
  readonly pins?: string;
  /** Base under the relief of a flexo plate, and whether it is imaged in the round. */
  readonly baseMm?: Mm;
  readonly inTheRound?: boolean;
}

/** How register is corrected at a press. */
export interface RegisterControls {
  /** One step across and around. */
  readonly moveMm: Mm;
  /** One step of cock, mm a metre. */
  readonly cockMmPerM: number;
  /** Printed length can be altered by packing between plate and blanket; the tail can be fanned. */
  readonly packing?: boolean;
  readonly fanOut?: boolean;
}

/** A sheet with its grain. Millimetres. */
export interface SheetSize {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** Side along which the grain runs: a direction, never an order of figures. */
  readonly grain: Grain;
}

/** Flutes of corrugated board, by the trade's letters. */
export const FLUTE_IDS = ['A', 'B', 'C', 'E'] as const;
/** One of the flutes. */
export type FluteId = (typeof FLUTE_IDS)[number];

/** A paper or board that the works has. */
export interface Stock {
  readonly id: string;
  readonly name: string;
  readonly gsm: Gsm;
  /** cm3/g. */
  readonly bulk: number;
  readonly coated: boolean;
  /** Takes no water: cold glue does not hold on it, kept free or not. */
  readonly waxed?: boolean;
  readonly sheets: readonly SheetSize[];
  /** Corrugated: its flutes, from the printed side. */
  readonly flutes?: readonly FluteId[] | undefined;
  /** Widths that it comes in on rolls, for the sheeter; of corrugated board, widths of the corrugator's web. */
  readonly rollWidthsMm?: readonly Mm[];
  /** Contacts that it is cleared for. */
  readonly cleared?: readonly Contact[];
  /** What lies in the paper that print has to stand to: a watermark, thread or stripe. */
  readonly paperMark?: string;
  /** The works keeps it no longer: jobs that were planned on it are still read, nothing new is planned on it. */
  readonly retired?: boolean;
}

/** A norm that the works has set, with its source. */
export interface NormValue {
  readonly value: number;
  readonly source: Source;
}

/** Folds of the works' own under a name, told as a job tells them. */
export interface HouseFold extends OwnFolding {
  readonly name: string;
}

/** What a works says of itself, and how it writes. */
export interface WorksSettings {
  readonly name: string;
  readonly place?: string | undefined;
  /** Lines under its name on papers that leave it: address, bank, register. */
  readonly letterhead?: string | undefined;
  /** ISO 4217 code of the one currency of the works. */
  readonly currency: string;
  /** BCP 47 tag of the language and place whose dates and weeks it uses, unless somebody chose another; the browser's where absent. */
  readonly locale?: string | undefined;
  /** IANA name of the zone that its days are in; the server's where absent. */
  readonly timeZone?: string | undefined;
  /** Whom it lets in by a second factor alone; nobody where absent. */
  readonly secondFactor?: string | undefined;
  /** Size of its labels, unless another is asked for: one of `LABEL_SIZES`; A6 where absent. */
  readonly labelSize?: string | undefined;
  /** System of measures that people read until they choose another: metric where absent. */
  readonly measures?: string | undefined;
  /** Parts that its job tickets are printed without, by comma: some of `TICKET_PARTS`; none where absent. */
  readonly ticketWithout?: string | undefined;
  /** How its job numbers are made, see `nextJobNumber`; after the last one where absent. */
  readonly numberPattern?: string | undefined;
}

/** The settings, in the order in which they are shown. */
export const WORKS_SETTINGS = [
  'name',
  'place',
  'letterhead',
  'currency',
  'locale',
  'measures',
  'timeZone',
  'numberPattern',
  'secondFactor',
  'labelSize',
  'ticketWithout',
] as const;

/** What is told of the settings, by itself; what is empty is not told. */
export const toldSettings = (
  from: Readonly<Partial<Record<keyof WorksSettings, string | undefined>>>,
): ReadonlyMap<keyof WorksSettings, string> =>
  new Map(
    WORKS_SETTINGS.flatMap((setting) => {
      const text = from[setting]?.trim() ?? '';
      return text === '' ? [] : [[setting, text] as const];
    }),
  );

/** A supplier with what they ask. */
export interface SupplierPrices {
  readonly id: number;
  readonly name: string;
  readonly prices: readonly SupplyPrice[];
}

/** What suppliers ask, as a works knows it on a day. */
export interface Supplied {
  /** ISO 8601 date, by the wall of the works. */
  readonly day: string;
  readonly sellers: readonly SupplierPrices[];
}

/** The works that a job is planned for. Norms that are not in `norms` have the shipped value of the catalogue. */
export interface Works extends WorksSettings {
  readonly machines: readonly Machine[];
  readonly stocks: readonly Stock[];
  readonly inks?: readonly HouseInk[];
  /** Coatings, glues and films that it keeps, with what they are cleared for. */
  readonly supplies?: readonly HouseSupply[];
  /** Ways that this house folds its sections in beside those that everybody knows. */
  readonly folds?: readonly HouseFold[];
  /** Grows with every change of a norm: who changes one says up to where they saw. */
  readonly mark?: number;
  /** Grows with every change of a machine, a stock, an ink or a supply, likewise. */
  readonly itemsMark?: number;
  readonly norms: Readonly<Record<string, NormValue>>;
  /** What its suppliers ask today, and the day. */
  readonly supplied?: Supplied | undefined;
  /** Whoever looks sees no prices: they are 0 here, and no plan has a cost. */
  readonly pricesHidden?: boolean;
}

/** How a press prints. Source: identity of the machine's description. */
export function printingOf({ process, press }: Machine): PrintProcess {
  if (press?.printing) return press.printing;
  if (press?.plateless) return 'digital';
  return process === 'narrow-web' ? 'flexo' : 'offset';
}

/** What a works has today: machines and stocks that it has not retired. */
export const inUse = <T extends { readonly retired?: boolean | undefined }>(all: readonly T[]): readonly T[] =>
  all.filter(({ retired }) => retired !== true);
