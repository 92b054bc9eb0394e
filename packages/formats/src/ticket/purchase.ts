import Papa from 'papaparse';
import type { Content } from 'pdfmake/interfaces.js';
import { numberText, sumOfPrices, unitText } from '@druckerei/core';
import { renderPdf } from '../pdf/render.js';
import { number } from './document.js';
import { type Letterhead, letterhead } from './letterhead.js';
import { heads, right, table } from './table.js';

/** An order to a supplier as it is sent. */
export interface PurchaseDocument {
  readonly number: string;
  /** When it was made: printed, and the date of the file. */
  readonly at: Date;
  readonly works: Letterhead;
  readonly currency: string;
  /** It has not been sent: the paper says so. */
  readonly isDraft: boolean;
  readonly supplier: { readonly name: string; readonly address?: string; readonly reference?: string };
  /** ISO 8601 date of the day on which it is wanted. */
  readonly expected: string;
  readonly note?: string;
  readonly lines: readonly {
    readonly name: string;
    readonly quantity: number;
    readonly unit: string;
    /** For all of it; null where none is agreed. */
    readonly price: number | null;
  }[];
}

/** At most three digits, as kilograms are weighed. */
const quantityText = (quantity: number, unit: string): string =>
  `${numberText(quantity, 3)} ${unitText(unit, quantity)}`;

/** An order to a supplier. */
export function purchasePdf(purchase: PurchaseDocument): Promise<Buffer> {
  const { works, supplier, currency, lines } = purchase;
  const told = lines.filter(({ price }) => price !== null).length;
  const content: Content[] = [
    letterhead(works),
    ...[supplier.name, ...(supplier.address ?? '').split('\n')]
      .filter(Boolean)
      .map((text, i): Content => ({ text, bold: i === 0, margin: [0, i === 0 ? 24 : 0, 0, 0] })),
    { text: `Order ${purchase.number}`, style: 'title', margin: [0, 24, 0, 0] },
    ...(purchase.isDraft ? [{ text: 'Draft, not sent', bold: true }] : []),
    ...(supplier.reference ? [{ text: `Our number with you: ${supplier.reference}` }] : []),
    { text: `Made on ${purchase.at.toISOString().slice(0, 10)}; wanted on ${purchase.expected}.` },
    {
      ...table([18, '*', 110, 90], heads('', 'What', '>Quantity', `>Price, ${currency}`), [
        ...lines.map(({ name, quantity, unit, price }, i) => [
          String(i + 1),
          name,
          right(quantityText(quantity, unit)),
          right(price === null ? 'as agreed' : number(price, 2)),
        ]),
        ...(told > 0
          ? [
              [
                '',
                told < lines.length ? 'Sum of the prices told' : 'Sum',
                '',
                right(number(sumOfPrices(lines.map(({ price }) => price)), 2)),
              ],
            ]
          : []),
      ]),
      margin: [0, 18, 0, 18],
    },
    ...(purchase.note ? [{ text: purchase.note, preserveLeadingSpaces: true }] : []),
  ];
  return renderPdf({ info: { title: `Order ${purchase.number}` }, content }, purchase.at);
}

/** The same as a table, a line each. Cells that a sheet would run are escaped. */
export const purchaseCsv = ({ number: order, expected, currency, lines }: PurchaseDocument): string =>
  Papa.unparse(
    {
      fields: ['Order', 'Line', 'What', 'Quantity', 'Unit', `Price, ${currency}`, 'Wanted on'],
      data: lines.map(({ name, quantity, unit, price }, i) => [
        order,
        i + 1,
        name,
        quantity,
        unit,
        price ?? '',
        expected,
      ]),
    },
    { escapeFormulae: true },
  );
