import type { MachineProcess } from './machine-process.js';

/** What an operation does to something wet: each wants it dry after a time of its own. Source: handbook chapters 5 and 7. */
export type DryFor = 'side' | 'cut' | 'fold' | 'film' | 'bind' | 'handle' | 'none';

/** How an operation's hours are reckoned. */
export type TimeModel = 'press' | 'lag' | 'rate' | 'lifts' | 'belt';

/** What a station is, whatever the job: all that is known of it without a plan. */
export interface OperationRule {
  readonly name: string;
  readonly process: MachineProcess | undefined;
  readonly time: TimeModel;
  /** Counts as a finishing step of the spoilage table: from cut, coat, fold to trim. Source: handbook chapter 6. */
  readonly finishing: boolean;
  /** What leaves the station is called otherwise than what came. */
  readonly makes?: string;
  readonly dryFor: DryFor;
  /** Usual cautions. Source: handbook chapter 10. */
  readonly cautions: readonly string[];
}
