import { type Figures, diffFigures, diffJobs, plan } from '@druckerei/core';
import type { Difference, Revision } from '@druckerei/contract';

const figuresOf = ({ job, works }: Revision): Figures => {
  const planned = plan(job, works);
  return planned.ok ? planned.plan.figures : {};
};

/** What differs between two revisions: the fields, the norms they were planned with, and the resulting figures. */
export function difference(from: Revision, to: Revision): Difference {
  const norms = diffJobs(from.works.norms, to.works.norms, 'works.norms').filter(
    ({ path }) => path.endsWith('.value') || !path.includes('.source'),
  );
  return {
    from: from.revision,
    to: to.revision,
    fields: [...diffJobs(from.job, to.job), ...norms],
    figures: diffFigures(figuresOf(from), figuresOf(to)),
  };
}
