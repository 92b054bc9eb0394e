export * from './sure-plan.js';
export * from './forecast-plan.js';
export * from './paper-losses.js';
