import type { Mm } from '../kernel/index.js';
import { type Outline, type Point, edgesOf, once } from './point.js';

/** Distance of a point from a straight piece. Source: identity. */
export function distanceToSegment(p: Point, a: Point, b: Point): Mm {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const length2 = dx * dx + dy * dy;
  const t = length2 === 0 ? 0 : Math.max(0, Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / length2));
  return Math.hypot(p.x - a.x - t * dx, p.y - a.y - t * dy);
}

const side = (a: Point, b: Point, p: Point): number => (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x);

/** Whether two straight pieces cross at a point inside both. Source: identity. */
export function cross(a: Point, b: Point, c: Point, d: Point): boolean {
  return side(a, b, c) * side(a, b, d) < 0 && side(c, d, a) * side(c, d, b) < 0;
}

/** Whether a point lies inside an outline (even-odd rule; on the edge is either). Source: identity. */
export function isInside({ x, y }: Point, outline: Outline): boolean {
  let inside = false;
  for (const [a, b] of edgesOf(outline))
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside;
  return inside;
}

/**
 * Least distance between two outlines; 0 where they cross or one lies in the other.
 * Cost: the product of their points. Source: identity (the nearest pair holds a corner of one of them).
 */
export function clearance(a: Outline, b: Outline): Mm {
  const [edgesA, edgesB] = [edgesOf(a), edgesOf(b)];
  if (edgesA.some(([p, q]) => edgesB.some(([r, s]) => cross(p, q, r, s)))) return 0;
  const [firstA, firstB] = [a[0], b[0]];
  if ((firstA && isInside(firstA, b)) || (firstB && isInside(firstB, a))) return 0;
  let least = Infinity;
  for (const p of a) for (const [r, s] of edgesB) least = Math.min(least, distanceToSegment(p, r, s));
  for (const p of b) for (const [r, s] of edgesA) least = Math.min(least, distanceToSegment(p, r, s));
  return least;
}

/** Distances are told apart down to this. Source: practice, far below what any machine holds. */
const TOUCH_MM = 1e-9;

/** Rightmost x at height y that is nearer than r to the straight piece a-b; undefined where none is. */
function rightmostNear(ax: number, ay: number, bx: number, by: number, y: number, r: number): number | undefined {
  let best: number | undefined;
  const take = (x: number): void => {
    if (best === undefined || x > best) best = x;
  };
  const disc = (cx: number, cy: number): void => {
    const h = y - cy;
    // Just as far as the gap is far enough; without a gap, touching counts.
    if (Math.abs(h) < r - TOUCH_MM || (r === 0 && h === 0)) take(cx + Math.sqrt(r * r - h * h));
  };
  disc(ax, ay);
  disc(bx, by);
  const [dx, dy] = [bx - ax, by - ay];
  const length = Math.hypot(dx, dy);
  if (dy !== 0 && length > 0) {
    // The edge moved out to its right by r: where height y meets it, if inside its ends.
    const [nx, ny] = dy > 0 ? [dy / length, -dx / length] : [-dy / length, dx / length];
    const t = (y - ay - r * ny) / dy;
    if (t >= 0 && t <= 1) take(ax + r * nx + t * dx);
  }
  return best;
}

/** A straight piece of an outline, with what tells quickly that it cannot matter. */
interface Edge {
  readonly a: Point;
  readonly b: Point;
  readonly low: number;
  readonly high: number;
  readonly right: number;
}

/** Edges and corners of an outline, those that reach furthest to the right first. */
interface Facing {
  readonly edges: readonly Edge[];
  readonly corners: readonly Point[];
}

const byReach = (outline: Outline): Facing => ({
  edges: edgesOf(outline)
    .map(([a, b]) => ({ a, b, low: Math.min(a.y, b.y), high: Math.max(a.y, b.y), right: Math.max(a.x, b.x) }))
    .sort((one, other) => other.right - one.right),
  corners: [...outline].sort((one, other) => other.x - one.x),
});

/** What faces right of an outline, and what faces left of it, mirrored. Outlines do not change, so once for each. */
const facingRight = once(byReach);
const facingLeft = once((outline) => byReach(outline.map(({ x, y }) => ({ x: -x, y }))));

/** How far corners, moved up by dy, have to stand right of edges; both lists by their reach, so that the rest is passed over. */
function furthest(edges: readonly Edge[], corners: readonly Point[], dy: Mm, gapMm: Mm, from: number): number {
  let most = from;
  const reach = (edges[0]?.right ?? -Infinity) + gapMm;
  for (const p of corners) {
    // Corners lie mirrored: the leftmost has the greatest x here.
    if (reach + p.x <= most) break;
    const y = p.y + dy;
    for (const { a, b, low, high, right } of edges) {
      if (right + gapMm + p.x <= most) break;
      if (low - gapMm > y || high + gapMm < y) continue;
      const x = rightmostNear(a.x, a.y, b.x, b.y, y, gapMm);
      if (x !== undefined && x + p.x > most) most = x + p.x;
    }
  }
  return most;
}

/**
 * How far to the right of `a` an outline `b` has to stand, moved up by dy, so that nothing of it comes nearer than the
 * gap to `a`: the greatest x at which they still would. Undefined where they never meet at that height.
 * Exact for outlines of straight pieces: the last touch is a corner of one against an edge or corner of the other.
 * @param gapMm 0 or more. Cost: at worst twice the product of the points. Source: identity.
 */
export function standOff(a: Outline, b: Outline, dy: Mm, gapMm: Mm): Mm | undefined {
  const [right, left] = [facingRight(a), facingLeft(b)];
  // A corner of b, moved, against an edge of a; then a corner of a against a moved edge of b, as a mirror shows it.
  const first = furthest(right.edges, left.corners, dy, gapMm, -Infinity);
  const most = furthest(left.edges, right.corners, 0 - dy, gapMm, first);
  return most === -Infinity ? undefined : most;
}
