import type { Mm } from '../kernel/index.js';

/** A point in millimetres, x to the right, y up; plain numbers, since they are turned and mirrored. */
export interface Point {
  readonly x: number;
  readonly y: number;
}

/** A closed outline without a repeated last point; the order of its points says which way it runs. */
export type Outline = readonly Point[];

/** Edges of an upright rectangle, millimetres. */
export interface Bounds {
  readonly left: number;
  readonly bottom: number;
  readonly right: number;
  readonly top: number;
}

/** Smallest upright rectangle around points; they must not be none. Source: identity. */
export function boundsOf(points: readonly Point[]): Bounds {
  let [left, bottom, right, top] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const { x, y } of points) {
    left = Math.min(left, x);
    right = Math.max(right, x);
    bottom = Math.min(bottom, y);
    top = Math.max(top, y);
  }
  return { left, bottom, right, top };
}

/** An outline moved, mm. */
export const shift = (points: Outline, dx: Mm, dy: Mm): Outline => points.map(({ x, y }) => ({ x: x + dx, y: y + dy }));

/** Turned by half a turn about the origin. Source: identity. */
export const halfTurn = (points: Outline): Outline => points.map(({ x, y }) => ({ x: -x, y: -y }));

/** Turned by a quarter, anticlockwise, about the origin. Source: identity. */
export const quarterTurn = (points: Outline): Outline => points.map(({ x, y }) => ({ x: -y, y: x }));

/** Distance of two points, mm. */
export const distance = (a: Point, b: Point): Mm => Math.hypot(b.x - a.x, b.y - a.y);

/** Edges of an outline, the last one closing it. */
export const edgesOf = (outline: Outline): (readonly [Point, Point])[] =>
  outline.map((point, i) => [point, outline[(i + 1) % outline.length] ?? point] as const);

/** Area inside an outline, above 0 where it runs anticlockwise. Source: identity (shoelace). */
export const signedArea = (outline: Outline): number =>
  edgesOf(outline).reduce((sum, [a, b]) => sum + a.x * b.y - b.x * a.y, 0) / 2;

/** Length around an outline. Source: identity. */
export const perimeter = (outline: Outline): Mm => edgesOf(outline).reduce((sum, [a, b]) => sum + distance(a, b), 0);

/** Remembers what is made of an outline: outlines do not change. */
export function once<T>(make: (outline: Outline) => T): (outline: Outline) => T {
  const known = new WeakMap<Outline, { readonly made: T }>();
  return (outline) => {
    const before = known.get(outline);
    if (before) return before.made;
    const made = make(outline);
    known.set(outline, { made });
    return made;
  };
}
