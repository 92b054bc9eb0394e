import type { PatchReading } from '@druckerei/core';

/** What the bench for colour on press works on: typed there, or handed over. Kept under the name `colour`. */
export interface ColourInput {
  /** Aims, by id. */
  readonly set: string;
  readonly readings: readonly PatchReading[];
  /** Of the run that its stand-in makes up. */
  readonly seed: number;
  readonly sheets: number;
}
