export * from './operations.js';
export * from './cautions.js';
export * from './incidents.js';
export * from './rule-list.js';
