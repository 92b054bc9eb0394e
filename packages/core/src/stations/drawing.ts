import type { ComponentLayout } from '../press-sheet/index.js';
import type { Mm } from '../kernel/index.js';

/** What a shape stands for; the face gives each its stroke and fill, never a colour alone. */
export type ShapeRole =
  'sheet' | 'piece' | 'waste' | 'glue' | 'board' | 'cloth' | 'window' | 'cut' | 'fold' | 'edge' | 'block' | 'mark';

/** A place on a drawing, mm. */
export interface Spot {
  readonly x: Mm;
  readonly y: Mm;
}

/** What a station's drawing is made of. */
export type Shape =
  | {
      readonly kind: 'box';
      readonly role: ShapeRole;
      readonly x: Mm;
      readonly y: Mm;
      readonly width: Mm;
      readonly height: Mm;
      readonly label?: string;
    }
  | {
      readonly kind: 'path';
      readonly role: ShapeRole;
      readonly points: readonly Spot[];
      readonly closed?: boolean;
      readonly label?: string;
    }
  /** A length with its arrows; the text stands in its middle. */
  | { readonly kind: 'measure'; readonly from: Spot; readonly to: Spot; readonly text: string };

/** A drawing to scale: millimetres from its upper left corner, y down. */
export interface StationDrawing {
  readonly title: string;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
  readonly shapes: readonly Shape[];
}

const HUNDREDTH = 100;
/** A length as it is written on a drawing. */
export const mmText = (mm: Mm): string => String(Math.round(mm * HUNDREDTH) / HUNDREDTH);

/** A length with its text. Millimetres. */
export const measure = (from: Spot, to: Spot, mm: Mm): Shape => ({ kind: 'measure', from, to, text: mmText(mm) });

/** Pieces of a layout where they lie on the sheet, millimetres from its upper left corner. */
export const piecesOn = ({
  pattern,
  sheet,
  leftMm,
  bottomMm,
}: ComponentLayout): { x: number; y: number; width: number; height: number }[] =>
  pattern.pieces.map(({ xMm, yMm, widthMm, heightMm }) => ({
    x: leftMm + xMm,
    y: sheet.heightMm - bottomMm - yMm - heightMm,
    width: widthMm,
    height: heightMm,
  }));
