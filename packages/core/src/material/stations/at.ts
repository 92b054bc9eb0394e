import type { NormLookup } from '../../norms/index.js';
import type { Works } from '../../works/index.js';
import type { ComponentLayout } from '../../press-sheet/index.js';
import type { Job, Step } from '../../job/index.js';
import type { Material, Taken } from '../state.js';
import type { Wet, WetKind } from '../wet.js';

/** A station with everything that what leaves it depends on. */
export interface At {
  readonly job: Job;
  readonly works: Works;
  readonly norms: NormLookup;
  readonly step: Step;
  readonly layout: ComponentLayout | undefined;
  readonly inputs: readonly Taken[];
  /** All inputs one on another. */
  readonly all: Material;
  readonly first: Material;
}

/** Something wet that a finishing station lays. */
export const laid = ({ step, layout }: At, kind: WetKind): Wet => ({
  kind,
  drying: 'water-based',
  coverage: 0,
  heavy: false,
  coated: layout?.stock.coated ?? false,
  powder: false,
  since: step.id,
  lainHours: 0,
  stood: false,
});
/** A material with more that is wet on it. */
export const wetWith = (material: Material, ...wet: readonly Wet[]): Material => ({
  ...material,
  wet: [...material.wet, ...wet],
});

/** A station that leaves a material as it is. */
export const asItCame = ({ all }: At): Material => all;

/** What leaves a station, out of a station with what comes to it. */
export type After = (at: At) => Material;
