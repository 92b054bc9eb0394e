export type { Demand, FlowGraph, FlowInput, FlowOutput, FlowStep, Incident } from './graph.js';
export { MAX_QUANTITY } from './check.js';
export { shareOfRun } from './loss.js';
export { orderSteps } from './order.js';
export {
  type Flow,
  type RuleSchool,
  type School,
  type StepFlow,
  netUnits,
  reckonFlow,
  RULE_SCHOOLS,
  SCHOOLS,
} from './reckon-flow.js';
export { type StepCount, goodOut, unitsFor } from './step-by-step.js';
export { type ColourColumn, type SpoilageTable, type TableBand } from './table.js';
