
export * from './units.js';
export * from './fraction.js';
export * from './issue.js';
export * from './figure.js';
export * from './noise.js';
export * from './trend.js';
export * from './formula.js';
export * from './table.js';
export * from './ledger.js';
export * from './number-text.js';
export * from './figure-of.js';
