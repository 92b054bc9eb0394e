import { type NumberLine, type PlanStep, withinSentence } from '@druckerei/core';
import type { Content } from 'pdfmake/interfaces.js';
import { footText } from '../pdf/book-head.js';
import { renderPdf } from '../pdf/render.js';
import { type JobDocument, number, stateText } from './document.js';

const COLUMNS = 5;
const ROWS = 58;

/** Lines of one column: sheet, position, number; a voided one with what replaces it. */
const column = (lines: readonly NumberLine[]): Content => ({
  stack: lines.map(({ sheet, position, printed, replacedBy }) => ({
    text: [
      { text: `${sheet}.${position} `, color: '#555555' },
      { text: printed, ...(replacedBy === undefined ? {} : { decoration: 'lineThrough' as const }) },
      replacedBy === undefined ? '' : ` ${replacedBy}`,
    ],
  })),
  fontSize: 8,
});

/** The number list in columns, a mark against each: sheet and position, number, and what replaces a voided one. */
export function numbersPdf(document: JobDocument, step: PlanStep, lines: readonly NumberLine[]): Promise<Buffer> {
  const { job } = document;
  const voided = lines.filter(({ replacedBy }) => replacedBy !== undefined);
  const pages: Content[] = [];
  for (let from = 0; from < lines.length; from += COLUMNS * ROWS)
    pages.push({
      columns: Array.from({ length: COLUMNS }, (_, i) =>
        column(lines.slice(from + i * ROWS, Math.min(from + (i + 1) * ROWS, from + COLUMNS * ROWS))),
      ),
      columnGap: 8,
      pageBreak: 'before',
    });
  return renderPdf(
    {
      info: { title: $localize`${job.number} numbers` },
      footer: (page, count) => ({
        text: footText($localize`${job.number}  ${page} of ${count}`, document.book),
        margin: [42, 12],
        style: 'quiet',
      }),
      content: [
        { text: $localize`${job.number}  Numbers`, style: 'title' },
        {
          text: $localize`${job.title}. ${number(lines.length)} numbers at ${withinSentence(step.name)}, ${number(voided.length)} voided. ${stateText(document)}.`,
          style: 'quiet',
        },
        {
          text: $localize`Sheet.position and number; struck through where voided, with what replaces it.`,
          margin: [0, 0, 0, 8],
        },
        ...voided.map(({ printed, replacedBy }) => $localize`${printed} is void, replaced by ${replacedBy}`),
        ...pages,
      ],
    },
    document.at,
  );
}
