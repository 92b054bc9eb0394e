import { type Shape, type ShapeRole, type Spot, type StationDrawing, roomAround } from '@druckerei/core';

/** Strokes and fills for print: every role is told apart without colour. */
const STYLES: Readonly<Record<ShapeRole, string>> = {
  sheet: 'fill="none" stroke="#555555" stroke-dasharray="6 4"',
  piece: 'fill="#f2f2f2" stroke="#333333"',
  waste: 'fill="#dddddd" stroke="none"',
  glue: 'fill="#dddddd" stroke="#333333" stroke-dasharray="1 3"',
  board: 'fill="#e4e4e4" stroke="#222222"',
  cloth: 'fill="#f7f7f7" stroke="#222222"',
  window: 'fill="#ffffff" stroke="#333333"',
  cut: 'fill="none" stroke="#222222"',
  fold: 'fill="none" stroke="#222222" stroke-dasharray="9 5"',
  edge: 'fill="none" stroke="#222222"',
  block: 'fill="#d4d4d4" stroke="#333333"',
  mark: 'fill="#222222" stroke="none"',
};
/** Letters that XML wants written otherwise. */
export const escapeXml = (words: string): string => words.replace(/[&<>"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
const round = (value: number): number => Math.round(value * 100) / 100;
const run = (points: readonly Spot[], closed: boolean): string =>
  `M${points.map(({ x, y }) => `${round(x)} ${round(y)}`).join('L')}${closed ? 'Z' : ''}`;

/** How far from its edge a length is written, as a share of the longer side. */
const OFF = 0.03;

/** A station's drawing as an SVG picture in millimetres. */
export function stationSvg(drawing: StationDrawing): string {
  const { widthMm, heightMm, shapes, title } = drawing;
  const long = Math.max(widthMm, heightMm);
  const { edge, widthMm: width, heightMm: height } = roomAround(drawing);
  const letter = long / 34;
  const stroke = long / 480;
  const text = (x: number, y: number, words: string, turned = false): string =>
    `<text x="${round(x)}" y="${round(y)}" font-family="Franklin" font-size="${round(letter)}" text-anchor="middle" fill="#333333"${turned ? ` transform="rotate(-90 ${round(x)} ${round(y)})"` : ''}>${escapeXml(words)}</text>`;
  const draw = (shape: Shape): string => {
    if (shape.kind === 'measure') return measured(shape.from, shape.to, shape.text);
    const style = `${STYLES[shape.role]} stroke-width="${round(stroke)}"`;
    if (shape.kind === 'box') {
      const { x, y, width, height, label } = shape;
      const words = label === undefined ? '' : text(x + width / 2, y + height / 2 + letter / 3, label);
      return `<rect x="${round(x)}" y="${round(y)}" width="${round(width)}" height="${round(height)}" ${style}/>${words}`;
    }
    const [first] = shape.points;
    const label = shape.label !== undefined && first ? text(first.x + letter * 0.7, first.y + letter, shape.label) : '';
    return `<path d="${run(shape.points, shape.closed ?? false)}" ${style}/>${label}`;
  };
  /** Beside the edge that it measures: below what lies, at the right of what stands. */
  const measured = (from: Spot, to: Spot, words: string): string => {
    const lies = from.y === to.y;
    const off = long * OFF;
    const [a, b] = lies
      ? [
          { x: from.x, y: from.y + off },
          { x: to.x, y: to.y + off },
        ]
      : [
          { x: from.x + off, y: from.y },
          { x: to.x + off, y: to.y },
        ];
    const tick = letter * 0.3;
    const ends = [a, b].map(({ x, y }) =>
      lies
        ? `M${round(x)} ${round(y - tick)}v${round(2 * tick)}`
        : `M${round(x - tick)} ${round(y)}h${round(2 * tick)}`,
    );
    const words_ = lies
      ? text((a.x + b.x) / 2, a.y + letter * 1.15, words)
      : text(a.x + letter * 1.1, (a.y + b.y) / 2, words, true);
    return `<path d="${run([a, b], false)}${ends.join('')}" fill="none" stroke="#555555" stroke-width="${round(stroke)}"/>${words_}`;
  };
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${round(width)}mm" height="${round(height)}mm" viewBox="${round(0 - edge)} ${round(0 - edge)} ${round(width)} ${round(height)}"><title>${escapeXml(title)}</title>${shapes.map(draw).join('')}</svg>`;
}
