export * from './operations.js';
export * from './incidents.js';
export * from './rule-list.js';
