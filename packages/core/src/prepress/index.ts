export { carrierPrice, lifeNorm } from './carrier-norms.js';
export { type Carrier } from './carrier.js';
export { TEST_PLATE, listCarriers } from './carriers.js';
export { type CylinderStop, cylinderRoute, hoursAgain } from './cylinder-route.js';
export { fillKey, filledId, fillsOf, inkPlaces } from './fills.js';
export { usesHeldCarriers } from './held-carriers.js';
export { adviseInks } from './ink-advice.js';
export {
  type PassInks,
  type UnitInk,
  filmNorms,
  filmOf,
  inkNames,
  inkOf,
  inkSchoolOf,
  notCleared,
  plateZones,
  unitsOf,
  wantsTrial,
  washUpsBefore,
} from './inks.js';
export { numberIssues, numberPlanOf, numberingOf } from './number-plan.js';
export { type Overprint, overprintsOf } from './overprints.js';
export { type ArtScope, type SeparationInk, overLimitCm2, placeArt, separationInk } from './place-art.js';
export {
  type RegisterKind,
  type RegisterLine,
  type RegisterMarks,
  MARK_REACH_MM,
  REGISTER_KINDS,
  adviseRegister,
  registerLines,
  registerMarks,
} from './register-plan.js';
export { type ToolSet, TOOL_AT, TOOL_NAMES, toolSets } from './tools.js';
