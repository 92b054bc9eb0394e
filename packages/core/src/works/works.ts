import type { Gsm, Mm, Source, Um } from '../kernel/index.js';
import type { Grain } from '../layout/index.js';
import type { MachineProcess } from '../route/index.js';

/** A machine of the works: what it can do and what it can take. Its speeds and prices are norms. */
export interface Machine {
  readonly id: string;
  readonly name: string;
  readonly process: MachineProcess;
  readonly press?: PressLimits;
}

/** Limits of a sheet-fed press. Margins are practice, editable by press. */
export interface PressLimits {
  readonly units: number;
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
}

export interface SheetSize {
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  /** Side along which the grain runs: a direction, never an order of figures. */
  readonly grain: Grain;
}

export interface Stock {
  readonly id: string;
  readonly name: string;
  readonly gsm: Gsm;
  /** cm3/g. */
  readonly bulk: number;
  readonly coated: boolean;
  readonly sheets: readonly SheetSize[];
  /** Widths that it comes in on rolls, for the sheeter. */
  readonly rollWidthsMm?: readonly Mm[];
}

export interface NormValue {
  readonly value: number;
  readonly source: Source;
}

/** The works that a job is planned for. Norms that are not in `norms` have the shipped value of the catalogue. */
export interface Works {
  readonly name: string;
  /** ISO 4217 code of the one currency of the works. */
  readonly currency: string;
  readonly machines: readonly Machine[];
  readonly stocks: readonly Stock[];
  readonly norms: Readonly<Record<string, NormValue>>;
}
