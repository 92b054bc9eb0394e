export * from './operations.js';
export * from './score.js';
