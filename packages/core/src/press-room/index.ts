export { forecastCount } from './forecast.js';
export { type PressWants, type RoomContext, mayRun, pressGate, pressWants, refuse } from './gates.js';
export {
  type CarrierState,
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
  type Standing,
  NEW_CARRIER,
  roomState,
  standing,
  trialAccepted,
} from './state.js';
