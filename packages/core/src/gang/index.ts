export * from './gang.js';
export { type Solve, checkGang, gangBound, planGang } from './plan-gang.js';
