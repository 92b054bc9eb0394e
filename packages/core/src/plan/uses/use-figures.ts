import { type FigureBook, GIVEN, IDENTITY, evaluate } from '../../kernel/index.js';
import { type Machine, type NormLookup, type SupplyId, SUPPLIES } from '../../works/index.js';
import type { JobFlow, Layouts } from '../build-graph.js';
import type { Job, Step } from '../job.js';
import { takenBy } from '../material/index.js';
import { giveNorm, layoutAt } from '../step-norms.js';
import { type Use, type UseAt, usesOf } from './use.js';

/** What a station of a planned job uses up, with the figure that says how much. */
export interface PlannedUse {
  readonly step: string;
  readonly supply: SupplyId;
  readonly figure: string;
}

interface Context {
  readonly job: Job;
  readonly layouts: Layouts;
  readonly machines: ReadonlyMap<string, Machine | undefined>;
  readonly jobFlow: JobFlow;
  readonly norms: NormLookup;
  readonly book: FigureBook;
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

/** Figure of a supply at a station. */
export const useId = (step: string, supply: SupplyId): string => `step.${step}.use.${supply}`;

function useFigure({ book, norms }: Context, step: Step, use: Use): PlannedUse {
  const id = useId(step.id, use.supply);
  const { name, unit } = SUPPLIES[use.supply];
  const inputs: Record<string, string> = { units: `step.${step.id}.processUnits` };
  for (const [key, value] of Object.entries(use.values))
    inputs[key] = book.give(`${id}.${key}`, value.name, value.value, value.unit, value.told ? GIVEN : IDENTITY);
  for (const [key, norm] of Object.entries(use.norms)) inputs[key] = giveNorm(book, norms, norm);
  const quantity = evaluate(use.formula, (key) => book.value(inputs[key] ?? key));
  return { step: step.id, supply: use.supply, figure: book.reckon(id, name, quantity, unit, use.formula, inputs) };
}

/** Everything that the stations of a job use up beside paper, ink, parts and packing. Source: handbook chapters 5 and 7. */
export const useFigures = (context: Context): PlannedUse[] =>
  context.job.route.flatMap((step) => usesOf(useAt(context, step)).map((use) => useFigure(context, step, use)));
