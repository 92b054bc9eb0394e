import { type FigureBook, GIVEN, IDENTITY, ceilRatio } from '../kernel/index.js';
import { inkKg } from '../press/index.js';
import type { NormLookup, Works } from '../works/index.js';
import type { ComponentLayout } from './component-layout.js';
import { filledId } from './fills.js';
import { type UnitInk, filmNorms, inkOf, unitsOf } from './inks.js';
import type { Job, Step } from './job.js';
import { giveNorm } from './step-norms.js';
import { sumFigure } from './sum-figure.js';

interface Context {
  readonly job: Job;
  readonly works: Works;
  readonly norms: NormLookup;
  readonly book: FigureBook;
  /** Inks whose unit is filled for their pass. */
  readonly fills: ReadonlySet<string>;
}

/**
 * Ink of one unit: what is laid on the paper, every sheet through the pass, those spoiled too; and what has to be drawn:
 * as supplied, with the fill of the unit and the loss of its wash-up. Source: identity, handbook chapter 5.
 */
function unitFigure(
  { job, works, book, norms, fills }: Context,
  layout: ComponentLayout,
  pass: Step,
  at: UnitInk,
): string {
  const { component } = layout;
  const { side, index, name } = at;
  const id = `component.${component.id}.ink.${side}.${index}`;
  const given = component[side][index]?.coverage;
  const spec = inkOf(job, works, name);
  const coverage =
    given === undefined
      ? giveNorm(book, norms, 'ink.coverage')
      : book.give(`${id}.coverage`, `Coverage, ${name} ${side}`, given, 'share', GIVEN);
  const from = filmNorms(layout, spec.kind);
  const film =
    spec.filmGsm === undefined
      ? giveNorm(book, norms, from.film)
      : book.give(`ink.${name}.film`, `Film of ${name}`, spec.filmGsm, 'g/m2', GIVEN);
  const area = book.give(
    `component.${component.id}.printedArea`,
    'Printed area of a side',
    layout.printedAreaM2,
    'm2',
    IDENTITY,
  );
  const sheets = `step.${pass.id}.processUnits`;
  const kg = inkKg(book.value(sheets), book.value(area), book.value(coverage), book.value(film));
  book.reckon(id, `Ink ${name}, ${component.name}, ${side}`, kg, 'kg', 'sheets * area * coverage * film / 1000', {
    sheets,
    area,
    coverage,
    film,
  });
  const solidsNorm = spec.filmGsm === undefined ? from.solids : undefined;
  const solids =
    spec.solids !== undefined
      ? book.give(`ink.${name}.solids`, `Solids of ${name}`, spec.solids, 'share', GIVEN)
      : solidsNorm
        ? giveNorm(book, norms, solidsNorm)
        : book.give('ink.asSupplied', 'Solids where the film is told as supplied', 1, 'share', IDENTITY);
  const inputs = {
    laid: id,
    solids,
    fills: book.give(
      `${id}.fills`,
      'Fills of its unit: once for all forms that run on it',
      fills.has(filledId(pass.id, side, name)) ? 1 : 0,
      'fills',
      IDENTITY,
    ),
    fill: giveNorm(book, norms, 'ink.fill'),
    washes: book.give(`${id}.washes`, 'Wash-ups of its unit', at.washed ? 1 : 0, 'wash-ups', IDENTITY),
    loss: giveNorm(book, norms, 'ink.washLoss'),
  };
  const v = (key: keyof typeof inputs) => book.value(inputs[key]);
  const drawn = kg / v('solids') + v('fills') * v('fill') + v('washes') * v('loss');
  return book.reckon(
    `${id}.drawn`,
    `Ink ${name} to draw, ${component.name}, ${side}`,
    drawn,
    'kg',
    'laid / solids + fills * fill + washes * loss',
    inputs,
  );
}

/** Ink of every unit of a component's passes, gathered by name. */
export function inkFigures(context: Context, layout: ComponentLayout, byName: Record<string, string[]>): void {
  const { job, works } = context;
  const { component, machine } = layout;
  const passes = job.route.filter((step) => step.component === component.id && step.operation === 'print');
  const planned = unitsOf(job, works, component, machine);
  passes.forEach((pass, i) => {
    const inks = [...(planned[i]?.inks ?? [])].sort((a, b) => (a.side < b.side ? 1 : -1) || a.index - b.index);
    for (const ink of inks) (byName[ink.name] ??= []).push(unitFigure(context, layout, pass, ink));
  });
}

/** What is to be drawn of an ink over all its units, and in how many pails. */
export function drawFigure({ book, norms }: Context, name: string, parts: readonly string[]): number {
  const kg = sumFigure(book, `ink.${name}.kg`, `Ink ${name}`, 'kg', parts);
  const pail = giveNorm(book, norms, 'ink.pail');
  book.reckon(`ink.${name}.pails`, `Pails of ${name}`, ceilRatio(kg, book.value(pail)), 'pails', 'ceil(kg / pail)', {
    kg: `ink.${name}.kg`,
    pail,
  });
  return kg;
}
