import type { Lab, RecipePart, Rest } from '../colour/index.js';
import type { Drying, InkKind } from '../press/index.js';
import type { Contact } from '../works/index.js';

/** An ink on one side of a component. */
export interface InkUse {
  /** Name of the ink: K, C, M, Y or a mixed colour. */
  readonly name: string;
  /** Share 0..1 of the printed area; the house's norm where absent. */
  readonly coverage?: number | undefined;
  /** Coverage of each ink zone of the press, share 0..1 of its strip of the plate, the left of the sheet first. */
  readonly zones?: readonly number[] | undefined;
}

/** An ink of the job that is more than its name. */
export interface InkSpec {
  readonly name: string;
  readonly kind: InkKind;
  /** How it dries; as the house has it, else as is usual for the process. */
  readonly drying?: Drying | undefined;
  /** Colour to be reached, measured on the job's own stock. */
  readonly aim?: Lab | undefined;
  /** Largest difference at which a trial is accepted, CIEDE2000; the house's norm where absent. */
  readonly tolerance?: number | undefined;
  readonly recipe?: readonly RecipePart[] | undefined;
  /** Rests of the same colour, to be used up first. */
  readonly rests?: readonly Rest[] | undefined;
  readonly filmGsm?: number | undefined;
  /** Share 0..1 of solids, where the film is told dry. */
  readonly solids?: number | undefined;
  readonly cleared?: readonly Contact[] | undefined;
  /** Accountable work: issued and returned by weight. */
  readonly accountable?: boolean | undefined;
}

/** Versions of a printed component: the inks named change from one to the next, the others stay on. */
export interface Versions {
  readonly names: readonly string[];
  readonly inks: readonly string[];
}
