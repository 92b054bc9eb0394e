export {
  type ClosedStep,
  type Evidence,
  type LearnWeights,
  type Learned,
  LEARNED,
  evidenceOf,
  learnWeights,
} from './evidence.js';
export {
  type Differs,
  type HappenedDifference,
  type HappenedSums,
  DIFFERS,
  differencesOf,
  largestFirst,
  sumsOf,
} from './happened.js';
export { type OutcomeStep, type StepOutcome, type StepRun, outcomeOf } from './outcome.js';
export { type Posterior, posteriorMean, posteriorShare } from './posterior.js';
export type { NormProposal } from './proposal.js';
export { type NormDecision, proposeNorms } from './propose.js';
export { type NormUse, type StepNorms, stepNorms } from './step-norms.js';
