import { type Entry, type Group, type Ledger, GIVEN, IDENTITY, rule } from '../kernel/index.js';
import type { NormLookup, Works } from '../works/index.js';
import type { ComponentLayout } from './component-layout.js';
import { filledId } from './fills.js';
import { type UnitInk, filmNorms, inkOf, unitsOf } from './inks.js';
import type { InkSpec, Job, Step } from './job.js';
import { giveNorm } from './step-norms.js';
import { sumFigure } from './sum-figure.js';

interface Context {
  readonly job: Job;
  readonly works: Works;
  readonly norms: NormLookup;
  readonly ledger: Ledger;
  /** Inks whose unit is filled for their pass. */
  readonly fills: ReadonlySet<string>;
}

/** Figures of an ink by its name, in all components. */
export const inkGroup = (ledger: Ledger, name: string): Group => ledger.group(`ink.${name}`);

/** Film of an ink at full coverage: its own, else that of the process and surface. */
export const filmFigure = (ledger: Ledger, norms: NormLookup, spec: InkSpec, norm: string): Entry =>
  spec.filmGsm === undefined
    ? giveNorm(ledger, norms, norm)
    : inkGroup(ledger, spec.name).give('film', `Film of ${spec.name}`, spec.filmGsm, 'g/m2', GIVEN);

/** Share of what is drawn that stays on the paper. */
function solidsFigure(ledger: Ledger, norms: NormLookup, spec: InkSpec, norm: string | undefined): Entry {
  if (spec.solids !== undefined)
    return inkGroup(ledger, spec.name).give('solids', `Solids of ${spec.name}`, spec.solids, 'share', GIVEN);
  return spec.filmGsm === undefined && norm
    ? giveNorm(ledger, norms, norm)
    : ledger.group('ink').give('asSupplied', 'Solids where the film is told as supplied', 1, 'share', IDENTITY);
}

export const printedArea = (ledger: Ledger, { component, printedAreaM2 }: ComponentLayout): Entry =>
  ledger.component(component.id).give('printedArea', 'Printed area of a side', printedAreaM2, 'm2', IDENTITY);

const LAID = rule('', 'kg', 'sheets * area * coverage * film / 1000');
const DRAWN = rule('', 'kg', 'laid / solids + fills * fill + washes * loss');

/**
 * Ink of one unit: what is laid on the paper, every sheet through the pass, those spoiled too; and what has to be drawn:
 * as supplied, with the fill of the unit and the loss of its wash-up. Source: identity, handbook chapter 5.
 */
function unitFigure(context: Context, layout: ComponentLayout, pass: Step, unit: UnitInk): Entry {
  const { job, works, ledger, norms, fills } = context;
  const { component } = layout;
  const { side, index, name } = unit;
  const at = ledger.component(component.id);
  const field = `ink.${side}.${index}`;
  const given = component[side][index]?.coverage;
  const spec = inkOf(job, works, name);
  const from = filmNorms(layout, spec.kind);
  const coverage =
    given === undefined
      ? giveNorm(ledger, norms, 'ink.coverage')
      : at.give(`${field}.coverage`, `Coverage, ${name} ${side}`, given, 'share', GIVEN);
  const laid = at.reckon(
    field,
    LAID,
    {
      sheets: ledger.step(pass.id).of('processUnits'),
      area: printedArea(ledger, layout),
      coverage,
      film: filmFigure(ledger, norms, spec, from.film),
    },
    { name: `Ink ${name}, ${component.name}, ${side}` },
  );
  const filled = fills.has(filledId(pass.id, side, name)) ? 1 : 0;
  const filling = 'Fills of its unit: once for all forms that run on it';
  return at.reckon(
    `${field}.drawn`,
    DRAWN,
    {
      laid,
      solids: solidsFigure(ledger, norms, spec, from.solids),
      fills: at.give(`${field}.fills`, filling, filled, 'fills', IDENTITY),
      fill: giveNorm(ledger, norms, 'ink.fill'),
      washes: at.give(`${field}.washes`, 'Wash-ups of its unit', unit.washed ? 1 : 0, 'wash-ups', IDENTITY),
      loss: giveNorm(ledger, norms, 'ink.washLoss'),
    },
    { name: `Ink ${name} to draw, ${component.name}, ${side}` },
  );
}

/** What is drawn of each ink, by its name. */
export type InkParts = Map<string, Entry[]>;
export function addInk(parts: InkParts, name: string, entry: Entry): void {
  const before = parts.get(name);
  if (before) before.push(entry);
  else parts.set(name, [entry]);
}

/** Ink of every unit of a component's passes, gathered by name. */
export function inkFigures(context: Context, layout: ComponentLayout, passes: readonly Step[], parts: InkParts): void {
  const { job, works } = context;
  const { component, machine } = layout;
  const planned = unitsOf(job, works, component, machine);
  passes.forEach((pass, i) => {
    const inks = [...(planned[i]?.inks ?? [])].sort((a, b) => (a.side < b.side ? 1 : -1) || a.index - b.index);
    for (const ink of inks) addInk(parts, ink.name, unitFigure(context, layout, pass, ink));
  });
}

const PAILS = rule('', 'pails', 'ceil(kg / pail)');

/** What is to be drawn of an ink over all its units, and in how many pails. */
export function drawFigure({ ledger, norms }: Context, name: string, parts: readonly Entry[]): Entry {
  const at = inkGroup(ledger, name);
  const kg = sumFigure(at, 'kg', `Ink ${name}`, 'kg', parts);
  at.reckon('pails', PAILS, { kg, pail: giveNorm(ledger, norms, 'ink.pail') }, { name: `Pails of ${name}` });
  return kg;
}
