export { SUMS, sumOf } from './sums.js';
export { SUM_EXAMPLES } from './sum-examples.js';
export { type TypedStation, readRoute } from './sums/count-sums.js';
export { type Understood, readTyped } from './read-typed.js';
export {
  type Sum,
  type SumAnswer,
  type SumField,
  type SumGroup,
  type SumValues,
  SUM_GROUPS,
  reckonSum,
  resultsOf,
} from './sum.js';
