import { type Entry, type Group, type Ledger, GIVEN, IDENTITY, rule, group, wordOf } from '../../kernel/index.js';
import { type NormLookup, giveNorm } from '../../norms/index.js';
import type { ComponentLayout } from '../../press-sheet/index.js';
import { filledId, type UnitInk, filmNorms, inkOf, unitsOf } from '../../prepress/index.js';
import type { InkSpec, Step } from '../../job/index.js';
import type { Prepared, Run } from '../prepared.js';

/** Figures of an ink by its name, in all components. */
export const inkGroup = (ledger: Ledger, name: string): Group => ledger.group(`ink.${name}`);

/** Film of an ink at full coverage: its own, else that of the process and surface. */
export const filmFigure = (ledger: Ledger, norms: NormLookup, spec: InkSpec, norm: string): Entry =>
  spec.filmGsm === undefined
    ? giveNorm(ledger, norms, norm)
    : inkGroup(ledger, spec.name).give('film', $localize`Film of ${spec.name}`, spec.filmGsm, 'g/m2', GIVEN);

/** Share of what is drawn that stays on the paper. */
function solidsFigure(ledger: Ledger, norms: NormLookup, spec: InkSpec, norm: string | undefined): Entry {
  if (spec.solids !== undefined)
    return inkGroup(ledger, spec.name).give('solids', $localize`Solids of ${spec.name}`, spec.solids, 'share', GIVEN);
  return spec.filmGsm === undefined && norm
    ? giveNorm(ledger, norms, norm)
    : ledger
        .group('ink')
        .give('asSupplied', $localize`Solids where the film is told as supplied`, 1, 'share', IDENTITY);
}

/** Area of a sheet that ink may lie on, m2. */
export const printedArea = (ledger: Ledger, { component, printedAreaM2 }: ComponentLayout): Entry =>
  ledger.component(component.id).give('printedArea', $localize`Printed area of a side`, printedAreaM2, 'm2', IDENTITY);

const LAID = rule('', 'kg', 'sheets * area * coverage * film / 1000');
const DRAWN = rule('', 'kg', 'laid / solids + fills * fill + washes * loss');

/** What is to be drawn of an ink, for a run. */
export interface InkPart {
  readonly ink: string;
  readonly drawn: (run: Run) => Entry;
}

/**
 * Ink of one unit: what is laid on the paper, every sheet through the pass, those spoiled too; and what has to be drawn:
 * as supplied, with the fill of the unit and the loss of its wash-up. Source: identity, handbook chapter 5.
 */
function unitPart(
  { job, works, ledger, norms }: Prepared,
  fills: ReadonlySet<string>,
  layout: ComponentLayout,
  pass: Step,
  unit: UnitInk,
): InkPart {
  const { component } = layout;
  const { side, index, name } = unit;
  const at = ledger.component(component.id);
  const field = `ink.${side}.${index}`;
  const given = component[side][index]?.coverage;
  const spec = inkOf(job, works, name);
  const from = filmNorms(layout, spec.kind);
  const film = {
    area: printedArea(ledger, layout),
    coverage:
      given === undefined
        ? giveNorm(ledger, norms, 'ink.coverage')
        : at.give(`${field}.coverage`, $localize`Coverage, ${name} ${wordOf(side)}`, given, 'share', GIVEN),
    film: filmFigure(ledger, norms, spec, from.film),
  };
  const filled = fills.has(filledId(pass.id, side, name)) ? 1 : 0;
  const filling = $localize`Fills of its unit: once for all forms that run on it`;
  const lost = {
    solids: solidsFigure(ledger, norms, spec, from.solids),
    fills: at.give(`${field}.fills`, filling, filled, 'fills', IDENTITY),
    fill: giveNorm(ledger, norms, 'ink.fill'),
    washes: at.give(`${field}.washes`, $localize`Wash-ups of its unit`, unit.washed ? 1 : 0, 'wash-ups', IDENTITY),
    loss: giveNorm(ledger, norms, 'ink.washLoss'),
  };
  const named = { name: $localize`Ink ${name}, ${component.name}, ${wordOf(side)}` };
  const drawn = { name: $localize`Ink ${name} to draw, ${component.name}, ${wordOf(side)}` };
  const drawnField = `${field}.drawn`;
  return {
    ink: name,
    drawn: (run) => {
      const own = run.ledger.component(component.id);
      const sheets = run.ledger.step(pass.id).of('processUnits');
      const laid = own.reckon(field, LAID, { sheets, ...film }, named);
      return own.reckon(drawnField, DRAWN, { laid, ...lost }, drawn);
    },
  };
}

/** Ink of every unit of a component's passes. @param fills inks whose unit is filled for their pass. */
export function inkParts(
  context: Prepared,
  fills: ReadonlySet<string>,
  layout: ComponentLayout,
  passes: readonly Step[],
): InkPart[] {
  const planned = unitsOf(context.job, context.works, layout.component, layout.machine);
  return passes.flatMap((pass, i) =>
    [...(planned[i]?.inks ?? [])]
      .sort((a, b) => (a.side < b.side ? 1 : -1) || a.index - b.index)
      .map((ink) => unitPart(context, fills, layout, pass, ink)),
  );
}

const PAILS = rule('', 'pails', 'ceil(kg / pail)');

/** What is to be drawn of every ink over all its units, and in how many pails. */
export function prepareInks({ ledger, norms }: Prepared, parts: readonly InkPart[]): (run: Run) => Map<string, Entry> {
  const pail = giveNorm(ledger, norms, 'ink.pail');
  return (run) => {
    const byInk = new Map<string, Entry[]>();
    for (const { ink, drawn } of parts) {
      group(byInk, ink, drawn(run));
    }
    return new Map(
      [...byInk].map(([name, drawn]) => {
        const at = inkGroup(run.ledger, name);
        const kg = at.sum('kg', $localize`Ink ${name}`, 'kg', drawn);
        at.reckon('pails', PAILS, { kg, pail }, { name: $localize`Pails of ${name}` });
        return [name, kg];
      }),
    );
  };
}
