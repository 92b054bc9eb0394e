import {
  type DieArea,
  type DieLine,
  type Issue,
  type LineKind,
  MOST_FILE_BYTES,
  error,
  warning,
  own,
  wordOf,
} from '@druckerei/core';
import dxfParser, { type IEntity } from 'dxf-parser';
import { type Spot, arcPoints, bulgePoints, ellipsePoints, splinePoints } from './flatten.js';

/** What the lines of a layer do, or that they bound an area. */
export type LayerUse = LineKind | DieArea['kind'] | 'leave out';

/** What each layer is for; layers that are not named go by their names, or are left out and reported. */
export type LayerMapping = Readonly<Record<string, LayerUse>>;

/** Units that a drawing may be told to be in. */
export const DRAWING_UNITS = { mm: 1, cm: 10, m: 1000, inch: 25.4 } as const;
export type DrawingUnit = keyof typeof DRAWING_UNITS;

/** $INSUNITS of the open DXF reference that lengths can be read in. */
const INSUNITS: Readonly<Record<number, DrawingUnit>> = { 1: 'inch', 4: 'mm', 5: 'cm', 6: 'm' };

/** Most entities that are read, blocks expanded. Source: practice, far above any die line. */
export const MOST_ENTITIES = 20_000;
const MOST_NESTING = 8;

export interface ReadDrawing {
  readonly lines: readonly DieLine[];
  readonly areas: readonly DieArea[];
  /** Layers with how many entities each holds, and what was guessed or told for them. */
  readonly layers: readonly {
    readonly layer: string;
    readonly count: number;
    readonly kind: LayerUse | undefined;
  }[];
  readonly issues: readonly Issue[];
}

interface ParsedBlock {
  readonly entities?: readonly IEntity[];
  readonly position?: Spot;
}

/** The parser as it is loaded: its own types differ by how a module is found. */
const Parser = dxfParser as unknown as new () => {
  parseSync(text: string): {
    readonly header?: Readonly<Record<string, unknown>>;
    readonly blocks?: Readonly<Record<string, ParsedBlock>>;
    readonly entities?: readonly IEntity[];
  } | null;
};

/** A place of a block in its parent: turned, scaled and moved. */
type Place = (spot: Spot) => Spot;
interface Run {
  readonly layer: string;
  readonly points: readonly Spot[];
}

/** What a layer's lines do by its name, where it says so in words of the trade. */
export function guessKind(layer: string): LayerUse | undefined {
  if (/glue/i.test(layer)) return 'glue';
  if (/keep/i.test(layer)) return 'keep-out';
  if (/perf/i.test(layer)) return 'perforation';
  if (/creas|score|fold|rill/i.test(layer)) return 'crease';
  return /cut|knife|trim|outline|^0$/i.test(layer) ? 'cut' : undefined;
}

const degrees = (angle: number): number => (angle * Math.PI) / 180;

class Reader {
  readonly runs: Run[] = [];
  entities = 0;

  constructor(private readonly blocks: Readonly<Record<string, ParsedBlock>>) {}

  /** Reads entities, blocks expanded. False where there are too many. */
  read(entities: readonly IEntity[], place: Place, layer: string | undefined, depth: number): boolean {
    for (const entity of entities) {
      this.entities += 1;
      if (this.entities > MOST_ENTITIES) return false;
      // Layer 0 inside a block stands for the layer of the block itself.
      const own = entity.layer === '0' && layer !== undefined ? layer : entity.layer;
      if (entity.type === 'INSERT') {
        if (!this.insert(entity, place, own, depth)) return false;
      } else {
        const points = pointsOf(entity);
        if (points.length > 1) this.runs.push({ layer: own, points: points.map(place) });
      }
    }
    return true;
  }

  private insert(entity: IEntity, place: Place, layer: string, depth: number): boolean {
    const {
      name,
      position,
      xScale = 1,
      yScale = 1,
      rotation = 0,
      columnCount = 1,
      rowCount = 1,
      columnSpacing = 0,
      rowSpacing = 0,
    } = entity as unknown as Partial<
      Record<'xScale' | 'yScale' | 'rotation' | 'columnCount' | 'rowCount' | 'columnSpacing' | 'rowSpacing', number>
    > & { name: string; position: Spot };
    const block = this.blocks[name];
    if (!block?.entities || depth >= MOST_NESTING) return true;
    const base = block.position ?? { x: 0, y: 0 };
    const [cos, sin] = [Math.cos(degrees(rotation)), Math.sin(degrees(rotation))];
    for (let column = 0; column < columnCount; column++) {
      for (let row = 0; row < rowCount; row++) {
        const inside: Place = ({ x, y }) => {
          const [u, v] = [(x - base.x) * xScale + column * columnSpacing, (y - base.y) * yScale + row * rowSpacing];
          return place({ x: position.x + u * cos - v * sin, y: position.y + u * sin + v * cos });
        };
        if (!this.read(block.entities, inside, layer, depth + 1)) return false;
      }
    }
    return true;
  }
}

function polyline(vertices: readonly (Spot & { bulge?: number })[], closed: boolean): Spot[] {
  const [first] = vertices;
  if (!first) return [];
  const points: Spot[] = [{ x: first.x, y: first.y }];
  vertices.forEach((vertex, i) => {
    const next = vertices[i + 1] ?? (closed ? first : undefined);
    if (next) points.push(...bulgePoints(vertex, { x: next.x, y: next.y }, vertex.bulge ?? 0));
  });
  return points;
}

