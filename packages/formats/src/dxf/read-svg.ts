import { MOST_FILE_BYTES, error } from '@druckerei/core';
import svgpath from 'svgpath';
import { type Spot, cubicPoints } from './flatten.js';
import { type DrawingUnit, type LayerMapping, type ReadDrawing, DRAWING_UNITS, mapRuns } from './read-dxf.js';

/** Points of one path, curves flattened; a run for each move. */
function runsOf(d: string): Spot[][] {
  const runs: Spot[][] = [];
  let at: Spot = { x: 0, y: 0 };
  let start = at;
  const go = (...points: Spot[]): void => {
    runs.at(-1)?.push(...points);
    at = points.at(-1) ?? at;
  };
  svgpath(d)
    .abs()
    .unshort()
    .unarc()
    .iterate((segment) => {
      const [command, ...n] = segment as unknown as [string, ...number[]];
      const spot = (i: number): Spot => ({ x: n[i] ?? 0, y: n[i + 1] ?? 0 });
      switch (command) {
        case 'M':
          at = start = spot(0);
          runs.push([at]);
          break;
        case 'L':
          go(spot(0));
          break;
        case 'H':
          go({ x: n[0] ?? 0, y: at.y });
          break;
        case 'V':
          go({ x: at.x, y: n[0] ?? 0 });
          break;
        case 'C':
          go(...cubicPoints(at, spot(0), spot(2), spot(4)));
          break;
        case 'Q': {
          // A square curve as a cubic one. Source: identity.
          const third = (a: Spot, b: Spot): Spot => ({
            x: a.x + (2 / 3) * (b.x - a.x),
            y: a.y + (2 / 3) * (b.y - a.y),
          });
          go(...cubicPoints(at, third(at, spot(0)), third(spot(2), spot(0)), spot(2)));
          break;
        }
        case 'Z':
          go(start);
          break;
      }
    });
  return runs;
}

/**
 * Reads the paths of an SVG drawing: every `d` attribute, its layer by the path's class or id. Other shapes and nested
 * transforms are not read; y is turned up. @param unit of one user unit; `mm` where the drawing was made by this program.
 * Issues: `die.too-many`, `die.unreadable`; warning `die.unmapped-layer`.
 */
export function readSvg(text: string, mapping: LayerMapping, unit: DrawingUnit): ReadDrawing {
  const fail = (issue: ReadDrawing['issues'][number]): ReadDrawing => ({
    lines: [],
    areas: [],
    layers: [],
    issues: [issue],
  });
  if (text.length > MOST_FILE_BYTES)
    return fail(error('die.too-many', 'text', { value: text.length, what: 'bytes', most: MOST_FILE_BYTES }));
  if (/<!(DOCTYPE|ENTITY)/i.test(text))
    return fail(error('die.unreadable', 'text', { format: 'SVG', why: $localize`it brings definitions of its own` }));
  const scale = DRAWING_UNITS[unit];
  const paths = [...text.matchAll(/<path\b([^>]*)>/gi)].map(([, attributes = '']) => attributes);
  if (paths.length === 0)
    return fail(error('die.unreadable', 'text', { format: 'SVG', why: $localize`it holds no paths` }));
  const attribute = (source: string, name: string): string | undefined =>
    new RegExp(`\\s${name}="([^"]*)"`, 'i').exec(source)?.[1];
  try {
    return mapRuns(
      paths.flatMap((source) => {
        const layer = attribute(source, 'class') ?? attribute(source, 'id') ?? 'path';
        return runsOf(attribute(source, 'd') ?? '')
          .filter((points) => points.length > 1)
          .map((points) => ({ layer, points: points.map(({ x, y }) => ({ x: x * scale, y: -y * scale })) }));
      }),
      mapping,
    );
  } catch {
    return fail(error('die.unreadable', 'text', { format: 'SVG', why: $localize`a path cannot be followed` }));
  }
}
