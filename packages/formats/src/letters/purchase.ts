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
  const { number, day, quantity } = tongueOf(locale);
  const title = $localize`Order ${purchase.number}`;
  const told = lines.filter(({ price }) => price !== null).length;
  const content: Content[] = [
    letterhead(works),
    ...[supplier.name, ...(supplier.address ?? '').split('\n')]
      .filter(Boolean)
      .map((text, i): Content => ({ text, bold: i === 0, margin: [0, i === 0 ? 24 : 0, 0, 0] })),
    { text: title, style: 'title', margin: [0, 24, 0, 0] },
    ...(purchase.isDraft ? [{ text: $localize`Draft, not sent`, bold: true }] : []),
    ...(supplier.reference ? [{ text: $localize`Our number with you\: ${supplier.reference}` }] : []),
    {
      text: $localize`Made on ${day(purchase.at.toISOString().slice(0, 10))}; wanted on ${day(purchase.expected)}.`,
    },
    {
      ...table(
        [18, '*', 110, 90],
        heads(
          '',
          $localize`:of a letter|:What`,
          `>${$localize`:of goods|:Quantity`}`,
          `>${$localize`Price, ${currency}`}`,
        ),
        [
          ...lines.map(({ name, unit, price, ...line }, i) => [
            String(i + 1),
            name,
            right(quantity(line.quantity, unit)),
            right(price === null ? $localize`as agreed` : number(price, 2)),
          ]),
          ...(told > 0
            ? [
                [
                  '',
                  told < lines.length ? $localize`Sum of the prices told` : $localize`Sum`,
                  '',
                  right(number(sumOfPrices(lines.map(({ price }) => price)), 2)),
                ],
              ]
            : []),
        ],
      ),
      margin: [0, 18, 0, 18],
    },
    ...(purchase.note ? [{ text: purchase.note, preserveLeadingSpaces: true }] : []),
  ];
  return renderPdf({ info: { title }, content }, purchase.at);
}

/** The same as a table, a line each, with figures as programs read them. Cells that a sheet would run are escaped. */
export function purchaseCsv({ number: order, expected, currency, lines }: PurchaseDocument): string {
  return Papa.unparse(
    {
      fields: [
        $localize`Order`,
        $localize`:of a letter|:Line`,
        $localize`:of a letter|:What`,
        $localize`:of goods|:Quantity`,
        $localize`:of a value|:Unit`,
        $localize`Price, ${currency}`,
        $localize`Wanted on`,
      ],
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
