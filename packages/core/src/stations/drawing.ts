import type { ComponentLayout } from '../press-sheet/index.js';
import { type FigureKind, type Mm, roundAs, sizeNumber } from '../kernel/index.js';

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

/** A length as it is written on a drawing. */
export const mmText = (mm: Mm, kind?: FigureKind): string => sizeNumber(roundAs(mm, 'mm', kind), 2);

/** A length with its text. Millimetres. @param kind how exactly it is told. */
export const measure = (from: Spot, to: Spot, mm: Mm, kind?: FigureKind): Shape => ({
  kind: 'measure',
  from,
  to,
  text: mmText(mm, kind),
});

/** Room below and at the right of a drawing for one row of measures, and on the other sides, as shares of its longer side. */
const ROW_ROOM = 0.09;
const EDGE_ROOM = 0.02;

/** How far apart rows of measures stand, as a share of the longer side. */
export const MEASURE_ROW = 0.062;

/** Room that a drawing takes with all its measures, which stand below and at the right of it. Millimetres. */
export function roomAround({ widthMm, heightMm, shapes }: StationDrawing): {
  readonly edge: Mm;
  readonly widthMm: Mm;
  readonly heightMm: Mm;
} {
  const measures = shapes.filter((shape) => shape.kind === 'measure');
  const long = Math.max(widthMm, heightMm);
  const edge = long * EDGE_ROOM;
  const right = Math.max(widthMm, ...measures.map(({ from }) => from.x));
  const foot = Math.max(heightMm, ...measures.map(({ from }) => from.y));
  const beside = (measured: boolean): Mm => (measured ? long * ROW_ROOM : edge);
  return {
    edge,
    widthMm: edge + right + beside(measures.some(({ from, to }) => from.x === to.x)),
    heightMm: edge + foot + beside(measures.some(({ from, to }) => from.y === to.y)),
  };
}

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
