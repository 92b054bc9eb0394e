import type { Content } from 'pdfmake/interfaces.js';
import { renderPdf } from '../pdf/render.js';
import { type Letterhead, letterhead } from '../ticket/letterhead.js';
import { heads, right, table } from '../ticket/table.js';
import { tongueOf } from './tongue.js';

/** An offer as it is sent: it says prices, and neither cost nor margin. */
export interface OfferDocument {
  readonly number: string;
  /** When it was made: printed, and the date of the file. */
  readonly at: Date;
  readonly works: Letterhead;
  /** Language and place of whom it goes to, BCP 47. */
  readonly locale?: string | undefined;
  readonly customer: string;
  readonly title: string;
  /** What is offered, a line each. */
  readonly description: readonly string[];
  readonly currency: string;
  /** ISO 8601 date of the last day that it holds. */
  readonly until: string;
  readonly note?: string;
  readonly lines: readonly { readonly quantity: number; readonly price: number; readonly perThousand: number }[];
}

/** An offer on one page. */
export function offerPdf(offer: OfferDocument): Promise<Buffer> {
  const { works, currency, locale } = offer;
  const { number, day } = tongueOf(locale);
  const title = $localize`Offer ${offer.number}`;
  const content: Content[] = [
    letterhead(works),
    { text: title, style: 'title', margin: [0, 18, 0, 0] },
    { text: offer.customer, bold: true, margin: [0, 4, 0, 0] },
    {
      text: $localize`Made on ${day(offer.at.toISOString().slice(0, 10))}; it holds until ${day(offer.until)}.`,
    },
    { text: offer.title, style: 'heading', margin: [0, 24, 0, 4] },
    ...offer.description.map((text): Content => ({ text })),
    {
      ...table(
        ['*', 110, 130],
        heads($localize`Quantity`, `>${$localize`Price, ${currency}`}`, `>${$localize`A thousand, ${currency}`}`),
        offer.lines.map(({ quantity, price, perThousand }) => [
          number(quantity),
          right(number(price, 2)),
          right(number(perThousand, 2)),
        ]),
      ),
      margin: [0, 16, 0, 16],
    },
    ...(offer.note ? [{ text: offer.note, preserveLeadingSpaces: true }] : []),
  ];
  return renderPdf({ info: { title }, content }, offer.at);
}
