export {
  type OperatingPoint,
  binomialPass,
  hypergeometricPass,
  operatingCurve,
  passChance,
  shareAt,
} from './acceptance.js';
export { type Capability, type Tolerance, beyondTolerance, capabilityOf } from './capability.js';
export {
  type ControlChart,
  type ControlLimits,
  type Found,
  CHART_CONSTANTS,
  faultsChart,
  individualsChart,
  meanRangeChart,
  movingRanges,
  shareChart,
} from './control-charts.js';
export { type Drift, driftOf } from './drift.js';
export { type ParetoBar, pareto } from './pareto.js';
export { type RunRule, type RunSignal, RUN_RULES, runSignals } from './run-rules.js';
export {
  type Aql,
  type Letter,
  type Level,
  type SamplingPlan,
  type SamplingTable,
  type SamplingWish,
  type Severity,
  AQLS,
  LETTERS,
  LEVELS,
  SAMPLING_TABLE,
  SEVERITIES,
  letterOf,
  samplingPlan,
} from './sampling.js';
export { type InspectedLot, type JudgedLot, type SamplingState, judgeLots } from './switching.js';
