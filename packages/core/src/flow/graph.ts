/** What a step takes in: so many of a material for one process unit. */
export interface FlowInput {
  readonly material: string;
  /** Units of the material in one process unit, above 0. */
  readonly usage: number;
}

/** What a step gives out. */
export interface FlowOutput {
  readonly material: string;
  /** Good outputs from one good process unit, above 0. */
  readonly yield: number;
  /** Good outputs taken as samples, file copies or proofs, 0 or more. */
  readonly samples: number;
  /** Share 0..1 of the material that this step makes, where several steps make the same one (a declared split). */
  readonly share?: number;
}

/** Something that now and then costs process units: a web break, a jam, a blanket wash. */
export interface Incident {
  readonly name: string;
  /** Times in one process unit, 0 or more. */
  readonly rate: number;
  /** Process units lost each time, 0 or more. */
  readonly loss: number;
}

/** An operation: material in, process units through the machine, material out, and what is spoiled on the way. */
export interface FlowStep {
  readonly id: string;
  /** Where the step stands in the job file, for issues. */
  readonly path: string;
  readonly inputs: readonly FlowInput[];
  readonly outputs: readonly FlowOutput[];
  /** Process units used before the first good one, 0 or more. */
  readonly setup: number;
  /** Share of what runs after set-up that is spoiled, 0 to below 1; of what comes out good where `ofNet`. */
  readonly running: number;
  /** The house tells running spoilage as a share p of the net: p / (1 + p) of what runs. */
  readonly ofNet?: boolean;
  readonly incidents: readonly Incident[];
  /** For the table school: colours of a press pass (both sides counted where it perfects), else absent. */
  readonly passColours?: number;
  /** For the table school: counts as a finishing step (from cut, coat, fold to trim). */
  readonly finishing: boolean;
}

/** How much of a material has to leave the works. */
export interface Demand {
  readonly material: string;
  readonly quantity: number;
}

/** A job's material flow: an acyclic graph of steps over named materials. */
export interface FlowGraph {
  readonly steps: readonly FlowStep[];
  /** Materials that come from outside: paper, board, bought parts. */
  readonly bought: readonly string[];
  /** What must be there at the end. */
  readonly demands: readonly Demand[];
}
