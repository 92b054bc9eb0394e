export {
  type Ranking,
  type Refusal,
  type Way,
  type WayChoice,
  type Ways,
  RANKINGS,
  breakEven,
  rankWays,
  wayId,
} from './way.js';
export { type WayTarget, targetComponents, withWay } from './apply-way.js';
export { findWays } from './find-ways.js';
export { unitFills } from './estimate.js';
export { atQuantity } from './at-quantity.js';
