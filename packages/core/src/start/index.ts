export { type Start, checkAnswers, newJob, startJob } from './start-job.js';
