import type { Content } from 'pdfmake/interfaces.js';
import { type Pile, listPiles, unitText } from '@druckerei/core';
import { code128Svg, isCodable } from '../drawing/code128.js';
import { renderPdf } from '../pdf/render.js';
import { type JobDocument, number, stateText } from './document.js';

function tag(document: JobDocument, pile: Pile): Content {
  const { job } = document;
  const code: Content[] = isCodable(job.number)
    ? [{ svg: code128Svg(job.number), width: 110, alignment: 'right' }]
    : [];
  return {
    unbreakable: true,
    margin: [0, 0, 0, 12],
    table: {
      widths: ['*', 130],
      body: [
        [
          {
            border: [true, true, false, true],
            margin: [6, 4, 0, 4],
            stack: [
              { text: `${job.number}  ${job.title}`, bold: true, fontSize: 11 },
              { text: pile.component },
              { text: `Done: ${pile.state}. Next: ${pile.next ?? 'delivery'}.` },
              { text: stateText(document), style: 'quiet' },
            ],
          },
          {
            border: [false, true, true, true],
            margin: [0, 4, 6, 4],
            stack: [
              {
                text: `${number(pile.count)} ${unitText(pile.unit, pile.count)}`,
                bold: true,
                fontSize: 14,
                alignment: 'right',
              },
              { text: `pile ${pile.number} of ${pile.of}`, alignment: 'right' },
              ...code,
            ],
          },
        ],
        [
          {
            colSpan: 2,
            border: [true, false, true, true],
            margin: [6, 2, 6, 6],
            text: 'Counted: ____________   by: ____________   date: ____________',
          },
          '',
        ],
      ],
    },
  };
}

/** Tags for the piles between the stations, several to a page, to be cut apart. */
export const pileTagsPdf = (document: JobDocument): Promise<Buffer> =>
  renderPdf(
    {
      info: { title: `Pile tags ${document.job.number}` },
      content: listPiles(document.job, document.plan).map((pile) => tag(document, pile)),
    },
    document.at,
  );
