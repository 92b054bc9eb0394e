import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import {
  type LabelSize,
  type Labelled,
  type Pile,
  LABEL_SIZES,
  listPacks,
  listPiles,
  unitText,
  wordOf,
} from '@druckerei/core';
import { code128Svg, isCodable } from '../drawing/code128.js';
import { renderPdf } from '../pdf/render.js';
import { labelPage } from './label-page.js';
import { type JobDocument, number, stateText } from './document.js';

/** Labels that are made at once. */
export const MOST_LABELS = 2_000;

const NAMES: Readonly<Record<Labelled, string>> = { piles: 'pile', boxes: 'box', pallets: 'pallet' };

/** What labels are put on, each thing of it. */
export const labelled = ({ job, plan }: JobDocument, things: Labelled): Pile[] =>
  things === 'piles' ? listPiles(job, plan) : listPacks(job, plan, things);

function label(document: JobDocument, things: Labelled, pile: Pile, scale: number): Content {
  const { job, works } = document;
  const size = (points: number): number => points * scale;
  // A pile is scanned for itself, a box or pallet for its job.
  const text = things === 'piles' ? `${job.number}/${pile.tag}` : job.number;
  const code: Content[] = isCodable(text)
    ? [
        { svg: code128Svg(text), width: size(220), margin: [0, size(6), 0, 0] },
        ...(things === 'piles' ? [{ text, fontSize: size(8) }] : []),
      ]
    : [];
  const what =
    things === 'piles'
      ? [$localize`Done: ${pile.state}`, $localize`Next: ${pile.next ?? wordOf('delivery')}`]
      : [job.customer, job.due === undefined ? '' : $localize`Due ${job.due}`];
  return {
    stack: [
      { text: `${works.name}  |  ${stateText(document)}`, fontSize: size(8) },
      { text: job.number, bold: true, fontSize: size(22) },
      { text: pile.component === job.title ? job.title : `${job.title}: ${pile.component}`, fontSize: size(14) },
      ...what.filter((text) => text !== '').map((text): Content => ({ text, fontSize: size(12) })),
      {
        columns: [
          {
            text: `${number(pile.count)} ${unitText(pile.unit, pile.count)}`,
            bold: true,
            fontSize: size(24),
            margin: [0, size(6), 0, 0],
          },
          {
            text: $localize`${NAMES[things]} ${number(pile.number)} of ${number(pile.of)}`,
            fontSize: size(14),
            alignment: 'right',
            margin: [0, size(14), 0, 0],
          },
        ],
      },
      ...code,
    ],
  };
}

/**
 * Labels for the piles, boxes or pallets of a job, a page each.
 * Issues: none; a job without such things gives one page that says so. @param size of the label.
 */
export function labelsPdf(document: JobDocument, things: Labelled, size: LabelSize): Promise<Buffer> {
  const { page: paper, scale } = labelPage(LABEL_SIZES[size]);
  const piles = labelled(document, things).slice(0, MOST_LABELS);
  const pages = piles.map((pile): Content => label(document, things, pile, scale));
  const definition: TDocumentDefinitions = {
    info: { title: $localize`Labels ${document.job.number}, ${things}` },
    ...paper,
    content:
      pages.length === 0
        ? [{ text: $localize`${document.job.number} has no ${things}.` }]
        : pages.map((page, i): Content => (i === 0 ? page : { stack: [page], pageBreak: 'before' })),
  };
  return renderPdf(definition, document.at);
}
