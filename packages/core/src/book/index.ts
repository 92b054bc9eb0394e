export {
  type CountColumn,
  type CountedLine,
  COUNT_COLUMNS,
  guessCountColumns,
  countLines,
  readCountList,
  stationNamed,
} from './count-list.js';
export { type StationBalance, type BalancedStep, balanceOf, countedOf, openLine, stillToCome } from './balance.js';
export {
  type Reading,
  type StationEntry,
  type StationEntryKind,
  type StationIncident,
  ADDING,
  INCIDENTS,
  MOST_PHOTO_BYTES,
  MOST_PHOTO_SIDE,
  READINGS,
  STATION_KINDS,
} from './entry.js';
export { type SamplingRules, type StationLots, lotsOf, nextPlan } from './lots.js';
export { refuseEntry, refuseTime } from './entry-gate.js';
export { DIFFERENCES, STOPS, faultsAt } from './reasons.js';
export {
  type SeenLot,
  type StationPhase,
  type StationTally,
  type Tallied,
  NOTHING_YET,
  Tally,
  isTallied,
  allOf,
  allSpoiled,
} from './tally.js';
export { type ShiftBalance, type ShiftName, shiftAt, shiftBalances } from './shifts.js';
