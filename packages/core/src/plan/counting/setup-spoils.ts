import type { FlowStep } from '../../flow/index.js';
import {
  type Fraction,
  type Issue,
  type Ledger,
  IDENTITY,
  ONE,
  divide,
  error,
  floor,
  fraction,
  multiply,
  rule,
  toNumber,
} from '../../kernel/index.js';
import type { Job } from '../../job/index.js';

/**
 * Process units of a later step out of one of an earlier one; undefined where the later one is not fed by it.
 * @param seen steps on the way so far: a circle is reported by the check of the graph.
 */
function unitsOutOf(
  steps: readonly FlowStep[],
  earlier: FlowStep,
  later: FlowStep,
  seen: readonly FlowStep[] = [later],
): Fraction | undefined {
  for (const { material, usage } of later.inputs) {
    for (const maker of steps) {
      const output = maker.outputs.find((made) => made.material === material);
      if (!output || seen.includes(maker)) continue;
      const before = maker === earlier ? ONE : unitsOutOf(steps, earlier, maker, [...seen, maker]);
      if (before) return divide(multiply(before, fraction(output.yield)), fraction(usage));
    }
  }
  return undefined;
}

const GOOD = rule($localize`Set-up, of good material`, '', 'max(0, all - floor(spoils * each))');

/**
 * Set-ups made with the spoils of an earlier step: its set-up spoils, as units of this step, come first, and good material
 * for what is left. Spoils that serve one step go on to the next, so that several steps may name the same one.
 * Issues: `flow.spoils-not-before`. Source: handbook chapter 6 "What each operation spoils".
 */
export function withSpoils(
  { route }: Job,
  steps: readonly FlowStep[],
  ledger: Ledger,
): { readonly steps: readonly FlowStep[]; readonly issues: readonly Issue[] } {
  const issues: Issue[] = [];
  const set = new Map(steps.map((step) => [step.id, step.setup]));
  const changed = steps.map((step, i): FlowStep => {
    const from = route[i]?.setupFrom;
    if (from === undefined) return step;
    const earlier = steps.find(({ id }) => id === from);
    const each = earlier && unitsOutOf(steps, earlier, step);
    if (!earlier || !each) {
      issues.push(error('flow.spoils-not-before', `${step.path}.setupFrom`, { step: step.id, from }));
      return step;
    }
    const at = ledger.step(step.id);
    const own = at.of('setup');
    const name = $localize`Units of this step out of one of ${from}`;
    const units = at.give('setup.spoilsEach', name, toNumber(each), own.unit, IDENTITY);
    const spoils = floor(multiply(each, fraction(set.get(from) ?? 0)));
    const setup = Math.max(0, step.setup - spoils);
    const all = at.put('setup.all', own.as('setup.all', $localize`Set-up, of good material or spoils`));
    const theirs = ledger.step(from).find('setup.all') ?? ledger.step(from).of('setup');
    at.count('setup', GOOD, { all, spoils: theirs, each: units }, setup, { unit: own.unit });
    return { ...step, setup };
  });
  return { steps: changed, issues };
}
