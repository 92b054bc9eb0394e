import { type Entry, type Figures, type Ledger, GIVEN, IDENTITY, ceilRatio, rule } from '../../kernel/index.js';
import { type RollSpec, type RunRoll, planRolls } from '../../webs/index.js';
import { type NormLookup, giveNorm } from '../../norms/index.js';
import { type ComponentLayout, runsByMetres, spoilageKey, webOf } from '../../press-sheet/index.js';
import type { Step } from '../../job/index.js';
import type { Run } from '../prepared.js';

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

const USABLE = rule(
  $localize`Printable length of a roll`,
  'm',
  'pi * max(0, (outer - wraps) * (outer - wraps) - (core + waste) * (core + waste)) / (4 * caliper)',
);
const NEED = rule($localize`Length of web with what threads the press`, 'm', 'web + thread');
const ROLLS = rule('', 'rolls', 'max(1, ceil(need / usable))');
const SPLICES = rule($localize`Splices`, 'splices', 'rolls - 1');
const WHOLE = rule($localize`Length of a full roll`, 'm', 'pi * (outer * outer - core * core) / (4 * caliper)');
const WHOLE_KG = rule($localize`Weight of a full roll`, 'kg', 'length * width / 1000 * grammage / 1000');
const TO_BUY = rule('', 'kg', 'rolls * each');

/**
 * Rolls of a component with their working: printable length of a roll, rolls, splices, kilograms to buy.
 * Source: identity, handbook chapters 3 and 6.
 */
export function rollsOfRun(ledger: Ledger, norms: NormLookup, layout: ComponentLayout): (run: Run, web: Entry) => void {
  const { component, machine, supply } = layout;
  const at = ledger.component(component.id);
  const norm = (id: string): Entry => giveNorm(ledger, norms, id);
  const of = rollNorms(layout);
  const pi = ledger.group('identity').give('pi', $localize`Pi`, Math.PI, 'number', IDENTITY);
  const [outer, core, caliper] = [norm(of.outer), norm(of.core), at.of('caliper')];
  const [wraps, waste] = [norm('roll.wraps'), norm('roll.coreWaste')];
  const usable = at.reckon('rollUsable', USABLE, { pi, outer, core, wraps, waste, caliper });
  const thread = webOf(machine)
    ? norm(`machine.${machine.id}.thread`)
    : at.give('thread', $localize`Web held when threaded`, 0, 'm', GIVEN);
  const length = at.reckon('rollLength', WHOLE, { pi, outer, core, caliper });
  const widthMm = supply.kind === 'roll' ? supply.webMm : component.sheet.widthMm;
  const width = at.give('rollWidth', $localize`Roll width`, widthMm, 'mm', GIVEN);
  const each = at.reckon('rollKg', WHOLE_KG, { length, width, grammage: at.of('gsm') });
  return (run, web) => {
    const own = run.ledger.component(component.id);
    const need = own.reckon('rollNeed', NEED, { web, thread });
    if (usable.value <= 0) return;
    const count = Math.max(1, ceilRatio(need.value, usable.value));
    const rolls = own.count('rolls', ROLLS, { need, usable }, count, { name: $localize`Rolls, ${component.name}` });
    own.reckon('splices', SPLICES, { rolls });
    own.reckon('rollsKg', TO_BUY, { rolls, each }, { name: $localize`Rolls to buy, ${component.name}` });
  };
}

/** The rolls of a planned component one by one; none where it takes sheets. */
export function runRolls(layout: ComponentLayout, figures: Figures, norms: NormLookup): RunRoll[] {
  const need = figures[`component.${layout.component.id}.rollNeed`];
  return need ? planRolls(need.value, rollSpec(layout, norms)) : [];
}
