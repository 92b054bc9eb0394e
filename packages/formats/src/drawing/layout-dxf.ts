import type { Box, LayoutDrawing } from '@druckerei/core';
import { type DxfShape, writeDxf } from '../dxf/write-dxf.js';

const LAYERS = {
  SHEET: 'CONTINUOUS',
  GRIPPER: 'CONTINUOUS',
  BLEED: 'DOTTED',
  TRIM: 'CONTINUOUS',
  PAGE: 'DASHED',
  MARK: 'CONTINUOUS',
} as const;

/** Height of page numbers, as a share of the shorter side of the page. */
const NUMBER_SHARE = 0.2;

/** A layout as DXF, seen from its printed side; the origin is the sheet's lower left corner at the gripper edge. */
export function layoutDxf({ sheet, pieces, gripperMm, tailGripped }: LayoutDrawing): string {
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
  const grip = (y: number): DxfShape => shape('GRIPPER', { x: 0, y, width: sheet.width, height: gripperMm });
  return writeDxf(
    LAYERS,
    [
      shape('SHEET', sheet),
      grip(sheet.height - gripperMm),
      ...(tailGripped ? [grip(0)] : []),
      ...pieces.flatMap((piece) => [
        ...(piece.width > piece.trim.width ? [shape('BLEED', piece)] : []),
        shape('TRIM', piece.trim),
        ...piece.pages.map((page) => shape('PAGE', page)),
        ...(piece.mark ? [shape('MARK', piece.mark)] : []),
      ]),
    ],
    pieces.flatMap(({ pages }) =>
      pages.map(({ x, y, width, height, page }) => ({
        layer: 'PAGE',
        x: x + width / 2,
        y: sheet.height - y - height / 2,
        heightMm: Math.min(width, height) * NUMBER_SHARE,
        text: String(page),
      })),
    ),
  );
}
