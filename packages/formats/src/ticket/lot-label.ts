import type { Content } from 'pdfmake/interfaces.js';
import { type LabelSize, LABEL_SIZES, numberText, unitText } from '@druckerei/core';
import { code128Svg } from '../drawing/code128.js';
import { renderPdf } from '../pdf/render.js';
import { labelPage } from './label-page.js';

/** A lot of the store as its label tells it. */
export interface LotLabel {
  readonly id: number;
  readonly name: string;
  readonly quantity: number;
  readonly unit: string;
  readonly place: string;
  /** ISO 8601 date on which it came in, and with what. */
  readonly came: string;
  readonly reason: string;
  readonly works: string;
  readonly size: LabelSize;
}

/** What the bar code of a lot says. */
export const lotCode = (id: number): string => `LOT-${id}`;

/** The label of a lot, one page of its size. Its quantity is that of the day that it is printed. */
export function lotLabelPdf(lot: LotLabel): Promise<Buffer> {
  const { page, scale } = labelPage(LABEL_SIZES[lot.size]);
  const size = (points: number): number => points * scale;
  const content: Content[] = [
    { text: `${lot.works}  |  ${lotCode(lot.id)}`, fontSize: size(8) },
    { text: lot.name, bold: true, fontSize: size(16) },
    { text: `${numberText(lot.quantity, 3)} ${unitText(lot.unit, lot.quantity)}`, bold: true, fontSize: size(24) },
    ...(lot.place ? [{ text: lot.place, fontSize: size(16) }] : []),
    { text: [$localize`came ${lot.came}`, lot.reason].filter(Boolean).join(', '), fontSize: size(10) },
    { svg: code128Svg(lotCode(lot.id)), width: size(150), margin: [0, size(6), 0, 0] },
  ];
  return renderPdf(
    { info: { title: $localize`Label ${lotCode(lot.id)}` }, ...page, content },
    new Date(`${lot.came}T12:00:00Z`),
  );
}
