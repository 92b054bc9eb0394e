export * from './commercial.js';
export * from './repeat.js';
export * from './corrugated.js';
export * from './rolls.js';
