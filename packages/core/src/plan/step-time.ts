import type { Flow } from '../flow/index.js';
import type { Entry, Group, Ledger } from '../kernel/index.js';
import type { Machine, NormLookup, Works } from '../works/index.js';
import type { JobFlow, Layouts } from './build-graph.js';
import type { Packing } from './packing.js';
import type { ComponentLayout } from './component-layout.js';
import type { Job, Step } from './job.js';
import type { Material } from './material/index.js';

export interface StepTime {
  /** Machine hours, set-up and run. */
  readonly hours: number;
  /** Hours that the material lies here. */
  readonly lagHours: number;
  /** Hours that it lies before this station. */
  readonly waitHours: number;
}
export const NO_TIME: StepTime = { hours: 0, lagHours: 0, waitHours: 0 };

export interface TimeContext {
  readonly job: Job;
  readonly works: Works;
  readonly layouts: Layouts;
  readonly flow: Flow;
  readonly jobFlow: JobFlow;
  readonly machines: ReadonlyMap<string, Machine | undefined>;
  readonly norms: NormLookup;
  readonly ledger: Ledger;
  readonly packings: ReadonlyMap<string, Packing>;
}

/** One step with all that its time depends on. */
export interface Station {
  readonly step: Step;
  /** Its figures. */
  readonly at: Group;
  readonly layout: ComponentLayout | undefined;
  readonly incoming: Material | undefined;
  readonly machine: Machine | undefined;
  /** Gives a norm of the step's machine to the ledger. */
  readonly norm: (key: string) => Entry;
}
