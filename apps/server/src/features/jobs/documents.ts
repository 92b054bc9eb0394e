import {
  type ComponentLayout,
  type Job,
  type Plan,
  type SheetSide,
  type Works,
  drawLayout,
  plan,
} from '@druckerei/core';
import { type Revision, issueText } from '@druckerei/contract';
import { layoutDxf, layoutPdf, layoutSvg, pileTagsPdf, ticketPdf } from '@druckerei/formats';
import { ProblemError, invalid } from '../../http/problem.js';

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

/** A component's layout in a revision; 404 where the job has no such component. */
function layoutOf(plan: Plan, component: string): ComponentLayout {
  const layout = plan.layouts[component];
  if (!layout) throw new ProblemError(404, `This job has no component ${component}`);
  return layout;
}

export function layoutPdfOf(revision: Revision, component: string): Promise<Buffer> {
  const made = document(revision);
  return layoutPdf(made, layoutOf(made.plan, component));
}
export const layoutSvgOf = (revision: Revision, component: string, side: SheetSide = 'front'): string =>
  layoutSvg(drawLayout(layoutOf(document(revision).plan, component), side), { dimensions: true });
export const layoutDxfOf = (revision: Revision, component: string, side: SheetSide = 'front'): string =>
  layoutDxf(drawLayout(layoutOf(document(revision).plan, component), side));
