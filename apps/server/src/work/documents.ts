import {
  type ComponentLayout,
  type Job,
  type LabelSize,
  type Labelled,
  type LayoutDrawing,
  type NumberLine,
  type Plan,
  type SheetSide,
  type Works,
  OPERATION_RULES,
  drawLayout,
  numberList,
  shownFigures,
  stationSheet,
} from '@druckerei/core';
import { type Revision, type StationSheetAnswer, MOST_SHEET_ROWS } from '@druckerei/contract';
import {
  type BookHead,
  MOST_LABELS,
  labelled,
  labelsPdf,
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
import { ProblemError } from '../http/problem.js';
import { planOf } from './kept-plan.js';

/** What a document is made of, and what of it is asked for. */
export interface Asked {
  readonly revision: Revision;
  /** The plan that it was released with; absent for a draft. */
  readonly kept?: Uint8Array | undefined;
  /** How the book ends; absent where nothing is in it. */
  readonly book?: BookHead | undefined;
  readonly component?: string | undefined;
  readonly step?: string | undefined;
  readonly side?: SheetSide | undefined;
  readonly drawing?: number | undefined;
  readonly things?: Labelled | undefined;
  readonly size?: LabelSize | undefined;
}

function document({ revision, kept, book }: Asked): {
  job: Job;
  plan: Plan;
  works: Works;
  revision: number;
  state: Revision['state'];
  at: Date;
  book: BookHead | undefined;
} {
  const works = revision.works as Works;
  const released = revision.revisions.find((row) => row.revision === revision.revision)?.releasedAt;
  return {
    job: revision.job,
    plan: planOf(revision, kept),
    works,
    revision: revision.revision,
    state: revision.state,
    at: new Date(released ?? revision.changedAt),
    book,
  };
}

/** A component's layout in a revision; 404 where the job has no such component. */
function layoutOf(plan: Plan, { component = '' }: Asked): ComponentLayout {
  const layout = plan.layouts[component];
  if (!layout) throw new ProblemError(404, $localize`This job has no component ${component}`);
  return layout;
}

function layoutPdfOf(asked: Asked): Promise<Buffer> {
  const made = document(asked);
  return layoutPdf(made, layoutOf(made.plan, asked));
}

/** The drawing of a component's layout, its front where no side is named. */
const drawingOf = (asked: Asked): LayoutDrawing =>
  drawLayout(layoutOf(document(asked).plan, asked), asked.side ?? 'front');

const noStep = (step: string): ProblemError => new ProblemError(404, $localize`This job has no step ${step}`);

/** The sheet of a station with its lists in full. */
function stationPdfOf(asked: Asked): Promise<Buffer> {
  const { step: stepId = '' } = asked;
  const made = document(asked);
  const step = made.plan.steps.find(({ id }) => id === stepId);
  const component = made.job.components.find(({ id }) => id === step?.component)?.name;
  const name = step ? OPERATION_RULES[step.operation].name : '';
  const pdf = step && stationPdf(made, step, component === undefined ? name : `${name}: ${component}`);
  if (!pdf) throw noStep(stepId);
  return pdf;
}

/** The sheet of a station to be shown. */
export function stationSheetOf(asked: Asked): StationSheetAnswer {
  const { step = '' } = asked;
  const { job, plan, works } = document(asked);
  const sheet = stationSheet(job, plan, works, step);
  if (!sheet) throw noStep(step);
  return {
    figures: shownFigures(sheet, plan),
    remarks: [...sheet.remarks],
    tables: sheet.tables.map(({ title, heads, rows }) => ({
      title,
      heads: [...heads],
      rows: rows.slice(0, MOST_SHEET_ROWS).map((row) => row.map(String)),
      more: Math.max(0, rows.length - MOST_SHEET_ROWS),
    })),
    drawings: sheet.drawings.map(({ title }) => title),
  };
}

/** One of a station's drawings, the first where none is named. */
function stationSvgOf(asked: Asked): string {
  const { step = '', drawing = 0 } = asked;
  const made = document(asked);
  const drawn = stationSheet(made.job, made.plan, made.works, step)?.drawings[drawing];
  if (!drawn) throw new ProblemError(404, $localize`Step ${step} has no such drawing`);
  return stationSvg(drawn);
}

/** Longest list that is made into a document. */
const MOST_IN_PDF = 100_000;

function numbersOf(job: Job, planned: Plan, { step = '' }: Asked): readonly NumberLine[] {
  const lines = numberList(job, planned, step);
  if (!lines)
    throw new ProblemError(404, $localize`Step ${step} has no list of numbers, or one of more than a million`);
  return lines;
}

function numbersCsvOf(asked: Asked): string {
  const { job, plan } = document(asked);
  return numbersCsv(numbersOf(job, plan, asked));
}

function numbersPdfOf(asked: Asked): Promise<Buffer> {
  const made = document(asked);
  const lines = numbersOf(made.job, made.plan, asked);
  const step = made.plan.steps.find(({ id }) => id === asked.step);
  if (!step || lines.length > MOST_IN_PDF)
    throw new ProblemError(
      404,
      $localize`The list of ${asked.step ?? ''} has more than 100,000 numbers. Take it as CSV.`,
    );
  return numbersPdf(made, step, lines);
}

function labelsOf(asked: Asked): Promise<Buffer> {
  const { things = 'piles', size = 'a6' } = asked;
  const made = document(asked);
  const count = labelled(made, things).length;
  if (count > MOST_LABELS)
    throw new ProblemError(
      422,
      $localize`There would be ${count} labels, and at most ${MOST_LABELS} are printed at once`,
      {
        detail: $localize`Put more into a pack, or print the tags of the piles.`,
      },
    );
  return labelsPdf(made, things, size);
}

/** Every document of a revision, by name. */
export const DOCUMENTS = {
  ticket: (asked: Asked) => ticketPdf(document(asked)),
  labels: labelsOf,
  pileTags: (asked: Asked) => pileTagsPdf(document(asked)),
  layoutPdf: layoutPdfOf,
  layoutSvg: (asked: Asked) => layoutSvg(drawingOf(asked), { dimensions: true }),
  layoutDxf: (asked: Asked) => layoutDxf(drawingOf(asked)),
  stationPdf: stationPdfOf,
  stationSvg: stationSvgOf,
  numbersCsv: numbersCsvOf,
  numbersPdf: numbersPdfOf,
} as const satisfies Readonly<Record<string, (asked: Asked) => Promise<Buffer> | string>>;
export type DocumentName = keyof typeof DOCUMENTS;
