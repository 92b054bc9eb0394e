export { differingSteps } from './differing.js';
export { type StreamLane } from './lanes.js';
export {
  type StationMark,
  type StreamModel,
  type StreamShown,
  type StreamStation,
  isLag,
  streamModel,
} from './model.js';
