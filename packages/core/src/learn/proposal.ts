import type { Evidence, Learned } from './evidence.js';
import type { Posterior } from './posterior.js';

/** What the log says of a norm. */
export interface NormProposal extends Posterior {
  readonly norm: string;
  readonly kind: Learned;
  /** Words for it. */
  readonly subject: string;
  readonly name: string;
  readonly unit: string;
  /** In force today. */
  readonly now: number;
  /** What the norm counts for beside the log, and the log beside it. */
  readonly weight: number;
  readonly logged: number;
  /** Oldest first. */
  readonly evidence: readonly Evidence[];
  /** Last entry of the book that it goes by. */
  readonly upTo: number;
}
