import Papa from 'papaparse';
import type { Content } from 'pdfmake/interfaces.js';
import { sumOfPrices } from '@druckerei/core';
import { renderPdf } from '../pdf/render.js';
import { type Letterhead, letterhead } from '../ticket/letterhead.js';
import { heads, right, table } from '../ticket/table.js';
import { tongueOf } from './tongue.js';

/** An order to a supplier as it is sent. */
export interface PurchaseDocument {
  readonly number: string;
  /** When it was made: printed, and the date of the file. */
  readonly at: Date;
  readonly works: Letterhead;
  /** Language and place of whom it goes to, BCP 47. */
  readonly locale?: string | undefined;
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

/** An order to a supplier. */
export function purchasePdf(purchase: PurchaseDocument): Promise<Buffer> {
  const { works, supplier, currency, lines, locale } = purchase;
  const { words, number, day, quantity } = tongueOf(locale);
  const title = `${words.order} ${purchase.number}`;
  const told = lines.filter(({ price }) => price !== null).length;
  const content: Content[] = [
    letterhead(works),
    ...[supplier.name, ...(supplier.address ?? '').split('\n')]
      .filter(Boolean)
      .map((text, i): Content => ({ text, bold: i === 0, margin: [0, i === 0 ? 24 : 0, 0, 0] })),
    { text: title, style: 'title', margin: [0, 24, 0, 0] },
    ...(purchase.isDraft ? [{ text: words.draft, bold: true }] : []),
    ...(supplier.reference ? [{ text: words.reference(supplier.reference) }] : []),
    { text: words.ordered(day(purchase.at.toISOString().slice(0, 10)), day(purchase.expected)) },
    {
      ...table([18, '*', 110, 90], heads('', words.what, `>${words.amount}`, `>${words.price(currency)}`), [
        ...lines.map(({ name, unit, price, ...line }, i) => [
          String(i + 1),
          name,
          right(quantity(line.quantity, unit)),
          right(price === null ? words.asAgreed : number(price, 2)),
        ]),
        ...(told > 0
          ? [
              [
                '',
                told < lines.length ? words.sumOfTold : words.sum,
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
  return renderPdf({ info: { title }, content }, purchase.at);
}

/** The same as a table, a line each, with figures as programs read them. Cells that a sheet would run are escaped. */
export function purchaseCsv({ number: order, expected, currency, lines, locale }: PurchaseDocument): string {
  const { words } = tongueOf(locale);
  return Papa.unparse(
    {
      fields: [words.order, words.line, words.what, words.amount, words.unit, words.price(currency), words.wantedOn],
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
}
