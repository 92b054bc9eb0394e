import { type NumberPlan, readSkips, runNumber } from '../finishing/index.js';
import { type Issue, error } from '../kernel/index.js';
import type { Job, Tool } from '../job/index.js';

/** Numbering boxes of a job; undefined where it is not numbered. */
export const numberingOf = ({ components }: Pick<Job, 'components'>): Tool | undefined =>
  components.flatMap(({ tools = [] }) => tools).find(({ kind }) => kind === 'numbering-box');

/** Digits of a number where none are told. Source: common practice, no source. */
const DIGITS = 6;

/** How a job is numbered, out of its numbering boxes. */
export function numberPlanOf(job: Pick<Job, 'components'>): NumberPlan {
  const tool = numberingOf(job);
  return {
    first: tool?.start ?? 1,
    step: tool?.step === undefined || tool.step === 0 ? 1 : tool.step,
    prefix: tool?.prefix ?? '',
    digits: tool?.digits ?? DIGITS,
    check: tool?.checkSystem ?? (tool?.check ? 'MOD 97-10' : 'none'),
    skips: readSkips(tool?.skips ?? '') ?? [],
    lowestOnTop: tool?.lowestOnTop ?? false,
  };
}

/**
 * What a run of so many numbers cannot be: more digits than its boxes have, or below nil.
 * Issues: `number.digits`, `number.below-nil`. Source: identity.
 */
export function numberIssues(job: Job, count: number): Issue[] {
  const at = job.components.findIndex(({ tools = [] }) => tools.some(({ kind }) => kind === 'numbering-box'));
  if (at < 0 || count < 1) return [];
  const plan = numberPlanOf(job);
  const tool = job.components[at]?.tools?.findIndex(({ kind }) => kind === 'numbering-box') ?? 0;
  const path = `components[${at}].tools[${tool}]`;
  // Voided numbers are replaced from behind the run.
  const voids = readSkips(numberingOf(job)?.voids ?? '')?.length ?? 0;
  const last = runNumber(count + voids - 1, plan);
  const most = 10 ** plan.digits - 1;
  const issues: Issue[] = [];
  if (last < 0)
    issues.push(error('number.below-nil', `${path}.start`, { first: plan.first, step: plan.step, count, last }));
  if (Math.max(plan.first, last) > most)
    issues.push(
      error('number.digits', `${path}.digits`, { last: Math.max(plan.first, last), digits: plan.digits, most }),
    );
  return issues;
}
