export {
  type OrderColumn,
  type OrderListKey,
  type OrderedJob,
  ORDER_COLUMNS,
  beginOrder,
  guessOrderColumns,
  startOrdered,
  startOrders,
} from './order-list.js';
export { type Start, checkAnswers, newJob, startJob } from './start-job.js';
