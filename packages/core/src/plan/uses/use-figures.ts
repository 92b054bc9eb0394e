import { type Entry, type Ledger, GIVEN, IDENTITY, rule } from '../../kernel/index.js';
import { type Machine, type NormLookup, type SupplyId, SUPPLIES } from '../../works/index.js';
import type { JobFlow, Layouts } from '../build-graph.js';
import type { Job, Step } from '../job.js';
import { takenBy } from '../material/index.js';
import { giveNorm, layoutAt } from '../step-norms.js';
import { type Use, type UseAt, usesOf } from './use.js';

/** What a station uses up, with the figure that says how much. */
export interface UsedUp {
  readonly step: string;
  readonly supply: SupplyId;
  readonly figure: Entry;
}

interface Context {
  readonly job: Job;
  readonly layouts: Layouts;
  readonly machines: ReadonlyMap<string, Machine | undefined>;
  readonly jobFlow: JobFlow;
  readonly norms: NormLookup;
  readonly ledger: Ledger;
}

/** A station as its uses see it. */
function useAt({ job, layouts, machines, jobFlow: { materials, made }, norms }: Context, step: Step): UseAt {
  const machine = machines.get(step.id);
  return {
    job,
    step,
    machine,
    norms,
    layout: layoutAt(step, step.component === undefined ? undefined : layouts.get(step.component), machine),
    incoming: takenBy(step).flatMap(({ material: id, usage }) => {
      const material = materials.get(id);
      return material ? [{ material, usage }] : [];
    }),
    made: materials.get(made.get(step.id)?.[0] ?? ''),
  };
}

/** Field of a supply at a station. */
export const useField = (supply: SupplyId): string => `use.${supply}`;

function useFigure({ ledger, norms }: Context, step: Step, use: Use): UsedUp {
  const at = ledger.step(step.id);
  const field = useField(use.supply);
  const inputs: Record<string, Entry> = { units: at.of('processUnits') };
  for (const [key, value] of Object.entries(use.values))
    inputs[key] = at.give(`${field}.${key}`, value.name, value.value, value.unit, value.told ? GIVEN : IDENTITY);
  for (const [key, norm] of Object.entries(use.norms)) inputs[key] = giveNorm(ledger, norms, norm);
  const { name, unit } = SUPPLIES[use.supply];
  return { step: step.id, supply: use.supply, figure: at.reckon(field, rule(name, unit, use.formula), inputs) };
}

/** Everything that the stations of a job use up beside paper, ink, parts and packing. Source: handbook chapters 5 and 7. */
export const useFigures = (context: Context): UsedUp[] =>
  context.job.route.flatMap((step) => usesOf(useAt(context, step)).map((use) => useFigure(context, step, use)));
