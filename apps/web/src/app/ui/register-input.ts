import type { ColourOffsets, MarkPlace } from '@druckerei/core';

/** Readings of one colour. */
export interface RegisterRow {
  readonly colour: string;
  readonly offsets: ColourOffsets;
}

/** Sheets of a run that a bench makes up. */
export const PRACTICE_SHEETS = 40;

/** What the register bench works on: typed there, or handed over by a job. Kept under the name `register`. */
export interface RegisterInput {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly marks: readonly MarkPlace[];
  readonly rows: readonly RegisterRow[];
  readonly toleranceMm: number;
  readonly leastTrapMm: number;
  readonly stepMm: number;
  readonly cockStepMmPerM: number;
  readonly sheets: number;
  readonly seed: number;
  /** Printed length can be altered by packing, and the tail fanned, on this press. */
  readonly packing?: boolean | undefined;
  readonly fanOut?: boolean | undefined;
  /** The job that it was handed over from. */
  readonly from?: string | undefined;
}
