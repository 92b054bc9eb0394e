import type { Entry } from '../../kernel/index.js';
import type { Run } from '../prepared.js';

/** Hours of a step: of its machine, and those that the material lies. */
export interface StepTime {
  /** Machine hours, set-up and run. */
  readonly hours: number;
  /** Hours that the material lies here. */
  readonly lagHours: number;
  /** Hours that it lies before this station. */
  readonly waitHours: number;
}
/** A step that takes no time. */
export const NO_TIME: StepTime = { hours: 0, lagHours: 0, waitHours: 0 };

/** Machine hours of a station for what runs through it, as a figure. */
export type Timer = (run: Run) => Entry;

/** When a station is through: what it and its material want, whatever the run, and its hours. */
export interface StationTime {
  readonly lagHours: number;
  readonly waitHours: number;
  readonly hours: Timer | undefined;
}
