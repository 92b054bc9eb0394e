import type { Issue, Outcome } from '../kernel/index.js';
import { countAddedUp } from './added-up.js';
import { checkGraph } from './check.js';
import { type Downstream, lookDownstream } from './downstream.js';
import type { FlowGraph, FlowStep } from './graph.js';
import { orderSteps } from './order.js';
import { pressNets } from './press-net.js';
import { type StepCount, boughtUnits, countStepByStep } from './step-by-step.js';
import { type SpoilageTable, type TableCount, countByTable } from './table.js';

/** The schools of reckoning spoilage. */
export const SCHOOLS = ['step', 'added', 'table'] as const;
export type School = (typeof SCHOOLS)[number];

/** A reckoned flow: one step by all schools. */
export interface StepFlow {
  readonly step: FlowStep;
  readonly byStep: StepCount;
  readonly downstream: Downstream;
  readonly table: TableCount;
  /** Process units by each school. */
  readonly units: Readonly<Record<School, number>>;
}

export interface Flow {
  /** End of the job first. */
  readonly steps: readonly StepFlow[];
  readonly byId: ReadonlyMap<string, StepFlow>;
  /** Units of each bought material, step by step. */
  readonly bought: Readonly<Record<string, number>>;
}

/**
 * Reckons a material flow by all schools at once.
 * Issues: every `flow.*` code, each naming the step and field; never NaN or Infinity in an answer.
 * Cost: linear in steps and edges. Source: handbook chapter 6.
 */
export function reckonFlow(graph: FlowGraph, table: SpoilageTable): Outcome<Flow> {
  const fail = (issues: readonly Issue[]): Outcome<Flow> => ({ ok: false, issues });
  const wrong = checkGraph(graph);
  if (wrong.length > 0) return fail(wrong);
  const order = orderSteps(graph);
  if (order.issues.length > 0) return fail(order.issues);
  const { counts, issues } = countStepByStep(graph, order.steps);
  if (issues.length > 0) return fail(issues);
  const downstream = lookDownstream(graph, order.steps);
  const nets = pressNets(graph, downstream);
  const steps: StepFlow[] = [];
  for (const step of order.steps) {
    const [byStep, after] = [counts.get(step.id), downstream.get(step.id)];
    if (!byStep || !after) continue;
    const byTable = countByTable(after, nets.get(step.id) ?? 0, table);
    steps.push({
      step,
      byStep,
      downstream: after,
      table: byTable,
      units: { step: byStep.processUnits, added: countAddedUp(after), table: byTable.units },
    });
  }
  return {
    ok: true,
    value: { steps, byId: new Map(steps.map((flow) => [flow.step.id, flow])), bought: boughtUnits(graph, counts) },
  };
}
