export * from './gang.js';
export { packShelves } from './shelf.js';
export { type Solve, checkGang, gangBound, planGang } from './plan-gang.js';
