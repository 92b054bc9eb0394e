import { type CarrierKind, CARRIER_OF } from '../press/index.js';
import { type Machine, type Works, printingOf } from '../works/index.js';
import { type ComponentLayout, machineOf } from '../press-sheet/index.js';
import type { InkUse, Step, Unordered } from '../job/index.js';

/** A sheet printed again on another press: the pass, with what it prints and what it prints from. */
export interface Overprint {
  readonly step: Step;
  readonly inks: readonly InkUse[];
  /** The component's layout as this press has it. */
  readonly layout: ComponentLayout;
  readonly kind: CarrierKind | undefined;
}

/** Passes on other presses that say what they print. */
export function overprintsOf(
  job: Unordered,
  works: Works,
  layoutOf: (component: string) => ComponentLayout | undefined,
): readonly Overprint[] {
  return job.route.flatMap((step): Overprint[] => {
    const { inks = [], component = '' } = step;
    const layout = layoutOf(component);
    const machine: Machine | undefined = machineOf(step, layout, works);
    if (step.operation !== 'overprint' || inks.length === 0 || !layout || !machine) return [];
    return [{ step, inks, layout: { ...layout, machine }, kind: CARRIER_OF[printingOf(machine)] }];
  });
}
