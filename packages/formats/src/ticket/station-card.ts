import { type PlanStep, type StationSheet, shownFigures, stationSheet } from '@druckerei/core';
import type { Content } from 'pdfmake/interfaces.js';
import { stationSvg } from '../drawing/station-svg.js';
import { footText } from '../pdf/book-head.js';
import { renderPdf } from '../pdf/render.js';
import { type JobDocument, number, stateText } from './document.js';
import { Said } from './measures.js';
import { heads, table } from './table.js';

/** Rows of a list that the ticket prints; the rest is on the screen and in the station's own document. */
const ROWS = 14;

/** Figures and remarks of one station, its lists, and its drawings. */
export interface StationCard {
  readonly words: Content[];
  readonly tables: Content[];
  readonly drawings: Content[];
}

/** What a station's sheet says. @param options how wide its drawings are, points, and how many rows of a list are printed. */
export function stationCard(
  document: JobDocument,
  sheet: StationSheet,
  options: { readonly width: number; readonly rows?: number },
): StationCard {
  const words = shownFigures(sheet, document.plan, new Said(document.works).quantity).map(({ name, text }) =>
    `${name} ${text}`.trim(),
  );
  const { rows = ROWS, width } = options;
  return {
    words: [
      ...(words.length > 0
        ? [{ text: `${words.join('; ')}.`, margin: [0, 2, 0, 0] as [number, number, number, number] }]
        : []),
      ...sheet.remarks.map((text): Content => ({ text, italics: true })),
    ],
    tables: sheet.tables.map((list): Content => ({
      stack: [
        { text: list.title, style: 'quiet', margin: [0, 4, 0, 0] },
        table(
          list.heads.map(() => 'auto'),
          heads(...list.heads),
          list.rows.slice(0, rows).map((row) => row.map((cell) => String(cell))),
        ),
        ...(list.rows.length > rows
          ? [
              {
                text: $localize`and ${number(list.rows.length - rows)} more, in the station’s own document`,
                style: 'quiet',
              },
            ]
          : []),
      ],
    })),
    drawings: sheet.drawings.map((drawing): Content => ({
      stack: [
        { svg: stationSvg(drawing), fit: [width, width * 0.55] },
        { text: $localize`${drawing.title}, millimetres`, style: 'small' },
      ],
      unbreakable: true,
      margin: [0, 3, 0, 0],
    })),
  };
}

/** The sheet of one station as a document of its own; undefined where the plan has no such step. */
export function stationPdf(document: JobDocument, step: PlanStep, title: string): Promise<Buffer> | undefined {
  const { job, plan, works } = document;
  const sheet = stationSheet(job, plan, works, step.id);
  if (!sheet) return undefined;
  const card = stationCard(document, sheet, { width: 500, rows: 2_000 });
  return renderPdf(
    {
      info: { title: `${job.number} ${title}` },
      footer: (page, pages) => ({
        text: footText($localize`${job.number}  ${title}  ${page} of ${pages}`, document.book),
        margin: [42, 12],
        style: 'quiet',
      }),
      content: [
        { text: `${job.number}  ${title}`, style: 'title' },
        { text: `${job.title}. ${stateText(document)}.`, style: 'quiet', margin: [0, 2, 0, 8] },
        ...card.words,
        ...card.tables,
        ...card.drawings,
      ],
    },
    document.at,
  );
}
