import { deflateSync, inflateSync } from 'node:zlib';
import { type Plan, plan } from '@druckerei/core';
import { type Revision, issueText, readPlan, writePlan } from '@druckerei/contract';
import { ProblemError, invalid } from '../http/problem.js';

/** A plan as it is kept beside its revision. */
export const deflated = (made: Plan): Uint8Array => deflateSync(writePlan(made));

/** The plan that a revision was released with. Errors: 422 with the reason where it cannot be read. */
export function readKept(kept: Uint8Array): Plan {
  const read = readPlan(inflateSync(kept).toString('utf8'));
  if (!read.ok) throw new ProblemError(422, read.why);
  return read.plan;
}

/** The plan of a revision as the engine reckons it today. Errors: 422 with what keeps it from being planned. */
function planToday({ job, works }: Pick<Revision, 'job' | 'works'>): Plan {
  const planned = plan(job, works);
  if (!planned.ok) throw invalid(planned.issues.map((issue) => ({ path: issue.path, message: issueText(issue) })));
  return planned.value;
}

/** The plan of a revision: the one that it was released with, else as it is reckoned today. */
export const planOf = (revision: Revision, kept: Uint8Array | undefined): Plan =>
  kept ? readKept(kept) : planToday(revision);
