import { type DieDrawing, type LineKind, type Outline, type PlacedBlank, boundsOf } from '@druckerei/core';
import { type DxfLineType, type DxfShape, writeDxf } from '../dxf/write-dxf.js';

const LAYER: Readonly<Record<LineKind, string>> = { cut: 'CUT', crease: 'CREASE', perforation: 'PERFORATION' };
const LAYERS: Readonly<Record<string, DxfLineType>> = {
  CUT: 'CONTINUOUS',
  CREASE: 'DASHED',
  PERFORATION: 'DOTTED',
  GLUE: 'CONTINUOUS',
  SHEET: 'CONTINUOUS',
};

/** One blank as DXF: its outline and cuts, creases, perforations, glue areas, each on a layer by its name. */
export function dieDxf({ outline, lines, areas }: DieDrawing): string {
  return writeDxf(LAYERS, [
    { layer: 'CUT', points: outline, closed: true },
    ...lines.map(({ kind, points }): DxfShape => ({ layer: LAYER[kind], points, closed: false })),
    ...areas.map(({ outline: area }): DxfShape => ({ layer: 'GLUE', points: area, closed: true })),
  ]);
}

const sheetOutline = (width: number, height: number): Outline => [
  { x: 0, y: 0 },
  { x: width, y: 0 },
  { x: width, y: height },
  { x: 0, y: height },
];

/** Blanks laid on a sheet as DXF: the sheet and every outline. */
export const laidDxf = (widthMm: number, heightMm: number, blanks: readonly PlacedBlank[]): string =>
  writeDxf(LAYERS, [
    { layer: 'SHEET', points: sheetOutline(widthMm, heightMm), closed: true },
    ...blanks.map(({ outline }): DxfShape => ({ layer: 'CUT', points: outline, closed: true })),
  ]);

/** What a line does, by its shape. */
const DASHES: Readonly<Record<LineKind, string>> = {
  cut: '',
  crease: ' stroke-dasharray="6 3"',
  perforation: ' stroke-dasharray="1 3"',
};
const pathOf = (points: Outline, height: number, closed: boolean): string =>
  `M${points.map(({ x, y }) => `${x} ${height - y}`).join('L')}${closed ? 'Z' : ''}`;

const svg = (width: number, height: number, content: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}"><g fill="none" stroke="#222222" stroke-width="0.5">${content}</g></svg>`;

/** One blank as SVG in millimetres; each path's class says what it does. */
export function dieSvg({ outline, lines, areas }: DieDrawing): string {
  const { right, top } = boundsOf(outline);
  const path = (kind: LineKind, points: Outline, closed: boolean): string =>
    `<path class="${kind}" d="${pathOf(points, top, closed)}"${DASHES[kind]}/>`;
  return svg(
    right,
    top,
    [
      ...areas.map(
        (area) => `<path class="glue" fill="#dddddd" stroke="none" d="${pathOf(area.outline, top, true)}"/>`,
      ),
      path('cut', outline, true),
      ...lines.map(({ kind, points }) => path(kind, points, false)),
    ].join(''),
  );
}

/** Blanks laid on a sheet as SVG in millimetres. */
export const laidSvg = (widthMm: number, heightMm: number, blanks: readonly PlacedBlank[]): string =>
  svg(
    widthMm,
    heightMm,
    [
      `<path class="sheet" d="${pathOf(sheetOutline(widthMm, heightMm), heightMm, true)}"/>`,
      ...blanks.map(({ outline }) => `<path class="cut" d="${pathOf(outline, heightMm, true)}"/>`),
    ].join(''),
  );
