import type { Entry, Group, Ledger } from '../kernel/index.js';
import type { Machine, Works } from '../works/index.js';
import { type NormLookup, giveNorm } from '../norms/index.js';
import { type ComponentLayout, layoutAt } from '../press-sheet/index.js';
import type { Job, Step, Unordered } from '../job/index.js';
import { type Material, takenBy } from '../material/index.js';
import type { Layouts, RouteFlow } from './counting/build-graph.js';

/**
 * A job laid out and strung together: what every stage of the plan is prepared from. It has no order, so that all of it
 * stands while somebody types one.
 */
export interface Prepared {
  readonly job: Unordered;
  readonly works: Works;
  readonly norms: NormLookup;
  /** Layouts by component. */
  readonly layouts: Layouts;
  /** Layouts by lane: components, and the sections that share a form. */
  readonly lanes: Layouts;
  /** Machine of every step. */
  readonly machines: ReadonlyMap<string, Machine | undefined>;
  readonly route: RouteFlow;
  /** Figures that do not change with the quantity. */
  readonly ledger: Ledger;
}

/** What a prepared stage is reckoned over: the order, and what goes through every station. */
export interface Run {
  readonly job: Job;
  readonly ledger: Ledger;
}

/** One step with all that its time and its uses depend on. */
export interface Station {
  readonly step: Step;
  /** Its figures that do not change with the quantity. */
  readonly at: Group;
  readonly layout: ComponentLayout | undefined;
  readonly incoming: Material | undefined;
  readonly machine: Machine | undefined;
  /** Gives a norm of the step's machine to the ledger. */
  readonly norm: (key: string) => Entry;
}

/** The prepared station of a step. */
export function stationOf({ machines, route, lanes, norms, ledger }: Prepared, step: Step): Station {
  const machine = machines.get(step.id);
  const incoming = route.materials.get(takenBy(step)[0]?.material ?? '');
  const prefix = `machine.${machine?.id ?? ''}`;
  return {
    step,
    machine,
    // What is still one component is laid as that, whoever works on it.
    layout: layoutAt(step, lanes.get(step.component ?? incoming?.component ?? ''), machine),
    at: ledger.step(step.id),
    incoming,
    norm: (key) => giveNorm(ledger, norms, `${prefix}.${key}`),
  };
}
