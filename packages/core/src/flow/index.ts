export type { Demand, FlowGraph, FlowInput, FlowOutput, FlowStep, Incident } from './graph.js';
export { MAX_QUANTITY } from './check.js';
export { orderSteps } from './order.js';
export { type Flow, type School, type StepFlow, reckonFlow, SCHOOLS } from './reckon-flow.js';
export { type StepCount, goodOut, unitsFor } from './step-by-step.js';
export { type ColourColumn, type SpoilageTable, type TableBand } from './table.js';
