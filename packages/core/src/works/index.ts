export * from './works.js';
export { type Norm, type NormGroup, isWithin, NORM_GROUPS } from './norm.js';
export { limitsInWords, normInWords } from './norm-words.js';
export { normById, normCatalogue } from './norm-catalogue.js';
export { type NormScope, baseId, hasRunNorms, mayScope, scopedId, scopesOf } from './norm-scope.js';
export { type SpoilageKey } from './shipped-norms.js';
export { SHIPPED_WORKS } from './shipped-works.js';
export { type NormLevel, type NormLookup, type ResolvedNorm, normLevels, normsOf, spoilageTable } from './resolve.js';
