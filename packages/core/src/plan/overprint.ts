import { type FigureBook, GIVEN, IDENTITY, ceilRatio } from '../kernel/index.js';
import { type CarrierKind, CARRIER_OF, carrierWords, inkKg } from '../press/index.js';
import { type Machine, type NormLookup, type Works, printingOf } from '../works/index.js';
import type { Layouts } from './build-graph.js';
import { lifeNorm } from './carrier-norms.js';
import type { ComponentLayout } from './component-layout.js';
import { filledId } from './fills.js';
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
  readonly book: FigureBook;
  readonly fills: ReadonlySet<string>;
}

/**
 * Carriers and ink of passes on other presses: one carrier an ink, renewed when it is worn; ink by area, coverage and film
 * of that process, with the fill of its unit. Adds the ink's figures to `byName`; returns the figures of the carriers.
 * Source: identity, handbook chapters 4 and 5.
 */
export function overprintFigures(context: Context, byName: Record<string, string[]>): string[] {
  const { job, works, layouts, norms, book, fills } = context;
  return overprintsOf(job, works, (id) => layouts.get(id)).flatMap(({ step, inks, layout, kind }) => {
    const id = `step.${step.id}`;
    const sheets = `${id}.processUnits`;
    const area = book.give(
      `component.${layout.component.id}.printedArea`,
      'Printed area of a side',
      layout.printedAreaM2,
      'm2',
      IDENTITY,
    );
    for (const [i, { name, coverage }] of inks.entries()) {
      const spec = inkOf(job, works, name);
      const inputs = {
        sheets,
        area,
        coverage:
          coverage === undefined
            ? giveNorm(book, norms, 'ink.coverage')
            : book.give(`${id}.ink.${i}.coverage`, `Coverage, ${name}`, coverage, 'share', GIVEN),
        film:
          spec.filmGsm === undefined
            ? giveNorm(book, norms, filmNorms(layout, spec.kind).film)
            : book.give(`ink.${name}.film`, `Film of ${name}`, spec.filmGsm, 'g/m2', GIVEN),
        fills: book.give(
          `${id}.ink.${i}.fills`,
          'Fills of its unit',
          fills.has(filledId(step.id, '', name)) ? 1 : 0,
          'fills',
          IDENTITY,
        ),
        fill: giveNorm(book, norms, 'ink.fill'),
      };
      const v = (key: keyof typeof inputs) => book.value(inputs[key]);
      const kg = inkKg(v('sheets'), v('area'), v('coverage'), v('film')) + v('fills') * v('fill');
      const formula = 'sheets * area * coverage * film / 1000 + fills * fill';
      const figure = book.reckon(`${id}.ink.${i}`, `Ink ${name}, ${step.id}`, kg, 'kg', formula, inputs);
      (byName[name] ??= []).push(figure);
    }
    if (kind === undefined) return [];
    const [heading, carriers] = carrierWords([kind]);
    const life = giveNorm(book, norms, lifeNorm(kind));
    const perSet = book.give(`${id}.inks`, 'Inks of this pass', inks.length, 'inks', GIVEN);
    const count = inks.length * Math.max(1, ceilRatio(book.value(sheets), book.value(life)));
    return [
      book.reckon(`${id}.carriers`, `${heading}, ${step.id}`, count, carriers, 'inks * max(1, ceil(sheets / life))', {
        inks: perSet,
        sheets,
        life,
      }),
    ];
  });
}
