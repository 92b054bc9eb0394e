export * from './point.js';
export * from './clearance.js';
export * from './check-outline.js';
export * from './simplify.js';
