export * from './state.js';
export { type Drying } from '../../press/index.js';
export { type Wet, type WetKind, wantedHours, wantedNorm } from './wet.js';
export { coverageOf, inksOf } from './laid-ink.js';
export { type Followed, type Lying, type Waiting, LYING_NORMS, followMaterials, takenBy } from './follow.js';
