export { type BestPlan, bestPlan } from './best-plan.js';
export { type Ladder, type Rung, ladderOf, ladderQuantities } from './ladder.js';
export { type Aim, type Proposal, type Sums } from './search.js';
