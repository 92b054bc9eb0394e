import type { Mm } from '../kernel/index.js';

/**
 * Where a mark stands on the sheet, seen printed side up with the gripper edge at the bottom: x from the left edge to the
 * right, y from the gripper edge towards the tail.
 */
export interface MarkPlace {
  readonly xMm: Mm;
  readonly yMm: Mm;
}

/** How far a colour lies from the reference colour at one mark: plain numbers in millimetres, since they are turned over. */
export interface Offset {
  readonly dx: number;
  readonly dy: number;
}

/** Offsets of one colour on one sheet, one for each mark in the order of the marks. */
export type ColourOffsets = readonly Offset[];

/** One sheet as it was measured: offsets by colour. The reference colour has none. */
export interface SheetReading {
  readonly sheet: number;
  readonly colours: Readonly<Record<string, ColourOffsets>>;
}

/**
 * Whatever measures register on the press: a camera, a loupe with a person behind it, or the stand-in. A device is brought
 * in by writing this one function; it is asked for sheets one after another.
 */
export interface RegisterSource {
  readonly name: string;
  read(sheet: number): SheetReading;
}
