import type { Mm } from '../kernel/index.js';
import { type Outline, type Point, distance, signedArea } from '../geometry/index.js';

/** What a walk along the lines of a drawing finds: an outline, a gap that keeps it open, or nothing. Millimetres. */
export type Walked =
  | { readonly kind: 'outline'; readonly outline: Outline }
  /** The nearest pair of loose ends. */
  | { readonly kind: 'open'; readonly gapMm: Mm; readonly near: Point }
  | { readonly kind: 'none' };

/** Points are told apart by identity of their coordinates: joined ends are the same numbers. */
const name = ({ x, y }: Point): string => `${x} ${y}`;

type Neighbours = ReadonlyMap<string, readonly Point[]>;

function neighboursOf(runs: readonly (readonly Point[])[]): { neighbours: Neighbours; points: Point[] } {
  const neighbours = new Map<string, Point[]>();
  const points = new Map<string, Point>();
  const link = (from: Point, to: Point): void => {
    points.set(name(from), from);
    neighbours.set(name(from), [...(neighbours.get(name(from)) ?? []), to]);
  };
  for (const run of runs) {
    run.slice(1).forEach((point, i) => {
      const from = run[i] ?? point;
      link(from, point);
      link(point, from);
    });
  }
  return { neighbours, points: [...points.values()] };
}

/** Takes dead ends off until every point has two neighbours at least: what is left holds the closed lines. */
function withoutDeadEnds({ neighbours, points }: { neighbours: Neighbours; points: readonly Point[] }): Neighbours {
  const left = new Map([...neighbours].map(([key, list]) => [key, [...list]]));
  const ends = points.filter((point) => (left.get(name(point))?.length ?? 0) === 1);
  for (let end = ends.pop(); end; end = ends.pop()) {
    const [next] = left.get(name(end)) ?? [];
    left.delete(name(end));
    if (!next) continue;
    const others = (left.get(name(next)) ?? []).filter((point) => name(point) !== name(end));
    left.set(name(next), others);
    if (others.length === 1) ends.push(next);
  }
  return left;
}

/** The loose ends nearest to each other. */
function nearestGap(ends: readonly Point[]): { gapMm: Mm; near: Point } | undefined {
  let best: { gapMm: Mm; near: Point } | undefined;
  ends.forEach((a, i) => {
    for (const b of ends.slice(i + 1)) {
      const gapMm = distance(a, b);
      if (!best || gapMm < best.gapMm) best = { gapMm, near: a };
    }
  });
  return best;
}

/** Walks a boundary from its lowest point, keeping the outside to the right; undefined where it does not come back. */
function walk(neighbours: Neighbours, start: Point, limit: number): Point[] | undefined {
  const outline: Point[] = [start];
  let direction = Math.PI; // came from the left: nothing lies below the lowest point
  let at = start;
  let before: Point | undefined;
  for (let step = 0; step < limit; step++) {
    const list = neighbours.get(name(at)) ?? [];
    let best: { point: Point; turn: number; angle: number } | undefined;
    for (const point of list) {
      // Back the same way never: dead ends are gone, and its angle is not told safely from a turn of nothing.
      if (before && name(point) === name(before)) continue;
      const angle = Math.atan2(point.y - at.y, point.x - at.x);
      // The first way met when turning anticlockwise from where one came from.
      const turn = (((angle - direction) % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
      // Nothing lies straight to the left of the lowest point but by rounding: that way comes last.
      const last = before === undefined && turn < 1e-9 ? 2 * Math.PI : turn;
      if (!best || last < best.turn) best = { point, turn: last, angle };
    }
    if (!best) return undefined;
    before = at;
    at = best.point;
    if (name(at) === name(start)) return outline;
    outline.push(at);
    direction = best.angle + Math.PI;
  }
  return undefined;
}

/**
 * The outer boundary of a net of straight pieces that meet at their ends; of several nets the one that covers most.
 * Pieces that hang into the inside are no part of it. Cost: pieces x ways at a point.
 * Source: identity (planar boundary walk by the sharpest turn).
 */
export function walkOutline(runs: readonly (readonly Point[])[]): Walked {
  const net = neighboursOf(runs);
  if (net.points.length === 0) return { kind: 'none' };
  const closed = withoutDeadEnds(net);
  const left = new Set(closed.keys());
  let best: Outline | undefined;
  while (left.size > 0) {
    const points = net.points.filter((point) => left.has(name(point)));
    const [first] = points;
    if (!first) break;
    const start = points.reduce(
      (low, point) => (point.y < low.y || (point.y === low.y && point.x < low.x) ? point : low),
      first,
    );
    const outline = walk(closed, start, 2 * net.points.length + 2);
    // The whole net of this boundary is done with, its inside too.
    const waiting = [start];
    for (let point = waiting.pop(); point; point = waiting.pop()) {
      if (!left.delete(name(point))) continue;
      waiting.push(...(closed.get(name(point)) ?? []));
    }
    if (outline && (!best || Math.abs(signedArea(outline)) > Math.abs(signedArea(best)))) best = outline;
  }
  if (best) return { kind: 'outline', outline: best };
  const gap = nearestGap(net.points.filter((point) => (net.neighbours.get(name(point))?.length ?? 0) === 1));
  return gap ? { kind: 'open', ...gap } : { kind: 'none' };
}
