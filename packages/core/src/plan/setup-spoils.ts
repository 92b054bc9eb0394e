import type { FlowStep } from '../flow/index.js';
import {
  type FigureBook,
  type Fraction,
  type Issue,
  IDENTITY,
  ONE,
  divide,
  error,
  floor,
  fraction,
  multiply,
  toNumber,
} from '../kernel/index.js';
import type { Job } from './job.js';

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

/**
 * Set-ups made with the spoils of an earlier step: its set-up spoils, as units of this step, come first, and good material
 * for what is left. Spoils that serve one step go on to the next, so that several steps may name the same one.
 * Issues: `flow.spoils-not-before`. Source: handbook chapter 6 "What each operation spoils".
 */
export function withSpoils(
  { route }: Job,
  steps: readonly FlowStep[],
  book: FigureBook,
): { readonly steps: readonly FlowStep[]; readonly issues: readonly Issue[] } {
  const issues: Issue[] = [];
  const all = new Map(steps.map((step) => [step.id, step.setup]));
  const changed = steps.map((step, i): FlowStep => {
    const from = route[i]?.setupFrom;
    if (from === undefined) return step;
    const earlier = steps.find(({ id }) => id === from);
    const each = earlier && unitsOutOf(steps, earlier, step);
    if (!earlier || !each) {
      issues.push(error('flow.spoils-not-before', `${step.path}.setupFrom`, { step: step.id, from }));
      return step;
    }
    const own = `step.${step.id}.setup`;
    const unit = book.figures[own]?.unit ?? 'units';
    const units = book.give(
      `${own}.spoilsEach`,
      `Units of this step out of one of ${from}`,
      toNumber(each),
      unit,
      IDENTITY,
    );
    const spoils = floor(multiply(each, fraction(all.get(from) ?? 0)));
    const setup = Math.max(0, step.setup - spoils);
    book.copy(own, `${own}.all`, 'Set-up, of good material or spoils');
    const theirs = book.figures[`step.${from}.setup.all`] ? `step.${from}.setup.all` : `step.${from}.setup`;
    book.reckon(own, 'Set-up, of good material', setup, unit, 'max(0, all - floor(spoils * each))', {
      all: `${own}.all`,
      spoils: theirs,
      each: units,
    });
    return { ...step, setup };
  });
  return { steps: changed, issues };
}
