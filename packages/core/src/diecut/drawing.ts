import type { Mm } from '../kernel/index.js';
import { type Bounds, type Outline, type Point, boundsOf, distance, perimeter, signedArea } from '../geometry/index.js';

/** What a line of a die does. Shown by shape: cut solid, crease dashed, perforation dotted. */
export const LINE_KINDS = ['cut', 'crease', 'perforation'] as const;
/** What a line of a die does: cuts, creases, perforates. */
export type LineKind = (typeof LINE_KINDS)[number];

/** A run of straight pieces of one kind; curves are flattened when they come in. */
export interface DieLine {
  readonly kind: LineKind;
  readonly points: readonly Point[];
}

/** A part of the blank that has to stay free of varnish (glue) or of print (keep-out), as a closed outline. */
export interface DieArea {
  readonly kind: 'glue' | 'keep-out';
  readonly outline: Outline;
}

/** A one-up blank: its outline, everything the die does inside it, and its areas. Millimetres, y up. */
export interface DieDrawing {
  readonly name: string;
  readonly outline: Outline;
  /** Cuts inside the outline, creases and perforations; the outline itself is cut and not listed here. */
  readonly lines: readonly DieLine[];
  readonly areas: readonly DieArea[];
}

/** Length of a line over all its points, mm. */
export const lengthOf = (points: readonly Point[]): Mm =>
  points.slice(1).reduce((sum, point, i) => sum + distance(points[i] ?? point, point), 0);

/** What is measured on a blank. */
export interface DieMeasures {
  readonly bounds: Bounds;
  readonly areaMm2: number;
  /** Length of cutting, creasing and perforating rule of one blank, the outline cut. */
  readonly ruleMm: Readonly<Record<LineKind, Mm>>;
  readonly glueMm2: number;
  readonly keepOutMm2: number;
}

/** Area, rule lengths and bounds of a blank. Source: identity (measured on the drawing). */
export function measureDie({ outline, lines, areas }: DieDrawing): DieMeasures {
  const rule = (kind: LineKind): Mm =>
    lines.filter((line) => line.kind === kind).reduce((sum, { points }) => sum + lengthOf(points), 0);
  const areaOf = (kind: DieArea['kind']): number =>
    areas.filter((area) => area.kind === kind).reduce((sum, area) => sum + Math.abs(signedArea(area.outline)), 0);
  return {
    bounds: boundsOf(outline),
    areaMm2: Math.abs(signedArea(outline)),
    ruleMm: { cut: rule('cut') + perimeter(outline), crease: rule('crease'), perforation: rule('perforation') },
    glueMm2: areaOf('glue'),
    keepOutMm2: areaOf('keep-out'),
  };
}
