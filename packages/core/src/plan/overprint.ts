import { type Entry, type Ledger, GIVEN, IDENTITY, rule } from '../kernel/index.js';
import { type CarrierKind, CARRIER_OF, carrierWords } from '../press/index.js';
import { type Machine, type NormLookup, type Works, printingOf } from '../works/index.js';
import type { Layouts } from './build-graph.js';
import { lifeNorm } from './carrier-norms.js';
import type { ComponentLayout } from './component-layout.js';
import { filledId } from './fills.js';
import { type InkParts, addInk, filmFigure, printedArea } from './ink-figures.js';
import { filmNorms, inkOf } from './inks.js';
import type { InkUse, Job, Step } from './job.js';
import { giveNorm, machineOf } from './step-norms.js';

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
  job: Job,
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

interface Context {
  readonly job: Job;
  readonly works: Works;
  readonly layouts: Layouts;
  readonly norms: NormLookup;
  readonly ledger: Ledger;
  readonly fills: ReadonlySet<string>;
}

const INK = rule('', 'kg', 'sheets * area * coverage * film / 1000 + fills * fill');
const CARRIERS = rule('', '', 'inks * max(1, ceil(sheets / life))');

/**
 * Carriers and ink of passes on other presses: one carrier an ink, renewed when it is worn; ink by area, coverage and film
 * of that process, with the fill of its unit. Adds the ink's figures to `parts`; returns the figures of the carriers.
 * Source: identity, handbook chapters 4 and 5.
 */
export function overprintFigures(context: Context, parts: InkParts): Entry[] {
  const { job, works, layouts, norms, ledger, fills } = context;
  return overprintsOf(job, works, (id) => layouts.get(id)).flatMap(({ step, inks, layout, kind }) => {
    const at = ledger.step(step.id);
    const sheets = at.of('processUnits');
    for (const [i, { name, coverage }] of inks.entries()) {
      const spec = inkOf(job, works, name);
      const filled = fills.has(filledId(step.id, '', name)) ? 1 : 0;
      const inputs = {
        sheets,
        area: printedArea(ledger, layout),
        coverage:
          coverage === undefined
            ? giveNorm(ledger, norms, 'ink.coverage')
            : at.give(`ink.${i}.coverage`, `Coverage, ${name}`, coverage, 'share', GIVEN),
        film: filmFigure(ledger, norms, spec, filmNorms(layout, spec.kind).film),
        fills: at.give(`ink.${i}.fills`, 'Fills of its unit', filled, 'fills', IDENTITY),
        fill: giveNorm(ledger, norms, 'ink.fill'),
      };
      addInk(parts, name, at.reckon(`ink.${i}`, INK, inputs, { name: `Ink ${name}, ${step.id}` }));
    }
    if (kind === undefined) return [];
    const [heading, unit] = carrierWords([kind]);
    const life = giveNorm(ledger, norms, lifeNorm(kind));
    const perSet = at.give('inks', 'Inks of this pass', inks.length, 'inks', GIVEN);
    return [at.reckon('carriers', CARRIERS, { inks: perSet, sheets, life }, { name: `${heading}, ${step.id}`, unit })];
  });
}
