export * from './works.js';
export { COUNTED, type Counted, type Norm, type NormGroup, NORM_GROUPS, isWithin, titleOf } from './norm.js';
export { limitsInWords, normInWords } from './norm-words.js';
export { normById, normCatalogue } from './norm-catalogue.js';
export { type NormScope, baseId, hasRunNorms, mayScope, scopedId, scopesOf } from './norm-scope.js';
export { type SpoilageKey, WEB_INCIDENTS, setUpInMetres } from './shipped-norms.js';
export { MACHINE_COUNTS, SPEED_CURVES, type SpeedCurve, hasSpeedCurves } from './machine-norms.js';
export { PACKING, SUPPLIES, type SupplyId } from './supplies.js';
export { SHIPPED_WORKS } from './shipped-works.js';
export { type HouseRule, houseRuleId, houseRules } from './house-rules.js';
export { BOARD_CUTTER, HAND_BENCH } from './finishing-machines.js';
export {
  type NormLevel,
  type NormLookup,
  type ResolvedNorm,
  normLevels,
  normsOf,
  spoilageTable,
  withStockNorms,
} from './resolve.js';
