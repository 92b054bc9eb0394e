import type { Content } from 'pdfmake/interfaces.js';
import { type PlanStep, ticketWithout } from '@druckerei/core';
import { footText } from '../pdf/book-head.js';
import { renderPdf } from '../pdf/render.js';
import { type JobDocument, stateText } from './document.js';
import type { Department } from './departments.js';
import { alikeOf, firstPage } from './first-page.js';
import { pressRoom } from './press-room.js';
import { departmentPart } from './stations-part.js';

/** Points around a page of the ticket: holes at the left, a clip at the head. */
const MARGINS: [number, number, number, number] = [42, 34, 36, 38];

/** Share of the page below which no department begins. */
const LOWEST_HEAD = 0.78;

/**
 * The job ticket as PDF: a first page with the product, the order, the stream, components and gates; then a part for each
 * department that has work: plate room, ink room and press with the layout of each kind of form, cutting and folding,
 * bindery, box shop, packing; without what the works leaves out of its tickets. Components that differ in their pages alone stand as one with a table. The same document and
 * date give the same bytes.
 */
export function ticketPdf(document: JobDocument): Promise<Buffer> {
  const { job } = document;
  const alike = alikeOf(document);
  const said = new Map<PlanStep['operation'], string>();
  const without = ticketWithout(document.works);
  const part = (name: Department): Content[] =>
    without.includes(name) ? [] : departmentPart(document, name, alike, said);
  const behind = [...part('finishing'), ...part('bindery'), ...part('boxes'), ...part('packing')];
  return renderPdf(
    {
      info: { title: $localize`Job ticket ${job.number}` },
      pageMargins: MARGINS,
      defaultStyle: { font: 'Franklin', fontSize: 8, lineHeight: 1.05 },
      ...(document.state === 'draft' ? { watermark: { text: 'DRAFT', opacity: 0.06 } } : {}),
      footer: (page, pages) => ({
        text: footText($localize`${job.number}  |  ${stateText(document)}  |  ${page} of ${pages}`, document.book),
        style: 'quiet',
        margin: [42, 14, 36, 0],
      }),
      // A department's name does not stay behind on the page before.
      pageBreakBefore: ({ headlineLevel, startPosition }) =>
        headlineLevel === 1 && startPosition.verticalRatio > LOWEST_HEAD,
      content: [
        ...firstPage(document),
        ...(without.includes('press')
          ? []
          : [
              { text: $localize`Plate room, ink room and press`, style: 'department', pageBreak: 'before' as const },
              ...pressRoom(document, alike),
              ...part('press'),
            ]),
        ...(behind.length > 0 ? [{ stack: behind.slice(0, 2), pageBreak: 'before' as const }, ...behind.slice(2)] : []),
      ],
    },
    document.at,
  );
}
