export { foldKindOf, panelIssues, panelsOf } from './fold-panels.js';
export { type Followed, type Waiting, LYING_NORMS, followMaterials, takenBy } from './follow.js';
export { coverageOf, inksOf } from './laid-ink.js';
export { madeBy } from './made-by.js';
export {
  type LooseCover,
  type Material,
  type Shell,
  type Taken,
  blockAndCover,
  foldsOf,
  gramsOf,
  paperMaterial,
  stacked,
} from './state.js';
export { type Wet, wantedHours, wantedNorm } from './wet.js';
