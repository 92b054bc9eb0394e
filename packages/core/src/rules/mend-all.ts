import type { Issue } from '../kernel/index.js';
import type { Job } from '../job/index.js';
import { type Plan, plan } from '../plan/index.js';
import type { Works } from '../works/index.js';
import { applyMend, checkRoute } from './check-route.js';
import type { Finding } from './finding.js';

/** A job with all mended that its rules know a mend for, and what is still broken. */
export interface Mended {
  readonly job: Job;
  /** Absent where the job cannot be planned. */
  readonly plan?: Plan;
  readonly broken: readonly Issue[];
  readonly findings: readonly Finding[];
}

/** Mends are taken one after another; more than this many never settle. */
const MOST_MENDS = 24;

/** The job with its first finding mended whose mend changes something and was not taken before. */
function nextMend(job: Job, findings: readonly Finding[], seen: Set<string>): Job | undefined {
  for (const { mend } of findings) {
    const key = JSON.stringify(mend);
    if (!mend || seen.has(key)) continue;
    seen.add(key);
    const next = applyMend(job, mend);
    if (next !== job) return next;
  }
  return undefined;
}

/**
 * Takes one mend after another until none is left. @param minds whether a finding is to be mended; the others stay.
 */
export function mendAll(first: Job, works: Works, minds: (finding: Finding) => boolean = () => true): Mended {
  let job = first;
  const seen = new Set<string>();
  for (let round = 0; ; round++) {
    const outcome = plan(job, works);
    if (!outcome.ok) return { job, broken: outcome.issues, findings: [] };
    const findings = checkRoute(job, outcome.value, works).filter(minds);
    const next = round < MOST_MENDS ? nextMend(job, findings, seen) : undefined;
    if (!next) return { job, plan: outcome.value, broken: [], findings };
    job = next;
  }
}
