import { type FigureBook, type Figures, GIVEN, IDENTITY, ceilRatio } from '../kernel/index.js';
import { rollKg } from '../paper/index.js';
import { type RollSpec, type RunRoll, planRolls, usableLengthM } from '../web/index.js';
import type { NormLookup } from '../works/index.js';
import type { ComponentLayout } from './component-layout.js';
import type { Step } from './job.js';
import { giveNorm, runsByMetres, spoilageKey } from './step-norms.js';
import { webOf } from './web-layout.js';

/** Norms that say what rolls a component comes on: those of its web press, or of the sheeter. */
const rollNorms = ({ machine }: ComponentLayout): { readonly outer: string; readonly core: string } =>
  webOf(machine)
    ? { outer: `machine.${machine.id}.rollOuter`, core: `machine.${machine.id}.rollCore` }
    : { outer: 'roll.outer', core: 'roll.core' };

/** Rolls that a component comes on, by the norms. */
export function rollSpec(layout: ComponentLayout, norms: NormLookup): RollSpec {
  const value = (id: string): number => norms(id).value;
  const { outer, core } = rollNorms(layout);
  return {
    outerMm: value(outer),
    coreMm: value(core),
    caliperUm: layout.caliperUm,
    wrapsMm: value('roll.wraps'),
    coreWasteMm: value('roll.coreWaste'),
  };
}

/** Web that the press of a component holds; none at the sheeter. */
export const threadM = ({ machine }: ComponentLayout, norms: NormLookup): number =>
  webOf(machine) ? norms(`machine.${machine.id}.thread`).value : 0;

/** Norm of what a splice loses at a press pass. */
export const spliceNorm = (step: Step, layout: ComponentLayout): string => `spoil.${spoilageKey(step, layout)}.splice`;

/** Turns of the cylinder that a splice loses: copies by what a turn gives, metres by its length; the last one whole. */
export function spliceUnits(step: Step, layout: ComponentLayout, norms: NormLookup): number {
  const { value } = norms(spliceNorm(step, layout));
  const { pattern, cutOffs, component } = layout;
  if (runsByMetres(layout)) return ceilRatio(value * 1000, component.sheet.heightMm);
  return ceilRatio(value * cutOffs, Math.max(1, pattern.count));
}

const PI = 'identity.pi';

/**
 * Rolls of a component with their working: printable length of a roll, rolls, splices, kilograms to buy.
 * @param web id of the figure that says the length of web. Source: identity, handbook chapters 3 and 6.
 */
export function rollFigures(book: FigureBook, norms: NormLookup, layout: ComponentLayout, web: string): void {
  const { component, stock, machine, supply } = layout;
  const id = `component.${component.id}`;
  const spec = rollSpec(layout, norms);
  const pi = book.give(PI, 'Pi', Math.PI, 'number', IDENTITY);
  const inputs = {
    pi,
    outer: giveNorm(book, norms, rollNorms(layout).outer),
    core: giveNorm(book, norms, rollNorms(layout).core),
    wraps: giveNorm(book, norms, 'roll.wraps'),
    waste: giveNorm(book, norms, 'roll.coreWaste'),
    caliper: `${id}.caliper`,
  };
  const usableM = usableLengthM(spec);
  const usable = book.reckon(
    `${id}.rollUsable`,
    'Printable length of a roll',
    usableM,
    'm',
    'pi * max(0, (outer - wraps) * (outer - wraps) - (core + waste) * (core + waste)) / (4 * caliper)',
    inputs,
  );
  const thread = webOf(machine)
    ? giveNorm(book, norms, `machine.${machine.id}.thread`)
    : book.give(`${id}.thread`, 'Web held when threaded', 0, 'm', GIVEN);
  const needed = book.value(web) + book.value(thread);
  const need = book.reckon(`${id}.rollNeed`, 'Length of web with what threads the press', needed, 'm', 'web + thread', {
    web,
    thread,
  });
  if (usableM <= 0) return;
  const count = Math.max(1, ceilRatio(needed, usableM));
  const rolls = book.reckon(`${id}.rolls`, `Rolls, ${component.name}`, count, 'rolls', 'max(1, ceil(need / usable))', {
    need,
    usable,
  });
  book.reckon(`${id}.splices`, 'Splices', count - 1, 'splices', 'rolls - 1', { rolls });
  const wholeM = (Math.PI * (spec.outerMm ** 2 - spec.coreMm ** 2)) / (4 * spec.caliperUm);
  const whole = book.reckon(
    `${id}.rollLength`,
    'Length of a full roll',
    wholeM,
    'm',
    'pi * (outer * outer - core * core) / (4 * caliper)',
    { pi, outer: inputs.outer, core: inputs.core, caliper: inputs.caliper },
  );
  const width = supply.kind === 'roll' ? supply.webMm : component.sheet.widthMm;
  const kg = rollKg(wholeM, width, stock.gsm);
  const each = book.reckon(
    `${id}.rollKg`,
    'Weight of a full roll',
    kg,
    'kg',
    'length * width / 1000 * grammage / 1000',
    {
      length: whole,
      width: book.give(`${id}.rollWidth`, 'Roll width', width, 'mm', GIVEN),
      grammage: `${id}.gsm`,
    },
  );
  book.reckon(`${id}.rollsKg`, `Rolls to buy, ${component.name}`, count * kg, 'kg', 'rolls * each', { rolls, each });
}

/** The rolls of a planned component one by one; none where it takes sheets. */
export function runRolls(layout: ComponentLayout, figures: Figures, norms: NormLookup): RunRoll[] {
  const need = figures[`component.${layout.component.id}.rollNeed`];
  return need ? planRolls(need.value, rollSpec(layout, norms)) : [];
}
