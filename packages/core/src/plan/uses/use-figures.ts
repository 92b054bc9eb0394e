import { type Entry, type Inputs, type Rule, GIVEN, IDENTITY, rule, table } from '../../kernel/index.js';
import { type SupplyId, SUPPLIES } from '../../works/index.js';
import type { Step } from '../../job/index.js';
import { takenBy } from '../../material/index.js';
import { giveNorm } from '../../norms/index.js';
import { layoutAt } from '../../press-sheet/index.js';
import type { Prepared, Run } from '../prepared.js';
import type { Use, UseAt } from './stations/use-at.js';
import { usesOf } from './use.js';

/** What a station uses up, with the figure that says how much. */
export interface UsedUp {
  readonly step: string;
  readonly supply: SupplyId;
  readonly figure: Entry;
}

/** A station as its uses see it. */
function useAt({ job, lanes, machines, route: { materials, made }, norms }: Prepared, step: Step): UseAt {
  const machine = machines.get(step.id);
  return {
    job,
    step,
    machine,
    norms,
    layout: layoutAt(step, step.component === undefined ? undefined : lanes.get(step.component), machine),
    incoming: takenBy(step).flatMap(({ material: id, usage }) => {
      const material = materials.get(id);
      return material ? [{ material, usage }] : [];
    }),
    made: materials.get(made.get(step.id)?.[0] ?? ''),
  };
}

/** Field of a supply at a station. */
export const useField = (supply: SupplyId): string => `use.${supply}`;

function useOfRun({ ledger, norms }: Prepared, step: Step, use: Use): (run: Run) => UsedUp {
  const at = ledger.step(step.id);
  const field = useField(use.supply);
  const fixed = table<Entry>();
  for (const [key, value] of Object.entries(use.values))
    fixed[key] = at.give(`${field}.${key}`, value.name, value.value, value.unit, value.told ? GIVEN : IDENTITY);
  for (const [key, norm] of Object.entries(use.norms)) fixed[key] = giveNorm(ledger, norms, norm);
  const { name, unit } = SUPPLIES[use.supply];
  const of: Rule = rule(name, unit, use.formula);
  return (run) => {
    const own = run.ledger.step(step.id);
    const inputs: Inputs = { units: own.of('processUnits'), ...fixed };
    return { step: step.id, supply: use.supply, figure: own.reckon(field, of, inputs) };
  };
}

/** Everything that the stations of a job use up beside paper, ink, parts and packing. Source: handbook chapters 5 and 7. */
export function prepareUses(context: Prepared): (run: Run) => UsedUp[] {
  const uses = context.job.route.flatMap((step) =>
    usesOf(useAt(context, step)).map((use) => useOfRun(context, step, use)),
  );
  return (run) => uses.map((use) => use(run));
}
