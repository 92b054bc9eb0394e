import type { Box, DrawnPage, LayoutDrawing } from '@druckerei/core';

const rect = ({ x, y, width, height }: Box, style: string): string =>
  `<rect x="${x}" y="${y}" width="${width}" height="${height}" ${style}/>`;

const text = (x: number, y: number, words: string, anchor = 'middle'): string =>
  `<text x="${x}" y="${y}" font-family="Franklin" font-size="26" text-anchor="${anchor}" fill="#333333">${words}</text>`;
const path = (d: string): string => `<path d="${d}" fill="none" stroke="#333333" stroke-width="3"/>`;

const THIN = 'fill="none" stroke="#333333" stroke-width="1.5"';
const FAINT = 'fill="none" stroke="#888888" stroke-width="1" stroke-dasharray="8 6"';
const CUT = 'fill="#f2f2f2" stroke="#333333" stroke-width="2"';
const PAGE = 'fill="none" stroke="#333333" stroke-width="1.2"';

/** Degrees by which a page's number is turned so that it stands towards the head. */
const TURN = { top: 0, right: 90, bottom: 180, left: 270 } as const;

/** A page with its number, standing as the page stands. */
function pageMark({ x, y, width, height, page, head }: DrawnPage): string {
  const [cx, cy] = [x + width / 2, y + height / 2];
  const size = Math.min(width, height) / 3;
  return `${rect({ x, y, width, height }, PAGE)}<text x="${cx}" y="${cy}" transform="rotate(${TURN[head]} ${cx} ${cy})" font-family="Franklin" font-size="${size}" text-anchor="middle" fill="#333333">${page}</text>`;
}

/** Room for the words below the sheet and the arrow beside it. */
const MARGIN = 44;

/** A double-headed arrow outside the sheet, along the grain. */
function grainArrow(sheet: Box, grain: LayoutDrawing['grain']): string[] {
  const [x, y] = [sheet.width, sheet.height];
  return grain === 'across'
    ? [path(`M${x - 220} ${y + 22} h130 m-14 -8 l14 8 l-14 8 m-102 -16 l-14 8 l14 8`), text(x, y + 30, 'grain', 'end')]
    : [
        path(`M${x + 22} 30 v130 m-8 -14 l8 14 l8 -14 m-16 -102 l8 -14 l8 14`),
        text(x, y + 30, 'grain as the arrow', 'end'),
      ];
}

/** A layout as an SVG picture in millimetres, for print: sheet, usable area, pieces with trim and page edges, gripper. */
export function layoutSvg(drawing: LayoutDrawing): string {
  const { sheet, usable, pieces, gripperMm, grain, tailGripped, colourBar } = drawing;
  const grip = (y: number) => rect({ x: 0, y, width: sheet.width, height: gripperMm }, 'fill="#bbbbbb"');
  const parts = [
    rect(sheet, THIN),
    grip(sheet.height - gripperMm),
    ...(tailGripped ? [grip(0)] : []),
    rect(usable, FAINT),
    ...(colourBar ? [rect(colourBar, 'fill="#dddddd"')] : []),
    ...pieces.flatMap((piece) => [
      rect(piece, FAINT),
      rect(piece.trim, CUT),
      ...piece.pages.map(pageMark),
      ...(piece.side ? [text(piece.x + piece.width / 2, piece.y + 40, piece.side)] : []),
    ]),
    text(0, sheet.height + 30, `gripper edge, ${gripperMm} mm`, 'start'),
    ...grainArrow(sheet, grain),
  ];
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="-3 -3 ${sheet.width + MARGIN} ${sheet.height + MARGIN}">${parts.join('')}</svg>`;
}
