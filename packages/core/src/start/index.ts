export {
  type DayFirst,
  type OrderColumn,
  type OrderListKey,
  type OrderedJob,
  ORDER_COLUMNS,
  guessDayFirst,
  guessOrderColumns,
  startOrdered,
  startOrders,
} from './order-list.js';
export { type Start, checkAnswers, newJob, startJob } from './start-job.js';
