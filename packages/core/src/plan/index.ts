export * from './job.js';
export { type Plan, type PlanEdge, type PlanOutcome, type PlanStep, type Totals, plan } from './plan.js';
export { type ComponentLayout } from './component-layout.js';
export { type Material } from './material.js';
export { type FamilyAnswers, newJob, sectionPages } from './new-job.js';
export { withStock, withWorkStyle } from './edit-job.js';
export { type FieldChange, diffJobs } from './diff.js';
export { type ExplainedFigure, explain } from './explain.js';
