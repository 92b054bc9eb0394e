import { type Entry, type Ledger, type Outcome, IDENTITY, error, rule } from '../../kernel/index.js';
import { CARRIER_OF, countPlates } from '../../press/index.js';
import { rollsThatStand, usableLengthM } from '../../webs/index.js';
import { type NormLookup, giveNorm } from '../../norms/index.js';
import { printingOf } from '../../works/index.js';
import { lifeNorm } from '../../prepress/index.js';
import {
  type ComponentLayout,
  carriersPerColour,
  passColours,
  runsByMetres,
  spoilageKey,
  usesSamePlates,
  webOf,
} from '../../press-sheet/index.js';
import type { Step } from '../../job/index.js';
import { rollSpec, spliceNorm, spliceUnits, threadM } from '../press/roll-figures.js';

/** What a press pass loses the more often the longer it runs: at splices, and at carriers worn out. */
export interface RunLosses {
  readonly splices: number;
  /** Worn carriers changed for new ones. */
  readonly changes: number;
}
/** Neither a splice nor a change of carriers. */
export const NO_LOSSES: RunLosses = { splices: 0, changes: 0 };

const changeNorm = (step: Step, layout: ComponentLayout): string => `spoil.${spoilageKey(step, layout)}.setupPlate`;

/** Units lost at each splice and at each change of carriers; each colour is changed. */
function unitsLost(step: Step, layout: ComponentLayout, norms: NormLookup): { splice: number; change: number } {
  return {
    splice: webOf(layout.machine) ? spliceUnits(step, layout, norms) : 0,
    change: norms(changeNorm(step, layout)).value * passColours(step, layout),
  };
}

/** Units that a pass loses so, beside its set-up. */
export function lostUnits(
  step: Step,
  layout: ComponentLayout,
  norms: NormLookup,
  { splices, changes }: RunLosses,
): number {
  const { splice, change } = unitsLost(step, layout, norms);
  return splices * splice + changes * change;
}

/** Sets of carriers that so many units wear out, after the first; a pass with the carriers of the one before changes none. */
function changesIn(step: Step, layout: ComponentLayout, norms: NormLookup, units: number): number {
  const kind = CARRIER_OF[printingOf(layout.machine)];
  if (!kind || usesSamePlates(step, layout)) return 0;
  const { workStyle, front, back } = layout.component;
  const each = carriersPerColour(layout);
  const life = norms(lifeNorm(kind)).value;
  const { plates, perSet } = countPlates(workStyle, front.length * each, back.length * each, units, life);
  return perSet > 0 ? Math.round(plates / perSet) - 1 : 0;
}

/** More sets than any run wears out. */
const MOST_CHANGES = 1_000;

/** Changes of carriers that stand: what a change loses runs too, and may wear out another set. Undefined where they never do. */
function standingChanges(
  step: Step,
  layout: ComponentLayout,
  norms: NormLookup,
  units: number,
  lost: number,
): number | undefined {
  let changes = changesIn(step, layout, norms, units);
  for (let rounds = 0; changes <= MOST_CHANGES && rounds <= MOST_CHANGES; rounds++) {
    const more = changesIn(step, layout, norms, units + changes * lost);
    if (more <= changes) return changes;
    changes = more;
  }
  return undefined;
}

/**
 * How often a pass is spliced and its carriers changed at so many units. Issues: `web.rolls` where rolls are so short that
 * their splices never stand, `press.carrier-life` where carriers wear out faster than changing them lets the run go on.
 * @param units without what is lost so. Source: handbook chapter 6 "Webs and rolls"; chapter 4 for the life of carriers.
 */
export function lossesAt(step: Step, layout: ComponentLayout, norms: NormLookup, units: number): Outcome<RunLosses> {
  const { splice, change } = unitsLost(step, layout, norms);
  const params = { component: layout.component.name };
  const changes = standingChanges(step, layout, norms, units, change);
  if (changes === undefined)
    return { ok: false, issues: [error('press.carrier-life', `${layout.path}.press`, params)] };
  if (!webOf(layout.machine)) return { ok: true, value: { splices: 0, changes } };
  const repeat = layout.component.sheet.heightMm;
  const usable = usableLengthM(rollSpec(layout, norms));
  const rolls = rollsThatStand(units + changes * change, splice, repeat, threadM(layout, norms), usable);
  return rolls
    ? { ok: true, value: { splices: rolls.splices, changes } }
    : { ok: false, issues: [error('web.rolls', `${layout.path}.sheet`, params)] };
}

const SPLICE_METRES = rule($localize`Lost at a splice`, '', 'ceil(metres * 1000 / repeat)');
const SPLICE_COPIES = rule($localize`Lost at a splice`, '', 'ceil(copies / pieces)');
const LOST = $localize`Set-up, splices and changes of carriers`;

/** Turns of the cylinder that a splice loses, as a figure. */
function spliceFigure(ledger: Ledger, norms: NormLookup, step: Step, layout: ComponentLayout, unit: string): Entry {
  const { component, pattern, cutOffs } = layout;
  const at = ledger.step(step.id);
  const own = ledger.component(component.id);
  const norm = giveNorm(ledger, norms, spliceNorm(step, layout));
  const each = spliceUnits(step, layout, norms);
  if (runsByMetres(layout)) {
    const repeat = own.give('repeat', $localize`Repeat of the cylinder`, component.sheet.heightMm, 'mm', IDENTITY);
    return at.count('setup.spliceTurns', SPLICE_METRES, { metres: norm, repeat }, each, { unit });
  }
  const pieces = own.give('perTurn', $localize`Pieces of one cut-off`, pattern.count / cutOffs, 'pieces', IDENTITY);
  return at.count('setup.spliceTurns', SPLICE_COPIES, { copies: norm, pieces }, each, { unit });
}

/**
 * The set-up of a pass with its splices and changes of carriers, as figures. How often is repeated until it stands: a given
 * in the working, a formula would run in a circle.
 */
export function lossFigures(
  ledger: Ledger,
  norms: NormLookup,
  step: Step,
  layout: ComponentLayout,
  { splices, changes }: RunLosses,
): void {
  const at = ledger.step(step.id);
  const ready = at.of('setup').as('setup.ready', $localize`Set-up before the run`);
  const { unit } = at.put('setup.ready', ready);
  const inputs: Record<string, Entry> = { ready };
  const terms = ['ready'];
  if (splices > 0) {
    inputs['turns'] = spliceFigure(ledger, norms, step, layout, unit);
    inputs['splices'] = at.give(
      'setup.splices',
      $localize`Splices, repeated until they stand`,
      splices,
      'splices',
      IDENTITY,
    );
    terms.push('splices * turns');
  }
  if (changes > 0) {
    const name = $localize`Sets of carriers worn out, repeated until they stand`;
    inputs['plate'] = giveNorm(ledger, norms, changeNorm(step, layout));
    inputs['colours'] = at.give(
      'setup.changed',
      $localize`Colours of this pass`,
      passColours(step, layout),
      'colours',
      IDENTITY,
    );
    inputs['worn'] = at.give('setup.worn', name, changes, 'sets', IDENTITY);
    terms.push('worn * plate * colours');
  }
  const value = ready.value + lostUnits(step, layout, norms, { splices, changes });
  at.count('setup', rule(LOST, unit, terms.join(' + ')), inputs, value);
}
