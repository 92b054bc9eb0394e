export { type BestShift, bestShift, shiftShare } from './best.js';
export {
  type ShiftLoss,
  type ShiftDecision,
  type ShiftState,
  SHIFT_LOSSES,
  lostOf,
  playShift,
  reckonedGood,
  shiftBegin,
  shiftEnd,
} from './play.js';
export { SHIFT_AIMS, SHIFT_SHEET, aimDensity, shiftDensities, shiftPatches, shiftRegister } from './readings.js';
export {
  type BreakCause,
  type MovedColour,
  type PracticeShift,
  type ShiftColour,
  COPIES_A_MINUTE,
  COUNTING_COPIES,
  MOST_BEYOND,
  MOST_SHIFT_STEPS,
  MOST_STEPS_OFF,
  MOVED_COLOURS,
  SHIFT_COLOURS,
  SHIFT_KIND,
  SHIFT_LOOKS,
  SHORT_COPIES,
  STEP_DENSITY,
  STEP_MM,
  SHIFT_STOPS,
  SHIFT_WASTE,
  makeShift,
} from './shift.js';
