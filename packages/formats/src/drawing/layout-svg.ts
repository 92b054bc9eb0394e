import { type Box, type DrawnPage, type DrawnPiece, type LayoutDrawing, type LineKind, wordOf } from '@druckerei/core';
import { type Dimension, dimensionsOf, isTold, lengthText, middle } from './dimensions.js';

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
function pageMark({ x, y, width, height, label, head }: DrawnPage): string {
  const [cx, cy] = [x + width / 2, y + height / 2];
  const size = Math.min(width, height) / 3;
  return `${rect({ x, y, width, height }, PAGE)}<text x="${cx}" y="${cy}" transform="rotate(${TURN[head]} ${cx} ${cy})" font-family="Franklin" font-size="${size}" text-anchor="middle" fill="#333333">${label}</text>`;
}

/** Job numbers are free text; in a drawing they must not open tags. */
const escapeXml = (words: string): string => words.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);

/** The sequence code in small type beside its mark. */
const markCode = ({ x, y, width, height, code }: NonNullable<LayoutDrawing['pieces'][number]['mark']>): string =>
  `<text x="${x + width + 2}" y="${y + height}" font-family="Franklin" font-size="7" fill="#222222">${escapeXml(code)}</text>`;

/** What a line of a die does, by its shape: cut solid, crease dashed, perforation dotted. */
const RULES: Readonly<Record<LineKind, string>> = {
  cut: '',
  crease: ' stroke-dasharray="9 5"',
  perforation: ' stroke-dasharray="2 5"',
};

const run = (points: readonly { readonly x: number; readonly y: number }[]): string =>
  `M${points.map(({ x, y }) => `${x} ${y}`).join('L')}`;

/** A piece: a blank by its own outline and rules, else the trimmed rectangle in its bleed. */
function pieceShapes(piece: DrawnPiece): string[] {
  if (piece.outline)
    return [
      `<path d="${run(piece.outline)}Z" ${CUT}/>`,
      ...piece.rules.map(
        ({ kind, points }) => `<path d="${run(points)}" fill="none" stroke="#333333" stroke-width="1"${RULES[kind]}/>`,
      ),
    ];
  return [rect(piece, FAINT), rect(piece.trim, CUT)];
}

/** The name of an item in its place, as large as it fits. */
function itemName({ trim, item }: DrawnPiece): string[] {
  if (item === undefined) return [];
  const size = Math.min(26, (1.6 * trim.width) / Math.max(1, item.length));
  const [x, y] = [trim.x + trim.width / 2, trim.y + trim.height / 2];
  return [
    `<text x="${x}" y="${y}" font-family="Franklin" font-size="${size}" text-anchor="middle" fill="#333333">${escapeXml(item)}</text>`,
  ];
}

/** Chains of dimensions above and to the left of the sheet: from edge to edge of every trimmed piece. */
function dimensionChains(drawing: LayoutDrawing): string[] {
  const { sheet } = drawing;
  const { across, up } = dimensionsOf(drawing);
  const stops = (chain: readonly Dimension[], last: number): number[] => [...chain.map(({ from }) => from), last];
  return [
    path(
      `M0 -30 H${sheet.width} ${stops(across, sheet.width)
        .map((x) => `M${x} -36 v12`)
        .join(' ')}`,
    ),
    path(
      `M-30 0 V${sheet.height} ${stops(up, sheet.height)
        .map((y) => `M-36 ${y} h12`)
        .join(' ')}`,
    ),
    ...across.filter(isTold).map((one) => text(middle(one), -42, lengthText(one))),
    ...up
      .filter(isTold)
      .map((one) => `<g transform="translate(-42 ${middle(one)}) rotate(-90)">${text(0, 0, lengthText(one))}</g>`),
  ];
}

export interface LayoutSvgOptions {
  /** With dimension chains, and its size in millimetres: a drawing of its own rather than a part of a page. */
  readonly dimensions?: boolean;
  /** How wide the gripper edge is, in words; in millimetres where absent. */
  readonly gripper?: string;
}

/** Room for the words below the sheet and the arrow beside it. */
const MARGIN = 44;
/** Room for the dimensions above the sheet and at its left. */
const DIMENSION_ROOM = 76;

/** A double-headed arrow outside the sheet, along the grain. */
function grainArrow(sheet: Box, grain: LayoutDrawing['grain']): string[] {
  const [x, y] = [sheet.width, sheet.height];
  return grain === 'across'
    ? [
        path(`M${x - 220} ${y + 22} h130 m-14 -8 l14 8 l-14 8 m-102 -16 l-14 8 l14 8`),
        text(x, y + 30, wordOf('grain'), 'end'),
      ]
    : [
        path(`M${x + 22} 30 v130 m-8 -14 l8 14 l8 -14 m-16 -102 l8 -14 l8 14`),
        text(x, y + 30, $localize`grain as the arrow`, 'end'),
      ];
}

/** Where the folder cuts off between two cut-offs that it collects. */
const cutOffLines = ({ sheet, cutOffs }: LayoutDrawing): string[] =>
  Array.from({ length: Math.max(0, cutOffs - 1) }, (_, i) =>
    path(`M0 ${((i + 1) * sheet.height) / cutOffs} H${sheet.width}`),
  );

/** A layout as an SVG picture in millimetres, for print: sheet, usable area, pieces with trim and page edges, gripper. */
export function layoutSvg(drawing: LayoutDrawing, { dimensions = false, gripper }: LayoutSvgOptions = {}): string {
  const { sheet, usable, pieces, gripperMm, grain, tailGripped, colourBar, cutOffs } = drawing;
  const edge = gripper ?? `${gripperMm} mm`;
  const grip = (y: number) => rect({ x: 0, y, width: sheet.width, height: gripperMm }, 'fill="#bbbbbb"');
  const parts = [
    rect(sheet, THIN),
    ...cutOffLines(drawing),
    ...(gripperMm > 0 ? [grip(sheet.height - gripperMm)] : []),
    ...(tailGripped ? [grip(0)] : []),
    rect(usable, FAINT),
    ...(colourBar ? [rect(colourBar, 'fill="#dddddd"')] : []),
    ...pieces.flatMap((piece) => [
      ...pieceShapes(piece),
      ...itemName(piece),
      ...piece.pages.map(pageMark),
      ...(piece.mark ? [rect(piece.mark, 'fill="#222222"'), markCode(piece.mark)] : []),
      ...(piece.side ? [text(piece.x + piece.width / 2, piece.y + 40, wordOf(piece.side))] : []),
    ]),
    text(
      0,
      sheet.height + 30,
      cutOffs > 0 ? $localize`web, printed upwards` : $localize`gripper edge, ${edge}`,
      'start',
    ),
    ...grainArrow(sheet, grain),
  ];
  const before = dimensions ? DIMENSION_ROOM : 3;
  const [width, height] = [sheet.width + before + MARGIN, sheet.height + before + MARGIN];
  const size = dimensions ? ` width="${width}mm" height="${height}mm"` : '';
  const chains = dimensions ? dimensionChains(drawing) : [];
  return `<svg xmlns="http://www.w3.org/2000/svg"${size} viewBox="${-before} ${-before} ${width} ${height}">${[...parts, ...chains].join('')}</svg>`;
}
