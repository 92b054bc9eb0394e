import { type Job, type Plan, type Works, plan } from '@druckerei/core';
import { type Revision, issueText } from '@druckerei/contract';
import { pileTagsPdf, ticketPdf } from '@druckerei/formats';
import { invalid } from '../../http/problem.js';

function document(revision: Revision): {
  job: Job;
  plan: Plan;
  works: Works;
  revision: number;
  state: Revision['state'];
  at: Date;
} {
  const works = revision.works as Works;
  const planned = plan(revision.job, works);
  if (!planned.ok) throw invalid(planned.issues.map((issue) => ({ path: issue.path, message: issueText(issue) })));
  const released = revision.revisions.find((row) => row.revision === revision.revision)?.releasedAt;
  return {
    job: revision.job,
    plan: planned.plan,
    works,
    revision: revision.revision,
    state: revision.state,
    at: new Date(released ?? revision.changedAt),
  };
}

export const ticketOf = (revision: Revision): Promise<Buffer> => ticketPdf(document(revision));
export const pileTagsOf = (revision: Revision): Promise<Buffer> => pileTagsPdf(document(revision));
