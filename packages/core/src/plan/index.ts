export { type Alike, alikeComponents } from './alike.js';
export { type Bottleneck, bottleneckOf } from './bottleneck.js';
export { pressIssues } from './check-job.js';
export { type CostLine, MORE, costLines, costOfNext } from './cost/cost-lines.js';
export { type CostKind, COST_KINDS } from './cost/cost.js';
export { isPrice, jobWithoutPrices, worksWithoutPrices } from './cost/without-prices.js';
export { chanceOf, ownUnits } from './counting/own-units.js';
export { type StableFlow } from './counting/reckon-until-stable.js';
export { incidentsOf, spoilageOf } from './counting/step-spoilage.js';
export { type ExplainedFigure, explain } from './explain.js';
export { type CutWork, cutWork } from './hours/cutting.js';
export { type LiftWork, beltRate, liftTime, rateTime, sheetsPerLift } from './hours/machine-time.js';
export { curveShare, fluteShare } from './hours/speed-curve.js';
export { type Through, counterOf, countsOf, hourly, runHours } from './hours/throughput.js';
export {
  type LabelSize,
  type Labelled,
  type Pile,
  LABELLED,
  LABEL_SIZES,
  labelSizeOf,
  listPacks,
  listPiles,
} from './piles.js';
export {
  type Plan,
  type PlanEdge,
  type PlanStep,
  type PlannedUse,
  type Totals,
  allPressSheets,
  atDayPrices,
  flowOf,
  plan,
  plannedWaste,
} from './plan.js';
export { rollSpec, runRolls } from './press/roll-figures.js';
export { handNorm } from './step-norms.js';
export { stepNames } from './step-names.js';
export { adhesiveAt } from './uses/adhesive.js';
export { type Packing } from './uses/packing.js';
export { STITCHES } from './uses/stations/bindery.js';
export { dieSide, strikingDie } from './uses/stations/surface.js';
export { type Use, type UseAt } from './uses/stations/use-at.js';
export { quantityOf, usesOf } from './uses/use.js';
