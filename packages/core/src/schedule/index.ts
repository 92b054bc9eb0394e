export { lateBound, ordersAlone } from './bound.js';
export { type PricedBound, BOUND_ROUNDS, priceBetween, pricedBound } from './priced-bound.js';
export { type Cause, causeOf } from './critical.js';
export { firstSchedule, inOrder } from './dispatch.js';
export { type Halved, halfFirst, splitInTwo } from './halves.js';
export { Improver } from './improve.js';
export { type Span, NEVER, OpenTime, joinSpans, meetSpans, withoutSpans } from './open-time.js';
export { type Place, endOf, placesFor } from './promise.js';
export {
  type Frozen,
  type Judged,
  type Link,
  type Mode,
  type Operation,
  type Order,
  type Resource,
  type Sequence,
  type Shop,
  type Timed,
  type Weights,
  costOf,
} from './shop.js';
export { type Minutes, throughsOf } from './vary.js';
export { type Move, type Slot, type Timetable, chainOf, moved, timetable } from './timetable.js';
