export * from './works.js';
export { type Norm, type NormGroup, isWithin, NORM_GROUPS } from './norm.js';
export { limitsInWords, normInWords } from './norm-words.js';
export { normCatalogue } from './norm-catalogue.js';
export { type SpoilageKey } from './shipped-norms.js';
export { SHIPPED_WORKS } from './shipped-works.js';
export { type NormLookup, type ResolvedNorm, normsOf, spoilageTable } from './resolve.js';
