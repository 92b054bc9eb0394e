import { type Issue, type Outcome, ceil } from '../kernel/index.js';
import { countAddedUp } from './added-up.js';
import { checkGraph } from './check.js';
import { type Downstream, lookDownstream } from './downstream.js';
import type { FlowGraph, FlowStep } from './graph.js';
import { orderSteps } from './order.js';
import { pressNets } from './press-net.js';
import { type StepCount, boughtUnits, countStepByStep } from './step-by-step.js';
import { type SpoilageTable, type TableCount, countByTable } from './table.js';

/** The schools that count by rule. */
export const RULE_SCHOOLS = ['step', 'added', 'table'] as const;
/** The schools that count by rule. */
export type RuleSchool = (typeof RULE_SCHOOLS)[number];

/** All schools of reckoning spoilage; the fourth draws runs and takes what is enough for most of them (area `sure`). */
export const SCHOOLS = [...RULE_SCHOOLS, 'sure'] as const;
/** Every school of counting: those by rule, and the one that draws. */
export type School = (typeof SCHOOLS)[number];

/** A reckoned flow: one step by all schools. */
export interface StepFlow {
  readonly step: FlowStep;
  readonly byStep: StepCount;
  readonly downstream: Downstream;
  readonly table: TableCount;
  /** Process units by each school that counts by rule. */
  readonly units: Readonly<Record<RuleSchool, number>>;
}

/** Counts of a whole graph by the schools that count by rule. */
export interface Flow {
  /** End of the job first. */
  readonly steps: readonly StepFlow[];
  readonly byId: ReadonlyMap<string, StepFlow>;
  /** Units of each bought material, step by step. */
  readonly bought: Readonly<Record<string, number>>;
}

/** Net process units of every step, without any spoilage; empty where the graph cannot be reckoned. */
export function netUnits(graph: FlowGraph): ReadonlyMap<string, number> {
  if (checkGraph(graph).length > 0) return new Map();
  const { steps, issues } = orderSteps(graph);
  if (issues.length > 0) return new Map();
  return new Map([...lookDownstream(graph, steps)].map(([id, { net }]) => [id, ceil(net)]));
}

/**
 * Reckons a material flow by all schools at once. @param tableOf the house's spoilage table at each step.
 * Issues: every `flow.*` code, each naming the step and field; never NaN or Infinity in an answer.
 * Cost: linear in steps and edges. Source: handbook chapter 6.
 */
export function reckonFlow(graph: FlowGraph, tableOf: (step: string) => SpoilageTable): Outcome<Flow> {
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
    const byTable = countByTable(after, nets.get(step.id) ?? 0, tableOf(step.id));
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
