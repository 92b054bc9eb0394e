import type { Flow } from '../flow/index.js';
import type { FigureBook } from '../kernel/index.js';
import type { Machine, NormLookup, Works } from '../works/index.js';
import type { Layouts } from './build-graph.js';
import type { Job } from './job.js';
import type { Material } from './material.js';

export interface StepTime {
  /** Machine hours, set-up and run. */
  readonly hours: number;
  /** Hours that the material lies. */
  readonly lagHours: number;
}

export interface TimeContext {
  readonly job: Job;
  readonly works: Works;
  readonly layouts: Layouts;
  readonly flow: Flow;
  readonly materials: ReadonlyMap<string, Material>;
  readonly machines: ReadonlyMap<string, Machine | undefined>;
  readonly norms: NormLookup;
  readonly book: FigureBook;
}
