export { giveNorm } from './give-norm.js';
export { type HouseRule, houseRuleId, houseRules } from './house-rules.js';
export { type SpeedCurve, MACHINE_COUNTS, SPEED_CURVES, hasSpeedCurves } from './machine-norms.js';
export { listedNorm, normById, normCatalogue, normsOfGroup, normsOfItem } from './norm-catalogue.js';
export { type NormScope, baseId, mayScope, scopedId, scopesOf, setNorms } from './norm-scope.js';
export { HOUSE_ODD } from './house-ways.js';
export { samplingRules } from './sampling-rules.js';
export { limitsInWords, normInWords } from './norm-words.js';
export {
  type Counted,
  type Norm,
  type NormGroup,
  COUNTED,
  NORM_GROUPS,
  NORM_GROUP_NAMES,
  isWithin,
  titleOf,
} from './norm.js';
export {
  type NormLevel,
  type NormLookup,
  type ResolvedNorm,
  normLevels,
  normsOf,
  spoilageTable,
  withStockNorms,
} from './resolve.js';
export { type SpoilageKey, WEB_INCIDENTS, setUpInMetres } from './shipped-norms.js';
