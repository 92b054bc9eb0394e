export { type ChangePart, type Dress, type DressInk, changeMinutes, changeOver } from './change-over.js';
export { type FloorJob, type FloorPin, type FloorProblem, floorShop } from './floor-shop.js';
export { type FloorPromise, promiseFor } from './floor-promise.js';
export { type FloorPaper, type FloorStock, paperDays } from './paper-days.js';
export { type FloorHold, type FloorLie, holdsOf, releaseHours } from './holds.js';
export { type FloorNews } from './news.js';
export { type Help } from './helps.js';
export {
  type Crew,
  type FloorHours,
  type HoursException,
  type Shift,
  HORIZON_DAYS,
  MOST_PLACES,
  USUAL_HOURS,
  checkHours,
  crewTimes,
  hourMinute,
  isWall,
  openTimes,
} from './hours.js';
export { type FloorMove, type FloorMoved, FloorMoves, moveFloor } from './move-floor.js';
export {
  type FloorCause,
  type FloorEffort,
  type FloorLate,
  type FloorPlan,
  type FloorProgress,
  type FloorSlot,
  type SlotInk,
  planFloor,
} from './plan-floor.js';
export { type FloorStep, type FloorWay, floorSteps, stationName } from './steps.js';
export { type FloorWants } from './wants.js';
