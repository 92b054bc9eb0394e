import type { Content } from 'pdfmake/interfaces.js';
import { type Pile, listPiles, unitText, wordOf } from '@druckerei/core';
import { code128Svg, isCodable } from '../drawing/code128.js';
import { renderPdf } from '../pdf/render.js';
import { type JobDocument, number, stateText } from './document.js';

/** Wide enough that the narrowest bar of a usual tag is 0.25 mm, which hand scanners read. */
const CODE_PT = 200;

function tag(document: JobDocument, pile: Pile): Content {
  const { job } = document;
  const text = `${job.number}/${pile.tag}`;
  const code: Content = isCodable(text)
    ? {
        stack: [
          { svg: code128Svg(text), width: CODE_PT, alignment: 'right' },
          { text, alignment: 'right', fontSize: 8 },
        ],
      }
    : { text };
  return {
    unbreakable: true,
    margin: [0, 0, 0, 12],
    table: {
      widths: ['*', CODE_PT + 6],
      body: [
        [
          {
            border: [true, true, false, true],
            margin: [6, 4, 0, 4],
            stack: [
              { text: `${job.number}  ${job.title}`, bold: true, fontSize: 11 },
              { text: pile.component },
              { text: $localize`Done: ${pile.state}. Next: ${pile.next ?? wordOf('delivery')}.` },
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
              { text: $localize`pile ${pile.number} of ${pile.of}`, alignment: 'right' },
            ],
          },
        ],
        [
          {
            border: [true, false, false, true],
            margin: [6, 14, 6, 6],
            text: $localize`Counted: ____________   by: ____________   date: ____________`,
          },
          { border: [false, false, true, true], margin: [0, 2, 6, 6], ...code },
        ],
      ],
    },
  };
}

/** Tags for the piles between the stations, several to a page, to be cut apart. */
export const pileTagsPdf = (document: JobDocument): Promise<Buffer> =>
  renderPdf(
    {
      info: { title: $localize`Pile tags ${document.job.number}` },
      content: listPiles(document.job, document.plan).map((pile) => tag(document, pile)),
    },
    document.at,
  );
