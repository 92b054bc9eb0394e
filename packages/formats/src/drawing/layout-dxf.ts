import type { Box, DrawnPiece, LayoutDrawing, LineKind } from '@druckerei/core';
import { type DxfShape, type DxfText, writeDxf } from '../dxf/write-dxf.js';
import { type Dimension, dimensionsOf, isTold, lengthText, middle } from './dimensions.js';

const LAYERS = {
  SHEET: 'CONTINUOUS',
  GRIPPER: 'CONTINUOUS',
  BLEED: 'DOTTED',
  TRIM: 'CONTINUOUS',
  CUT: 'CONTINUOUS',
  CREASE: 'DASHED',
  PERFORATION: 'DOTTED',
  ITEM: 'CONTINUOUS',
  PAGE: 'DASHED',
  MARK: 'CONTINUOUS',
  DIMENSION: 'CONTINUOUS',
} as const;

const RULE_LAYER: Readonly<Record<LineKind, keyof typeof LAYERS>> = {
  cut: 'CUT',
  crease: 'CREASE',
  perforation: 'PERFORATION',
};

/** Height of page numbers, as a share of the shorter side of the page. */
const NUMBER_SHARE = 0.2;

/** Distance of a dimension chain from the sheet, half the length of its ticks, and the height of its figures. */
const CHAIN = { awayMm: 30, tickMm: 6, textMm: 12 } as const;

const lineOf = (x1: number, y1: number, x2: number, y2: number): DxfShape => ({
  layer: 'DIMENSION',
  closed: false,
  points: [
    { x: x1, y: y1 },
    { x: x2, y: y2 },
  ],
});

/** Chains above the sheet and at its left, as lines and figures that every reader shows. */
function dimensionShapes(drawing: LayoutDrawing): { shapes: DxfShape[]; texts: DxfText[] } {
  const { sheet } = drawing;
  const { across, up } = dimensionsOf(drawing);
  const [above, left] = [sheet.height + CHAIN.awayMm, -CHAIN.awayMm];
  const ticks = (chain: readonly Dimension[], end: number): number[] => [...chain.map(({ from }) => from), end];
  const figure = (x: number, y: number, one: Dimension): DxfText => ({
    layer: 'DIMENSION',
    x,
    y,
    heightMm: CHAIN.textMm,
    text: lengthText(one),
  });
  return {
    shapes: [
      lineOf(0, above, sheet.width, above),
      lineOf(left, 0, left, sheet.height),
      ...ticks(across, sheet.width).map((x) => lineOf(x, above - CHAIN.tickMm, x, above + CHAIN.tickMm)),
      ...ticks(up, sheet.height).map((y) =>
        lineOf(left - CHAIN.tickMm, sheet.height - y, left + CHAIN.tickMm, sheet.height - y),
      ),
    ],
    texts: [
      ...across.filter(isTold).map((one) => figure(middle(one), above + CHAIN.tickMm, one)),
      ...up.filter(isTold).map((one) => figure(left - 4 * CHAIN.textMm, sheet.height - middle(one), one)),
    ],
  };
}

/** A layout as DXF with its dimensions, seen from its printed side; the origin is the sheet's lower left corner at the gripper edge. */
export function layoutDxf(drawing: LayoutDrawing): string {
  const { sheet, pieces, gripperMm, tailGripped } = drawing;
  const dimensions = dimensionShapes(drawing);
  const shape = (layer: keyof typeof LAYERS, { x, y, width, height }: Box): DxfShape => {
    const [bottom, top] = [sheet.height - y - height, sheet.height - y];
    return {
      layer,
      closed: true,
      points: [
        { x, y: bottom },
        { x: x + width, y: bottom },
        { x: x + width, y: top },
        { x, y: top },
      ],
    };
  };
  const line = (layer: keyof typeof LAYERS, points: NonNullable<DrawnPiece['outline']>, closed: boolean): DxfShape => ({
    layer,
    closed,
    points: points.map(({ x, y }) => ({ x, y: sheet.height - y })),
  });
  const pieceShapes = (piece: DrawnPiece): DxfShape[] =>
    piece.outline
      ? [
          line('CUT', piece.outline, true),
          ...piece.rules.map(({ kind, points }) => line(RULE_LAYER[kind], points, false)),
        ]
      : [...(piece.width > piece.trim.width ? [shape('BLEED', piece)] : []), shape('TRIM', piece.trim)];
  const grip = (y: number): DxfShape => shape('GRIPPER', { x: 0, y, width: sheet.width, height: gripperMm });
  return writeDxf(
    LAYERS,
    [
      ...dimensions.shapes,
      shape('SHEET', sheet),
      ...(gripperMm > 0 ? [grip(sheet.height - gripperMm)] : []),
      ...(tailGripped ? [grip(0)] : []),
      ...pieces.flatMap((piece) => [
        ...pieceShapes(piece),
        ...piece.pages.map((page) => shape('PAGE', page)),
        ...(piece.mark ? [shape('MARK', piece.mark)] : []),
      ]),
    ],
    [
      ...dimensions.texts,
      ...pieces.flatMap(({ trim, item }): DxfText[] =>
        item === undefined
          ? []
          : [
              {
                layer: 'ITEM',
                x: trim.x,
                y: sheet.height - trim.y - trim.height / 2,
                heightMm: CHAIN.textMm,
                text: item,
              },
            ],
      ),
      ...pieces.flatMap(({ pages }) =>
        pages.map(({ x, y, width, height, label }) => ({
          layer: 'PAGE',
          x: x + width / 2,
          y: sheet.height - y - height / 2,
          heightMm: Math.min(width, height) * NUMBER_SHARE,
          text: label,
        })),
      ),
    ],
  );
}
