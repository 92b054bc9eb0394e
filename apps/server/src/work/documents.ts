import {
  type ComponentLayout,
  type Job,
  type NumberLine,
  type Plan,
  type SheetSide,
  type Works,
  OPERATION_RULES,
  drawLayout,
  numberList,
  plan,
  stationSheet,
} from '@druckerei/core';
import { type Revision, issueText } from '@druckerei/contract';
import {
  layoutDxf,
  layoutPdf,
  layoutSvg,
  numbersCsv,
  numbersPdf,
  pileTagsPdf,
  stationPdf,
  stationSvg,
  ticketPdf,
} from '@druckerei/formats';
import { ProblemError, invalid } from '../http/problem.js';

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

const ticketOf = (revision: Revision): Promise<Buffer> => ticketPdf(document(revision));
const pileTagsOf = (revision: Revision): Promise<Buffer> => pileTagsPdf(document(revision));

/** A component's layout in a revision; 404 where the job has no such component. */
function layoutOf(plan: Plan, component: string): ComponentLayout {
  const layout = plan.layouts[component];
  if (!layout) throw new ProblemError(404, `This job has no component ${component}`);
  return layout;
}

function layoutPdfOf(revision: Revision, component: string): Promise<Buffer> {
  const made = document(revision);
  return layoutPdf(made, layoutOf(made.plan, component));
}
const layoutSvgOf = (revision: Revision, component: string, side: SheetSide = 'front'): string =>
  layoutSvg(drawLayout(layoutOf(document(revision).plan, component), side), { dimensions: true });
const layoutDxfOf = (revision: Revision, component: string, side: SheetSide = 'front'): string =>
  layoutDxf(drawLayout(layoutOf(document(revision).plan, component), side));

const noStep = (step: string): ProblemError => new ProblemError(404, `This job has no step ${step}`);

/** The sheet of a station with its lists in full. */
function stationPdfOf(revision: Revision, stepId: string): Promise<Buffer> {
  const made = document(revision);
  const step = made.plan.steps.find(({ id }) => id === stepId);
  const component = made.job.components.find(({ id }) => id === step?.component)?.name;
  const name = step ? OPERATION_RULES[step.operation].name : '';
  const pdf = step && stationPdf(made, step, component === undefined ? name : `${name}: ${component}`);
  if (!pdf) throw noStep(stepId);
  return pdf;
}

/** One of a station's drawings, the first where none is named. */
function stationSvgOf(revision: Revision, stepId: string, drawing = 0): string {
  const made = document(revision);
  const drawn = stationSheet(made.job, made.plan, made.works, stepId)?.drawings[drawing];
  if (!drawn) throw new ProblemError(404, `Step ${stepId} has no such drawing`);
  return stationSvg(drawn);
}

/** Longest list that is made into a document. */
const MOST_IN_PDF = 100_000;

function numbersOf(job: Job, planned: Plan, stepId: string): readonly NumberLine[] {
  const lines = numberList(job, planned, stepId);
  if (!lines) throw new ProblemError(404, `Step ${stepId} has no list of numbers, or one of more than a million`);
  return lines;
}

function numbersCsvOf(revision: Revision, stepId: string): string {
  const { job, plan: planned } = document(revision);
  return numbersCsv(numbersOf(job, planned, stepId));
}

function numbersPdfOf(revision: Revision, stepId: string): Promise<Buffer> {
  const made = document(revision);
  const lines = numbersOf(made.job, made.plan, stepId);
  const step = made.plan.steps.find(({ id }) => id === stepId);
  if (!step || lines.length > MOST_IN_PDF)
    throw new ProblemError(404, `The list of ${stepId} has more than 100,000 numbers. Take it as CSV.`);
  return numbersPdf(made, step, lines);
}

/** What a document is made of, and what of it is asked for. */
export interface Asked {
  readonly revision: Revision;
  readonly component?: string | undefined;
  readonly step?: string | undefined;
  readonly side?: SheetSide | undefined;
  readonly drawing?: number | undefined;
}

/** Every document of a revision, by name. */
export const DOCUMENTS = {
  ticket: ({ revision }: Asked) => ticketOf(revision),
  pileTags: ({ revision }: Asked) => pileTagsOf(revision),
  layoutPdf: ({ revision, component = '' }: Asked) => layoutPdfOf(revision, component),
  layoutSvg: ({ revision, component = '', side }: Asked) => layoutSvgOf(revision, component, side),
  layoutDxf: ({ revision, component = '', side }: Asked) => layoutDxfOf(revision, component, side),
  stationPdf: ({ revision, step = '' }: Asked) => stationPdfOf(revision, step),
  stationSvg: ({ revision, step = '', drawing }: Asked) => stationSvgOf(revision, step, drawing),
  numbersCsv: ({ revision, step = '' }: Asked) => numbersCsvOf(revision, step),
  numbersPdf: ({ revision, step = '' }: Asked) => numbersPdfOf(revision, step),
} as const satisfies Readonly<Record<string, (asked: Asked) => Promise<Buffer> | string>>;
export type DocumentName = keyof typeof DOCUMENTS;
