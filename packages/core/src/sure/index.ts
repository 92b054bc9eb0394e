export { betaCdf, betaQuantile } from './beta.js';
export { type Chance, CERTAIN, drawnRunning, fromTriangle } from './step-chance.js';
export { type DrawRequest, type Required, drawRequired } from './draws.js';
export * from './sureness.js';
export { type ForwardRequest, type StepBegun, drawForward } from './forward.js';
