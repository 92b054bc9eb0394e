export { cutSheetFirst, printSteps, sectionLane, withInk, withStock, withTrim, withWorkStyle } from './edit-job.js';
export {
  joinStation,
  leaveOut,
  maySplit,
  openEnds,
  splitOf,
  splitStation,
  takeIn,
  takings,
  wholeShares,
} from './edit-lanes.js';
export {
  insertAfter,
  insertBefore,
  mayInsertAfter,
  mayMoveBefore,
  mayRemove,
  moveBefore,
  neighboursOf,
  plainOperations,
  removeStep,
} from './edit-route.js';
export { outermostSections, withEndpapers } from './endpapers.js';
export { SHARING, shareInPairs, shareSheet, sharesWith, withAllOwnSheets, withOwnSheets } from './share-sheet.js';
export { joinRuns, mayRunTwice, reprintOf, splitRun } from './split-run.js';
export { splitSection } from './split-section.js';
export {
  type JobPart,
  type Numbering,
  blanksOf,
  mixedInks,
  numberedParts,
  withBlank,
  withMix,
  withNumbering,
} from './take-in.js';
