export { pressIssues } from './check-job.js';
export { type CostLine, MORE, costLines, costOfNext } from './cost/cost-lines.js';
export { type CostKind, COST_KINDS } from './cost/cost.js';
export { chanceOf } from './counting/own-units.js';
export { type Settled } from './counting/settle.js';
export { incidentsOf, spoilageOf } from './counting/step-spoilage.js';
export { type ExplainedFigure, explain } from './explain.js';
export { type CutWork, cutWork } from './hours/cutting.js';
export { type LiftWork, beltRate, liftTime, rateTime, sheetsPerLift } from './hours/machine-time.js';
export { curveShare, fluteShare } from './hours/speed-curve.js';
export { type Through, counterOf, countsOf, hourly, runHours } from './hours/throughput.js';
export { type Pile, listPiles } from './piles.js';
export {
  type Plan,
  type PlanEdge,
  type PlanOutcome,
  type PlanStep,
  type PlannedUse,
  type Totals,
  flowOf,
  plan,
} from './plan.js';
export { rollSpec, runRolls } from './press/roll-figures.js';
export { handNorm } from './step-norms.js';
export { adhesiveAt } from './uses/adhesive.js';
export { type Packing } from './uses/packing.js';
export { type Use, type UseAt, STITCHES, dieSide, quantityOf, strikingDie, usesOf } from './uses/use.js';