/** Points of one entity in the drawing's units; none for kinds that are no lines. */
function pointsOf(entity: IEntity): Spot[] {
  const of = entity as unknown as {
    vertices?: (Spot & { bulge?: number })[];
    shape?: boolean;
    center?: Spot;
    radius?: number;
    startAngle?: number;
    endAngle?: number;
    majorAxisEndPoint?: Spot;
    axisRatio?: number;
    controlPoints?: Spot[];
    fitPoints?: Spot[];
    knotValues?: number[];
    degreeOfSplineCurve?: number;
  };
  const { center, radius = 0, startAngle = 0, endAngle = 2 * Math.PI } = of;
  switch (entity.type) {
    case 'LINE':
      return (of.vertices ?? []).map(({ x, y }) => ({ x, y }));
    case 'LWPOLYLINE':
    case 'POLYLINE':
      return polyline(of.vertices ?? [], of.shape === true);
    case 'CIRCLE':
      return center ? arcPoints(center, radius, 0, 2 * Math.PI) : [];
    case 'ARC': {
      const sweep = endAngle - startAngle;
      return center ? arcPoints(center, radius, startAngle, sweep > 0 ? sweep : sweep + 2 * Math.PI) : [];
    }
    case 'ELLIPSE':
      return center && of.majorAxisEndPoint
        ? ellipsePoints(center, of.majorAxisEndPoint, of.axisRatio ?? 1, startAngle, endAngle)
        : [];
    case 'SPLINE': {
      const { controlPoints = [], fitPoints = [], knotValues = [], degreeOfSplineCurve: degree = 3 } = of;
      return controlPoints.length > degree && knotValues.length > controlPoints.length
        ? splinePoints(degree, controlPoints, knotValues)
        : fitPoints.map(({ x, y }) => ({ x, y }));
    }
    default:
      return [];
  }
}

/**
 * Reads a die line from DXF text: LINE, LWPOLYLINE and POLYLINE with bulges, ARC, CIRCLE, ELLIPSE, SPLINE, and blocks,
 * in millimetres, each on the line kind of its layer. @param unit told where the drawing does not say it.
 * Issues: `die.too-many` (bytes, entities), `die.unreadable`, `die.unknown-units`; warning `die.unmapped-layer`.
 */
export function readDxf(text: string, mapping: LayerMapping, unit: DrawingUnit | undefined): ReadDrawing {
  const fail = (issue: Issue): ReadDrawing => ({ lines: [], areas: [], layers: [], issues: [issue] });
  if (text.length > MOST_FILE_BYTES)
    return fail(error('die.too-many', 'text', { value: text.length, what: 'bytes', most: MOST_FILE_BYTES }));
  let parsed: ReturnType<InstanceType<typeof Parser>['parseSync']>;
  try {
    parsed = new Parser().parseSync(text);
  } catch (caught) {
    return fail(
      error('die.unreadable', 'text', {
        format: 'DXF',
        why: caught instanceof Error ? caught.message : $localize`its end is missing`,
      }),
    );
  }
  if (!parsed) return fail(error('die.unreadable', 'text', { format: 'DXF', why: $localize`it holds no sections` }));
  const said = Number(parsed.header?.['$INSUNITS'] ?? 0);
  const units = unit ?? INSUNITS[said];
  if (!units)
    return fail(error('die.unknown-units', 'unit', { units: said === 0 ? wordOf('none') : $localize`code ${said}` }));
  const reader = new Reader(parsed.blocks ?? {});
  const scale = DRAWING_UNITS[units];
  if (!reader.read(parsed.entities ?? [], ({ x, y }) => ({ x: x * scale, y: y * scale }), undefined, 0))
    return fail(
      error('die.too-many', 'text', {
        value: $localize`more than ${MOST_ENTITIES}`,
        what: 'entities',
        most: MOST_ENTITIES,
      }),
    );
  return mapRuns(reader.runs, mapping);
}

/** Lines by the kinds of their layers, as told or as the names say. */
export function mapRuns(runs: readonly Run[], mapping: LayerMapping): ReadDrawing {
  const counts = new Map<string, number>();
  for (const { layer } of runs) counts.set(layer, (counts.get(layer) ?? 0) + 1);
  const kindOf = (layer: string): LayerUse | undefined => own(mapping, layer) ?? guessKind(layer);
  const layers = [...counts].map(([layer, count]) => ({ layer, count, kind: kindOf(layer) }));
  return {
    lines: runs.flatMap(({ layer, points }) => {
      const kind = kindOf(layer);
      return kind === 'cut' || kind === 'crease' || kind === 'perforation' ? [{ kind, points }] : [];
    }),
    areas: runs.flatMap(({ layer, points }) => {
      const kind = kindOf(layer);
      return (kind === 'glue' || kind === 'keep-out') && points.length > 2 ? [{ kind, outline: points }] : [];
    }),
    layers,
    issues: layers
      .filter(({ kind }) => kind === undefined)
      .map(({ layer, count }) => warning('die.unmapped-layer', 'layers', { layer, count })),
  };
}
