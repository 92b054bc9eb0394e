import { type Issue, type Mm, error, warning } from '../kernel/index.js';
import { type Outline, type Point, boundsOf, distance, edgesOf, selfCrossing, signedArea } from '../geometry/index.js';
import type { DieArea, DieDrawing, DieLine } from './drawing.js';
import { walkOutline } from './walk-outline.js';

/** Most straight pieces that a drawing may have, and the largest drawing that can be laid. Source: practice, far above any die line. */
export const MOST_PIECES = 20_000;
/** Largest drawing file that is read, bytes. */
export const MOST_FILE_BYTES = 4_000_000;
/** Largest side of a drawing that is read, mm. */
export const MOST_DRAWING_MM = 5_000;

/** Ends nearer than this are the same point without saying so, millimetres. */
const SAME_MM = 0.01;

/** Merges points that are nearer than the gap, each to the first of its kind; counts the gaps that this closed. */
class Joiner {
  private readonly cells = new Map<string, Point[]>();
  closed = 0;

  constructor(private readonly gapMm: Mm) {}

  at(point: Point): Point {
    const size = Math.max(this.gapMm, SAME_MM);
    const [i, j] = [Math.floor(point.x / size), Math.floor(point.y / size)];
    for (let di = -1; di <= 1; di++) {
      for (let dj = -1; dj <= 1; dj++) {
        for (const known of this.cells.get(`${i + di} ${j + dj}`) ?? []) {
          const apart = distance(known, point);
          if (apart > size) continue;
          if (apart > SAME_MM) this.closed += 1;
          return known;
        }
      }
    }
    const cell = `${i} ${j}`;
    this.cells.set(cell, [...(this.cells.get(cell) ?? []), point]);
    return point;
  }
}

/** Lines with their ends joined; pieces that lie on others left out, whichever way they run. */
function joinLines(lines: readonly DieLine[], gapMm: Mm): { lines: DieLine[]; closed: number; doubled: number } {
  const joiner = new Joiner(gapMm);
  const seen = new Set<string>();
  let doubled = 0;
  const name = ({ x, y }: Point): string => `${x.toFixed(3)} ${y.toFixed(3)}`;
  const joined = lines.flatMap(({ kind, points }) => {
    // Only the ends of a run are joined: inside it the points are known to meet.
    const at = points.map((point, i) => (i === 0 || i === points.length - 1 ? joiner.at(point) : point));
    const runs: Point[][] = [];
    let run: Point[] = [];
    at.slice(1).forEach((point, i) => {
      const from = at[i] ?? point;
      const key = `${kind} ${[name(from), name(point)].sort().join(' ')}`;
      if (distance(from, point) < SAME_MM / 10) return;
      if (seen.has(key)) {
        doubled += 1;
        if (run.length > 1) runs.push(run);
        run = [];
        return;
      }
      seen.add(key);
      run = run.length > 0 ? [...run, point] : [from, point];
    });
    if (run.length > 1) runs.push(run);
    return runs.map((one): DieLine => ({ kind, points: one }));
  });
  return { lines: joined, closed: joiner.closed, doubled };
}

const at = (value: number): number => Math.round(value * 100) / 100;

/**
 * A blank out of loose lines, such as a drawing file holds: ends that nearly meet are joined, doubled lines left out,
 * the outer boundary of the cut lines found; what lies inside stays as cuts, creases and perforations.
 * @param areas glue and keep-out areas, taken along as they are. @param gapMm ends up to so far apart are joined, 0 or more.
 * Issues: `die.too-many`, `die.no-outline`, `die.open-outline` with the place of the gap, `die.self-crossing`,
 * `die.too-large`; warnings `die.gap-closed` and `die.duplicate-lines`.
 * Source: identity (the outer boundary is walked by the sharpest turn outwards).
 */
export function assembleDie(
  name: string,
  lines: readonly DieLine[],
  areas: readonly DieArea[],
  gapMm: Mm,
  path: string,
): { drawing?: DieDrawing; issues: Issue[] } {
  const pieces = lines.reduce((sum, { points }) => sum + Math.max(0, points.length - 1), 0);
  if (pieces > MOST_PIECES)
    return { issues: [error('die.too-many', path, { value: pieces, what: 'straight pieces', most: MOST_PIECES })] };
  const joined = joinLines(lines, gapMm);
  const told: Issue[] = [
    ...(joined.closed > 0 ? [warning('die.gap-closed', path, { count: joined.closed, gap: gapMm })] : []),
    ...(joined.doubled > 0 ? [warning('die.duplicate-lines', path, { count: joined.doubled })] : []),
  ];
  const cuts = joined.lines.filter(({ kind }) => kind === 'cut');
  const walked = walkOutline(cuts.map(({ points }) => points));
  if (walked.kind === 'none') return { issues: [...told, error('die.no-outline', path)] };
  if (walked.kind === 'open') {
    const params = { gap: at(walked.gapMm), x: at(walked.near.x), y: at(walked.near.y) };
    return { issues: [...told, error('die.open-outline', path, params)] };
  }
  const { outline } = walked;
  const crossing = selfCrossing(outline);
  if (crossing) {
    const place = outline[crossing.first] ?? { x: 0, y: 0 };
    return { issues: [...told, error('die.self-crossing', path, { x: at(place.x), y: at(place.y) })] };
  }
  const { left, bottom, right, top } = boundsOf(outline);
  if (right - left > MOST_DRAWING_MM || top - bottom > MOST_DRAWING_MM) {
    const params = { value: at(right - left), other: at(top - bottom), most: MOST_DRAWING_MM };
    return { issues: [...told, error('die.too-large', path, params)] };
  }
  const home = (point: Point): Point => ({ x: point.x - left, y: point.y - bottom });
  const anticlockwise: Outline = signedArea(outline) > 0 ? outline : [...outline].reverse();
  return {
    drawing: {
      name,
      outline: anticlockwise.map(home),
      lines: insideLines(joined.lines, outline).map(({ kind, points }) => ({ kind, points: points.map(home) })),
      areas: areas.map(({ kind, outline: area }) => ({ kind, outline: area.map(home) })),
    },
    issues: told,
  };
}

/** Every line but the cut pieces that make the outline. */
function insideLines(lines: readonly DieLine[], outline: Outline): DieLine[] {
  const key = (a: Point, b: Point): string => [`${a.x} ${a.y}`, `${b.x} ${b.y}`].sort().join(' ');
  const edge = new Set(edgesOf(outline).map(([a, b]) => key(a, b)));
  return lines.flatMap((line) => {
    if (line.kind !== 'cut') return [line];
    const runs: Point[][] = [];
    let run: Point[] = [];
    line.points.slice(1).forEach((point, i) => {
      const from = line.points[i] ?? point;
      if (edge.has(key(from, point))) {
        if (run.length > 1) runs.push(run);
        run = [];
      } else run = run.length > 0 ? [...run, point] : [from, point];
    });
    if (run.length > 1) runs.push(run);
    return runs.map((points): DieLine => ({ kind: 'cut', points }));
  });
}
