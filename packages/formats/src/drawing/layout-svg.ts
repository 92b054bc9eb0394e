import type { Box, LayoutDrawing } from '@druckerei/core';

const rect = ({ x, y, width, height }: Box, style: string): string =>
  `<rect x="${x}" y="${y}" width="${width}" height="${height}" ${style}/>`;
const line = (x1: number, y1: number, x2: number, y2: number, style: string): string =>
  `<line x1="${x1}" y1="${y1}" x2="${x2}" y2="${y2}" ${style}/>`;

const text = (x: number, y: number, words: string): string =>
  `<text x="${x}" y="${y}" font-family="Franklin" font-size="34" text-anchor="middle" fill="#333333">${words}</text>`;

const THIN = 'fill="none" stroke="#333333" stroke-width="1.5"';
const FAINT = 'fill="none" stroke="#888888" stroke-width="1" stroke-dasharray="8 6"';
const CUT = 'fill="#f2f2f2" stroke="#333333" stroke-width="2"';
const FOLD = 'stroke="#333333" stroke-width="1.2" stroke-dasharray="10 4 2 4"';

/** A layout as an SVG picture in millimetres, for print: sheet, usable area, pieces with trim and page edges, gripper. */
export function layoutSvg(drawing: LayoutDrawing): string {
  const { sheet, usable, pieces, gripperMm, grain, tailGripped } = drawing;
  const margin = 30;
  const grip = (y: number) => rect({ x: 0, y, width: sheet.width, height: gripperMm }, 'fill="#bbbbbb"');
  const parts = [
    rect(sheet, THIN),
    grip(sheet.height - gripperMm),
    ...(tailGripped ? [grip(0)] : []),
    rect(usable, FAINT),
    ...pieces.flatMap((piece) => [
      rect(piece, FAINT),
      rect(piece.trim, CUT),
      ...piece.pageLinesX.map((x) => line(x, piece.y, x, piece.y + piece.height, FOLD)),
      ...(piece.side ? [text(piece.x + piece.width / 2, piece.y + piece.height / 2, piece.side)] : []),
      ...piece.pageLinesY.map((y) => line(piece.x, y, piece.x + piece.width, y, FOLD)),
    ]),
    text(sheet.width / 2, sheet.height - gripperMm - 12, 'gripper edge'),
    // Grain: a double-headed arrow outside the sheet.
    grain === 'across'
      ? line(
          sheet.width * 0.4,
          sheet.height + margin * 0.55,
          sheet.width * 0.6,
          sheet.height + margin * 0.55,
          'stroke="#333333" stroke-width="3"',
        )
      : line(
          -margin * 0.55,
          sheet.height * 0.4,
          -margin * 0.55,
          sheet.height * 0.6,
          'stroke="#333333" stroke-width="3"',
        ),
  ];
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${-margin} ${-margin / 2} ${sheet.width + 2 * margin} ${sheet.height + 1.5 * margin}">${parts.join('')}</svg>`;
}
