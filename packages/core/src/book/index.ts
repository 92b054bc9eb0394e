export { type StationBalance, type BalancedStep, balanceOf, stillToCome } from './balance.js';
export {
  type Reading,
  type StationEntry,
  type StationEntryKind,
  type StationIncident,
  ADDING,
  INCIDENTS,
  PHOTO_TYPES,
  READINGS,
  STATION_KINDS,
} from './entry.js';
export { AHEAD_MINUTES, refuseEntry, refuseTime } from './entry-gate.js';
export { DIFFERENCES, STOPS, faultsAt } from './reasons.js';
export { type StationPhase, type StationTally, type Tallied, NOTHING_YET, Tally } from './tally.js';
