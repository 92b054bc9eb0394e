import type { Assembly, CreepMethod, CreepShare, OddPlace } from '../imposition/index.js';

/** What is done to the spine of glued work: milled off, or notched by the folder. */
export const SPINE_KINDS = ['milled', 'notched'] as const;
/** One of the kinds of spine. */
export type SpineKind = (typeof SPINE_KINDS)[number];

/** How sections come together, where they stand, and what is done about creep. */
export interface Binding {
  readonly assembly: Assembly;
  readonly odd?: OddPlace | undefined;
  readonly creep?: CreepMethod | undefined;
  readonly creepShare?: CreepShare | undefined;
  /** The outer two leaves of the text serve as endpapers at each end: pasted down and fly leaf, not numbered. */
  readonly selfEnds?: boolean | undefined;
  /** Glued spines: milled off where absent; notched ones keep their folds. */
  readonly spine?: SpineKind | undefined;
  /** Two copies bound as one, head to head, and split apart at the trimmer. */
  readonly twoUp?: boolean | undefined;
}
