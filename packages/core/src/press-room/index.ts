export { type CardCarrier, type CardStep, type RoomCard, CARD_EDITION, roomCard } from './card.js';
export { type ClosedStation, closedStations } from './closed.js';
export { type Drawn, drawnOf, impressionsRun } from './drawn.js';
export { forecastCount, forecastCounts } from './forecast.js';
export { type RoomContext, heldGate, isLastStation, mayRun, pressGate, refuse } from './gates.js';
export { readingLimits } from './reading-limits.js';
export { type InstrumentReading, standInReadings } from './stand-in.js';
export { type OwnStations, ROOM_KEYS, isOwnStation, stationKey, stationsOf } from './own-stations.js';
export { type PressWants, pressWants } from './press-wants.js';
export {
  type CarrierState,
  type RoomEntry,
  type RoomEvent,
  type RoomEventKind,
  type RoomRecord,
  CARRIER_STATES,
  RELEASED,
  subjectOf,
} from './record.js';
export {
  type CarrierLife,
  type RoomState,
  type StandingRecord,
  type Standing,
  type GoodCount,
  NEW_CARRIER,
  RoomFold,
  progressOf,
  roomState,
  standing,
  trialAccepted,
} from './state.js';
