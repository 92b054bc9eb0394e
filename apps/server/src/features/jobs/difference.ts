import { type Plan, diffJobs, plan } from '@druckerei/core';
import type { Difference, Revision } from '@druckerei/contract';

/** The figures that are worth comparing; working and layout follow from the fields. */
const headline = ({ totals, school }: Plan) => ({
  school,
  pressSheets: totals.pressSheets,
  plates: totals.plates,
  paperKg: totals.paperKg,
  inkKg: totals.inkKg,
  hours: totals.hours,
  leadHours: totals.leadHours,
  cost: totals.cost.total,
});

const figuresOf = ({ job, works }: Revision): unknown => {
  const planned = plan(job, works);
  return planned.ok ? headline(planned.plan) : {};
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
    figures: diffJobs(figuresOf(from), figuresOf(to)),
  };
}
